/** Two workspaces see nothing of each other: whatever the one asks for with the other's numbers. */
import { copyFile, mkdir } from 'node:fs/promises';
import { getTableName, is } from 'drizzle-orm';
import { SQLiteTable } from 'drizzle-orm/sqlite-core';
import { tables } from '@/server/db';
import { addPerson, enterWorkspace, listPeople, listTokens, makeToken, whoAsks } from '@/server/people';
import { everyRole, joins, peopleFolder, signedInAs } from '@/server/people/testing';
import { batches, deliveries, makeWorkspace, photos, pictures, shapes, stop, templates } from '@/server/services';
import { digestFile } from '@/server/store';
import { FIRST_WORKSPACE, hereIn, ITSELF, type Here } from '@/server/workspace';
import { ask, FILES, METHODS } from './testing';

peopleFolder();
afterAll(stop);

const SECRET = 'Secret shelf';
const PHOTO = 'demo/photos/products/slate-mug-07.jpg';

async function arrival(here: Here, name: string) {
  await mkdir(here.files.arrivals(), { recursive: true });
  const path = `${here.files.arrivals()}/${Math.random()}`;
  await copyFile(PHOTO, path);
  return { name, path, ...(await digestFile(path)), tooLarge: false };
}

/** All rows of a workspace, and of its people. */
async function allOf(here: Here) {
  const rows = await Promise.all(
    Object.values(tables)
      .filter((table) => is(table, SQLiteTable))
      .map(async (table) => [getTableName(table), await here.db.select().from(table)] as const),
  );
  return { rows, people: await listPeople(here), tokens: await listTokens(here) };
}

test('nothing of one workspace is read, changed or told of in another', async () => {
  const people = await everyRole();
  const theirs = hereIn(FIRST_WORKSPACE, ITSELF);
  const id = await batches.createBatch(theirs, SECRET);
  const { photo } = (await photos.takePhoto(theirs, id, await arrival(theirs, `${SECRET}.jpg`))) as { photo: { id: number; sha256: string } }; // prettier-ignore
  const picture = await pictures.takePicture(theirs, await arrival(theirs, `${SECRET}.png`));
  const template = await templates.createTemplate(theirs, { wobrel: 1, name: SECRET, outputs: [{ width: 60 }] }, false);
  const own = await shapes.saveShape(theirs, { name: SECRET, shape: { kind: 'circle' } as never });
  const delivery = await deliveries.startDelivery(theirs, id);
  const owner = (await listPeople(theirs)).find(({ name }) => name === 'owner')!;
  await makeToken(hereIn(FIRST_WORKSPACE, { person: owner.id, name: 'owner', role: 'owner' }), { name: SECRET, role: 'viewer', days: 1 }); // prettier-ignore
  expect([id, photo.id, template.id, own.id, delivery]).toEqual([1, 1, 1, 1, 1]);

  await joins('founder', 'owner');
  const founder = await signedInAs('founder');
  const made = await makeWorkspace(await whoAsks(founder), 'Annexe');
  await joins('stranger', 'owner', made.id);
  const stranger = await signedInAs('stranger');
  const before = await allOf(theirs);

  const bodies: readonly unknown[] = [
    undefined,
    { name: 'Taken' },
    { template: { wobrel: 1, name: 'Taken' }, revision: 0 },
    { changes: [{ id: photo.id, review: 'out' }] },
    { ids: [photo.id] },
    { role: 'viewer' },
    { version: 1 },
    { tags: ['taken'] },
    { name: 'Taken', shape: { kind: 'heart' } },
    { fields: ['taken'] },
    { only: null },
    { from: null, told: [] },
    { photo: photo.id },
  ];
  let asked = 0;
  for (const path of FILES.filter((file) => file.includes('[') && !file.startsWith('[...')))
    for (const method of METHODS)
      for (const body of method === 'GET' ? [undefined] : bodies)
        for (const sum of path.includes('[sum]') ? [photo.sha256, picture.sha256] : [photo.sha256]) {
          const parts = { id: path.startsWith('people/') ? owner.id : '1', other: '1', file: '1', sum };
          const answer = await ask(stranger, method, path, { body, parts });
          asked++;
          expect([path, method, body, answer.status >= 500]).toEqual([path, method, body, false]);
          expect(answer.text).not.toContain(SECRET);
          if (method === 'GET') expect([path, [400, 404, 405].includes(answer.status)]).toEqual([path, true]);
        }
  for (const path of FILES.filter((file) => !file.includes('['))) {
    const answer = await ask(stranger, 'GET', path, { query: `?of=${photo.sha256}` });
    expect(answer.text).not.toContain(SECRET);
    expect(answer.text).not.toContain('owner@');
  }
  expect(asked).toBeGreaterThan(300);
  expect(await allOf(theirs)).toEqual(before);

  // Nobody goes where they don't belong, and who was taken out is out at once.
  await expect(enterWorkspace(stranger, FIRST_WORKSPACE)).rejects.toMatchObject({ code: 'not-found' });
  await expect(enterWorkspace(people.maker, made.id)).rejects.toMatchObject({ code: 'not-found' });
  await enterWorkspace(founder, made.id);
  expect((await ask(founder, 'GET', 'batches')).text).toBe('{"batches":[]}');
  // A page that still shows the other one is told so, and changes nothing here.
  const shown = { 'x-wobrel-workspace': String(FIRST_WORKSPACE) };
  expect(await ask(founder, 'POST', 'batches', { body: { name: 'Where?' }, headers: shown })).toMatchObject({ status: 409, error: 'elsewhere' }); // prettier-ignore
});

test('an account of another workspace is added by who rules there, or on the machine: its owners could sign in as it', async () => {
  const stranger = await signedInAs('stranger');
  const body = { name: 'artist', email: 'artist@example.org', role: 'viewer' };
  expect(await ask(stranger, 'POST', 'people', { body })).toMatchObject({ status: 409, error: 'conflict' });
  // Who was added there and has a link still: it is void from the moment on in which they are here, too.
  const { link } = await addPerson(hereIn(2, ITSELF), { name: 'late', email: 'late@example.org', role: 'viewer' });
  const owner = await signedInAs('owner');
  const late = { name: 'late', email: 'late@example.org', role: 'viewer' };
  expect(await ask(owner, 'POST', 'people', { body: late })).toMatchObject({ status: 409 });
  const founder = await signedInAs('founder');
  await enterWorkspace(founder, FIRST_WORKSPACE);
  expect(await ask(founder, 'POST', 'people', { body: late })).toMatchObject({ status: 200, text: '{"link":null}' });
  const used = await ask(null, 'POST', 'password', { body: { token: link, password: 'a long enough one' } });
  expect(used).toMatchObject({ status: 410, error: 'gone' });
});

test('an owner makes no link for somebody who is in another workspace, too: it would open that one', async () => {
  const annexe = hereIn(2, ITSELF);
  expect(await addPerson(annexe, { name: 'maker', email: 'maker@example.org', role: 'viewer' })).toEqual({
    link: null,
  });
  const maker = (await listPeople(annexe)).find(({ email }) => email === 'maker@example.org')!;
  const stranger = await signedInAs('stranger');
  const answer = await ask(stranger, 'POST', 'people/[id]/link', { parts: { id: maker.id } });
  expect(answer).toMatchObject({ status: 409, error: 'conflict' });
});
