/** Filters, blend modes and gradients against Chromium's own; and all of them together in preview and export. */
import { PNG } from 'pngjs';
import {
  blendRow,
  blendSchema,
  fillPlaces,
  filtersSchema,
  matricesOf,
  mixRow,
  linePaintSchema,
  placesOf,
  RAMP_STEPS,
  rampOf,
  type AreaPaint,
} from '../src/core/paint';
import { compile, compose } from '../src/core/plate';
import { parseTemplate } from '../src/core/template';
import { seededBytes } from '../src/core/testing/photos';
import { batchOf, painted } from './bench-page';
import { compare, previewAndExport } from './exports';
import { gradientPhoto } from './photos';
import { expect, test } from './test';

const N = 64 * 64;
const bytes = seededBytes(N * 7, 5);
const opaque = Array.from({ length: N * 4 }, (_, i) => (i % 4 === 3 ? 255 : bytes[i]!));
/** Opaque: a canvas keeps what is partly clear premultiplied in 8 bits, and some modes divide by it. Partly clear ones are held against another library beside the code. */
const source = Array.from({ length: N * 4 }, (_, i) => (i % 4 === 3 ? 255 : bytes[N * 3 + i]!));

test('the 16 blend modes are Chromium’s, within 2/255', async ({ page }) => {
  await page.goto('about:blank');
  const seen = await page.evaluate(
    ([below, above, modes, n]) => {
      const canvasOf = (data: number[]) => {
        const canvas = new OffscreenCanvas(64, n / 64);
        canvas.getContext('2d')!.putImageData(new ImageData(new Uint8ClampedArray(data), 64), 0, 0);
        return canvas;
      };
      return modes.map((mode) => {
        const canvas = canvasOf(below);
        const context = canvas.getContext('2d')!;
        context.globalCompositeOperation = mode === 'normal' ? 'source-over' : (mode as GlobalCompositeOperation);
        context.drawImage(canvasOf(above), 0, 0);
        return [...context.getImageData(0, 0, 64, n / 64).data];
      });
    },
    [opaque, source, blendSchema.options as string[], N] as const,
  );
  for (const [k, mode] of blendSchema.options.entries()) {
    const picture = Float32Array.from({ length: N * 3 }, (_, i) => opaque[Math.floor(i / 3) * 4 + (i % 3)]! / 255);
    const at = Int32Array.from({ length: N }, (_, i) => i * 4);
    blendRow(mode, picture, { values: Float32Array.from(source, (v) => v / 255), at }, N);
    let worst = 0;
    for (let i = 0; i < N * 3; i++) {
      worst = Math.max(worst, Math.abs(picture[i]! * 255 - seen[k]![Math.floor(i / 3) * 4 + (i % 3)]!));
    }
    expect([mode, worst <= 2]).toEqual([mode, true]);
  }
});

test('layers and sets of layers are mixed as Chromium’s canvas mixes them, within 2/255', async ({ page }) => {
  await page.goto('about:blank');
  const colours = [
    ['#4080c0', '#d0a030', '#a02060'],
    ['#f0e8d0', '#203040', '#ff8000'],
    ['#202830', '#e0e0ff', '#40a060'],
  ] as const;
  const cases = blendSchema.options.flatMap((mode) => colours.map((three) => [mode, three] as const));
  const seen = await page.evaluate(
    (all) =>
      all.map(([mode, [ground, one, two]]) => {
        const canvasOf = () => new OffscreenCanvas(1, 1).getContext('2d', { willReadFrequently: true })!;
        const operation = (mode === 'normal' ? 'source-over' : mode) as GlobalCompositeOperation;
        const lay = (context: OffscreenCanvasRenderingContext2D, colour: string, alpha: number, how = operation) => {
          [context.globalAlpha, context.globalCompositeOperation, context.fillStyle] = [alpha, how, colour];
          context.fillRect(0, 0, 1, 1);
        };
        const [single, group, grouped] = [canvasOf(), canvasOf(), canvasOf()];
        lay(single, ground, 1, 'source-over');
        lay(single, one, 0.6);
        lay(group, one, 1, 'source-over');
        lay(group, two, 0.5);
        lay(grouped, ground, 1, 'source-over');
        [grouped.globalAlpha, grouped.globalCompositeOperation] = [0.7, operation];
        grouped.drawImage(group.canvas, 0, 0);
        return [single, grouped].map((context) => [...context.getImageData(0, 0, 1, 1).data]);
      }),
    cases,
  );
  const nothing = { data: new Uint8Array(0), window: { left: 0, top: 0, width: 0, height: 0 }, opaque: true };
  const corner = (backdrop: string, fields: object) => {
    const frame = { width: 9, height: 9 };
    // The photo's own shape is far off.
    const shape = { kind: 'circle', box: { cx: -50, cy: -50, width: 2, height: 2 } };
    const template = parseTemplate({ wobrel: 1, name: 'T', frame, shape, backdrop, ...fields });
    return [...compose(compile(template, 9), nothing).subarray(0, 4)];
  };
  for (const [k, [blend, [ground, one, two]]] of cases.entries()) {
    const paint = (colour: string, more: object) => ({ show: 'paint', paint: colour, ...more });
    const single = { before: [paint(one, { blend, opacity: 0.6 })] };
    const grouped = {
      before: [paint(one, { set: 'a' }), paint(two, { set: 'a', blend, opacity: 0.5 })],
      sets: [{ name: 'a', blend, opacity: 0.7 }],
    };
    for (const [j, fields] of [single, grouped].entries()) {
      const got = corner(ground, fields);
      const off = Math.max(...got.map((v, c) => Math.abs(v - seen[k]![j]![c]!)));
      expect([blend, ground, j, off <= 2]).toEqual([blend, ground, j, true]);
    }
  }
});

test('filters are Chromium’s, within 2/255', async ({ page }) => {
  await page.goto('about:blank');
  const cases = [
    [{ brightness: 1.4 }, 'brightness(1.4)'],
    [{ contrast: 0.6 }, 'contrast(0.6)'],
    [{ saturate: 2 }, 'saturate(2)'],
    [{ grayscale: 0.7 }, 'grayscale(0.7)'],
    [{ sepia: 0.8 }, 'sepia(0.8)'],
    [{ hueRotate: 75 }, 'hue-rotate(75deg)'],
    // A long chain drifts by what Chromium rounds after each filter.
    [{ brightness: 0.8, saturate: 0.5, sepia: 0.3 }, 'brightness(0.8) saturate(0.5) sepia(0.3)'],
  ] as const;
  const seen = await page.evaluate(
    ([data, filters, n]) =>
      filters.map((filter) => {
        const from = new OffscreenCanvas(64, n / 64);
        from.getContext('2d')!.putImageData(new ImageData(new Uint8ClampedArray(data), 64), 0, 0);
        const canvas = new OffscreenCanvas(64, n / 64);
        const context = canvas.getContext('2d')!;
        context.filter = filter;
        context.drawImage(from, 0, 0);
        return [...context.getImageData(0, 0, 64, n / 64).data];
      }),
    [opaque, cases.map(([, css]) => css as string), N] as const,
  );
  for (const [k, [fields, css]] of cases.entries()) {
    const picture = Float32Array.from({ length: N * 3 }, (_, i) => opaque[Math.floor(i / 3) * 4 + (i % 3)]! / 255);
    for (const matrix of matricesOf(filtersSchema.parse(fields))) mixRow(matrix, picture, N);
    const worst = picture.reduce((most, v, i) => Math.max(most, Math.abs(v * 255 - seen[k]![Math.floor(i / 3) * 4 + (i % 3)]!)), 0); // prettier-ignore
    expect([css, worst <= 2]).toEqual([css, true]);
  }
});

const STOPS = [[0, '#c03020'], [0.4, '#20a060'], [1, '#f0e0ff']]; // prettier-ignore
const CSS_STOPS = '#c03020 0%, #20a060 40%, #f0e0ff 100%';

test('gradients are Chromium’s, within 2/255', async ({ page }) => {
  const [width, height] = [300, 180];
  const cases = [
    [{ kind: 'linear', angle: 63 }, `linear-gradient(63deg, ${CSS_STOPS})`],
    [{ kind: 'linear' }, `linear-gradient(${CSS_STOPS})`],
    [{ kind: 'radial' }, `radial-gradient(${CSS_STOPS})`],
    [{ kind: 'radial', ending: 'circle', extent: 'closest-side', at: [0.3, 0.6] }, `radial-gradient(circle closest-side at 30% 60%, ${CSS_STOPS})`], // prettier-ignore
    [{ kind: 'radial', extent: 'closest-corner', at: [0.3, 0.6] }, `radial-gradient(closest-corner at 30% 60%, ${CSS_STOPS})`], // prettier-ignore
    [{ kind: 'conic', from: 30, at: [0.4, 0.5] }, `conic-gradient(from 30deg at 40% 50%, ${CSS_STOPS})`],
  ] as const;
  for (const [fields, css] of cases) {
    await page.setContent(`<body style="margin:0"><div style="width:${width}px;height:${height}px;background:${css}"></div>`); // prettier-ignore
    const shot = PNG.sync.read(await page.screenshot({ clip: { x: 0, y: 0, width, height } }));
    const paint = linePaintSchema.parse({ stops: STOPS, ...fields }) as Exclude<
      AreaPaint,
      string | { kind: 'contour' | 'picked' | 'texture' }
    >;
    const [places, ramp] = [placesOf(paint, { left: 0, top: 0, width, height }), rampOf(paint.stops, 1)];
    const row = new Float32Array(width);
    let beyond = 0;
    for (let y = 0; y < height; y++) {
      fillPlaces(places, 0, y, width, row);
      for (let x = 0; x < width; x++) {
        const k = Math.round(Math.min(1, Math.max(0, row[x]!)) * RAMP_STEPS) * 4;
        const far = [0, 1, 2].some((c) => Math.abs(ramp[k + c]! * 255 - shot.data[(y * width + x) * 4 + c]!) > 2);
        if (far) beyond++;
      }
    }
    // Where a conic gradient begins anew, its seam runs through pixels.
    expect([css, beyond < (paint.kind === 'conic' ? height : 1)]).toEqual([css, true]);
  }
});

test('with everything that a template can hold preview and export are the same', async ({ page }) => {
  test.setTimeout(240_000);
  const [preview, made] = await previewAndExport(page, await gradientPhoto('soft.png', 'grey'), async () => {
    await page.getByRole('button', { name: /^Colours/ }).click();
    await page.getByLabel('Sepia', { exact: true }).fill('40');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: /^Tints/ }).click();
    for (const [i, kind] of ['from the edge inwards', 'linear gradient', 'conic gradient'].entries()) {
      await page.getByRole('button', { name: 'Add a tint' }).click();
      const tint = page.getByRole('group', { name: `Tint ${i + 1}` });
      await tint.getByLabel('Paint').selectOption(kind);
      await tint.getByLabel('Blend').selectOption(['multiply', 'soft light', 'luminosity'][i]!);
    }
    await page.getByRole('button', { name: 'Add a shadow' }).click();
    await page.getByRole('radio', { name: 'into it' }).click();
    await page.getByRole('button', { name: 'Add a border' }).click();
    const border = page.getByRole('group', { name: 'Border 1' });
    await border.getByLabel('Paint').selectOption('along the line');
    await border.getByRole('radio', { name: 'dotted' }).click();
    await page.getByRole('button', { name: /^Backdrop/ }).click();
    await page.getByRole('radio', { name: 'painted' }).click();
    const backdrop = page.locator('section', { hasText: 'Backdrop' });
    await backdrop.getByLabel('Paint').selectOption('conic gradient');
    await page.getByRole('button', { name: 'Add a border' }).click();
    const second = page.getByRole('group', { name: 'Border 2' });
    await second.getByRole('radio', { name: 'outside' }).click();
    await second.getByLabel('Paint').selectOption('colour from the photo');
    await second.getByRole('radio', { name: 'dark' }).click();
    await page.getByRole('button', { name: 'Add a reflection' }).click();
    await page.getByRole('button', { name: /^Mat/ }).click();
    const mat = page.locator('section', { hasText: /^Mat/ });
    await mat.getByLabel('Below', { exact: true }).fill('160');
    await page.keyboard.press('Enter');
    await mat.getByRole('radio', { name: 'its own' }).click();
    await page.getByRole('button', { name: /^Captions/ }).click();
    await page.getByRole('button', { name: 'Add a caption' }).click();
    const caption = page.getByRole('group', { name: 'Caption 1' });
    await caption.getByLabel('Text', { exact: true }).fill('{photo}, {batch}');
    await caption.getByLabel('Paint').selectOption('colour from the photo');
  });
  const { alphaDiffers, beyond } = compare(preview, made);
  expect(alphaDiffers).toBe(0);
  // Both work in the same numbers on photos that differ by a proxy's JPEG: see docs/decisions.md.
  expect(beyond(4)).toBe(0);
});

test('tints are moved, switched off and undone; a gradient’s stops by click and by keys', async ({ page }) => {
  await batchOf(page, 'Tints', [await gradientPhoto('soft.png', 'many', 1300, 1200)]);
  await page.getByRole('button', { name: /^Tints/ }).click();
  await page.getByRole('button', { name: 'Add a tint' }).click();
  const first = page.getByRole('group', { name: 'Tint 1' });
  const bar = first.getByRole('group', { name: 'Stops of the gradient' });
  await expect(bar.getByRole('slider')).toHaveCount(2);
  const at = (await bar.boundingBox())!;
  await bar.click({ position: { x: at.width / 2, y: 8 } });
  await expect(bar.getByRole('slider')).toHaveCount(3);
  await expect(bar.getByRole('slider', { name: 'Stop 2' })).toHaveAttribute('aria-valuenow', /^(49|50)/);
  await bar.getByRole('slider', { name: 'Stop 2' }).focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(bar.getByRole('slider', { name: 'Stop 2' })).toHaveAttribute('aria-valuenow', /^(59|60)/);
  await first.getByLabel('Lies at').fill('70');
  await page.keyboard.press('Enter');
  await expect(bar.getByRole('slider', { name: 'Stop 2' })).toHaveAttribute('aria-valuenow', '70');
  await first.getByRole('button', { name: 'Take stop 2 out' }).click();
  await expect(bar.getByRole('slider')).toHaveCount(2);
  await page.getByRole('button', { name: 'Add a tint' }).click();
  const second = page.getByRole('group', { name: 'Tint 2' });
  await second.getByLabel('Blend').selectOption('screen');
  await second.getByRole('button', { name: /^Move tint 2/ }).press('ArrowUp');
  await expect(first.getByLabel('Blend')).toHaveValue('screen');
  await first.getByRole('button', { name: 'Tint 1 shown' }).click();
  await page.getByRole('button', { name: /^Tints/ }).click();
  await expect(page.getByRole('button', { name: 'Tints multiply, 100 %' })).toBeVisible();
  await painted(page);
  for (let i = 0; i < 9; i++) await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Tints none' })).toBeVisible();
});
