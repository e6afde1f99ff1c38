#!/usr/bin/env node
import { existsSync } from 'node:fs';

const bundle = new URL('../dist/wobrel.mjs', import.meta.url);
if (!existsSync(bundle)) {
  console.error('wobrel is not built yet: run "npm run build:tools" first');
  process.exit(2);
}
await import(bundle);
