/** Photos around windows, and what is seen behind them. */
import { PNG } from 'pngjs';
import { batchOf, cutouts, painted, step } from './bench-page';
import { compare, exported, previewAndExport } from './exports';
import { gradientPhoto } from './photos';
import { expect, test } from './test';

test('a lens: the photo around a round hole, itself sharp and twice as large in it; one click turns it round', async ({
  page,
}) => {
  const [preview, made] = await previewAndExport(page, await gradientPhoto('soft.png', 'grey'), async () => {
    await page.getByRole('radio', { name: 'around it', exact: true }).click();
    await page.getByRole('button', { name: /^Backdrop/ }).click();
    await page.getByRole('button', { name: 'Add the photo or a paint behind' }).click();
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
