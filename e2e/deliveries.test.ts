/** A batch exported again: what has changed, and both deliveries beside each other. */
import { batchOf, cutouts, painted } from './bench-page';
import { exported, filesOf, pictureNames } from './exports';
import { flatPhoto, gradientPhoto } from './photos';
import { expect, test, type Page } from './test';
import { unzip } from './zip';
import { spawnSync } from 'node:child_process';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { PNG } from 'pngjs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** HTML opened by Chromium beside its files: every picture is there, in its own size. */
async function expectPictures(page: Page, html: string, files: ReadonlyMap<string, Buffer>): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'wobrel-html-'));
  for (const name of pictureNames(files)) await writeFile(join(folder, name), files.get(name)!);
  await writeFile(join(folder, 'pictures.html'), html);
  const other = await page.context().newPage();
  await other.goto(`file://${join(folder, 'pictures.html')}`);
  const images = other.getByRole('presentation').or(other.getByRole('img'));
  const widths = () => images.evaluateAll((all) => (all as HTMLImageElement[]).map((img) => img.naturalWidth));
  // Those further down are loaded when they come into view.
  await images.evaluateAll((all) => (all as HTMLImageElement[]).forEach((img) => (img.loading = 'eager')));
  await expect.poll(widths).toEqual(pictureNames(files).map(() => 1080));
  await other.close();
  await rm(folder, { recursive: true });
}

test('the second export makes only what has changed, and says so before and after', async ({ page }) => {
  await batchOf(page, 'Twice', await Promise.all(['a', 'b', 'c'].map((name, i) => flatPhoto(`${name}.png`, '#883322', 500 + i)))); // prettier-ignore
  const first = await exported(page);
  expect(pictureNames(first)).toEqual(['a-tile.png', 'b-tile.png', 'c-tile.png']);

  await cutouts(page).first().dblclick();
  await expect(page.getByRole('dialog')).toContainText('cutout 1080 × ');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Escape');
  await painted(page);
  await page.getByRole('button', { name: 'What has changed since then?' }).click();
  await expect(page.getByText('2 files the same')).toBeVisible();
  await page.getByText('What is made').click();
  await expect(page.getByText('a-tile.png lies otherwise')).toBeVisible();

  const second = await filesOf(page, () => page.getByRole('button', { name: 'Export 3 files' }).click());
  expect(second.get('a-tile.png')!.equals(first.get('a-tile.png')!)).toBe(false);
  for (const name of ['b-tile.png', 'c-tile.png']) expect(second.get(name)!.equals(first.get(name)!)).toBe(true);

  const card = page.getByRole('list', { name: 'Deliveries of this batch' }).getByRole('listitem').first();
  await expect(card).toContainText('3 files, 2 as before');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    card.getByRole('link', { name: 'Only the 1 made anew' }).click(),
  ]);
  expect(pictureNames(await unzip(await readFile(await download.path())))).toEqual(['a-tile.png']);

  await card.getByRole('link', { name: 'Look at the files' }).click();
  const files = page.getByRole('list', { name: 'Files' }).getByRole('listitem');
  await expect(files).toHaveCount(3);
  await expect(files.nth(1)).toContainText('1080 × 1080 px');
  // Each has its picture, made from the delivered file.
  await expect.poll(() => files.locator('img').evaluateAll((all) => (all as HTMLImageElement[]).map((img) => img.naturalWidth))).toEqual([240, 240, 240]); // prettier-ignore
  await page.getByRole('button', { name: 'Pages for print…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Each wide').fill('60');
  await page.keyboard.press('Enter');
  await dialog.getByRole('radio', { name: 'cut line' }).click();
  await expect(dialog).toContainText('2 × 3 on a page of 210 × 297 mm: 1 page.');
  const [sheet] = await Promise.all([
    page.waitForEvent('download'),
    dialog.getByRole('link', { name: 'Download' }).click(),
  ]);
  const read = spawnSync('node', ['scripts/read-pdf.mjs'], { input: await readFile(await sheet.path()), encoding: 'utf8' }); // prettier-ignore
  expect(JSON.parse(read.stdout)).toMatchObject({ pages: 1, layers: ['Pictures', 'Captions', 'Cut'], title: 'Twice' });
  await dialog.getByRole('button', { name: 'Close' }).last().click();
  await page.getByRole('button', { name: 'HTML…' }).click();
  const [html] = await Promise.all([
    page.waitForEvent('download'),
    dialog.getByRole('link', { name: 'Download' }).click(),
  ]);
  await expectPictures(page, await readFile(await html.path(), 'utf8'), second);
  await dialog.getByRole('button', { name: 'Close' }).last().click();
  await page.getByRole('radio', { name: 'made anew' }).click();
  await expect(files).toHaveCount(1);
  await page.getByLabel('Compare with').selectOption({ index: 1 });
  await expect(page.getByText('2 files the same, 1 different, 0 new, 0 gone.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Different' })).toContainText('a-tile.png');
});

test('an SVG of a cutout, drawn by Chromium, is the delivered picture', async ({ page }) => {
  await batchOf(page, 'Vectors', [await gradientPhoto('soft.png', 'many')]);
  const files = await exported(page);
  await page.getByRole('link', { name: 'Look at the files' }).first().click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'SVG files' }).click(),
  ]);
  const svg = (await unzip(await readFile(await download.path()))).get('soft-tile.svg')!;
  const other = await page.context().newPage();
  await other.setViewportSize({ width: 1080, height: 1080 });
  const folder = await mkdtemp(join(tmpdir(), 'wobrel-svg-'));
  await writeFile(join(folder, 'soft.svg'), svg);
  await other.goto(`file://${join(folder, 'soft.svg')}`);
  const drawn = PNG.sync.read(await other.screenshot({ omitBackground: true }));
  await other.close();
  await rm(folder, { recursive: true });
  const made = PNG.sync.read(files.get('soft-tile.png')!);
  expect([drawn.width, drawn.height]).toEqual([made.width, made.height]);
  let [sum, far] = [0, 0];
  for (let i = 0; i < made.data.length; i++) {
    // Where it is clear its colours say nothing.
    const difference = Math.abs(drawn.data[i]! - made.data[i]!) * (i % 4 === 3 || made.data[i | 3]! === 255 ? 1 : 0);
    sum += difference;
    // Both cover the rim by their own rule.
    if (difference > 40) far++;
  }
  // JPEG's own loss, and another resampling.
  expect(sum / made.data.length).toBeLessThan(1);
  expect(far / made.data.length).toBeLessThan(0.001);
});
