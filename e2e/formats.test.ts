/** WebP and AVIF out of an export, as Chromium reads them. */
import { PNG } from 'pngjs';
import { batchOf, step } from './bench-page';
import { exported } from './exports';
import { flatPhoto, noisePhoto } from './photos';
import { expect, test } from './test';
import { unzip } from './zip';

/** Straight RGBA of a picture as the browser decodes it, its size before it. */
function decoded(file: string): Promise<[width: number, height: number, alphas: string]> {
  const bytes = Uint8Array.from(atob(file), (letter) => letter.charCodeAt(0));
  return createImageBitmap(new Blob([bytes]), { premultiplyAlpha: 'none' }).then((bitmap) => {
    const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
    const context = canvas.getContext('2d')!;
    context.drawImage(bitmap, 0, 0);
    const { data } = context.getImageData(0, 0, bitmap.width, bitmap.height);
    // Alpha goes through a canvas unchanged; that is all that is compared.
    let alphas = '';
    for (let i = 3; i < data.length; i += 4) alphas += String.fromCharCode(data[i]!);
    return [bitmap.width, bitmap.height, btoa(alphas)];
  });
}

test('WebP without loss has the same alpha in the browser as the PNG, AVIF is told not to, and a square trim is square', async ({
  page,
}) => {
  await batchOf(page, 'Formats', [await flatPhoto('mug.png', '#225588')]);
  await page.getByRole('textbox', { name: 'Feather', exact: true }).fill('24');
  await page.keyboard.press('Enter');
  await step(page, 'Export').click();
  const names = ['tile', 'webp', 'jpeg'];
  for (const _ of names.slice(1)) await page.getByRole('button', { name: 'Add an output' }).click();
  for (const [i, name] of names.entries()) {
    const output = page.getByRole('group', { name: `Output ${name}` });
    if (!(await output.isVisible())) await page.getByRole('button', { name: new RegExp(`^${name}`) }).click();
    if (i === 2) await output.getByLabel('Format').selectOption('AVIF');
    if (i > 0) await output.getByRole('radio', { name: 'none' }).click();
    await output.getByLabel('Empty rim').selectOption('cut to a square');
    await output.getByLabel('Room', { exact: true }).fill('10');
    await page.keyboard.press('Enter');
  }
  await expect(page.getByRole('status').first()).toHaveText('saved');
  const files = await exported(page);
  const read = (name: string) => page.evaluate(decoded, files.get(name)!.toString('base64'));
  const [width, height, alphas] = await read('mug-tile.png');
  expect(width).toBe(height);
  expect(new Set(Buffer.from(alphas, 'base64')).size).toBeGreaterThan(20);
  // As one number: two pictures' worth of letters say nothing to anybody.
  const webp = await read('mug-webp.webp');
  expect([webp[0], webp[1], webp[2] === alphas]).toEqual([width, height, true]);
  expect((await read('mug-jpeg.avif')).slice(0, 2)).toEqual([width, height]);
  await step(page, 'Check').click();
  await expect(page.getByText(/Output jpeg is an AVIF/).first()).toBeVisible();
});

test('a trial says how large a file becomes and what its format loses, and shows it', async ({ page }) => {
  await batchOf(page, 'Tried', [await noisePhoto('noise.jpg', 1400, 1300)]);
  await step(page, 'Export').click();
  await page.getByRole('button', { name: 'Try on one photo' }).click();
  await expect(page.getByText(/[kM]B \(noise\.jpg\)/)).toBeVisible();
  await expect(page.getByRole('group', { name: 'Output tile' }).getByText('none', { exact: true })).toBeVisible();
  await page.getByLabel('Format').selectOption('JPEG');
  await page.getByRole('button', { name: 'Try on one photo' }).click();
  await expect(page.getByText(/SSIM 0\.\d{3}, at most \d+ of 255/)).toBeVisible();
  await page.getByRole('button', { name: 'Look at it…' }).click();
  const picture = page.getByRole('dialog').getByRole('img');
  await expect.poll(() => picture.evaluate((img) => (img as HTMLImageElement).naturalWidth)).toBe(1080);
});

test('a size that is not taken is told, and given up for the one that is saved', async ({ page }) => {
  await batchOf(page, 'Too large', [await flatPhoto('one.png', '#225588')]);
  await step(page, 'Export').click();
  const output = page.getByRole('group', { name: 'Output tile' });
  await output.getByLabel('Size').selectOption('in pixels');
  await expect(page.getByRole('status').first()).toHaveText('saved');
  const width = output.getByLabel('Width');
  await width.fill('16000');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status').first()).toContainText(/✕ outputs.*megapixels/);
  await page.getByRole('button', { name: 'Back to what is saved' }).click();
  await expect(page.getByRole('status').first()).toHaveText('saved');
  await expect(width).toHaveValue('1080');
});

test('a small photo gives a smaller file, with all layers in it; Display P3 is known to the browser', async ({
  page,
}) => {
  await batchOf(page, 'Working files', [await flatPhoto('mug.png', '#225588')]);
  await step(page, 'Export').click();
  await page.getByRole('button', { name: 'Add an output' }).click();
  const [tile, second] = ['tile', 'webp'].map((name) => page.getByRole('group', { name: `Output ${name}` }));
  await second!.getByLabel('Format').selectOption('PNG');
  await second!.getByText(/^Encoder/).click();
  await second!.getByLabel('Colour space').selectOption('Display P3');
  await page.getByRole('button', { name: /^tile/ }).click();
  await tile!.getByLabel('Format').selectOption('OpenRaster');
  await tile!.getByRole('radio', { name: 'smaller files' }).click();
  await expect(page.getByRole('status').first()).toHaveText('saved');
  const files = await exported(page);
  const layered = await unzip(files.get('mug-tile.ora')!);
  const merged = PNG.sync.read(layered.get('mergedimage.png')!);
  // The photo is 700 pixels high, and covers a shape that is not quite as high as the frame.
  expect(merged.width).toBeGreaterThanOrEqual(700);
  expect(merged.width).toBeLessThan(1080);
  expect(layered.get('stack.xml')!.toString()).toContain('name="Photo"');
  // As the page sees it, the photo is as blue as it was.
  const colour = await page.evaluate(async (file) => {
    const bytes = Uint8Array.from(atob(file), (letter) => letter.charCodeAt(0));
    const bitmap = await createImageBitmap(new Blob([bytes], { type: 'image/png' }));
    const context = new OffscreenCanvas(bitmap.width, bitmap.height).getContext('2d')!;
    context.drawImage(bitmap, 0, 0);
    return [...context.getImageData(bitmap.width >> 1, bitmap.height >> 1, 1, 1).data];
  }, files.get('mug-webp.png')!.toString('base64'));
  const off = Math.max(...[0x22, 0x55, 0x88, 255].map((v, i) => Math.abs(v - colour[i]!)));
  expect(off).toBeLessThanOrEqual(2);
});
