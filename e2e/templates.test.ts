/** Templates: saved, changed, compared, brought back, put on batches, taken out as files and in again. */
import { readFile } from 'node:fs/promises';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { batchOf, cutouts, painted, step } from './bench-page';
import { exported } from './exports';
import { flatPhoto, gradientPhoto } from './photos';
import { expect, test, type Page } from './test';
import { unzip } from './zip';

/** The template as it stands on the batch that is open, and its revision. */
async function draftOf(page: Page) {
  const id = Number(/batches\/(\d+)/.exec(page.url())![1]);
  const batch = (await (await page.request.get(`/api/batches/${id}`)).json()) as { revision: number; template: object };
  return { id, ...batch };
}

/** Changes the open batch's template by the route that the page uses, and opens the page anew. */
async function changed(page: Page, fields: object): Promise<void> {
  const { id, revision, template } = await draftOf(page);
  const answer = await page.request.put(`/api/batches/${id}/draft`, { data: { template: { ...template, ...fields }, revision } }); // prettier-ignore
  expect(answer.ok()).toBe(true);
  await page.reload();
  await painted(page);
}

async function savedAs(page: Page, name: string, note = ''): Promise<void> {
  await page.getByRole('button', { name: 'Save as…' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill(name);
  await page.getByRole('dialog').getByLabel('Note, if you like').fill(note);
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
}

const photos = async () => [await gradientPhoto('soft.png', 'many'), await flatPhoto('flat.png', '#446688')];
const BORDER = { width: 16, paint: '#24594f' };

test('a template saved twice says in words what changed, shows it on photos, and is brought back', async ({ page }) => {
  await batchOf(page, 'History', await photos());
  await changed(page, { borders: [BORDER] });
  await savedAs(page, 'Tile with a past');
  await changed(page, { borders: [{ ...BORDER, width: 40 }], shadows: [{}] });
  await savedAs(page, 'Tile with a past', 'wider');
  await page.getByRole('link', { name: 'Templates' }).click();
  const card = page.getByRole('article', { name: 'Tile with a past' });
  await expect(card).toContainText('version 2');
  await expect(card).toContainText('“wider”');
  await expect(card).toContainText('in History');
  await card.getByRole('link', { name: 'Tile with a past' }).click();
  const versions = page.getByRole('list', { name: 'Versions' });
  await expect(versions.getByRole('listitem').first()).toContainText('border: width 16 → 40 px; drop shadow added');
  await expect(page.getByText('2 of 2 cutouts differ.')).toBeVisible();
  const half = page.getByRole('slider', { name: 'How much is shown as it was, %' });
  await half.focus();
  await page.keyboard.press('Home');
  await expect(half).toHaveValue('0');
  await page.getByRole('combobox', { name: 'From' }).selectOption('version 2');
  await expect(page.getByText('No difference on 2 cutouts.')).toBeVisible();
  // Another template stands beside the versions.
  await page.request.post('/api/templates', { data: { template: { wobrel: 1, name: 'Quite another', shape: { kind: 'heart' } } } }); // prettier-ignore
  await page.reload();
  await page.getByRole('combobox', { name: 'From' }).selectOption('Quite another');
  await expect(page.getByText('shape heart → circle')).toBeVisible();
  await expect(page.getByText('2 of 2 cutouts differ.')).toBeVisible();
  await page.getByRole('button', { name: 'Bring version 1 back' }).click();
  await expect(versions.getByRole('listitem').first()).toContainText('as version 1 was');
  await expect(versions.getByRole('listitem')).toHaveCount(3);
});

test('a batch is told of a newer version, sees what it changes, and chooses where both changed the same', async ({
  page,
}) => {
  await batchOf(page, 'First of two', await photos());
  await changed(page, { borders: [BORDER] });
  await savedAs(page, 'Shared tile');
  const { id, revision, template } = await draftOf(page);
  // Another batch begins with it, and changes a border of its own.
  await page.getByRole('link', { name: 'Templates' }).click();
  await page.getByRole('button', { name: 'New batch Shared tile' }).click();
  await page.getByLabel('Photos to bring in').setInputFiles(await photos());
  await expect(cutouts(page)).toHaveCount(2);
  await step(page, 'Template').click();
  await changed(page, { borders: [{ ...BORDER, width: 8 }], backdrop: '#eeeeee' });
  // Meanwhile the first one saves a version.
  await page.request.put(`/api/batches/${id}/draft`, { data: { template: { ...template, borders: [{ ...BORDER, width: 40 }], edge: { rounding: 3 } }, revision } }); // prettier-ignore
  await page.request.post(`/api/batches/${id}/template`, { data: { name: 'Shared tile', revision: revision + 1 } });
  await page.reload();
  await expect(page.getByText('There is a version 2 of Shared tile.')).toBeVisible();
  await page.getByRole('button', { name: 'See what changes…' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('New: rounding 0 → 3 px; border: width 16 → 40 px');
  await expect(dialog).toContainText('Changed here: border: width 16 → 8 px; backdrop none → #eeeeee');
  await expect(dialog.getByText('2 of 2 cutouts differ.')).toBeVisible();
  await dialog.getByRole('radiogroup', { name: 'border 1, width' }).getByRole('radio', { name: 'here: 8' }).click();
  await dialog.getByRole('button', { name: 'Take version 2' }).click();
  await expect(page.getByText('changed since version 2')).toBeVisible();
  expect((await draftOf(page)).template).toMatchObject({ borders: [{ width: 8 }], backdrop: '#eeeeee', edge: { rounding: 3 } }); // prettier-ignore
});

test('a template taken out as a file and in again makes the same alpha, with the picture that it shows', async ({
  page,
}) => {
  await batchOf(page, 'Out and in', [await gradientPhoto('soft.png', 'many')]);
  const mark = await sharp({ create: { width: 50, height: 40, channels: 4, background: '#d0401090' } }).png().toBuffer(); // prettier-ignore
  const kept = await page.request.post('/api/pictures', { multipart: { picture: { name: 'mark.png', mimeType: 'image/png', buffer: mark } } }); // prettier-ignore
  const { pictures } = (await kept.json()) as { pictures: { sha256: string }[] };
  const place = { cx: 900, cy: 900, width: 200, height: 160 };
  await changed(page, { shape: { kind: 'heart' }, before: [{ show: 'picture', picture: pictures[0]!.sha256, place }] });
  await savedAs(page, 'Marked heart');
  const before = await exported(page);
  await page.getByRole('link', { name: 'Templates' }).click();
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save as file Marked heart' }).click()]); // prettier-ignore
  expect(download.suggestedFilename()).toBe('Marked heart.wobrel.json');
  const text = await readFile(await download.path(), 'utf8');
  const input = page.getByLabel('Template to bring in');
  const fileOf = (content: string) => ({ name: 'heart.wobrel.json', mimeType: 'application/json', buffer: Buffer.from(content) }); // prettier-ignore
  await input.setInputFiles(fileOf('{ not json'));
  await expect(page.getByRole('alert').filter({ hasText: 'heart.wobrel.json' })).toContainText('it is not JSON');
  await input.setInputFiles(fileOf(text.replace('"rounding": 0', '"rounding": -1')));
  await expect(page.getByRole('alert').filter({ hasText: 'edge.rounding' })).toBeVisible();
  await input.setInputFiles(fileOf(text));
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('this becomes version 2 of it');
  await dialog.getByLabel('Name').fill('Heart from Ana');
  await dialog.getByRole('button', { name: 'Keep it' }).click();
  await expect(dialog).toHaveCount(0);
  await page.getByRole('button', { name: 'New batch Heart from Ana' }).click();
  await page.getByLabel('Photos to bring in').setInputFiles([await gradientPhoto('soft.png', 'many')]);
  await expect(cutouts(page)).toHaveCount(1);
  const after = await exported(page);
  const alpha = (files: Map<string, Buffer>) => Buffer.from(PNG.sync.read(files.get('soft-tile.png')!).data.filter((_, i) => i % 4 === 3)); // prettier-ignore
  expect(alpha(after).equals(alpha(before))).toBe(true);
});

test('several go out as one zip with their pictures, and come in again, each looked at before it is kept', async ({
  page,
}) => {
  await page.goto('/templates');
  for (const [ready, name] of [
    ['Ticket', 'Zipped ticket'],
    ['Double ring', 'Zipped ring'],
  ] as const) {
    await page.getByRole('button', { name: `Take as my own… ${ready}` }).click();
    await page.getByRole('dialog').getByLabel('Name').fill(name);
    await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('article', { name, exact: true })).toBeVisible();
  }
  await page.getByLabel('Search templates').fill('Zipped');
  await expect(page.getByText('2 templates')).toBeVisible();
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save all of them as a zip' }).click()]); // prettier-ignore
  const zip = await readFile(await download.path());
  const files = await unzip(zip);
  const pictures = [...files.keys()].filter((name) => name.endsWith('.png'));
  expect([...files.keys()].filter((name) => name.endsWith('.json')).sort()).toEqual(['Zipped ring.wobrel.json', 'Zipped ticket.wobrel.json']); // prettier-ignore
  // Without any photo on this server there is nothing to show them on.
  for (const name of pictures) expect(PNG.sync.read(files.get(name)!).width).toBe(400);

  const input = page.getByLabel('Template to bring in');
  await input.setInputFiles({ name: 'broken.zip', mimeType: 'application/zip', buffer: zip.subarray(0, 200) });
  await expect(page.getByRole('alert').filter({ hasText: 'broken.zip' })).toContainText('is not a zip, or broken');
  await input.setInputFiles({ name: 'templates.zip', mimeType: 'application/zip', buffer: zip });
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('Bring in “Zipped ring”');
  await dialog.getByRole('button', { name: 'Skip it' }).click();
  await expect(dialog).toContainText('Bring in “Zipped ticket”');
  await dialog.getByLabel('Name').fill('Zipped ticket again');
  await dialog.getByRole('button', { name: 'Keep it' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('3 templates')).toBeVisible();
});

test('ready-made ones are taken under a name, found, tagged, put away and brought back', async ({ page }) => {
  await page.goto('/templates');
  await page.getByRole('button', { name: 'Take as my own… Ticket' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('My ticket');
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  const mine = page.getByRole('article', { name: 'My ticket' });
  await expect(mine).toContainText('in no batch yet');
  await mine.getByRole('link', { name: 'My ticket' }).click();
  await page.getByRole('button', { name: 'Tags…' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('fair, summer');
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await page.getByRole('link', { name: 'Templates' }).click();
  await page.getByRole('combobox', { name: 'Tag' }).selectOption('summer');
  await expect(mine).toContainText('fair, summer');
  await page.getByRole('searchbox', { name: 'Search templates' }).fill('nothing like it');
  await expect(page.getByText('No template of yours is like that.')).toBeVisible();
  await page.getByRole('searchbox', { name: 'Search templates' }).fill('my tick');
  await mine.getByRole('button', { name: 'Put away My ticket' }).click();
  await expect(mine).toHaveCount(0);
  await page.getByRole('combobox', { name: 'Tag' }).selectOption('any');
  await page.getByRole('checkbox', { name: 'Put away' }).check();
  await mine.getByRole('button', { name: 'Bring back My ticket' }).click();
  await page.getByRole('checkbox', { name: 'Put away' }).uncheck();
  await expect(mine).toBeVisible();
});

test('what a template locks is greyed in a batch with the reason, refused by the server, and free in a copy', async ({
  page,
}) => {
  await batchOf(page, 'Locks', await photos());
  await changed(page, { borders: [BORDER] });
  await savedAs(page, 'Locked tile');
  await page.getByRole('link', { name: 'Templates' }).click();
  await page.getByRole('link', { name: 'Locked tile' }).click();
  await page.getByRole('button', { name: 'Locks…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: 'only what is ticked' }).check();
  await dialog.getByRole('checkbox', { name: 'borders' }).check();
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('batches may change captions, outputs, borders')).toBeVisible();
  await page.getByRole('link', { name: 'Locks', exact: true }).click();
  await painted(page);
  await step(page, 'Template').click();
  await expect(page.getByText('Locked by Locked tile.').first()).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Feather', exact: true })).toBeDisabled();
  const border = page.getByRole('group', { name: 'Border 1' });
  await border.getByRole('textbox', { name: 'Width' }).fill('30');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status').first()).toHaveText('saved');
  const { id, revision, template } = await draftOf(page);
  expect(template).toMatchObject({ borders: [{ width: 30 }] });
  const refused = await page.request.put(`/api/batches/${id}/draft`, { data: { template: { ...template, backdrop: '#ff0000' }, revision } }); // prettier-ignore
  expect(refused.status()).toBe(423);
  expect(await refused.json()).toMatchObject({ error: { code: 'locked', at: 'backdrop' } });
  // What is on the stage is locked, too.
  await page.getByRole('radio', { name: 'stage', exact: true }).click();
  await page.getByRole('button', { name: 'Shape: drag it, or move it with the arrow keys' }).focus();
  await page.keyboard.press('Shift+ArrowDown');
  await savedAs(page, 'A copy of it');
  expect((await draftOf(page)).template).toMatchObject({ shape: { box: { cy: 540 } } });
  await expect(page.getByRole('textbox', { name: 'Feather', exact: true })).toBeEnabled();
});

test('single fields that a template opens are all in one place in a batch, and the rest of their layers is locked', async ({
  page,
}) => {
  await batchOf(page, 'Fields', await photos());
  await changed(page, { borders: [BORDER], captions: [{ text: 'Autumn', size: 60 }] });
  await savedAs(page, 'Open words');
  await page.getByRole('link', { name: 'Templates' }).click();
  await page.getByRole('link', { name: 'Open words' }).click();
  await page.getByRole('button', { name: 'Locks…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: 'only what is ticked' }).check();
  await dialog.getByRole('checkbox', { name: 'captions' }).uncheck();
  await dialog.getByText('single fields of captions').click();
  await dialog.getByRole('group', { name: 'Fields of captions' }).getByRole('checkbox', { name: 'Text' }).check();
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('batches may change outputs, captions: text')).toBeVisible();
  await page.getByRole('link', { name: 'Fields', exact: true }).click();
  await painted(page);
  await step(page, 'Template').click();
  const open = page.getByRole('group', { name: 'Caption 1' });
  await expect(open.getByRole('textbox')).toHaveCount(1);
  await open.getByRole('textbox', { name: 'Text' }).fill('Winter');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status').first()).toHaveText('saved');
  const { id, revision, template } = await draftOf(page);
  expect(template).toMatchObject({ captions: [{ text: 'Winter', size: 60 }] });
  const larger = { ...template, captions: [{ ...(template as { captions: object[] }).captions[0], size: 90 }] };
  const refused = await page.request.put(`/api/batches/${id}/draft`, { data: { template: larger, revision } });
  expect(await refused.json()).toMatchObject({ error: { code: 'locked', at: 'captions' } });
});
