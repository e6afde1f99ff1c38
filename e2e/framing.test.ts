/** Bands with texture, relief and echoes, bent by hand, over a batch; ready framings and those that are kept. */
import { readFile } from 'node:fs/promises';
import { build } from 'esbuild';
import { PNG } from 'pngjs';
import { framingSvg } from '../src/core/export';
import { compile, withoutPhotos } from '../src/core/plate';
import { parseTemplate } from '../src/core/template';
import { batchOf, painted } from './bench-page';
import { compare, exported, pictureNames, previewAndExport } from './exports';
import { gradientPhoto } from './photos';
import { pick, saved, type } from './shape-steps';
import { expect, test, type Page } from './test';

const section = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}`) });

/** A wide brushed band with a round relief, a shadow of its own and five echoes. */
async function wideBand(page: Page): Promise<void> {
  const border = page.getByRole('group', { name: 'Border 1' });
  await page.getByRole('button', { name: 'Add a border' }).click();
  await type(page, 'Width', '110', border);
  await border.getByLabel('Paint').selectOption('texture');
  await expect(border.getByLabel('Texture')).toHaveValue('brushed');
  await border.getByRole('button', { name: 'another' }).click();
  await expect(border.getByRole('textbox', { name: 'Seed' })).toHaveValue('2');
  await border.getByRole('button', { name: 'relief', exact: true }).click();
  const relief = border.getByRole('group', { name: 'Relief' });
  await type(page, 'Height', '40', relief);
  await border.getByRole('button', { name: 'shadow on the photo', exact: true }).click();
  await border.getByRole('button', { name: 'echoes', exact: true }).click();
  const echoes = border.getByRole('group', { name: 'Echoes' });
  await type(page, 'How many', '5', echoes);
  await type(page, 'Turned by', '3', echoes);
  await type(page, 'Each as large', '0.9', echoes);
  await expect(border.getByRole('button', { name: /^Relief round, 40 px/ })).toBeVisible();
}

/** Two pins on the stage: one holds, the other is dragged. */
async function bentByTwoPins(page: Page, what?: string): Promise<void> {
  await page.getByRole('radio', { name: 'stage', exact: true }).click();
  await expect(page.locator('.stage-cutout[data-painted]')).toBeVisible();
  await page.getByRole('radio', { name: 'bend', exact: true }).click();
  if (what) await page.getByLabel('What is bent').selectOption(what);
  await page.getByRole('button', { name: 'Add a pin' }).click();
  const { x, y, width, height } = (await page.locator('.stage-edge').boundingBox())!;
  await page.mouse.click(x + width * 0.5, y + height * 0.85);
  const second = page.getByRole('button', { name: /^Pin 2:/ });
  await second.hover();
  await page.mouse.down();
  await page.mouse.move(x + width * 0.6, y + height * 0.88, { steps: 4 });
  await page.mouse.up();
  await page.getByRole('radio', { name: 'each', exact: true }).click();
  await expect(section(page, 'Edge')).toBeVisible();
}

test('a diamond’s wide brushed band with relief, a shadow and five echoes, bent by two pins, over a batch', async ({
  page,
}) => {
  test.slow();
  const photos = await Promise.all((['many', 'grey'] as const).map((kind) => gradientPhoto(`${kind}.png`, kind)));
  await batchOf(page, 'Framed', photos);
  await pick(page, 'Diamond');
  await wideBand(page);
  await bentByTwoPins(page);
  await expect(page.getByText('Bent by 2 pins')).toBeVisible();
  await painted(page);
  await saved(page);
  const files = await exported(page);
  const names = pictureNames(files).filter((name) => name.endsWith('-tile.png'));
  expect(names).toHaveLength(2);
  const [one, other] = names.map((name) => PNG.sync.read(files.get(name)!)) as unknown as [PNG, PNG];
  const alpha = (png: PNG) => Buffer.from(png.data.filter((_, i) => i % 4 === 3));
  expect(alpha(one).equals(alpha(other))).toBe(true);
  const at = (png: PNG, px: number, py: number) => [...png.data.subarray((py * png.width + px) * 4, (py * png.width + px) * 4 + 4)]; // prettier-ignore
  // The diamond's lower point was pulled to the right; its upper one stayed.
  const row = (png: PNG, py: number) => Array.from({ length: png.width }, (_, px) => at(png, px, py)[3]!).flatMap((v, px) => (v > 127 ? [px] : [])); // prettier-ignore
  const middleOf = (pixels: readonly number[]) => (pixels[0]! + pixels.at(-1)!) / 2;
  expect(Math.abs(middleOf(row(one, 75)) - 540)).toBeLessThan(40);
  const lowest = Array.from({ length: one.height }, (_, py) => row(one, py)).findLast((pixels) => pixels.length > 0)!;
  expect(middleOf(lowest)).toBeGreaterThan(590);
  // The band is the same on both, and is brushed: neighbours differ. The photos are not.
  const alike = Array.from({ length: 200 }, (_, i) => [at(one, 540, 90 + i), at(other, 540, 90 + i)] as const);
  expect(alike.slice(0, 60).every(([a, b]) => a.every((v, c) => v === b[c]))).toBe(true);
  expect(new Set(alike.slice(0, 60).map(([a]) => a.join())).size).toBeGreaterThan(30);
  expect(at(one, 540, 540)).not.toEqual(at(other, 540, 540));
});

test('a framing with everything is drawn alike in the preview and in the file', async ({ page }) => {
  test.slow();
  const [preview, made] = await previewAndExport(page, await gradientPhoto('soft.png', 'many'), async () => {
    await section(page, 'Framing').click();
    await page.getByRole('button', { name: 'Passe-partout' }).click();
    await page.getByRole('button', { name: 'relief', exact: true }).first().click();
    await bentByTwoPins(page, 'border 2 alone');
    await expect(page.getByText('Bent by 2 pins')).toHaveCount(0);
    await expect(page.getByRole('group', { name: 'Border 2' }).getByText(/, bent/)).toBeVisible();
  });
  const { alphaDiffers, beyond, opaque } = compare(preview, made);
  expect(alphaDiffers).toBe(0);
  expect(opaque).toBeGreaterThan(500_000);
  expect(beyond(4)).toBe(0);
});

test('a framing is kept by name, put on another shape, taken out; alone it is one file, and vectors where it can be', async ({
  page,
}) => {
  await batchOf(page, 'Kept', [await gradientPhoto('soft.png', 'many')]);
  await page.getByRole('button', { name: 'Add a border' }).click();
  await section(page, 'Framing').click();
  await page.getByRole('button', { name: 'Keep this framing' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('Plain green');
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('button', { name: 'Plain green', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Oak' }).click();
  await expect(page.getByText('No vectors of it: relief.')).toBeVisible();
  await pick(page, 'Heart');
  await page.getByRole('button', { name: 'Plain green', exact: true }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.locator('.section', { hasText: 'Keep this framing' }).getByRole('button', { name: 'Save as SVG' }).click(),
  ]);
  expect(await readFile(await download.path(), 'utf8')).toContain('fill="rgb(47 111 94)"');
  await page.getByRole('button', { name: 'Delete Plain green' }).click();
  await page.getByRole('alertdialog').getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByRole('button', { name: 'Plain green', exact: true })).toHaveCount(0);
  await page.locator('.step', { hasText: 'Export' }).click();
  await page.getByRole('radio', { name: 'framing alone' }).click();
  await saved(page);
  const files = await exported(page);
  const [name] = pictureNames(files);
  const { data, width } = PNG.sync.read(files.get(name!)!);
  expect(data[(540 * width + 540) * 4 + 3]).toBe(0);
  expect(data.some((v, i) => i % 4 === 3 && v === 255)).toBe(true);
});

test('a framing’s vectors drawn by Chromium are the framing as it is compiled, within its own shares of rims', async ({
  page,
}) => {
  const SIZE = 300;
  const cases = [
    { shape: { kind: 'polygon' }, borders: [{ width: 12, paint: '#24594f' }, { width: 6, align: 'outside', gap: 5, paint: '#c0402080' }] }, // prettier-ignore
    { borders: [{ width: 30, paint: '#333', rough: { kind: 'torn', amount: 6, size: 50, rim: 'both' } }] },
    { shape: { kind: 'star' }, borders: [{ width: 8, paint: '#ff8800', echo: { count: 4, scale: 1.06, angle: 5, keeps: 0.8, into: '#0033aa', lies: 'behind' } }, { width: 4, gap: 20, paint: '#000', echo: { count: 2, scale: 0.8, angle: 10 } }] }, // prettier-ignore
    { mat: { top: 20, left: 10 }, edge: { pins: [{ from: [0, 0], to: [0.1, 0.1] }, { from: [1, 1], to: [1, 1] }] }, borders: [{ width: 14, paint: '#123' }] }, // prettier-ignore
  ];
  for (const fields of cases) {
    const template = parseTemplate({ wobrel: 1, name: 'V', frame: { width: SIZE, height: SIZE }, outputs: [{ width: SIZE }], ...fields }); // prettier-ignore
    const width = SIZE + template.mat.left;
    const { blank, height } = withoutPhotos(compile(template, width, null, 'alone'));
    await page.setContent(`<body style="margin:0">${framingSvg(template)!}`);
    const shot = PNG.sync.read(await page.screenshot({ omitBackground: true, clip: { x: 0, y: 0, width, height } }));
    let [sum, worst, colours] = [0, 0, 0];
    for (let k = 3; k < blank.length; k += 4) {
      const off = Math.abs(shot.data[k]! - blank[k]!);
      sum += off;
      worst = Math.max(worst, off);
      if (shot.data[k] === 255 && blank[k] === 255)
        for (let c = 1; c < 4; c++) colours = Math.max(colours, Math.abs(shot.data[k - c]! - blank[k - c]!));
    }
    expect(sum / (blank.length / 4)).toBeLessThan(0.8);
    expect(worst).toBeLessThanOrEqual(64);
    expect(colours).toBeLessThanOrEqual(32);
  }
});

test('textures are the same bytes in Chromium as in Node', async ({ page }) => {
  const { outputFiles } = await build({
    stdin: {
      contents: `
        import { TEXTURES } from './src/core/texture/registry';
        import { textureSchema } from './src/core/texture/schema';
        import { tileFor } from './src/core/texture/texture';
        window.tiles = Object.keys(TEXTURES).map((kind) => [kind, tileFor({ of: textureSchema.parse({ kind }), seed: 42 }).values]);`,
      resolveDir: process.cwd(),
      loader: 'ts',
    },
    bundle: true,
    write: false,
    format: 'iife',
  });
  // Sums are worked out where the page is secure, which an empty one is not.
  await page.goto('/help');
  await page.addScriptTag({ content: outputFiles[0]!.text }).catch(() => page.evaluate(outputFiles[0]!.text));
  const sums = await page.evaluate(async () => {
    const { tiles } = window as unknown as { tiles: [string, Float32Array<ArrayBuffer>][] };
    const hex = (sum: ArrayBuffer) => [...new Uint8Array(sum)].map((v) => v.toString(16).padStart(2, '0')).join('');
    return Promise.all(tiles.map(async ([kind, values]) => [kind, hex(await crypto.subtle.digest('SHA-256', values.buffer))] as const)); // prettier-ignore
  });
  const known: unknown = JSON.parse(await readFile('src/core/texture/tiles.json', 'utf8'));
  expect(Object.fromEntries(sums)).toEqual(known);
});
