/** Photos around windows, and what is seen behind them. */
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { batchOf, cutouts, painted, step } from './bench-page';
import { compare, exported, previewAndExport } from './exports';
import { flatPhoto, gradientPhoto } from './photos';
import { expect, test } from './test';

test('a lens: the photo around a round hole, itself sharp and twice as large in it; one click turns it round', async ({
  page,
}) => {
  const [preview, made] = await previewAndExport(page, await gradientPhoto('soft.png', 'grey'), async () => {
    await page.getByRole('radio', { name: 'around it', exact: true }).click();
    await page.getByRole('button', { name: /^Backdrop/ }).click();
    await page.getByRole('button', { name: 'Add a photo, picture or paint behind' }).click();
    const layer = page.getByRole('group', { name: 'Photo again 1' });
    await layer.getByRole('textbox', { name: 'Blur' }).fill('0');
    await layer.getByRole('textbox', { name: 'Enlarged' }).fill('2');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Add a shadow' }).click();
  });
  const { alphaDiffers, beyond, opaque } = compare(preview, made);
  expect(alphaDiffers).toBe(0);
  expect(opaque).toBe(1080 * 1080);
  expect(beyond(4)).toBe(0);
});

test('a window alone is clear in the file, and its cutout fills it exactly', async ({ page }) => {
  await batchOf(page, 'Window', [await gradientPhoto('soft.png', 'many')]);
  const alphas: Buffer[] = [];
  for (const photo of ['in the shape', 'around it']) {
    await page.getByRole('radio', { name: photo, exact: true }).click();
    await painted(page);
    await expect(page.getByRole('status').first()).toHaveText('saved');
    const files = await exported(page);
    const { data } = PNG.sync.read(files.get('soft-tile.png')!);
    alphas.push(Buffer.from(data.filter((_, i) => i % 4 === 3)));
    await step(page, 'Template').click();
  }
  const [cutout, window] = alphas;
  expect(cutout!.every((v, i) => Math.abs(v + window![i]! - 255) <= 1)).toBe(true);
  expect(window![540 * 1080 + 540]).toBe(0);
  await expect(cutouts(page)).toHaveCount(1);
});

test('a maker’s mark brought in lies on top of every file as it is drawn, and stays kept while it is used', async ({ page }) => {
  const mark = await sharp({ create: { width: 90, height: 90, channels: 4, background: '#ff000080' } })
    .composite([{ input: { create: { width: 40, height: 40, channels: 4, background: '#0000ff' } } }])
    .png()
    .toBuffer();
  const [preview, made] = await previewAndExport(page, await gradientPhoto('soft.png', 'many'), async () => {
    await page.getByRole('button', { name: /^On top/ }).click();
    await page.getByRole('button', { name: 'Add a picture or a paint on top' }).click();
    await page.getByRole('button', { name: /No picture yet/ }).click();
    const dialog = page.getByRole('dialog', { name: 'Choose a picture' });
    await dialog.getByLabel('Picture to bring in').setInputFiles({ name: 'words.png', mimeType: 'image/png', buffer: Buffer.from('words') }); // prettier-ignore
    await expect(dialog.getByRole('alert')).toContainText('not a JPEG, PNG, WebP');
    await dialog.getByLabel('Picture to bring in').setInputFiles({ name: 'mark.png', mimeType: 'image/png', buffer: mark }); // prettier-ignore
    await expect(dialog).toHaveCount(0);
    await expect(page.getByRole('button', { name: /mark\.png/ })).toBeVisible();
    await page.getByRole('radio', { name: 'in a box', exact: true }).click();
    await expect(page.getByRole('group', { name: 'Picture 1' }).getByRole('textbox', { name: 'Width' })).toHaveValue('216');
  });
  const { alphaDiffers, beyond } = compare(preview, made);
  expect([alphaDiffers, beyond(4)]).toEqual([0, 0]);
  // Its middle is blue, in the corner of the frame beyond the circle its red is half transparent.
  const at = (x: number, y: number) => [...made.subarray((y * 1080 + x) * 4, (y * 1080 + x) * 4 + 4)];
  expect(at(918, 918)).toEqual([0, 0, 255, 255]);
  expect(at(1020, 1020)).toEqual([255, 0, 0, 128]);
  await step(page, 'Template').click();
  await page.getByRole('button', { name: /^On top/ }).click();
  await page.getByRole('button', { name: /mark\.png/ }).click();
  await expect(page.getByRole('dialog')).toContainText('used once');
  await expect(page.getByRole('button', { name: 'Delete mark.png' })).toHaveCount(0);
}); // prettier-ignore

/** Of an opening that nothing is parallel in, shares of the frame. */
const CORNERS = [[0.2, 0.22], [0.83, 0.17], [0.78, 0.82], [0.14, 0.74]] as const; // prettier-ignore

test('a picture is bent into a straight-edged opening that is clicked corner by corner, a corner of it moved by keys and by hand', async ({
  page,
}) => {
  const stripes = Buffer.alloc(120 * 120 * 3).map((_, i) => (Math.floor(((i / 3) % 120) / 20) % 2 ? 255 : 0));
  const picture = await sharp(stripes, { raw: { width: 120, height: 120, channels: 3 } })
    .png()
    .toBuffer();
  const [preview, made] = await previewAndExport(page, await gradientPhoto('soft.png', 'grey'), async () => {
    // Corner by corner, and the first one again.
    await page.getByRole('button', { name: 'Draw a shape' }).click();
    await expect(page.getByRole('application')).toBeVisible();
    const frame = (await page.locator('.stage-frame').boundingBox())!;
    for (const [across, down] of [...CORNERS, CORNERS[0]]) {
      await page.mouse.click(frame.x + across * frame.width, frame.y + down * frame.height);
    }
    await expect(page.getByRole('application')).toHaveCount(0);
    await page.getByRole('radio', { name: 'around it', exact: true }).click();
    await page.getByRole('button', { name: /^Backdrop/ }).click();
    await page.getByRole('button', { name: 'Add a photo, picture or paint behind' }).click();
    const photo = page.getByRole('group', { name: 'Photo again 1' });
    await photo.getByRole('radio', { name: 'picture', exact: true }).click();
    const layer = page.getByRole('group', { name: 'Picture 1' });
    await layer.getByRole('button', { name: /No picture yet/ }).click();
    await page.getByLabel('Picture to bring in').setInputFiles({ name: 'stripes.png', mimeType: 'image/png', buffer: picture }); // prettier-ignore
    await layer.getByRole('radio', { name: 'bent', exact: true }).click();
    await layer.getByRole('button', { name: 'Bend it to the shape’s corners' }).click();
    const corner = layer.getByRole('group', { name: 'Its left top corner' });
    const across = corner.getByRole('textbox', { name: 'Across' });
    const before = Number(await across.inputValue());
    // Its points were in the hand last.
    await page.getByRole('radiogroup', { name: 'On the stage' }).getByRole('radio', { name: 'shape', exact: true }).click(); // prettier-ignore
    await across.focus();
    const handle = page.getByRole('button', { name: /^Left top corner, Picture 1/ });
    await handle.press('Shift+ArrowRight');
    await expect(across).toHaveValue(String(before + 10));
    const down = Number(await corner.getByRole('textbox', { name: 'Down' }).inputValue());
    await handle.hover();
    const { x, y } = (await handle.boundingBox())!;
    await page.mouse.down();
    await page.mouse.move(x + 40, y + 30, { steps: 3 });
    await page.mouse.up();
    await expect.poll(async () => Number(await corner.getByRole('textbox', { name: 'Down' }).inputValue())).toBeGreaterThan(down + 20); // prettier-ignore
    await page.getByRole('radio', { name: 'each', exact: true }).click();
  });
  const { alphaDiffers, beyond, opaque } = compare(preview, made);
  expect([alphaDiffers, beyond(4)]).toEqual([0, 0]);
  // Stripes are seen through the opening; what the pulled corner left open is clear.
  expect(opaque).toBeGreaterThan(900_000);
  const values = Array.from({ length: 600 }, (_, i) => made[(540 * 1080 + 240 + i) * 4]!);
  expect([values.filter((v) => v < 10).length > 100, values.filter((v) => v > 245).length > 100]).toEqual([true, true]);
});

test('a word is punched out of a banner: the photo shows through it', async ({ page }) => {
  const [preview, made] = await previewAndExport(page, await gradientPhoto('soft.png', 'many'), async () => {
    await page.getByRole('button', { name: /^On top/ }).click();
    await page.getByRole('button', { name: 'Add a picture or a paint on top' }).click();
    const first = page.getByRole('group', { name: /^Picture 1/ });
    await first.getByRole('combobox', { name: 'Shows' }).selectOption('a paint');
    const banner = page.getByRole('group', { name: /^Paint 1/ });
    await banner.getByRole('textbox', { name: 'Colour', exact: true }).fill('#ff0000');
    await page.keyboard.press('Enter');
    await banner.getByRole('radio', { name: 'a shape', exact: true }).click();
    const dialog = page.getByRole('dialog', { name: 'A shape for this layer' });
    await dialog.getByRole('button', { name: 'Rectangle', exact: true }).click();
    await expect(dialog).toHaveCount(0);
    await page.getByRole('button', { name: 'Add a picture or a paint on top' }).click();
    await page.getByRole('group', { name: /^Picture 2/ }).getByRole('combobox', { name: 'Shows' }).selectOption('a hole'); // prettier-ignore
    const hole = page.getByRole('group', { name: /^Hole 2/ });
    await hole.getByRole('radio', { name: 'layer below', exact: true }).click();
    await hole.getByRole('radio', { name: 'a shape', exact: true }).click();
    await dialog.getByLabel('Letters').fill('I');
    await dialog.getByRole('button', { name: 'Set letters' }).click();
    await expect(dialog).toHaveCount(0);
    await expect(hole).toContainText('Letters: I');
  });
  const { alphaDiffers, beyond } = compare(preview, made);
  expect([alphaDiffers, beyond(4)]).toEqual([0, 0]);
  const red = (x: number, y: number) => made[(y * 1080 + x) * 4]! === 255 && made[(y * 1080 + x) * 4 + 1]! === 0;
  // The stem of the letter in the middle, the banner to its sides, the photo beyond.
  expect([red(540, 540), red(400, 540), red(540, 200)]).toEqual([false, true, false]);
}); // prettier-ignore

test('a photo of the batch, and a file that is dropped, become pictures of a layer', async ({ page }) => {
  await batchOf(page, 'Own pictures', [await gradientPhoto('soft.png', 'many'), await flatPhoto('red.png', '#ff0000')]);
  await step(page, 'Template').click();
  await page.getByRole('button', { name: /^On top/ }).click();
  await page.getByRole('button', { name: 'Add a picture or a paint on top' }).click();
  const layer = page.getByRole('group', { name: /^Picture 1/ });
  await layer.getByRole('button', { name: /Choose a picture/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Choose a picture' });
  await dialog.getByText('Photos of this batch').click();
  await dialog.getByRole('button', { name: 'red.png' }).click();
  await expect(layer.getByRole('button', { name: /red\.png/ })).toBeVisible();
  // Another one is dropped on the list.
  await layer.getByRole('button', { name: /red\.png/ }).click();
  const blue = await flatPhoto('blue.png', '#0000ff');
  const files = await page.evaluateHandle((base64) => {
    const transfer = new DataTransfer();
    const bytes = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
    transfer.items.add(new File([bytes], 'blue.png', { type: 'image/png' }));
    return transfer;
  }, blue.buffer.toString('base64'));
  await dialog.locator('.modal-body').dispatchEvent('drop', { dataTransfer: files });
  await expect(layer.getByRole('button', { name: /blue\.png/ })).toBeVisible();
  await expect(page.getByRole('status').first()).toHaveText('saved');
  const made = PNG.sync.read((await exported(page)).get('soft-tile.png')!);
  expect([...made.data.subarray(0, 4)]).toEqual([0, 0, 255, 255]);
});
