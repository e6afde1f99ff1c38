import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { migrateDatabase } from '../db';
import { batches, shapes, templates } from '.';
import { FIRST_WORKSPACE, hereIn } from '../workspace';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-shapes-'));
process.env.WOBREL_DATA = folder;
const here = hereIn(FIRST_WORKSPACE);
beforeAll(() => migrateDatabase(here.db, here.files.database()));
afterAll(() => rmSync(folder, { recursive: true }));

const read = (document: object) => shapes.savedShapeSchema.parse(document);
const box = { cx: 100, cy: 100, width: 100, height: 60 };
const star = (name: string, tips: number) => read({ name, shape: { kind: 'star', tips, box } });

test('an own shape is kept, listed by name, changed, taken out', async () => {
  const { id } = await shapes.saveShape(here, star('Seven', 7));
  await shapes.saveShape(here, star('Eight', 8));
  expect((await shapes.listShapes(here)).own.map(({ name, usedBy }) => [name, usedBy])).toEqual([['Eight', []], ['Seven', []]]); // prettier-ignore
  await shapes.changeShape(here, id, star('Nine', 9));
  const { own } = await shapes.listShapes(here);
  expect(own.find((s) => s.id === id)).toMatchObject({
    name: 'Nine',
    shape: { tips: 9, box: { width: 1000, height: 600 } },
  });
  await shapes.deleteShape(here, id);
  expect((await shapes.listShapes(here)).own.map(({ name }) => name)).toEqual(['Eight']);
});

test('a name is given once; a shape that is not there is said so', async () => {
  await shapes.saveShape(here, star('Twice', 5));
  await expect(shapes.saveShape(here, star('Twice', 6))).rejects.toMatchObject({ code: 'conflict', at: 'name' });
  await expect(shapes.changeShape(here, 999, star('Else', 6))).rejects.toMatchObject({ code: 'not-found' });
});

test('a shape that a template uses keeps its outline; its name may change', async () => {
  const { id } = await shapes.saveShape(here, star('Badge', 11));
  const batch = await batches.createBatch(here, 'Uses it');
  const larger = { cx: 540, cy: 540, width: 900, height: 540, angle: 20 };
  const template = { wobrel: 1, name: 'Any', shape: { kind: 'star', tips: 11, box: larger } };
  await batches.saveDraft(here, batch, template, 0);
  await templates.saveTemplate(here, batch, 'Badge tile', (await batches.batchDetail(here, batch)).revision);
  const { own, usedKinds } = await shapes.listShapes(here);
  expect(own.find((s) => s.id === id)!.usedBy.map(({ name }) => name)).toEqual(['Badge tile']);
  expect(usedKinds['star']!.map(({ name }) => name)).toEqual(['Badge tile']);
  await expect(shapes.changeShape(here, id, star('Badge', 12))).rejects.toThrow(
    'Badge is used by the template Badge tile; save it as a copy.',
  );
  await shapes.changeShape(here, id, star('Old badge', 11));
  expect((await shapes.listShapes(here)).own.map(({ name }) => name)).toContain('Old badge');
});
