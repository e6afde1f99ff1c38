/** All layers of a template in one list; how they are mixed; what a drag on the stage moves. */
import { batchOf, step } from './bench-page';
import { compare, previewAndExport } from './exports';
import { flatPhoto, gradientPhoto } from './photos';
import { expect, test, type Page } from './test';

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
