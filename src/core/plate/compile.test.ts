import { parseTemplate } from '../template';
import { seededBytes } from '../testing/photos';
import { compile } from './compile';
import { compose } from './compose';

const template = (fields: object) =>
  parseTemplate({ wobrel: 1, name: 'test', frame: { width: 200, height: 200 }, ...fields });

const box = { cx: 100, cy: 100, width: 160, height: 160 };
const hex2 = (v: number) => v.toString(16).padStart(2, '0');

/** The cutout of a photo of one colour. */
function drawn(fields: object, photo: readonly [number, number, number] = [200, 120, 40], width = 200) {
  const plate = compile(template(fields), width);
  const { width: w, height: h } = plate.photoWindow;
  const pixels = new Uint8Array(w * h * 4).map((_, i) => (i % 4 === 3 ? 255 : photo[i % 4]!));
  const out = compose(plate, { data: pixels, window: plate.photoWindow, opaque: true });
  return { plate, out, at: (x: number, y: number) => [...out.slice((y * width + x) * 4, (y * width + x) * 4 + 4)] };
}

describe('the cutout’s alpha', () => {
  const rich = {
    shape: { kind: 'polygon', sides: 5, box },
    borders: [
      { width: 6, align: 'centre', paint: '#11223380' },
      { width: 3, align: 'outside', gap: 4 },
    ],
    shadows: [{ blur: 18, y: 6 }],
  };

  test('is byte for byte the same whatever the photo', () => {
    const plate = compile(template(rich), 333);
    const count = plate.photoWindow.width * plate.photoWindow.height * 4;
    const opaque = (bytes: Uint8Array) => bytes.map((v, i) => (i % 4 === 3 ? 255 : v));
    const alphaOf = (photo: Uint8Array) =>
      Buffer.from(
        compose(plate, { data: opaque(photo), window: plate.photoWindow, opaque: true }).filter((_, i) => i % 4 === 3),
      );
    const first = alphaOf(new Uint8Array(count));
    expect(Buffer.compare(alphaOf(seededBytes(count, 7)), first)).toBe(0);
    expect(Buffer.compare(alphaOf(new Uint8Array(count).fill(255)), first)).toBe(0);
    expect(new Set(first).size).toBeGreaterThan(100);
  });
});

describe('compositing (W3C Compositing and Blending 1 §9.1, source over)', () => {
  /** co = αs·Cs + αb·Cb·(1 − αs), αo = αs + αb·(1 − αs), straight colour in 0…255. */
  const over = (s: number[], b: number[]) => {
    const a = s[3]! + b[3]! * (1 - s[3]!);
    return [...[0, 1, 2].map((c) => (a === 0 ? 0 : (s[c]! * s[3]! + b[c]! * b[3]! * (1 - s[3]!)) / a)), a];
  };

  test('of backdrop, photo and border over random colours and opacities is exact within 1/255', () => {
    const bytes = seededBytes(4000, 3);
    for (let i = 0; i + 16 < bytes.length; i += 16) {
      const [br, bg, bb, ba, cr, cg, cb, ca, or, pr, pg, pb] = bytes.slice(i, i + 12) as unknown as number[] as [
        number,
        number,
        number,
        number,
        number,
        number,
        number,
        number,
        number,
        number,
        number,
        number,
      ];
      const opacity = or / 255;
      const { at } = drawn(
        {
          frame: { width: 24, height: 24 },
          shape: { kind: 'rectangle', box: { cx: 12, cy: 12, width: 16, height: 16 } },
          backdrop: `#${hex2(br)}${hex2(bg)}${hex2(bb)}${hex2(ba)}`,
          borders: [
            { width: 3, align: 'inside', paint: `#${hex2(cr)}${hex2(cg)}${hex2(cb)}${hex2(ca)}`, opacity },
            { width: 2, align: 'outside', paint: `#${hex2(cr)}${hex2(cg)}${hex2(cb)}${hex2(ca)}`, opacity },
          ],
        },
        [pr, pg, pb],
        24,
      );
      const backdrop = [br, bg, bb, ba / 255];
      const border = [cr, cg, cb, (ca / 255) * opacity];
      const photo = [pr, pg, pb, 1];
      const expected: [number, number, number[]][] = [
        [1, 1, over(backdrop, [0, 0, 0, 0])],
        [3, 12, over(border, backdrop)],
        [5, 12, over(border, photo)],
        [12, 12, photo],
      ];
      for (const [x, y, exact] of expected) {
        const got = at(x, y);
        // A colour with almost no alpha has no colour to speak of; it is compared weighted by alpha.
        [0, 1, 2].forEach((c) => expect(Math.abs(got[c]! - exact[c]!) * exact[3]!).toBeLessThanOrEqual(1));
        expect(Math.abs(got[3]! - exact[3]! * 255)).toBeLessThanOrEqual(0.5 + 1e-3);
      }
    }
  });

  test('an opaque border inside leaves no trace of the photo on the rim', () => {
    const { out } = drawn(
      { shape: { kind: 'circle', box }, borders: [{ width: 8, paint: '#000000' }] },
      [255, 255, 255],
    );
    for (let i = 0; i < out.length; i += 4)
      if (out[i + 3]! > 0 && out[i + 3]! < 255) expect([out[i], out[i + 1], out[i + 2]]).toEqual([0, 0, 0]);
  });
});

describe('drop shadow (CSS Backgrounds and Borders 3 §7.1)', () => {
  const square = { kind: 'rectangle', box: { cx: 100, cy: 100, width: 100, height: 100 } };

  test('blur 0 is a hard copy, moved by x and y and grown by the spread', () => {
    const { at } = drawn({
      shape: square,
      shadows: [{ x: 20, y: 10, blur: 0, spread: 5, color: '#0000ff', opacity: 1 }],
    });
    expect(at(174, 100)).toEqual([0, 0, 255, 255]);
    expect(at(175, 100)[3]).toBe(0);
    expect(at(120, 164)).toEqual([0, 0, 255, 255]);
    expect(at(120, 165)[3]).toBe(0);
    expect(at(60, 100)).toEqual([200, 120, 40, 255]);
  });

  test('blur 20 is a Gaussian of standard deviation 10: half strength on the edge, 16 % one deviation out', () => {
    const { out } = drawn({
      shape: square,
      shadows: [{ x: 20, y: 0, blur: 20, spread: 0, color: '#000000', opacity: 1 }],
    });
    const alpha = (x: number) => out[(100 * 200 + x) * 4 + 3]! / 255;
    // Φ(−d/σ) of the standard normal distribution, from its tables; the edge lies between the pixels 169 and 170.
    for (const [away, share] of [
      [0, 0.5],
      [5, 0.30854],
      [10, 0.15866],
      [20, 0.02275],
    ] as const)
      expect(Math.abs((alpha(169 + away) + alpha(170 + away)) / 2 - share)).toBeLessThan(4 / 255);
  });

  test('falls from the borders outside too, and the first listed lies on top', () => {
    const { at } = drawn({
      shape: square,
      borders: [{ width: 10, align: 'outside', paint: '#00ff00' }],
      shadows: [
        { x: 20, y: 0, blur: 0, color: '#ff0000', opacity: 1 },
        { x: 30, y: 0, blur: 0, color: '#0000ff', opacity: 1 },
      ],
    });
    expect(at(178, 100)).toEqual([255, 0, 0, 255]);
    expect(at(188, 100)).toEqual([0, 0, 255, 255]);
    expect(at(191, 100)[3]).toBe(0);
    expect(at(158, 100)).toEqual([0, 255, 0, 255]);
  });
});

describe('feather', () => {
  const square = { kind: 'rectangle', box: { cx: 100, cy: 100, width: 120, height: 120 } };
  const alphaOf = (fields: object) => {
    const { out } = drawn({ shape: square, ...fields });
    return (x: number) => out[(100 * 200 + x) * 4 + 3]! / 255;
  };

  // Φ(d/σ) of the standard normal distribution, from its tables; the feather of 16 is two deviations, the edge lies at x = 160.
  test.each([
    ['centre', 160],
    ['inside', 144],
    ['outside', 176],
  ])('%s: a Gaussian of half its length whose middle lies at %d', (featherSide, middle) => {
    const alpha = alphaOf({ edge: { feather: 16, featherSide } });
    for (const [away, share] of [
      [-16, 0.97725],
      [-8, 0.84134],
      [0, 0.5],
      [8, 0.15866],
      [12, 0.06681],
    ] as const) {
      const at = middle + away;
      const wanted = featherSide === 'outside' && at < 160 ? 1 : share;
      if (at === 160 && featherSide !== 'centre') continue;
      expect(Math.abs((alpha(at - 1) + alpha(at)) / 2 - wanted)).toBeLessThan(4 / 255);
    }
  });

  test('inside, nothing shows beyond the outline; outside, all of it shows in full', () => {
    const inside = alphaOf({ edge: { feather: 30 } });
    expect([160, 161, 170].map(inside)).toEqual([0, 0, 0]);
    const outside = alphaOf({ edge: { feather: 12, featherSide: 'outside' } });
    expect([100, 150, 159].map(outside)).toEqual([1, 1, 1]);
    // Three deviations out from the middle of the fade there is nothing any more.
    expect(outside(160 + 30)).toBe(0);
  });

  test('softens the photo, not the borders on it, and what lies beneath shows through', () => {
    const border = { width: 10, align: 'outside', paint: '#00ff00' };
    const { at } = drawn({ shape: square, edge: { feather: 16 }, borders: [border], backdrop: '#0000ff' });
    expect(at(165, 100)).toEqual([0, 255, 0, 255]);
    const [r, g, b, a] = at(143, 100);
    // Half photo (200, 120, 40), half backdrop.
    expect(a).toBe(255);
    for (const [got, wanted] of [[r, 100], [g, 60], [b, 147.5]] as const) expect(Math.abs(got! - wanted)).toBeLessThan(8); // prettier-ignore
  });

  test('its shadow is as soft: both variances add up (16 and 12 make 20)', () => {
    const { out } = drawn({
      shape: { kind: 'rectangle', box: { cx: 60, cy: 100, width: 100, height: 190 } },
      edge: { feather: 16, featherSide: 'centre' },
      shadows: [{ x: 60, y: 0, blur: 12, spread: 0, color: '#000000', opacity: 1 }],
    });
    const alpha = (x: number) => out[(100 * 200 + x) * 4 + 3]! / 255;
    for (const [away, share] of [
      [0, 0.5],
      [5, 0.30854],
      [10, 0.15866],
    ] as const)
      expect(Math.abs((alpha(169 + away) + alpha(170 + away)) / 2 - share)).toBeLessThan(4 / 255);
  });

  test('the photo window holds all that shows and no more than its reach', () => {
    const { left, width } = compile(
      template({ shape: square, edge: { feather: 12, featherSide: 'centre' } }),
      200,
    ).photoWindow;
    expect(left).toBeGreaterThanOrEqual(40 - 18);
    expect(left).toBeLessThan(40 - 12);
    expect(width).toBe(200 - 2 * left);
  });
});

test('a border lies inside, across or outside of the outline, and its gap moves it away', () => {
  const square = { kind: 'rectangle', box: { cx: 100, cy: 100, width: 100, height: 100 } };
  const border = (fields: object) => {
    const { at } = drawn({ shape: square, borders: [{ width: 10, paint: '#00ff00', ...fields }] });
    const green = Array.from({ length: 100 }, (_, i) => 100 + i).filter((x) => at(x, 100)[1] === 255);
    return [green[0], green[green.length - 1]];
  };
  expect(border({ align: 'inside' })).toEqual([140, 149]);
  expect(border({ align: 'centre' })).toEqual([145, 154]);
  expect(border({ align: 'outside' })).toEqual([150, 159]);
  expect(border({ align: 'inside', gap: 5 })).toEqual([135, 144]);
  expect(border({ align: 'outside', gap: 5 })).toEqual([155, 164]);
});

test('a matte makes every pixel opaque and lies beneath the rest', () => {
  const plate = compile(template({ shape: { kind: 'circle', box }, shadows: [{}] }), 100, '#ffffff');
  expect(plate.blank.every((v, i) => i % 4 !== 3 || v === 255)).toBe(true);
  expect([...plate.blank.slice(0, 3)].every((v) => v > 250)).toBe(true);
});

test('the inked window holds every pixel that is not transparent, the photo window every one with photo', () => {
  const plate = compile(template({ shape: { kind: 'circle', box: { cx: 100, cy: 100, width: 50, height: 50 } } }), 200);
  expect(plate.inked).toEqual({ left: 75, top: 75, width: 50, height: 50 });
  expect(plate.photoWindow).toEqual(plate.inked);
});

test('a frame in millimetres at a size in pixels: 25.4 mm of shape are half of a 50.8 mm frame', () => {
  const plate = compile(
    parseTemplate({
      wobrel: 1,
      name: 'mm',
      frame: { width: 50.8, height: 50.8, unit: 'mm', ppi: 300 },
      shape: { kind: 'rectangle', box: { cx: 25.4, cy: 25.4, width: 25.4, height: 25.4 } },
    }),
    600,
  );
  expect(plate.inked).toEqual({ left: 150, top: 150, width: 300, height: 300 });
});
