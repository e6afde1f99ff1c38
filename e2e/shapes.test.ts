import { expect, test } from './test';
import { batchOf, step } from './bench-page';
import { compare, previewAndExport } from './exports';
import { exportedAlpha, pick, saved, type } from './shape-steps';
import { flatPhoto, gradientPhoto } from './photos';

test('a hexagon with rounded corners by typing 110 mm, in a batch’s export', async ({ page }) => {
  await batchOf(page, 'Hexagon', [await flatPhoto('blue.png', '#2255aa', 1700, 1700)]);
  await step(page, 'Template').click();
  await pick(page, 'Hexagon');
  await page.getByRole('button', { name: /^Frame/ }).click();
  const frame = page.locator('section', { hasText: 'Unit' });
  await frame.getByRole('radio', { name: 'mm' }).click();
  await frame.getByLabel('Resolution').fill('300');
  await frame.getByLabel('Width').fill('120');
  await type(page, 'Height', '120', frame);
  await type(page, 'Size', '11 cm');
  await expect(page.locator('.side').getByLabel('Size', { exact: true })).toHaveValue('110');
  await type(page, 'Rounding', '1 in / 2');
  await expect(page.locator('.side').getByLabel('Rounding', { exact: true })).toHaveValue('12.7');
  await saved(page);
  await step(page, 'Export').click();
  const output = page.getByRole('group', { name: 'Output tile' });
  await output.getByLabel('Size').selectOption('in pixels');
  await output.getByLabel('Width').fill('1200');
  await page.keyboard.press('Enter');
  const { area, width, height } = await exportedAlpha(page);
  expect([width, height]).toEqual([1200, 1200]);
  // Area of a hexagon with corners on a circle of 55 mm, less r²(n·tan(π/n) − π); 10 px are a millimetre.
  const mm2 = 3 * 55 ** 2 * Math.sin(Math.PI / 3) - 12.7 ** 2 * (6 * Math.tan(Math.PI / 6) - Math.PI);
  expect(Math.abs(area / (mm2 * 100) - 1)).toBeLessThan(2e-4);
});

test('two shapes combined: a heart with a star cut out, and turned on again', async ({ page }) => {
  await batchOf(page, 'Combined', [await flatPhoto('red.png', '#aa2233', 1300, 1300)]);
  await step(page, 'Template').click();
  await pick(page, 'Heart');
  await page.getByRole('button', { name: 'Combine with others' }).click();
  await page.getByRole('button', { name: 'Add a part…' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Star', exact: true }).click();
  await page.getByRole('group', { name: 'Part 2, Star' }).getByRole('radio', { name: 'cut out' }).click();
  await saved(page);
  const first = await exportedAlpha(page);
  expect([first.alpha(540, 540), first.alpha(540, 900), first.alpha(10, 10)]).toEqual([0, 255, 0]);
  await step(page, 'Template').click();
  await page.getByRole('button', { name: 'Turn Star off' }).click();
  await saved(page);
  const second = await exportedAlpha(page);
  expect(second.alpha(540, 540)).toBe(255);
  expect(second.area).toBeGreaterThan(first.area + 40_000);
});

test('an SVG is brought in, refused with a sentence where it is not harmless, and used in an export', async ({
  page,
}) => {
  await batchOf(page, 'Own logo', [await flatPhoto('green.png', '#227744', 1300, 1300)]);
  await step(page, 'Template').click();
  await page.getByRole('button', { name: /Choose another/ }).click();
  const dialog = page.getByRole('dialog');
  const file = (name: string, inner: string) => ({
    name,
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 20">${inner}</svg>`),
  });
  await dialog
    .getByLabel('SVG to bring in')
    .setInputFiles(file('bad.svg', '<script>alert(1)</script><rect width="9" height="9"/>'));
  await expect(dialog.getByRole('alert')).toContainText('bad.svg: The file holds a script.');
  const panel = '<path fill-rule="evenodd" d="M0 0H40V20H0ZM15 5H25V15H15Z"/>';
  await dialog.getByLabel('SVG to bring in').setInputFiles(file('logo.svg', panel));
  await expect(dialog).toBeHidden();
  await expect(page.getByRole('button', { name: /^Drawn outline/ })).toBeVisible();
  await saved(page);
  const { alpha } = await exportedAlpha(page);
  // Twice as wide as high, in the room of the circle: 960 × 480 around the middle, with its hole.
  expect([alpha(70, 310), alpha(1010, 770), alpha(540, 540), alpha(540, 290)]).toEqual([255, 255, 0, 0]);
});

test('letters in a shipped font are a shape, and a letter the font lacks is named', async ({ page }) => {
  await batchOf(page, 'Letters', [await flatPhoto('gold.png', '#bb8822', 1300, 1300)]);
  await step(page, 'Template').click();
  await page.getByRole('button', { name: /Choose another/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Letters', { exact: true }).fill('壺');
  await dialog.getByRole('button', { name: 'Set letters' }).click();
  await expect(dialog.getByRole('alert')).toContainText('The font has no letter 壺.');
  await dialog.getByLabel('Letters', { exact: true }).fill('POT');
  await dialog.getByRole('button', { name: 'Set letters' }).click();
  await expect(page.getByRole('button', { name: /^Letters: POT/ })).toBeVisible();
  await saved(page);
  const { area, alpha } = await exportedAlpha(page);
  // The frame's middle lies in the counter of the O; its rim is a thick slab.
  expect(alpha(540, 540)).toBe(0);
  expect(area).toBeGreaterThan(100_000);
});

test('rounded, turned and combined outlines have the same bytes of alpha in the browser’s worker and in Node', async ({
  page,
}) => {
  const photo = await gradientPhoto('soft.png', 'grey');
  const pair = await previewAndExport(page, photo, async () => {
    await pick(page, 'Star');
    await type(page, 'Turned', '17.3');
    await type(page, 'Rounding', '23');
    await page.getByRole('button', { name: 'Combine with others' }).click();
    await page.getByRole('button', { name: 'Add a part…' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Scalloped seal', exact: true }).click();
    await page.getByRole('button', { name: 'Add a shadow' }).click();
  });
  const { alphaDiffers, opaque, beyond } = compare(...pair);
  expect(opaque).toBeGreaterThan(150_000);
  expect([alphaDiffers, beyond(2)]).toEqual([0, 0]);
});

test('letters in a font of one’s own: its file is read here, and the outline stays with the template', async ({
  page,
}) => {
  await batchOf(page, 'Own font', [await flatPhoto('gold.png', '#bb8822', 1300, 1300)]);
  await step(page, 'Template').click();
  await page.getByRole('button', { name: /Choose another/ }).click();
  const dialog = page.getByRole('dialog');
  const file = dialog.getByLabel('Font to bring in');
  await file.setInputFiles({ name: 'broken.ttf', mimeType: 'font/ttf', buffer: Buffer.from('no font at all') });
  await expect(dialog.getByRole('alert')).toContainText('The font can’t be read.');
  await file.setInputFiles('node_modules/@fontsource/lobster/files/lobster-latin-400-normal.woff2');
  await expect(dialog.getByRole('combobox', { name: 'Font' })).toHaveValue(/^Lobster/);
  await dialog.getByLabel('Letters', { exact: true }).fill('Ж');
  await dialog.getByRole('button', { name: 'Set letters' }).click();
  await expect(dialog.getByRole('alert')).toContainText('The font has no letter Ж.');
  await dialog.getByLabel('Letters', { exact: true }).fill('Jug');
  await dialog.getByRole('button', { name: 'Set letters' }).click();
  await expect(page.getByRole('button', { name: /^Letters: Jug/ })).toBeVisible();
  await saved(page);
  const { area } = await exportedAlpha(page);
  expect(area).toBeGreaterThan(50_000);
});
