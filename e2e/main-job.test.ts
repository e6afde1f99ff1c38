import { expect, test, type Page } from './test';
import jpeg from 'jpeg-js';
import { rm, writeFile } from 'node:fs/promises';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { manifestSchema } from '../src/core/export';
import { madeHeic } from '../src/server/heic/made-heic';
import { cutouts, newBatch, painted, step } from './bench-page';
import { compare, exported, pictureNames, previewAndExport } from './exports';
import { flatPhoto, gradientPhoto } from './photos';

const DEMO = 'demo/photos/products';

test('photos in, a wall that follows the slider, a zip of alike cutouts out', async ({ page }, testInfo) => {
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(error.message));
  page.on('console', (message) => message.type() === 'error' && faults.push(message.text()));
  // What the page's policy forbids is a fault, too, where the console says nothing of it.
  await page.addInitScript(() =>
    document.addEventListener('securitypolicyviolation', ({ violatedDirective, blockedURI }) =>
      console.error(violatedDirective, blockedURI),
    ),
  );

  const fromTelephone = testInfo.outputPath('telephone.heic');
  await writeFile(fromTelephone, madeHeic({ turned: 1 }));
  // By clicks, as everybody's first batch is made.
  await page.goto('/');
  await page
    .getByRole('button', { name: /New batch|Make the first batch/ })
    .first()
    .click();
  await page.getByLabel('Name').fill('Spring kiln');
  await page.getByRole('button', { name: 'Make the batch' }).click();
  await expect(page.getByRole('heading', { name: 'Spring kiln' })).toBeVisible();
  await page
    .getByLabel('Photos to bring in')
    .setInputFiles([
      `${DEMO}/celadon-mug-01.jpg`,
      `${DEMO}/turquoise-tile-36.tif`,
      `${DEMO}/oatmeal-tile-54.webp`,
      `${DEMO}/tenmoku-tile-30.avif`,
      `${DEMO}/slate-mug-07.jpg`,
      fromTelephone,
      `${DEMO}/copy-of-slate-mug-07.jpg`,
      `${DEMO}/price-list.jpg`,
      `${DEMO}/kiln-load-cut-short.jpg`,
      `${DEMO}/empty.jpg`,
    ]);
  await expect(cutouts(page)).toHaveCount(6);
  const refused = page.locator('.side');
  await expect(refused).toContainText('4 files not taken');
  await expect(refused).toContainText('looks like a text file');
  await expect(refused).toContainText('broken or cut short');
  await expect(refused).toContainText('The file is empty');
  await expect(refused).toContainText(/same picture is in the batch already/);
  await painted(page);

  // The template: a border whose width is moved by its slider's keys, and every cutout follows.
  await step(page, 'Template').click();
  await page.getByRole('button', { name: 'Add a border' }).click();
  const greenAt = (x: number) =>
    page
      .locator('.tile canvas')
      .evaluateAll(
        (canvases, share) =>
          (canvases as HTMLCanvasElement[]).map((c) => [
            ...c.getContext('2d')!.getImageData(Math.round(c.width * share), c.height / 2, 1, 1).data,
          ]),
        x,
      );
  // The frame is 1080 wide and the circle begins at 60: at 60 + 40 the default border of 16 does not reach.
  const inside = (60 + 40) / 1080;
  const isBorder = (p: number[]) =>
    Math.abs(p[0]! - 0x2f) < 3 && Math.abs(p[1]! - 0x6f) < 3 && Math.abs(p[2]! - 0x5e) < 3;
  await expect.poll(async () => (await greenAt(inside)).filter(isBorder).length).toBe(0);
  const slider = page.getByRole('slider', { name: 'Width, slider' });
  await slider.focus();
  for (let i = 0; i < 64; i++) await page.keyboard.press('ArrowRight');
  await expect(slider).toHaveValue('80');
  await expect.poll(async () => (await greenAt(inside)).filter(isBorder).length).toBe(6);

  // Undo goes back, redo comes again.
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(slider).toHaveValue('79');
  await page.getByRole('button', { name: 'Redo', exact: true }).click();
  await expect(slider).toHaveValue('80');
  await expect(page.getByRole('status')).toHaveText('saved');

  const files = await exported(page);
  const manifest = manifestSchema.parse(JSON.parse(files.get('manifest.json')!.toString()));
  expect(manifest.items.map((item) => item.file).sort()).toEqual(pictureNames(files));
  const pictures = manifest.items.map((item) => PNG.sync.read(files.get(item.file!)!));
  expect(pictures.map((p) => [p.width, p.height])).toEqual(manifest.items.map(() => [1080, 1080]));
  const alphaOf = (picture: PNG) => Buffer.from(picture.data.filter((_, i) => i % 4 === 3));
  for (const picture of pictures) {
    expect(alphaOf(picture).equals(alphaOf(pictures[0]!))).toBe(true);
    const pixel = (x: number, y: number) => [...picture.data.subarray((y * 1080 + x) * 4, (y * 1080 + x) * 4 + 4)];
    expect(pixel(5, 5)[3]).toBe(0);
    expect(pixel(100, 540)).toEqual([0x2f, 0x6f, 0x5e, 255]);
    expect(pixel(145, 540)).not.toEqual([0x2f, 0x6f, 0x5e, 255]);
    expect(pixel(540, 540)[3]).toBe(255);
  }
  expect(faults).toEqual([]);
});

test('several outputs: PNG, WebP and JPEG of several widths, the JPEG on its matte', async ({ page }) => {
  await newBatch(page, 'Outputs');
  await page.getByLabel('Photos to bring in').setInputFiles([await flatPhoto('red.png', '#c81e1e')]);
  await expect(cutouts(page)).toHaveCount(1);
  await step(page, 'Export').click();
  for (const [name, format, width] of [
    ['web', 'WebP', '400'],
    ['mail', 'JPEG', '200'],
  ] as const) {
    await page.getByRole('button', { name: 'Add an output' }).click();
    const output = page.getByRole('group', { name: /^Output/ }).last();
    await output.getByLabel('Name', { exact: true }).fill(name);
    await page.keyboard.press('Enter');
    const named = page.getByRole('group', { name: `Output ${name}` });
    await named.getByLabel('Format').selectOption(format);
    await named.getByLabel('Size').selectOption('in pixels');
    await named.getByLabel('Width').fill(width);
    await page.keyboard.press('Enter');
  }
  const matte = page.getByRole('group', { name: 'Output mail' }).getByLabel('Matte', { exact: true });
  await matte.fill('#0000ff');
  await page.keyboard.press('Enter');
  const files = await exported(page);
  expect(pictureNames(files)).toEqual(['red-mail.jpg', 'red-tile.png', 'red-web.webp']);
  const mail = jpeg.decode(files.get('red-mail.jpg')!, { useTArray: true });
  expect([mail.width, mail.height]).toEqual([200, 200]);
  const near = (at: number, colour: number[]) =>
    colour.forEach((v, c) => expect(Math.abs(mail.data[at * 4 + c]! - v)).toBeLessThan(6));
  near(0, [0, 0, 255]);
  near(100 * 200 + 100, [0xc8, 0x1e, 0x1e]);
  const web = await sharp(files.get('red-web.webp')).raw().toBuffer({ resolveWithObject: true });
  expect([web.info.width, web.info.channels, web.data[3], web.data[(200 * 400 + 200) * 4 + 3]]).toEqual([
    400, 4, 0, 255,
  ]);
});

test('a template saved under a name is used for another batch', async ({ page }) => {
  await newBatch(page, 'First');
  await step(page, 'Template').click();
  await page.getByRole('button', { name: /Choose another/ }).click();
  await page.getByRole('button', { name: 'Hexagon', exact: true }).click();
  await expect(page.getByRole('status')).toHaveText('saved');
  await page.getByRole('button', { name: 'Save as…' }).click();
  await page.getByLabel('Name').fill('Six sides');
  await page.getByRole('dialog').getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.locator('.side')).toContainText('version 1');

  await newBatch(page, 'Second');
  await step(page, 'Template').click();
  await expect(page.getByRole('button', { name: /^Circle Choose another/ })).toBeVisible();
  await page.getByRole('button', { name: 'Saved ones…' }).click();
  await page.getByRole('button', { name: 'Use Six sides' }).click();
  await expect(page.getByRole('button', { name: /^Hexagon Choose another/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /^Hexagon Choose another/ })).toBeVisible();
});

test('a reload while photos arrive loses none that had arrived', async ({ page }) => {
  await newBatch(page, 'Reload');
  const many = await Promise.all(
    Array.from({ length: 40 }, (_, i) => flatPhoto(`photo-${i}.png`, `hsl(${i * 9}, 60%, 50%)`, 1000, 800)),
  );
  await page.getByLabel('Photos to bring in').setInputFiles(many);
  await expect.poll(() => cutouts(page).count()).toBeGreaterThan(2);
  // The name alone: what is found about a photo changes as its batch grows.
  const before = await cutouts(page).evaluateAll((all) => all.map((tile) => tile.getAttribute('aria-label')!.split(',')[0]!)); // prettier-ignore
  await page.reload();
  await expect(step(page, 'Photos')).toContainText(/^Photos\d/);
  const kept = await page.evaluate(async () => {
    const answer = await fetch(`/api/batches/${location.pathname.split('/')[2]}/photos?limit=500`);
    return ((await answer.json()) as { photos: { name: string }[] }).photos.map(({ name }) => name);
  });
  expect(kept).toEqual(expect.arrayContaining(before));
  // What did not arrive can be brought in again; what did is not kept twice.
  await step(page, 'Photos').click();
  await page.getByLabel('Photos to bring in').setInputFiles(many);
  await expect(step(page, 'Photos')).toContainText(/^Photos40/, { timeout: 60_000 });
});

test('a file that is taken away before its turn is told of as that, and the others arrive', async ({ page }, info) => {
  await newBatch(page, 'Card pulled');
  const paths = ['a.png', 'b.png', 'c.png', 'last.png'].map((name) => info.outputPath(name));
  for (const [i, path] of paths.entries()) await writeFile(path, (await flatPhoto('x', `hsl(${i * 80}, 50%, 50%)`, 500, 400)).buffer); // prettier-ignore
  let goOn = () => {};
  const held = new Promise<void>((resolve) => (goOn = resolve));
  let asked = 0;
  // Three go at a time: the fourth is read once one of them is over.
  await page.route('**/photos', async (route) => {
    asked += route.request().method() === 'POST' ? 1 : 0;
    await held;
    await route.continue();
  });
  await page.getByLabel('Photos to bring in').setInputFiles(paths);
  await expect.poll(() => asked).toBe(3);
  await rm(paths[3]!);
  goOn();
  await expect(page.getByText('last.png: The file can’t be read')).toBeVisible();
  await expect(cutouts(page)).toHaveCount(3);
});

/** Pastes files on the page, with text or HTML beside them as other programs put it on the clipboard. */
const paste = (page: Page, names: readonly string[], beside: Readonly<Record<string, string>>) =>
  page.evaluate(
    async ([all, more]) => {
      const data = new DataTransfer();
      for (const [type, text] of Object.entries(more)) data.setData(type, text);
      for (const name of all) {
        const canvas = new OffscreenCanvas(400, 300);
        const context = canvas.getContext('2d')!;
        context.fillRect(40 * name.length, 20, 100, 100);
        data.items.add(new File([await canvas.convertToBlob()], name, { type: 'image/png' }));
      }
      document.activeElement!.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
    },
    [names, beside] as const,
  );

test('copied photos are pasted in; not the picture that a spreadsheet puts beside its cells, and not into a field', async ({
  page,
}) => {
  await newBatch(page, 'Pasted');
  await paste(page, ['cells.png'], { 'text/plain': 'a', 'text/html': '<table><tr><td>a</td></tr></table>' });
  await step(page, 'Template').click();
  await page.getByLabel('Size', { exact: true }).focus();
  await paste(page, ['field.png'], {});
  await step(page, 'Photos').focus();
  // As a file manager copies them, with their names.
  await paste(page, ['pot.png', 'bowl.png'], { 'text/plain': 'pot.png' });
  await expect(cutouts(page)).toHaveCount(2);
  await paste(page, ['from-a-page.png'], { 'text/html': '<img src="https://shop.example/page.png">' });
  await expect(cutouts(page)).toHaveCount(3);
  const names = () => cutouts(page).evaluateAll((all) => all.map((tile) => tile.getAttribute('aria-label')!.split(',')[0]!)); // prettier-ignore
  expect((await names()).sort()).toEqual(['bowl.png', 'from-a-page.png', 'pot.png']);
});

/** A border outside and a shadow. */
async function borderAndShadow(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Add a border' }).click();
  await page.getByRole('radio', { name: 'outside' }).click();
  await page.getByRole('button', { name: 'Add a shadow' }).click();
}

test('the wall’s renderer and the server’s export show the same: alpha to the byte, colours within 2/255', async ({
  page,
}) => {
  const { alphaDiffers, opaque, partly, beyond } = compare(
    ...(await previewAndExport(page, await gradientPhoto('soft.png', 'grey'), borderAndShadow)),
  );
  expect([alphaDiffers, opaque > 700_000, partly > 10_000]).toEqual([0, true, true]);
  expect(beyond(2)).toBe(0);
});

test('in strong colours, JPEG’s own rounding in the proxy leaves less than one value in a thousand beyond 2/255, none beyond 4', async ({
  page,
}) => {
  const { alphaDiffers, opaque, beyond } = compare(
    ...(await previewAndExport(page, await gradientPhoto('soft.png', 'many'), borderAndShadow)),
  );
  expect(alphaDiffers).toBe(0);
  expect(beyond(2)).toBeLessThan(opaque * 3 * 0.001);
  expect(beyond(4)).toBe(0);
});
