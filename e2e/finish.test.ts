/** Finishes to begin with, layers in the hand, colours out of the photo, captions and mats. */
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { batchOf, cutouts, painted, step } from './bench-page';
import { compare, exported, keepDrawn, lastDrawn } from './exports';
import { gradientPhoto } from './photos';
import { expect, test } from './test';

/** A photo of one colour in the middle of another. */
const photoOf = async (name: string, subject: string, ground = '#dcdcdc') => ({
  name,
  mimeType: 'image/png',
  buffer: await sharp({ create: { width: 900, height: 900, channels: 3, background: ground } })
    .composite([
      { input: { create: { width: 300, height: 300, channels: 3, background: subject } }, left: 300, top: 300 },
    ])
    .png()
    .toBuffer(),
});

const RED = '#b02820';
const BLUE = '#2038a8';

test('a finish is taken by one click, matches each photo, and is undone by one step', async ({ page }) => {
  await batchOf(page, 'Finishes', [await photoOf('red.png', RED), await photoOf('blue.png', BLUE)]);
  await page.getByRole('button', { name: /^Finish/ }).click();
  await page.getByRole('button', { name: 'Matching ring' }).click();
  await expect(page.getByRole('group', { name: 'Border 1' })).toBeVisible();
  await painted(page);
  await expect(page.getByRole('status').first()).toHaveText('saved');
  const files = await exported(page);
  const ringOf = (name: string) => {
    const { data, width } = PNG.sync.read(files.get(name)!);
    // In the middle of a ring 26 wide that lies 10 away from the circle's top.
    const k = ((60 - 10 - 13) * width + width / 2) * 4;
    return `#${[...data.subarray(k, k + 3)].map((v) => v.toString(16).padStart(2, '0')).join('')}`;
  };
  const near = (a: string, b: string) => [1, 3, 5].every((i) => Math.abs(parseInt(a.slice(i, i + 2), 16) - parseInt(b.slice(i, i + 2), 16)) <= 3); // prettier-ignore
  expect([near(ringOf('red-tile.png'), RED), near(ringOf('blue-tile.png'), BLUE)]).toEqual([true, true]);
  await page.keyboard.press('Escape');
  await step(page, 'Template').click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Borders none' }).or(page.getByRole('button', { name: 'Add a border' }))).toBeVisible(); // prettier-ignore
  await expect(page.getByRole('group', { name: 'Border 1' })).toHaveCount(0);
});

test('cutouts and finishes are looked at on one of the photos, which no file shows', async ({ page }) => {
  await batchOf(page, 'On a photo', [await photoOf('red.png', RED, '#e0c020')]);
  await page.getByRole('radio', { name: 'a photo', exact: true }).click();
  const wall = page.getByRole('listbox', { name: 'Cutouts' });
  await expect(async () => {
    // The photo's own ground, seen beside the cutout.
    const { data, width } = PNG.sync.read(await wall.screenshot());
    const k = (5 * width + width - 30) * 4;
    expect([0xe0 - data[k]!, 0xc0 - data[k + 1]!, 0x20 - data[k + 2]!].every((off) => Math.abs(off) < 6)).toBe(true);
  }).toPass();
  await page.getByRole('button', { name: /^Finish/ }).click();
  await expect(page.locator('.look-ground').first()).toHaveCSS('background-image', /\/proxy\/512"\)$/);
  const { data } = PNG.sync.read((await exported(page)).get('red-tile.png')!);
  expect(data[3]).toBe(0);
});

test('a mat makes the picture larger, and a caption in it says each photo’s name', async ({ page }) => {
  await batchOf(page, 'Cards', [await photoOf('first.png', RED), await photoOf('a-second.png', BLUE)]);
  await page.getByRole('button', { name: /^Finish/ }).click();
  await page.getByRole('button', { name: 'Card with caption' }).click();
  await expect(page.getByRole('button', { name: 'Mat 50 px, 170 below' })).toBeVisible();
  await page.getByRole('button', { name: /^Captions/ }).click();
  const caption = page.getByRole('group', { name: 'Caption 1' });
  await caption.getByLabel('Put a field into text').selectOption('{index}');
  await expect(caption.getByLabel('Text', { exact: true })).toHaveValue('{photo}{index}');
  await expect(page.getByRole('status').first()).toHaveText('saved');
  const files = await exported(page);
  const inkOf = (name: string) => {
    const { data, width, height } = PNG.sync.read(files.get(name)!);
    expect([width, height]).toEqual([1180, 1300]);
    let [left, right] = [width, 0];
    for (let y = 1140; y < 1290; y++)
      for (let x = 0; x < width; x++)
        if (data[(y * width + x) * 4]! < 128) [left, right] = [Math.min(left, x), Math.max(right, x)];
    return { middle: (left + right) / 2, wide: right - left };
  };
  const [first, second] = [inkOf('first-tile.png'), inkOf('a-second-tile.png')];
  expect(Math.abs(first.middle - 590)).toBeLessThan(8);
  expect(second.wide).toBeGreaterThan(first.wide + 30);
});

test('a gradient’s direction and a shadow’s offset are dragged on the stage, a colour is taken from a cutout', async ({ page }) => {
  await batchOf(page, 'Hand', [await photoOf('red.png', RED)]);
  await page.getByRole('button', { name: /^Tints/ }).click();
  await page.getByRole('button', { name: 'Add a tint' }).click();
  const tint = page.getByRole('group', { name: 'Tint 1' });
  await tint.getByLabel('Paint').selectOption('linear gradient');
  await page.getByRole('radio', { name: 'stage', exact: true }).click();
  await expect(page.locator('.stage-cutout[data-painted]')).toBeVisible();
  const cutout = (await page.locator('.stage-cutout').boundingBox())!;
  const handle = page.getByRole('button', { name: /^Direction of the gradient, Tint 1/ });
  await handle.hover();
  await page.mouse.down();
  await page.mouse.move(cutout.x + cutout.width * 0.9, cutout.y + cutout.height / 2, { steps: 3 });
  await page.mouse.up();
  await expect(tint.getByRole('textbox', { name: 'Direction' })).toHaveValue(/^(89|90|91)$/);
  await tint.getByRole('button', { name: 'Tint 1 shown' }).click();
  await expect(handle).toHaveCount(0);
  await page.getByRole('button', { name: 'Add a shadow' }).click();
  const shadow = page.getByRole('group', { name: 'Drop shadow 1' });
  await shadow.getByLabel('Across', { exact: true }).focus();
  await page.getByRole('button', { name: /^Offset of the shadow/ }).press('Shift+ArrowRight');
  await expect(shadow.getByLabel('Across', { exact: true })).toHaveValue('10');
  await shadow.getByRole('button', { name: 'Colour out of a cutout' }).click();
  await page.mouse.click(cutout.x + cutout.width / 2, cutout.y + cutout.height / 2);
  const colour = shadow.getByRole('textbox', { name: 'Colour', exact: true });
  // Of the proxy, which is a JPEG.
  await expect(colour).toHaveValue(/^#[ab][0-9a-f]2[0-9a-f][12][0-9a-f]$/);
  const taken = await colour.inputValue();
  // What was taken can be taken again.
  await colour.fill('#000000');
  await page.keyboard.press('Enter');
  await shadow.getByRole('button', { name: `Take ${taken}` }).click();
  await expect(colour).toHaveValue(taken);
}); // prettier-ignore

test.describe('on a screen of two pixels a point', () => {
  test.use({ deviceScaleFactor: 2 });

  test('the wall shows the pixels that are exported', async ({ page }) => {
    await keepDrawn(page);
    await batchOf(page, 'Dense', [await gradientPhoto('soft.png', 'grey')]);
    await page.getByRole('button', { name: /^Finish/ }).click();
    await page.getByRole('button', { name: 'Stitched' }).click();
    await page.getByRole('button', { name: 'Add a shadow' }).click();
    await page.getByRole('button', { name: 'Add a reflection' }).click();
    const canvas = cutouts(page).locator('canvas');
    const { wide, points } = await canvas.evaluate((c: HTMLCanvasElement) => ({
      wide: c.width,
      points: c.clientWidth,
    }));
    expect(wide).toBe(2 * points);
    // A frame as large as what the wall draws: the export then has the same width.
    await page.getByRole('button', { name: /^Frame/ }).click();
    const frame = page.locator('section', { hasText: /^Frame/ });
    await frame.getByLabel('Width').fill(String(wide));
    await frame.getByLabel('Height').fill(String(wide));
    await frame.getByRole('button', { name: 'Set the frame' }).click();
    await painted(page);
    await expect(page.getByRole('status').first()).toHaveText('saved');
    expect(await canvas.evaluate((c: HTMLCanvasElement) => c.width)).toBe(wide);
    const files = await exported(page);
    const { data, width } = PNG.sync.read(files.get('soft-tile.png')!);
    expect(width).toBe(wide);
    // What is drawn last may still be of the step before.
    const apart = async () => {
      const { alphaDiffers, beyond } = compare(await lastDrawn(page, wide), data);
      return [alphaDiffers, beyond(4)];
    };
    await expect.poll(apart).toEqual([0, 0]);
  });
});
