/**
 * Signing in, against the OWASP Application Security Verification Standard 5.0. Its requirements stand beside the
 * tests; their numbers and what they ask for are written from memory.
 */
import { eq } from 'drizzle-orm';
import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { FIRST_WORKSPACE, hereIn, ITSELF } from '../workspace';
import { addPerson, changePassword, endSessions, endToken, giveRole, listOutbox, listPeople, listTokens, makeLink, makeToken, passwordSchema, removePerson, signIn, signOut, signOutElsewhere, turnOn, choosePassword, whoAsks, whoIsHere } from '.'; // prettier-ignore
import { auth } from './auth';
import { peopleDb } from './database';
import { account, session, tokens, verification } from './schema';
import { cookieOf, emailOf, everyRole, joins, PASSWORD, peopleFolder, signedInAs } from './testing';

const folder = peopleFolder();
const system = hereIn(FIRST_WORKSPACE, ITSELF);
const idOf = async (name: string) => (await listPeople(system)).find((one) => one.name === name)!.id;
const codeOf = (work: Promise<unknown>) => work.then(() => 'fine', (e: { code?: string }) => e.code); // prettier-ignore
const isIn = async (who: Headers) => (await codeOf(whoAsks(who))) === 'fine';

test('before anybody is added whoever sits here may do everything; the first person turns signing in on, once', async () => {
  expect((await whoAsks(new Headers())).actor).toMatchObject({ person: null, role: 'owner' });
  expect(await whoIsHere(new Headers())).toEqual({ isOn: false, person: null });
  await everyRole();
  expect(await codeOf(whoAsks(new Headers()))).toBe('signed-out');
  expect(await whoIsHere(new Headers())).toEqual({ isOn: true, person: null });
  expect(await codeOf(turnOn('Eve', emailOf('eve'), PASSWORD))).toBe('conflict');
});

describe('passwords', () => {
  test('6.2.1, 6.2.5, 6.2.9: twelve letters of any kind, and long ones, too', () => {
    for (const good of ['a few plain words', 'ÄÖÜ ßéñ 漢字 🙂🙂🙂', 'x y'.repeat(60)])
      expect(passwordSchema.safeParse(good).success).toBe(true);
    expect(passwordSchema.safeParse('eleven chrs').success).toBe(false);
  });
  test('6.2.4: none of those that are tried first', () => {
    for (const bad of ['qwerty123456', 'QWERTY123456', 'leavemealone'])
      expect(passwordSchema.safeParse(bad).error!.issues[0]!.message).toMatch(/tried? first|tries first/);
  });
  test('6.2.8: as it was typed, neither trimmed nor in other capitals', async () => {
    for (const near of [` ${PASSWORD}`, PASSWORD.toUpperCase(), PASSWORD.slice(0, -1)])
      expect(await codeOf(signIn(new Headers(), emailOf('viewer'), near))).toBe('wrong-sign-in');
    expect(await isIn(await signedInAs('viewer'))).toBe(true);
  });
  test('6.2.2, 6.2.3, 7.4.3: changed with the old one, which ends all other sessions', async () => {
    const [mine, other] = [await signedInAs('artist'), await signedInAs('artist')];
    expect(await codeOf(changePassword(mine, 'not the old one', 'another long one'))).toBe('wrong-sign-in');
    await changePassword(mine, PASSWORD, 'another long one');
    expect([await isIn(mine), await isIn(other)]).toEqual([true, false]);
    expect(await codeOf(signIn(new Headers(), emailOf('artist'), PASSWORD))).toBe('wrong-sign-in');
    expect(await isIn(await signedInAs('artist', 'another long one'))).toBe(true);
  });
  test('11.4.2: only a slow hash is kept, and nobody else reads the file', async () => {
    const [kept] = await peopleDb().select().from(account);
    // N, r and p of scrypt are better-auth's; a hash is salted: two people of one password have different ones.
    expect(kept!.password).toMatch(/^[0-9a-f]{32}:[0-9a-f]{128}$/);
    const files = readdirSync(folder).filter((file) => file.startsWith('people.db') || file === 'secret');
    expect(files.length).toBeGreaterThan(2);
    for (const file of files) expect([file, statSync(join(folder, file)).mode & 0o077]).toEqual([file, 0]);
  });
});

describe('sessions', () => {
  test('3.3.1, 3.3.2, 3.3.4: cookies that no script reads and no other site sends; by https alone where there is https', async () => {
    const { cookies } = await signIn(new Headers(), emailOf('viewer'), PASSWORD);
    expect(cookies).toHaveLength(1);
    expect(cookies[0]).toMatch(/; HttpOnly/);
    expect(cookies[0]).toMatch(/; SameSite=Lax/);
    expect(cookies[0]).toMatch(/; Path=\//);
    expect(cookies[0]).not.toMatch(/Domain=/);
  });
  test('7.2.4: signing in makes a new one, whatever the request brought along', async () => {
    const before = await signedInAs('viewer');
    const { cookies } = await signIn(before, emailOf('viewer'), PASSWORD);
    expect(cookieOf(cookies)).not.toBe(before.get('cookie'));
    const planted = new Headers({ cookie: 'wobrel.session_token=planted.planted' });
    expect(await isIn(planted)).toBe(false);
    await signIn(planted, emailOf('viewer'), PASSWORD);
    expect(await isIn(planted)).toBe(false);
  });
  test('7.2.1: one with a changed letter is none', async () => {
    const mine = await signedInAs('viewer');
    const text = decodeURIComponent(mine.get('cookie')!);
    for (const at of [text.indexOf('=') + 3, text.indexOf('.', 20) + 3]) {
      const changed = text.slice(0, at) + (text[at] === 'a' ? 'b' : 'a') + text.slice(at + 1);
      const [name, value] = [changed.slice(0, changed.indexOf('=')), changed.slice(changed.indexOf('=') + 1)];
      expect(await isIn(new Headers({ cookie: `${name}=${encodeURIComponent(value)}` }))).toBe(false);
    }
  });
  test('7.3.1, 7.3.2: over after a week without its person, and after thirty days in any case', async () => {
    const set = (fields: Partial<typeof session.$inferInsert>) => peopleDb().update(session).set(fields);
    // The browser keeps the cookie through all of it.
    const { cookies } = await signIn(new Headers(), emailOf('viewer'), PASSWORD);
    expect(cookies[0]).toContain(`Max-Age=${30 * 86_400};`);
    const idle = await signedInAs('viewer');
    await set({ expiresAt: new Date(Date.now() - 1000) });
    expect(await isIn(idle)).toBe(false);
    const old = await signedInAs('viewer');
    await set({ createdAt: new Date(Date.now() - 29.9 * 86_400_000) });
    expect(await isIn(old)).toBe(true);
    await set({ createdAt: new Date(Date.now() - 30.1 * 86_400_000) });
    expect(await isIn(old)).toBe(false);
  });
  test('7.4.1, 7.4.4: signed out is signed out, also by a copy of the cookie; here, or everywhere else', async () => {
    const [first, second] = [await signedInAs('viewer'), await signedInAs('viewer')];
    const copy = new Headers(second);
    const { cookies } = await signOut(second);
    expect(cookies.some((one) => /Max-Age=0/.test(one))).toBe(true);
    expect([await isIn(copy), await isIn(first)]).toEqual([false, true]);
    const third = await signedInAs('viewer');
    await signOutElsewhere(first);
    expect([await isIn(first), await isIn(third)]).toEqual([true, false]);
  });
  test('7.4.2, 7.4.5: an owner ends somebody’s sessions; who is removed is out at once', async () => {
    await joins('leaver', 'artist');
    const leaver = await signedInAs('leaver');
    await endSessions(system, await idOf('leaver'));
    expect(await isIn(leaver)).toBe(false);
    const again = await signedInAs('leaver');
    const id = await idOf('leaver');
    await removePerson(system, id);
    expect(await peopleDb().select().from(session).where(eq(session.userId, id))).toEqual([]);
    expect(await peopleDb().select().from(account).where(eq(account.userId, id))).toEqual([]);
    expect(await isIn(again)).toBe(false);
    expect(await codeOf(signIn(new Headers(), emailOf('leaver'), PASSWORD))).toBe('wrong-sign-in');
  });
  test('8.3.2: another role holds from the next request on', async () => {
    const viewer = await signedInAs('viewer');
    await giveRole(system, await idOf('viewer'), 'maker');
    expect((await whoAsks(viewer)).actor.role).toBe('maker');
    await giveRole(system, await idOf('viewer'), 'viewer');
  });
});

describe('what a stranger learns', () => {
  afterEach(() => jest.restoreAllMocks());

  /** For what counts tries alone: a hash takes a fifth of a second. */
  async function withoutHashes(): Promise<void> {
    const { password } = await auth().$context;
    jest.spyOn(password, 'hash').mockResolvedValue('');
    jest.spyOn(password, 'verify').mockImplementation(async (tried) => tried.password === PASSWORD);
  }

  const answer = (email: string) => signIn(new Headers(), email, 'some wrong password').catch((e: Error) => e.message);

  test('6.3.8: the same answer for an unknown address and a wrong password', async () => {
    expect(await answer(emailOf('viewer'))).toBe(await answer('nobody-at-all@example.org'));
    expect(await answer('not an address')).toBe(await answer(emailOf('viewer')));
  });
  test('6.3.1: ten wrong tries at an address from one place, there or not, and it waits; also for who knows the password', async () => {
    for (const name of ['maker', 'nobody-either']) {
      const codes = [];
      for (let i = 0; i < 12; i++) codes.push(await codeOf(signIn(new Headers(), emailOf(name), 'guess number ten')));
      expect(codes).toEqual([...Array.from({ length: 10 }, () => 'wrong-sign-in'), 'too-often', 'too-often']);
    }
    expect(await codeOf(signIn(new Headers(), emailOf('maker'), PASSWORD))).toBe('too-often');
  });
  test('6.3.1: who tries from elsewhere locks nobody out soon, but fifty tries from anywhere are the end', async () => {
    const from = (n: number) => new Headers({ 'x-wobrel-place': `192.0.2.${100 + n}` });
    const tries = async (n: number, count: number) => {
      for (let i = 0; i < count; i++) await codeOf(signIn(from(n), emailOf('second-target'), 'guess number ten'));
    };
    await joins('second-target', 'viewer');
    await withoutHashes();
    await tries(0, 12);
    expect(await codeOf(signIn(from(1), emailOf('second-target'), PASSWORD))).toBe('fine');
    for (let n = 2; n < 8; n++) await tries(n, 10);
    expect(await codeOf(signIn(from(9), emailOf('second-target'), PASSWORD))).toBe('too-often');
  });
  test('6.3.1: a hundred tries from one place at ever other addresses', async () => {
    await withoutHashes();
    const from = new Headers({ 'x-wobrel-place': '192.0.2.7' });
    const codes = [];
    for (let i = 0; i < 101; i++) codes.push(await codeOf(signIn(from, emailOf(`spray-${i}`), 'guess number ten')));
    expect(codes.filter((code) => code === 'wrong-sign-in')).toHaveLength(100);
    expect(codes.at(-1)).toBe('too-often');
  });
});

describe('links', () => {
  test('6.4.1: a link is good once, for a day, and only the newest', async () => {
    const { link: first } = await addPerson(system, { name: 'Nora', email: emailOf('nora'), role: 'artist' });
    const nora = await idOf('Nora');
    expect(await listOutbox(system)).toMatchObject([{ to: emailOf('nora'), token: first }]);
    const { link: second } = await makeLink(system, nora);
    expect(await codeOf(choosePassword(new Headers(), first!, PASSWORD))).toBe('gone');
    await choosePassword(new Headers(), second, PASSWORD);
    expect(await codeOf(choosePassword(new Headers(), second, 'another long one'))).toBe('gone');
    expect(await listOutbox(system)).toEqual([]);
    const open = await signedInAs('nora');
    const { link: third } = await makeLink(system, nora);
    await peopleDb()
      .update(verification)
      .set({ expiresAt: new Date(Date.now() - 1000) });
    expect(await codeOf(choosePassword(new Headers(), third, 'another long one'))).toBe('gone');
    // Used, it ends what was open.
    const { link: fourth } = await makeLink(system, nora);
    await choosePassword(new Headers(), fourth, 'another long one');
    expect(await isIn(open)).toBe(false);
  });
  test('two who use one link at the same moment: one of them does', async () => {
    const { link } = await addPerson(system, { name: 'Twin', email: emailOf('twin'), role: 'viewer' });
    const outcomes = await Promise.all([1, 2, 3].map((n) => codeOf(choosePassword(new Headers(), link!, `password number ${n}`)))); // prettier-ignore
    expect(outcomes.sort()).toEqual(['fine', 'gone', 'gone']);
  });
});

test('a workspace is never without an owner', async () => {
  const owner = await idOf('owner');
  expect(await codeOf(giveRole(system, owner, 'viewer'))).toBe('conflict');
  expect(await codeOf(removePerson(system, owner))).toBe('conflict');
  // Nor where two owners go at the same moment.
  await joins('second', 'owner');
  const outcomes = await Promise.all([owner, await idOf('second')].map((id) => codeOf(giveRole(system, id, 'maker'))));
  expect(outcomes.sort()).toEqual(['conflict', 'fine']);
  await giveRole(system, owner, 'owner');
});

describe('tokens', () => {
  const bearer = (token: string) => new Headers({ authorization: `Bearer ${token}` });

  test('one lets a script in with its role until its day; only its hash is kept', async () => {
    const here = await whoAsks(await signedInAs('owner'));
    const { token } = await makeToken(here, { name: 'Nightly', role: 'artist', days: 3 });
    expect((await whoAsks(bearer(token))).actor).toMatchObject({ name: 'Nightly (token)', role: 'artist' });
    expect(JSON.stringify(await peopleDb().select().from(tokens))).not.toContain(token.slice(7));
    expect(JSON.stringify(await listTokens(here))).not.toContain(token.slice(7));
    await peopleDb()
      .update(tokens)
      .set({ expiresAt: new Date(Date.now() - 1000) });
    expect(await codeOf(whoAsks(bearer(token)))).toBe('signed-out');
    await peopleDb()
      .update(tokens)
      .set({ expiresAt: new Date(Date.now() + 1000_000) });
    const [known] = await listTokens(here);
    await endToken(here, known!.id);
    expect(await codeOf(whoAsks(bearer(token)))).toBe('signed-out');
    expect(await codeOf(whoAsks(bearer('wobrel_guess')))).toBe('signed-out');
  });
  test('it goes with who made it', async () => {
    await joins('third', 'owner');
    const { token } = await makeToken(await whoAsks(await signedInAs('third')), { name: 'T', role: 'viewer', days: 1 });
    expect(await isIn(bearer(token))).toBe(true);
    await removePerson(system, await idOf('third'));
    expect(await isIn(bearer(token))).toBe(false);
    expect(await peopleDb().select().from(tokens).where(eq(tokens.name, 'T'))).toEqual([]);
  });
});
