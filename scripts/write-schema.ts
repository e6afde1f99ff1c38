/** Generates docs/template.schema.json from the template's Zod schema. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { z } from 'zod';
import { fileSchema } from '../src/core/template';

mkdirSync('docs', { recursive: true });
writeFileSync('docs/template.schema.json', JSON.stringify(z.toJSONSchema(fileSchema, { io: 'input' }), null, 2) + '\n');
