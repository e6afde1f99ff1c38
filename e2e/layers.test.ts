/** All layers of a template in one list; how they are mixed; what a drag on the stage moves. */
import { batchOf, step } from './bench-page';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { compare, exported, previewAndExport } from './exports';
import { flatPhoto, gradientPhoto } from './photos';
import { unzip } from './zip';
import { expect, test, type Locator, type Page } from './test';

const layers = (page: Page) => page.locator('.section', { has: page.getByRole('button', { name: /^Layers/ }) });

async function add(page: Page, section: RegExp, action: string) {
  const head = page.getByRole('button', { name: section });
  if ((await head.getAttribute('aria-expanded')) === 'false') await head.click();
  await page.getByRole('button', { name: action }).click();
}

test('a tinted photo behind, a paint mixed over all, and a set on top look in the file as on the wall', async ({ page }) => {
  const [preview, made] = await previewAndExport(page, await gradientPhoto('soft.png', 'many'), async () => {
    await add(page, /^Backdrop/, 'Add a photo, picture or paint behind');
    const behind = page.getByRole('group', { name: 'Photo again 1' });
    await behind.getByRole('button', { name: 'tint', exact: true }).click();
    const tint = behind.getByRole('group', { name: 'Tint' });
    await tint.getByRole('textbox', { name: 'Colour', exact: true }).fill('#c9765a');
    await tint.getByLabel('Blend').selectOption('color');
    await add(page, /^On top/, 'Add a picture or a paint on top');
    for (const [i, colour, blend] of [[1, '#f2c14e', 'multiply'], [2, '#24594f', 'screen'], [3, '#ff8040', 'difference']] as const) { // prettier-ignore
      if (i > 1) await page.getByRole('button', { name: 'Add a picture or a paint on top' }).click();
      const layer = page.getByRole('group', { name: `Picture ${i}` });
      await layer.getByLabel('Shows').selectOption('paint');
      const paint = page.getByRole('group', { name: `Paint ${i}` });
      await paint.getByRole('textbox', { name: 'Colour', exact: true }).fill(colour);
      await paint.getByLabel('Blend').selectOption(blend);
      if (i === 1) continue;
      if (i === 2) {
        await paint.getByLabel('Set', { exact: true }).selectOption('another…');
        await page.getByRole('dialog').getByRole('textbox', { name: 'Name' }).fill('Mark');
        await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
        await expect(page.getByRole('dialog')).toHaveCount(0);
      } else await paint.getByLabel('Set', { exact: true }).selectOption('Mark');
    }
    await page.getByRole('button', { name: /^Layers/ }).click();
    await layers(page).getByRole('button', { name: /^Set Mark/ }).first().click(); // prettier-ignore
    const set = layers(page).getByRole('group', { name: 'Set Mark' });
    await set.getByRole('textbox', { name: 'Strength' }).fill('40');
    await set.getByLabel('Blend').selectOption('overlay');
  });
  const { alphaDiffers, beyond, opaque } = compare(preview, made);
  expect([alphaDiffers, opaque]).toEqual([0, 1080 * 1080]);
  expect(beyond(4)).toBe(0);
}); // prettier-ignore

test('the list has them all from the top down: order by keys, eye, lock and strength, and the way to the rest', async ({ page }) => {
  await batchOf(page, 'List', [await flatPhoto('blue.png', '#2255aa', 700, 700)]);
  await add(page, /^Captions/, 'Add a caption');
  await add(page, /^Borders/, 'Add a border');
  await page.getByRole('button', { name: 'Add a border' }).click();
  await page.getByRole('button', { name: /^Captions/ }).click();
  await page.getByRole('button', { name: 'Layers 3' }).click();
  const list = layers(page);
  const heads = () => list.locator('.layer-head > span:first-child').allTextContents();
  expect(await heads()).toEqual(['Caption 1', 'Border 2', 'Border 1', 'Photo', 'Backdrop', 'Mat']);
  const upper = list.getByRole('group', { name: 'Border 2' });
  await upper.getByRole('button', { name: /^Border 2/ }).first().click(); // prettier-ignore
  await upper.getByRole('textbox', { name: 'Strength' }).fill('50');
  await page.keyboard.press('Enter');
  await list.getByRole('button', { name: 'Move border 2: arrow keys, or drag' }).press('ArrowDown');
  // What was on top is now the lower one.
  await list.getByRole('group', { name: 'Border 1' }).getByRole('button', { name: /^Border 1/ }).first().click(); // prettier-ignore
  await expect(list.getByRole('group', { name: 'Border 1' }).getByRole('textbox', { name: 'Strength' })).toHaveValue('50'); // prettier-ignore
  await list.getByRole('button', { name: 'Border 1 shown' }).click();
  await expect(page.getByRole('button', { name: 'Border 1 shown' }).first()).toHaveAttribute('aria-pressed', 'false');
  await list.getByRole('button', { name: 'Lock border 1' }).click();
  await expect(list.getByRole('group', { name: 'Border 1' }).getByRole('textbox', { name: 'Strength' })).toBeDisabled();
  await expect(list.getByRole('button', { name: 'Remove border 1' })).toHaveCount(0);
  await list.getByRole('button', { name: 'Lock border 1' }).click();
  await list.getByRole('group', { name: 'Border 1' }).getByRole('button', { name: 'All of it' }).click();
  await expect(page.getByRole('button', { name: 'Borders', exact: true })).toBeFocused();
  await list.getByRole('button', { name: /^Caption 1/ }).first().click(); // prettier-ignore
  await list.getByRole('group', { name: 'Caption 1' }).getByRole('button', { name: 'All of it' }).click();
  await expect(page.getByRole('button', { name: 'Captions', exact: true })).toBeFocused();
  await expect(page.getByRole('textbox', { name: 'Text' })).toHaveValue('{photo}');
  await list.getByRole('button', { name: /^Photo/ }).click();
  await expect(page.getByRole('button', { name: 'Colours', exact: true })).toBeFocused();
}); // prettier-ignore

test('on the stage a drag moves the shape with its photos, the shape alone, or the photos alone', async ({ page }) => {
  await batchOf(page, 'Moved', [await gradientPhoto('soft.png', 'many')]);
  await page.getByRole('radio', { name: 'stage', exact: true }).click();
  await expect(page.locator('.stage-cutout[data-painted]')).toBeVisible();
  const outline = page.getByRole('button', { name: 'Shape: drag it, or move it with the arrow keys' });
  const template = async () => {
    await expect(page.getByRole('status').first()).toHaveText('saved');
    const id = /batches\/(\d+)/.exec(page.url())![1];
    const { template: own } = (await (await page.request.get(`/api/batches/${id}`)).json()) as { template: { shape: { box: { cx: number } }; centring: { at: readonly number[] } } }; // prettier-ignore
    return { cx: own.shape.box.cx, at: own.centring.at[0]! };
  };
  const drag = page.getByRole('radiogroup', { name: 'Drag' });
  await outline.press('ArrowRight');
  const both = await template();
  expect(both.at).toBe(0.5);
  expect(both.cx).toBeGreaterThan(540);
  await drag.getByRole('radio', { name: 'shape', exact: true }).click();
  await outline.press('ArrowLeft');
  const shape = await template();
  expect(shape.cx).toBe(540);
  expect(shape.at).toBeGreaterThan(0.5);
  await drag.getByRole('radio', { name: 'photo', exact: true }).click();
  const box = (await outline.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 30, y, { steps: 3 });
  await page.mouse.move(x - 60, y, { steps: 3 });
  await page.mouse.up();
  const photo = await template();
  expect(photo.cx).toBe(540);
  expect(photo.at).toBeLessThan(shape.at);
  // As far as the hand: a share of the shape's width.
  expect(shape.at - photo.at).toBeCloseTo(60 / box.width, 1);
  await step(page, 'Template').click();
});

/** Drags one thing onto another by hand. */
async function dragOnto(page: Page, from: Locator, to: Locator) {
  const [a, b] = [(await from.boundingBox())!, (await to.boundingBox())!];
  const middle = ({ x, y, width, height }: typeof a) => [x + width / 2, y + height / 2] as const;
  await page.mouse.move(...middle(a));
  await page.mouse.down();
  await page.mouse.move(a.x + 10, a.y + 10, { steps: 2 });
  await page.mouse.move(...middle(b), { steps: 4 });
  await page.mouse.up();
}

test('layers are put into another order by hand, copied, and made as new again', async ({ page }) => {
  await batchOf(page, 'By hand', [await flatPhoto('blue.png', '#2255aa', 700, 700)]);
  await add(page, /^Borders/, 'Add a border');
  const border = (i: number) => page.getByRole('group', { name: `Border ${i}` });
  const width = (i: number) => border(i).getByRole('textbox', { name: 'Width' });
  await width(1).fill('33');
  await page.keyboard.press('Enter');
  await border(1).getByRole('button', { name: 'Copy border 1' }).click();
  await expect(width(2)).toHaveValue('33');
  await border(2).getByRole('button', { name: 'Reset border 2' }).click();
  await expect(width(2)).toHaveValue('16');
  await page.getByRole('button', { name: 'Layers 2' }).click();
  const list = layers(page);
  await expect(list.getByRole('group', { name: 'Border 1' })).toContainText('33 px');
  await dragOnto(
    page,
    list.getByRole('button', { name: 'Move border 1: arrow keys, or drag' }),
    list.getByRole('button', { name: 'Move border 2: arrow keys, or drag' }),
  );
  await expect(list.getByRole('group', { name: 'Border 2' })).toContainText('33 px');
  await expect(list.getByRole('group', { name: 'Border 1' })).toContainText('16 px');
});

test('on the stage a caption is moved by hand and by keys, and the backdrop’s gradient turned', async ({ page }) => {
  await batchOf(page, 'Caption', [await flatPhoto('blue.png', '#2255aa', 700, 700)]);
  await page.getByRole('radio', { name: 'stage', exact: true }).click();
  await expect(page.locator('.stage-cutout[data-painted]')).toBeVisible();
  await add(page, /^Captions/, 'Add a caption');
  const caption = page.getByRole('group', { name: 'Caption 1' });
  const [across, down] = ['Across', 'Down'].map((name) => caption.getByRole('textbox', { name }));
  await expect(across!).toHaveValue('540');
  const place = page.getByRole('button', { name: /^Place of the caption, Caption 1/ });
  await place.press('ArrowRight');
  await expect(across!).toHaveValue('541');
  const [box, frame] = [(await place.boundingBox())!, (await page.locator('.stage-edge').boundingBox())!];
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 40, y - 60, { steps: 4 });
  await page.mouse.up();
  const unit = 1080 / frame.width;
  const moved = Number(await across!.inputValue());
  expect(Math.abs(moved - (541 - 40 * unit))).toBeLessThan(3 * unit);
  expect(Number(await down!.inputValue())).toBeLessThan(1040 - 50 * unit);
  await page.getByRole('button', { name: 'Lock caption 1' }).click();
  await expect(place).toHaveCount(0);
  await page.getByRole('button', { name: /^Backdrop/ }).click();
  await page.getByRole('radio', { name: 'painted', exact: true }).click();
  const paint = page.getByLabel('Paint', { exact: true }).last();
  await paint.selectOption('linear gradient');
  await paint.focus();
  const direction = page.getByRole('button', { name: /^Direction of the gradient, Backdrop/ });
  await expect(direction).toBeVisible();
  const before = await page.getByRole('textbox', { name: 'Direction' }).inputValue();
  await direction.press('Shift+ArrowRight');
  await expect(page.getByRole('textbox', { name: 'Direction' })).not.toHaveValue(before);
});

test('a lens on another photo, moved and made larger, goes out flat as JPEG and as a file of layers', async ({ page }) => {
  const photos = [await gradientPhoto('soft.png', 'grey'), await flatPhoto('gold.png', '#e0b040', 900, 900)];
  await batchOf(page, 'Lens', photos);
  await page.getByRole('radio', { name: 'around it', exact: true }).click();
  await add(page, /^Backdrop/, 'Add a photo, picture or paint behind');
  await page.getByRole('group', { name: 'Photo again 1' }).getByRole('radio', { name: 'picture', exact: true }).click();
  await page.getByRole('button', { name: /No picture yet/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Choose a picture' });
  await dialog.getByText('Photos of this batch').click();
  await dialog.getByRole('button', { name: /gold\.png/ }).click();
  await expect(dialog).toHaveCount(0);
  const picture = page.getByRole('group', { name: 'Picture 1' });
  await picture.getByRole('radio', { name: 'in a box', exact: true }).click();
  for (const [name, value] of [['Width', '700'], ['Height', '700'], ['Across', '600'], ['Down', '560']] as const) { // prettier-ignore
    await picture.getByRole('textbox', { name }).fill(value);
    await page.keyboard.press('Enter');
  }
  await step(page, 'Export').click();
  const format = page.getByLabel('Format').first();
  await format.selectOption('jpeg');
  await expect(page.getByRole('status').first()).toHaveText('saved');
  const jpeg = sharp((await exported(page)).get('soft-tile.jpg'));
  const { data, info } = await jpeg.raw().toBuffer({ resolveWithObject: true });
  const at = (x: number, y: number) => [...data.subarray((y * info.width + x) * info.channels).subarray(0, 3)];
  // Within the hole the other photo; in the hole beyond its box the matte; around it the photo itself.
  at(600, 560).forEach((v, c) => expect(Math.abs(v - [0xe0, 0xb0, 0x40][c]!)).toBeLessThanOrEqual(6));
  at(110, 540).forEach((v) => expect(v).toBeGreaterThan(249));
  const [r, g, b] = at(20, 20);
  expect(Math.max(r!, g!, b!) - Math.min(r!, g!, b!)).toBeLessThanOrEqual(6);
  await format.selectOption('ora');
  await expect(page.getByRole('status').first()).toHaveText('saved');
  const layered = await unzip((await exported(page)).get('soft-tile.ora')!);
  const xml = layered.get('stack.xml')!.toString();
  expect([...xml.matchAll(/name="([^"]+)"/g)].map(([, name]) => name)).toEqual(['Photo', 'Ground']);
  const merged = PNG.sync.read(layered.get('mergedimage.png')!);
  expect([...merged.data.subarray((560 * 1080 + 600) * 4, (560 * 1080 + 600) * 4 + 4)]).toEqual([0xe0, 0xb0, 0x40, 255]); // prettier-ignore
  expect(merged.data[(540 * 1080 + 110) * 4 + 3]).toBe(0);
}); // prettier-ignore
