import { execFileSync } from 'node:child_process';
import type { Browser, Page } from '@playwright/test';
import { flatPhoto } from './photos';
import { clearAway, OWN_ADDRESS, ownFolder, start } from './own-server';
import { expect, test } from './test';

test.afterEach(clearAway);

const PASSWORD = 'clay, glaze and kiln';

/** Somebody at a machine of their own. */
async function machine(browser: Browser): Promise<Page> {
  const context = await browser.newContext({ baseURL: OWN_ADDRESS, viewport: { width: 1280, height: 800 } });
  return context.newPage();
}

async function signIn(page: Page, email: string, password = PASSWORD): Promise<void> {
  await page.getByLabel('E-mail address').fill(email);
  await page.getByLabel('Password', { exact: true }).fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
}

/** Adds somebody on the People page. @returns their one-time link */
async function add(page: Page, name: string, role: string): Promise<string> {
  await page.getByRole('button', { name: 'Add a person…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add a person' });
  await dialog.getByLabel('Name').fill(name);
  await dialog.getByLabel('E-mail address').fill(`${name.toLowerCase()}@example.org`);
  await dialog.getByLabel(new RegExp(`^${role}: `)).check();
  await dialog.getByRole('button', { name: 'Add', exact: true }).click();
  const given = page.getByRole('dialog', { name: 'Hand this link over' });
  const link = await given.getByLabel('One-time link').inputValue();
  await given.getByRole('button', { name: 'Close' }).last().click();
  await expect(given).toBeHidden();
  return link;
}

/** A new machine on which somebody chooses a password by their link and signs in. */
async function arrive(browser: Browser, name: string, link: string): Promise<Page> {
  const page = await machine(browser);
  await page.goto(link);
  await page.getByLabel('Password', { exact: true }).fill(PASSWORD);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await signIn(page, `${name.toLowerCase()}@example.org`);
  await expect(page.getByRole('button', { name, exact: true })).toBeVisible();
  return page;
}

test('from one person without a sign-in to a team: every role does what it may, and no more', async ({ browser }) => {
  await start(ownFolder());
  const mia = await machine(browser);
  // What was made before stays.
  const { id } = (await (await mia.request.post('/api/batches', { data: { name: 'Autumn shelf' } })).json()) as { id: number }; // prettier-ignore
  const { buffer } = await flatPhoto('', 'teal', 900, 700);
  await mia.request.post(`/api/batches/${id}/photos`, { multipart: { photo: { name: 'mug.png', mimeType: 'image/png', buffer } } }); // prettier-ignore
  await mia.goto('/');
  await mia.getByRole('button', { name: 'People' }).click();
  await mia.getByRole('link', { name: 'Have people sign in…' }).click();
  await mia.getByRole('button', { name: 'Have people sign in…' }).click();
  const first = mia.getByRole('dialog', { name: 'The first person' });
  await first.getByLabel('Name').fill('Mia');
  await first.getByLabel('E-mail address').fill('mia@example.org');
  await first.getByLabel('Password', { exact: true }).fill('qwerty123456');
  await first.getByRole('button', { name: 'Turn signing in on' }).click();
  await expect(first.getByRole('alert')).toContainText('everybody tries first');
  await first.getByLabel('Password', { exact: true }).fill(PASSWORD);
  await first.getByRole('button', { name: 'Turn signing in on' }).click();
  await expect(mia.getByText('1 person')).toBeVisible();

  // Without a sign-in there is nothing to see, and after it one is where one wanted to go.
  const stranger = await machine(browser);
  await stranger.goto(`/batches/${id}?step=check`);
  await expect(stranger.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  expect((await stranger.request.get('/api/batches')).status()).toBe(401);
  await signIn(stranger, 'nobody@example.org');
  await expect(stranger.getByText('✕ The e-mail address or the password is wrong.')).toBeVisible();
  await signIn(stranger, 'mia@example.org');
  await expect(stranger).toHaveURL(`${OWN_ADDRESS}/batches/${id}?step=check`);
  const cookie = (await stranger.context().cookies())[0]!;
  expect([cookie.httpOnly, cookie.sameSite]).toEqual([true, 'Lax']);

  const ben = await arrive(browser, 'Ben', await add(mia, 'Ben', 'viewer'));
  await ben.goto(`/batches/${id}`);
  await expect(ben.getByText('You look on here as viewer').first()).toBeVisible();
  await expect(ben.getByRole('button', { name: 'Save as…' })).toBeDisabled();
  await ben
    .getByRole('button', { name: /^Export/ })
    .first()
    .click();
  await expect(ben.getByRole('button', { name: 'Export 1 file' })).toBeDisabled();
  expect((await ben.request.patch(`/api/batches/${id}`, { data: { name: 'Taken' } })).status()).toBe(403);

  const ada = await arrive(browser, 'Ada', await add(mia, 'Ada', 'artist'));
  await ada.goto(`/batches/${id}?step=export`);
  await ada.getByRole('button', { name: 'Export 1 file' }).click();
  await expect(ada.locator('[data-delivery]').first()).toHaveAttribute('data-state', 'done');
  expect((await ada.request.post('/api/templates', { data: { template: { wobrel: 1, name: 'Tile' } } })).status()).toBe(
    403,
  );

  // Each sees who else is there.
  await mia.goto(`/batches/${id}`);
  await expect(mia.getByText('Also here: ')).toContainText('Ada');
  await expect(ada.getByText('Also here: ')).toContainText('Mia');

  // Who did what, and by whom.
  await mia.goto('/doings');
  await expect(mia.getByRole('listitem').filter({ hasText: 'Ada exported Autumn shelf' })).toBeVisible();
  await expect(
    mia.getByRole('listitem').filter({ hasText: 'You added 1 photo to the batch Autumn shelf' }),
  ).toBeVisible();
  await mia.getByLabel('Who').selectOption('Ada');
  await expect(mia.getByRole('listitem').filter({ hasText: 'Mia added' })).toBeHidden();

  // Another role holds at once; who is removed is out at once.
  await mia.goto('/people');
  await mia.getByLabel('Role of Ben').selectOption('maker');
  await expect
    .poll(async () =>
      (await ben.request.post('/api/templates', { data: { template: { wobrel: 1, name: 'Tile' } } })).status(),
    )
    .toBe(200);
  await mia.getByRole('button', { name: 'More about Ada' }).click();
  await mia.getByRole('button', { name: 'Remove…' }).click();
  await mia.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(mia.getByText('2 people')).toBeVisible();
  await ada.getByRole('link', { name: 'Templates' }).click();
  await expect(ada.getByRole('heading', { name: 'Sign in' })).toBeVisible();
});

test('two workspaces, a token, signing out, and a link made at the server itself', async ({ browser }) => {
  const folder = ownFolder();
  const admin = (...args: string[]) => execFileSync('node', ['dist/people.mjs', ...args], { encoding: 'utf8', env: { ...process.env, WOBREL_DATA: folder, PORT: new URL(OWN_ADDRESS).port } }); // prettier-ignore
  await start(folder);
  const link = admin('add', 'Mia', 'mia@example.org').split('\n')[0]!;
  expect(admin('list')).toContain('mia@example.org  owner  Mia');
  const mia = await arrive(browser, 'Mia', link);
  await mia.request.post('/api/batches', { data: { name: 'Of the studio' } });

  await mia.goto('/people');
  await mia.getByText('Tokens for scripts').click();
  await mia.getByRole('button', { name: 'New token…' }).click();
  await mia.getByLabel('What it is for').fill('Nightly');
  await mia.getByRole('button', { name: 'Make it' }).click();
  const token = await mia.getByLabel('Token', { exact: true }).inputValue();
  await mia.getByRole('button', { name: 'Close' }).last().click();
  const script = (path: string, init: RequestInit = {}) => fetch(OWN_ADDRESS + path, { ...init, headers: { authorization: `Bearer ${token}`, 'content-type': 'application/json' } }); // prettier-ignore
  expect((await script('/api/batches', { method: 'POST', body: '{"name":"By night"}' })).status).toBe(200);
  expect((await script('/api/people')).status).toBe(403);

  // Another workspace is empty, and a page of the first changes nothing in it.
  const other = await mia.context().newPage();
  await other.goto('/');
  await expect(other.getByText('By night')).toBeVisible();
  await mia.locator('summary', { hasText: 'Workspace' }).click();
  await mia.getByRole('button', { name: 'New workspace…' }).click();
  await mia.getByLabel('Name').fill('Annexe');
  await mia.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(mia.locator('summary', { hasText: 'Annexe' })).toBeVisible();
  await mia.goto('/');
  await expect(mia.getByText('Make the first batch')).toBeVisible();
  await other.getByRole('button', { name: 'New batch…' }).click();
  await other.getByRole('dialog').locator('[type=submit]').click();
  // The list behind the dialog may come to say the same.
  await expect(other.getByRole('dialog').getByText('You went to another workspace in another window')).toBeVisible();
  expect(await (await mia.request.get('/api/batches')).json()).toEqual({ batches: [] });
  await mia.getByRole('button', { name: 'Mia', exact: true }).click();
  await mia.getByRole('button', { name: 'Go to Studio' }).click();
  await expect(mia.getByText('Of the studio')).toBeVisible();

  await mia.getByRole('button', { name: 'Mia', exact: true }).click();
  await mia.getByRole('button', { name: 'Sign out' }).click();
  await expect(mia.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  expect((await other.request.get('/api/batches')).status()).toBe(401);
  // Forgotten: whoever has the machine makes a link.
  await mia.goto(admin('link', 'mia@example.org').split('\n')[0]!);
  await mia.getByLabel('Password', { exact: true }).fill('another long one');
  await mia.getByRole('button', { name: 'Keep it' }).click();
  await signIn(mia, 'mia@example.org', 'another long one');
  await expect(mia.getByText('Of the studio')).toBeVisible();
});
