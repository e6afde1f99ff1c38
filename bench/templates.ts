/** The screen of templates with few and with very many: one page of its cards, as the server gives it. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { keptTemplate } from '../src/core/template';
import { migrateDatabase, tables } from '../src/server/db';
import { templateCards } from '../src/server/services';
import { FIRST_WORKSPACE, hereIn, type Here } from '../src/server/workspace';
import { median } from './median';

/** Templates and the batches that use them: first the few, then as many more as make the many. */
const FEW = { templates: 20, batches: 5 };
const MANY = { templates: 2000, batches: 500 };
/** Saved versions of each template. */
const VERSIONS = 3;

export type TemplatesSpeed = { readonly few: number; readonly many: number };

async function add(here: Here, from: typeof FEW | { templates: 0; batches: 0 }, to: typeof FEW): Promise<void> {
  const document = keptTemplate({ wobrel: 1, name: 'Tile', borders: [{ width: 16 }], shadows: [{}] });
  await here.write(async (tx) => {
    for (let i = from.templates; i < to.templates; i++) {
      const [row] = await tx.insert(tables.templates).values({ name: `Tile ${i}`, tags: [`tag ${i % 7}`] }).returning({ id: tables.templates.id }); // prettier-ignore
      const versions = Array.from({ length: VERSIONS }, (_, v) => ({ templateId: row!.id, version: v + 1, document }));
      const made = await tx.insert(tables.templateVersions).values(versions).returning({ id: tables.templateVersions.id }); // prettier-ignore
      if (i - from.templates < to.batches - from.batches) await tx.insert(tables.batches).values({ name: `Batch ${i}`, draft: document, templateVersionId: made[1]!.id }); // prettier-ignore
    }
  });
}

async function pageTime(here: Here, rounds: number): Promise<number> {
  const times: number[] = [];
  for (let round = -3; round < rounds; round++) {
    const begun = performance.now();
    JSON.stringify(await templateCards.listCards(here, templateCards.cardsSchema.parse({ limit: 20 })));
    if (round >= 0) times.push(performance.now() - begun);
  }
  return median(times);
}

/** Milliseconds of one page of 20 cards by name, medians of `rounds`. */
export async function measureTemplates(rounds: number): Promise<TemplatesSpeed> {
  const folder = mkdtempSync(join(tmpdir(), 'wobrel-bench-templates-'));
  process.env.WOBREL_DATA = folder;
  try {
    const here = hereIn(FIRST_WORKSPACE);
    await migrateDatabase(here.db, here.files.database());
    await add(here, { templates: 0, batches: 0 }, FEW);
    const few = await pageTime(here, rounds);
    await add(here, FEW, MANY);
    return { few, many: await pageTime(here, rounds) };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
