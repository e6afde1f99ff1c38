/** What owners see of many people. */
import { desc, eq } from 'drizzle-orm';
import { FIRST_WORKSPACE, hereIn, ITSELF } from '../workspace';
import { addPerson, endSessions, listOutbox, listPeople, listTokens, makeToken, signIn, turnOn, whoAsks } from '.'; // prettier-ignore
import { peopleDb } from './database';
import { session } from './schema';
import { emailOf, joins, PASSWORD, peopleFolder, signedInAs } from './testing';

peopleFolder();
const system = hereIn(FIRST_WORKSPACE, ITSELF);

test('by name as people count, each with when they were last here, and every message that waits', async () => {
  await turnOn('mia', emailOf('mia'), PASSWORD);
  await joins('leo', 'artist');
  const names = Array.from({ length: 52 }, (_, i) => `${i % 2 ? 'press' : 'Press'} ${i + 1}`);
  for (const name of [...names].sort())
    await addPerson(system, { name, email: emailOf(name.replace(' ', '-').toLowerCase()), role: 'viewer' });
  await signIn(new Headers(), emailOf('leo'), PASSWORD);
  await signIn(new Headers(), emailOf('leo'), PASSWORD);
  const mia = await signedInAs('mia');

  const listed = await listPeople(system);
  expect(listed.map(({ name }) => name)).toEqual(['leo', 'mia', ...names]);
  const [leo] = listed;
  const [newest] = await peopleDb().select().from(session).where(eq(session.userId, leo!.id)).orderBy(desc(session.updatedAt)); // prettier-ignore
  expect(leo!.seenAt).toBe(newest!.updatedAt.getTime());
  expect(listed.slice(0, 3).map(({ isNew, seenAt }) => [isNew, seenAt !== null])).toEqual([[false, true], [false, true], [true, false]]); // prettier-ignore
  await endSessions(system, leo!.id);
  expect((await listPeople(system))[0]).toMatchObject({ name: 'leo', isNew: false, seenAt: null });

  expect(await listOutbox(system)).toHaveLength(names.length);

  const asked = await whoAsks(mia);
  for (const name of ['shop 10', 'Shop 9', 'shop 1']) await makeToken(asked, { name, role: 'viewer', days: 1 });
  expect((await listTokens(asked)).map(({ name }) => name)).toEqual(['shop 1', 'Shop 9', 'shop 10']);
});
