/** Several photos in one cutout. */
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { batchOf, cutouts, painted, step } from './bench-page';
import { compare, exported, keepDrawn, lastDrawn, pictureNames } from './exports';
import { flatPhoto, gradientPhoto, type Upload } from './photos';
import { expect, test } from './test';

const COLOURS = { front: '#cc2200', side: '#2244cc', detail: '#118833' } as const;

test('six product photos by their names in a sheet of three shapes, one of them moved on the stage', async ({
  page,
}) => {
  const names = ['mug', 'jug'].flatMap((product) => Object.keys(COLOURS).map((side) => [product, side] as const));
  const photos = await Promise.all(names.map(([product, side], i) => flatPhoto(`${product}-${side}.png`, COLOURS[side as keyof typeof COLOURS], 900 + i))); // prettier-ignore
  await batchOf(page, 'Sheets', photos);
  await page.getByRole('button', { name: /^Slots/ }).click();
  await page.getByRole('button', { name: '3 photos' }).click();
  await expect(cutouts(page)).toHaveCount(2);
  await page.getByRole('radiogroup', { name: 'Filled by' }).getByRole('radio', { name: 'name', exact: true }).click();
  // Not one of the names fits yet.
  await expect(cutouts(page)).toHaveCount(6);
  await expect(step(page, 'Check')).toContainText('6 to look at');
  for (const [i, side] of Object.keys(COLOURS).entries()) {
    await page
      .getByRole('group', { name: 'Slots' })
      .getByRole('button', { name: `${i + 1}`, exact: true })
      .click();
    await page.getByRole('textbox', { name: 'Name', exact: true }).fill(side);
    await page.keyboard.press('Enter');
  }
  await expect(cutouts(page)).toHaveCount(2);
  await expect(cutouts(page).first()).toHaveAccessibleName(/^jug/);

  await page.getByRole('radio', { name: 'row', exact: true }).click();
  await page.getByRole('button', { name: 'Lay out as a row' }).click();
  await page.getByRole('radio', { name: 'stage', exact: true }).click();
  await page.getByRole('button', { name: 'Take slot side in hand' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('group', { name: 'Slots' }).getByRole('button', { name: 'side' })).toHaveAttribute('aria-pressed', 'true'); // prettier-ignore
  const across = page.getByRole('textbox', { name: 'Across', exact: true }).first();
  const before = Number(await across.inputValue());
  await page.getByRole('button', { name: 'Shape: drag it, or move it with the arrow keys' }).focus();
  await page.keyboard.press('Shift+ArrowDown');
  await expect(across).toHaveValue(String(before));
  await page.getByRole('radio', { name: 'each', exact: true }).click();
  await painted(page);
  await expect(page.getByRole('status').first()).toHaveText('saved');

  const files = await exported(page);
  expect(pictureNames(files)).toEqual(['jug-tile.png', 'mug-tile.png']);
  const { data, width } = PNG.sync.read(files.get('mug-tile.png')!);
  const at = (x: number, y: number) => `#${data.subarray((y * width + x) * 4, (y * width + x) * 4 + 3).toString('hex')}`; // prettier-ignore
  // Three circles of 320 side by side, 40 apart, the middle one ten lower.
  expect([200, 540, 880].map((x) => at(x, 540))).toEqual(Object.values(COLOURS));
  const top = (x: number) =>
    Array.from({ length: 1080 }, (_, y) => data[(y * width + x) * 4 + 3]!).findIndex((a) => a > 127);
  expect(top(540) - top(200)).toBe(10);
});

test('a group with a missing photo is told, filled by what stands in, or not made', async ({ page }) => {
  const photos = await Promise.all(
    ['a-1', 'a-2', 'b-1'].map((name, i) => flatPhoto(`${name}.png`, '#446688', 900 + i)),
  );
  await batchOf(page, 'Missing', photos);
  await page.getByRole('button', { name: /^Slots/ }).click();
  await page.getByRole('button', { name: '2 photos' }).click();
  await expect(cutouts(page)).toHaveCount(2);
  await page.getByRole('radiogroup', { name: 'Filled by' }).getByRole('radio', { name: 'name', exact: true }).click();
  await expect(cutouts(page).nth(1)).toHaveAccessibleName(/^b, no photo for 2/);
  await expect(page.getByText('2 × 1 output')).toBeVisible();
  await page.getByLabel('If missing').selectOption('the cutout is not made');
  await expect(page.getByText('1 × 1 output')).toBeVisible();
  await expect(cutouts(page).nth(1)).toHaveAccessibleName(/the cutout is not made/);
  await page.getByLabel('If missing').selectOption('the group’s first photo');
  await expect(page.getByText('2 × 1 output')).toBeVisible();
  // Back to one photo a cutout, and undone.
  await page.getByRole('button', { name: 'Back to one photo' }).click();
  await expect(cutouts(page)).toHaveCount(3);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(cutouts(page)).toHaveCount(2);
});

/** Six slots with all that a slot may have, and eight layers. */
function richSheet(picture: string) {
  const box = (i: number) => ({ cx: 190 + 350 * (i % 3), cy: 280 + 440 * Math.floor(i / 3), width: 300, height: 300, angle: i * 7 }); // prettier-ignore
  const slots = ['circle', 'polygon', 'star', 'heart', 'rectangle', 'seal'].map((kind, i) => ({
    name: `s${i}`,
    shape: { kind, box: box(i) },
    edge: i % 2 ? { feather: 20 } : { rounding: 8 },
    centring: { rule: 'middle', gap: 'extend' },
    filters: i === 2 ? { sepia: 0.7 } : {},
    tints: i === 3 ? [{ paint: { kind: 'contour', depth: 90, stops: [[0, '#102030'], [1, '#10203000']] } }] : [], // prettier-ignore
    borders: [{ width: 8 + i, align: i % 2 ? 'outside' : 'inside', paint: i === 4 ? { kind: 'picked', from: 'photo' } : '#24594f' }], // prettier-ignore
    shadows: [{ x: 3, y: 8, blur: 18, opacity: 0.4 }],
    reflection: i === 5 ? { gap: 4, length: 0.3, opacity: 0.4 } : null,
  }));
  const place = (cx: number, cy: number, width: number, height: number) => ({ kind: 'rectangle', box: { cx, cy, width, height } }); // prettier-ignore
  return {
    wobrel: 1,
    name: 'Rich sheet',
    slots,
    backdrop: { kind: 'linear', angle: 30, stops: [[0, '#f4efe6'], [1, '#c9d6d2']] }, // prettier-ignore
    behind: [
      { show: 'picture', picture, opacity: 0.3 },
      { show: 'paint', paint: '#ffffff80', shape: place(540, 500, 1000, 300) },
      {
        show: 'paint',
        paint: '#24594f30',
        blend: 'multiply',
        shape: { kind: 'circle', box: { cx: 540, cy: 500, width: 700, height: 700 } },
      },
      { show: 'picture', picture, place: { corners: [[20, 20], [300, 60], [280, 260], [40, 240]] }, tint: { paint: '#2050a0', blend: 'hue', opacity: 0.6 } }, // prettier-ignore
    ],
    before: [
      { show: 'picture', picture, place: { cx: 940, cy: 940, width: 200, height: 200 }, opacity: 0.7, set: 'Foot' },
      { show: 'paint', paint: '#b5622bcc', shape: place(540, 1020, 1080, 90), set: 'Foot', blend: 'screen' },
      { show: 'hole', through: 'all', shape: { kind: 'circle', box: { cx: 540, cy: 500, width: 90, height: 90 } } },
      { show: 'paint', paint: '#ffffff', blend: 'difference', shape: { kind: 'star', box: { cx: 60, cy: 60, width: 70, height: 70 } } }, // prettier-ignore
    ],
    sets: [{ name: 'Foot', opacity: 0.9 }],
    captions: [{ text: '{photo}', at: [540, 1035], anchor: 'middle', paint: '#ffffff' }],
  };
}

test('with six slots and eight layers the export is what the preview shows, and its alpha is the same for other photos', async ({
  page,
}) => {
  await keepDrawn(page);
  const sizes = [[1800, 1200], [1200, 1800], [1500, 1500], [2000, 1100], [1600, 1200], [1300, 1900]] as const; // prettier-ignore
  const photos: Upload[] = [];
  for (const group of ['many', 'grey'] as const)
    for (const [i, [w, h]] of sizes.entries()) photos.push(await gradientPhoto(`${group}${i}.png`, group, w, h + i));
  const mark = await sharp({ create: { width: 60, height: 60, channels: 4, background: '#d04010c0' } }).png().toBuffer(); // prettier-ignore
  const kept = await page.request.post('/api/pictures', { multipart: { picture: { name: 'mark.png', mimeType: 'image/png', buffer: mark } } }); // prettier-ignore
  const { sha256 } = (await kept.json()) as { sha256: string };
  await batchOf(page, 'Rich', photos);
  const id = Number(/batches\/(\d+)/.exec(page.url())![1]);
  const answer = await page.request.put(`/api/batches/${id}/draft`, { data: { template: richSheet(sha256), revision: 0 } }); // prettier-ignore
  expect(await answer.json()).toEqual({ revision: 1 });
  await page.reload();
  await expect(cutouts(page)).toHaveCount(2);
  await painted(page);
  await cutouts(page).nth(1).dblclick();
  await expect(page.getByRole('dialog')).toContainText('cutout 1080 × ');
  await page.keyboard.press('t');
  const preview = await lastDrawn(page, 1080);
  await page.keyboard.press('Escape');
  const files = await exported(page);
  const [grey, many] = ['grey0', 'many0'].map((name) => PNG.sync.read(files.get(`${name}-tile.png`)!).data);
  const { alphaDiffers, beyond } = compare(preview, many!);
  expect(alphaDiffers).toBe(0);
  expect(beyond(4)).toBe(0);
  expect(compare(grey!, many!).alphaDiffers).toBe(0);
  // The hole through all is clear.
  expect(many![(500 * 1080 + 540) * 4 + 3]).toBe(0);
});
