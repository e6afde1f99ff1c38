/** Layers with blend modes, tints and sets: against color-blend, an implementation of W3C Compositing 1 by others. */
import * as reference from 'color-blend/unit';
import { blendSchema, parseColour, type Blend } from '../paint';
import { drawnNoise, firstUnlike, noiseOn, squareTemplate } from '../testing/drawn';
import { seededBytes } from '../testing/photos';
import { behindPixels } from './behind';
import { compile } from './compile';
import { compose } from './compose';
import { coloursFor } from './picked';
import { finishedPhoto } from './runs';

const SIZE = 60;
const square = { kind: 'rectangle', box: { cx: 30, cy: 30, width: 40, height: 40 } };
const circle = { kind: 'circle', box: { cx: 30, cy: 30, width: 41, height: 41 } };

type Pixel = readonly [r: number, g: number, b: number, a: number];

const camel = (mode: Blend) => mode.replace(/-(.)/g, (_, letter: string) => letter.toUpperCase()) as keyof typeof reference; // prettier-ignore

/** §9: co = αs·(1 − αb)·cs + αs·αb·B(cb, cs) + (1 − αs)·αb·cb, with B by the reference; 0…1, straight. */
function mixed(mode: Blend, below: Pixel, above: Pixel): Pixel {
  const opaque = ([r, g, b]: Pixel) => ({ r, g, b, a: 1 });
  const both = reference[camel(mode)](opaque(below), opaque(above));
  const [ab, as] = [below[3], above[3]];
  const alpha = as + ab * (1 - as);
  const channel = (c: 0 | 1 | 2, mixedWith: number) =>
    alpha === 0 ? 0 : (as * (1 - ab) * above[c] + as * ab * mixedWith + (1 - as) * ab * below[c]) / alpha;
  return [channel(0, both.r), channel(1, both.g), channel(2, both.b), alpha];
}

/** Source-atop of the same: the ground's alpha stays. */
function mixedAtop(mode: Blend, [r, g, b, a]: Pixel, above: Pixel): Pixel {
  const [x, y, z] = mixed(mode, [r, g, b, 1], above);
  return [x, y, z, a];
}

const pixel = (colour: string, opacity = 1): Pixel => {
  const { r, g, b, alpha } = parseColour(colour);
  return [r, g, b, alpha * opacity];
};

const unit = (bytes: readonly number[]): Pixel => bytes.map((v) => v / 255) as unknown as Pixel;

/** The largest difference of a finished pixel from what it should be, 8-bit, colours weighed by alpha. */
const off = (got: readonly number[], [r, g, b, a]: Pixel): number =>
  Math.max(Math.abs(got[3]! - a * 255), ...[r, g, b].map((v, c) => Math.abs((got[c]! * got[3]!) / 255 - v * a * 255)));

const drawn = (fields: object, seed = 1) => drawnNoise(squareTemplate(SIZE, { shape: square, ...fields }), SIZE, seed);

describe.each(blendSchema.options)('%s', (blend) => {
  const top = { show: 'paint', paint: '#c0602080', blend };
  const above = pixel('#c0602080');

  test('on top it is mixed with the photo, with a half transparent ground, and alone on nothing it is itself', () => {
    const plain = drawn({});
    const over = drawn({ before: [top] });
    for (const [x, y] of [
      [30, 30],
      [11, 30],
      [48, 48],
      [20, 41],
    ] as const)
      expect(off(over.at(x, y), mixed(blend, unit(plain.at(x, y)), above))).toBeLessThanOrEqual(1);
    expect(over.at(2, 2)).toEqual([0xc0, 0x60, 0x20, 128]);
    const ground = drawn({ backdrop: '#2080d060', before: [top] }).at(2, 2);
    expect(off(ground, mixed(blend, pixel('#2080d060'), above))).toBeLessThanOrEqual(1.5);
  });

  test('behind it is mixed with what lies below it and with nothing above', () => {
    const behind = [{ show: 'paint', paint: '#2080d060' }, top];
    const { at, out } = drawn({ behind, backdrop: '#f0e040' });
    const below = mixed('normal', pixel('#f0e040'), pixel('#2080d060'));
    expect(off(at(2, 2), mixed(blend, below, above))).toBeLessThanOrEqual(1.5);
    expect(at(30, 30)).toEqual(drawn({}).at(30, 30));
    expect(out.every((v, i) => i % 4 !== 3 || v === 255)).toBe(true);
  });

  test('it never changes alpha, but for rounding once more', () => {
    const alphas = (fields: object) => drawn({ shape: circle, ...fields }).out.filter((_, i) => i % 4 === 3);
    for (const list of ['behind', 'before']) {
      const [one, other] = ['normal', blend].map((mode) =>
        alphas({ [list]: [{ ...top, shape: circle, blend: mode }] }),
      );
      expect(Math.max(...one!.map((v, i) => Math.abs(v - other![i]!)))).toBeLessThanOrEqual(1);
    }
  });
});

test('what follows a mixed layer lies on it', () => {
  const { at } = drawn({
    before: [
      { show: 'paint', paint: '#808080', blend: 'multiply' },
      { show: 'paint', paint: '#ff000080' },
    ],
  });
  const plain = unit(drawn({}).at(30, 30));
  expect(off(at(30, 30), mixed('normal', mixed('multiply', plain, pixel('#808080')), pixel('#ff000080')))).toBeLessThanOrEqual(1.5); // prettier-ignore
});

describe('a tint of a layer', () => {
  const tint = { paint: '#2040c0c0', blend: 'screen', opacity: 0.5 };
  const layer = { show: 'paint', paint: '#c06020a0', shape: circle };

  test('colours that layer alone, as far as it shows', () => {
    const own = mixedAtop('screen', pixel('#c06020a0'), pixel('#2040c0c0', 0.5));
    const behind = drawn({ shape: { ...square, box: { ...square.box, width: 4, height: 4 } }, behind: [{ ...layer, tint }] }); // prettier-ignore
    expect(off(behind.at(20, 30), own)).toBeLessThanOrEqual(1);
    expect(behind.at(3, 3)[3]).toBe(0);
    const before = drawn({ before: [{ ...layer, tint }] });
    const plain = drawn({});
    expect(off(before.at(30, 40), mixed('normal', unit(plain.at(30, 40)), own))).toBeLessThanOrEqual(1.5);
    expect(before.at(12, 12)).toEqual(plain.at(12, 12));
  });

  test('is mixed before the layer is', () => {
    const { at } = drawn({ before: [{ ...layer, tint, blend: 'multiply' }] });
    const own = mixedAtop('screen', pixel('#c06020a0'), pixel('#2040c0c0', 0.5));
    expect(off(at(30, 30), mixed('multiply', unit(drawn({}).at(30, 30)), own))).toBeLessThanOrEqual(1.5);
  });

  test('off, or of no strength, it changes nothing', () => {
    const plain = drawn({ before: [layer] }).out;
    for (const none of [
      { ...tint, on: false },
      { ...tint, opacity: 0 },
    ])
      expect(firstUnlike(drawn({ before: [{ ...layer, tint: none }] }).out, plain)).toBe(-1);
  });
});

describe('of the photo once more', () => {
  const picked = { kind: 'picked', from: 'subject', tone: 'main' } as const;
  const tones = { main: '#30c060', light: '#30c060', dark: '#30c060', vivid: '#30c060' };
  const sight = { palette: { subject: tones, ground: tones, photo: tones } };

  function seen(fields: object, seed = 3) {
    const plate = compile(squareTemplate(SIZE, { shape: circle, ...fields }), SIZE);
    const behind = plate.behind.map((layer) => behindPixels(Uint8ClampedArray.from(seededBytes(layer.width * layer.height * 4, seed), (v, i) => (i % 4 === 3 ? 255 : v)), layer)); // prettier-ignore
    const out = compose(plate, { ...noiseOn(plate, seed), behind }, coloursFor(plate.picks, sight));
    return { out, at: (x: number, y: number) => [...out.subarray((y * SIZE + x) * 4, (y * SIZE + x) * 4 + 4)] };
  }
  const photo = { blur: 0 };

  test('a tint darkens it as a ground', () => {
    const tint = { paint: '#000000', blend: 'normal', opacity: 0.5 };
    const [plain, dark] = [seen({ behind: [photo] }), seen({ behind: [{ ...photo, tint }] })];
    for (const [x, y] of [[3, 3], [55, 20], [2, 57]] as const) // prettier-ignore
      expect(off(dark.at(x, y), mixedAtop('normal', unit(plain.at(x, y)), pixel('#000000', 0.5)))).toBeLessThanOrEqual(1); // prettier-ignore
    expect(dark.at(30, 30)).toEqual(plain.at(30, 30));
  });

  test('two of them reach beyond the photo in the shape, which is tinted as it is by itself', () => {
    const tints = [{ paint: '#c06020', opacity: 0.5 }, { paint: '#2040c0', blend: 'screen', opacity: 0.7 }]; // prettier-ignore
    const plate = compile(squareTemplate(SIZE, { shape: circle, tints, behind: [photo, { ...photo, opacity: 0.5 }] }), SIZE); // prettier-ignore
    const given = { ...noiseOn(plate, 3), behind: plate.behind.map((layer) => behindPixels(seededBytes(layer.width * layer.height * 4, 4), layer)) }; // prettier-ignore
    const tinted = compose(plate, given, []);
    expect(firstUnlike(tinted, compose(plate, finishedPhoto(plate, given, []), []))).toBe(-1);
    expect(firstUnlike(tinted, compose({ ...plate, finish: null }, given, []))).toBeGreaterThan(0);
  });

  test('a paint is mixed with it, one of the photo’s own colours, too', () => {
    const [plain, over] = [seen({ behind: [photo] }), seen({ behind: [photo, { show: 'paint', paint: picked, blend: 'overlay', opacity: 0.8 }] })]; // prettier-ignore
    for (const [x, y] of [
      [3, 3],
      [55, 20],
    ] as const)
      expect(off(over.at(x, y), mixed('overlay', unit(plain.at(x, y)), pixel('#30c060', 0.8)))).toBeLessThanOrEqual(1);
  });

  test('it is mixed with the backdrop, and on top with the cutout', () => {
    const [plain, below] = [seen({ behind: [photo] }), seen({ behind: [{ ...photo, blend: 'luminosity' }], backdrop: '#d04080' })]; // prettier-ignore
    expect(off(below.at(4, 4), mixed('luminosity', pixel('#d04080'), unit(plain.at(4, 4))))).toBeLessThanOrEqual(1.5);
    const [own, above] = [seen({}), seen({ before: [{ show: 'photo', blend: 'difference' }] })];
    const other = seen({ before: [{ show: 'photo' }] });
    expect(off(above.at(30, 30), mixed('difference', unit(own.at(30, 30)), unit(other.at(30, 30))))).toBeLessThanOrEqual(1); // prettier-ignore
  });

  test('alpha stays the same for every photo', () => {
    const fields = {
      behind: [{ ...photo, opacity: 0.5, blend: 'screen', shape: square }],
      before: [{ show: 'photo', opacity: 0.3, blend: 'hue', tint: { paint: '#ff0000' } }],
    };
    const [one, other] = [3, 4].map((seed) => seen(fields, seed).out);
    const alpha = (out: Uint8ClampedArray) => out.filter((_, i) => i % 4 === 3);
    expect(firstUnlike(alpha(one!), alpha(other!))).toBe(-1);
    expect(firstUnlike(one!, other!)).not.toBe(-1);
  });
});

describe('a set', () => {
  const one = { show: 'paint', paint: '#ff0000', set: 'mark' };
  const two = { show: 'paint', paint: '#0000ff80', set: 'mark' };

  test('half as strong is half of what its layers are together (Compositing 1 §3.5: a group is composited by itself first)', () => {
    const { at } = drawn({ before: [one, two], sets: [{ name: 'mark', opacity: 0.5 }] });
    const [r, g, b] = mixed('normal', pixel('#ff0000'), pixel('#0000ff80'));
    expect(off(at(30, 30), mixed('normal', unit(drawn({}).at(30, 30)), [r, g, b, 0.5]))).toBeLessThanOrEqual(1.5);
    expect(off(at(2, 2), [r, g, b, 0.5])).toBeLessThanOrEqual(1);
  });

  test('its layers are mixed with each other and not with what is below, and then the set with that', () => {
    const { at } = drawn({
      before: [one, { ...two, blend: 'screen' }],
      sets: [{ name: 'mark', blend: 'multiply' }],
    });
    const own = mixed('screen', pixel('#ff0000'), pixel('#0000ff80'));
    expect(off(at(30, 30), mixed('multiply', unit(drawn({}).at(30, 30)), own))).toBeLessThanOrEqual(1.5);
  });

  test('a hole in it goes through its own layers alone', () => {
    const hole = { show: 'hole', shape: circle, set: 'mark' };
    const { at } = drawn({ before: [one, hole] });
    expect(at(30, 30)).toEqual(drawn({}).at(30, 30));
    expect(at(12, 12)).toEqual([255, 0, 0, 255]);
    expect(drawn({ before: [one, { ...hole, set: null }] }).at(30, 30)[3]).toBe(0);
  });

  test('a hole through the layer below it goes through all of a set that is that', () => {
    const hole = { show: 'hole', through: 'layer', shape: circle };
    for (const sets of [[], [{ name: 'mark', opacity: 0.5 }]]) {
      const { at } = drawn({ before: [{ show: 'paint', paint: '#00ff00' }, one, two, hole], sets });
      expect(at(30, 30)).toEqual([0, 255, 0, 255]);
      expect(at(2, 2)[1]).toBeLessThan(200);
    }
    // The one below is off: there is nothing to go through.
    expect(drawn({ before: [one, { ...two, on: false }, hole] }).at(30, 30)).toEqual([255, 0, 0, 255]);
  });

  test('off, nothing of it is drawn; of layers laid straight it is no other picture than without it', () => {
    expect(firstUnlike(drawn({ before: [one, two], sets: [{ name: 'mark', on: false }] }).out, drawn({}).out)).toBe(-1);
    const alone = [one, two].map((layer) => ({ ...layer, set: null }));
    expect(firstUnlike(drawn({ before: [one, two] }).out, drawn({ before: alone }).out)).toBe(-1);
  });

  test('those of one name that are no neighbours are laid each in its place', () => {
    const between = { show: 'paint', paint: '#00ff00' };
    const { at } = drawn({ before: [one, between, two], sets: [{ name: 'mark', opacity: 0.5 }] });
    expect(off(at(2, 2), mixed('normal', pixel('#00ff00'), pixel('#0000ff80', 0.5)))).toBeLessThanOrEqual(1.5);
  });
});

test('a hole through everything above a mixed layer leaves nothing', () => {
  const { at } = drawn({ before: [{ show: 'paint', paint: '#ff0000', blend: 'multiply' }, { show: 'hole', shape: circle }] }); // prettier-ignore
  expect(at(30, 30)[3]).toBe(0);
  expect(at(2, 2)).toEqual([255, 0, 0, 255]);
});

test('a matte is laid under all of it in the end, and no mode sees it', () => {
  const template = squareTemplate(SIZE, { shape: circle, before: [{ show: 'paint', paint: '#c0602080', blend: 'multiply' }] }); // prettier-ignore
  const drawnOn = (matte: string | null) => {
    const plate = compile(template, SIZE, matte);
    return compose(plate, noiseOn(plate, 1));
  };
  const [clear, white] = [drawnOn(null), drawnOn('#ffffff')];
  let worst = 0;
  for (let k = 0; k < clear.length; k += 4)
    worst = Math.max(worst, off([...white.subarray(k, k + 4)], mixed('normal', [1, 1, 1, 1], unit([...clear.subarray(k, k + 4)])))); // prettier-ignore
  expect(worst).toBeLessThanOrEqual(1);
});

/** Numbers 0…1, the same for the same seed. */
function dice(seed: number) {
  const bytes = seededBytes(400, seed);
  let next = 0;
  return (n: number) => bytes[next++ % 400]! % n;
}

type Layer = { readonly paint: string; readonly blend: Blend; readonly opacity: number; readonly set: string | null; readonly tint: { readonly paint: string; readonly blend: Blend } | null }; // prettier-ignore

function randomStack(seed: number) {
  const roll = dice(seed);
  const colour = () => `#${Array.from({ length: 4 }, () => roll(256).toString(16).padStart(2, '0')).join('')}`;
  const mode = () => blendSchema.options[roll(16)]!;
  const layers = Array.from({ length: 2 + roll(5) }, (): Layer => ({
    paint: colour(),
    blend: roll(2) ? 'normal' : mode(),
    opacity: (1 + roll(4)) / 4,
    set: [null, 'a', 'b'][roll(3)]!,
    tint: roll(3) ? null : { paint: colour(), blend: mode() },
  }));
  const sets = ['a', 'b'].map((name) => ({ name, opacity: (1 + roll(4)) / 4, blend: roll(2) ? ('normal' as const) : mode() })); // prettier-ignore
  return { layers, sets };
}

/** Compositing 1 as it reads: each set by itself first. */
function stacked(ground: Pixel, { layers, sets }: ReturnType<typeof randomStack>): Pixel {
  const laid = (below: Pixel, { paint, blend, opacity, tint }: Layer): Pixel => {
    const own = pixel(paint, opacity);
    return mixed(blend, below, tint ? mixedAtop(tint.blend, own, pixel(tint.paint)) : own);
  };
  let out = ground;
  for (let i = 0; i < layers.length;) {
    const { set } = layers[i]!;
    let end = i + 1;
    while (set !== null && layers[end]?.set === set) end++;
    if (set === null) out = laid(out, layers[i]!);
    else {
      const { opacity, blend } = sets.find(({ name }) => name === set)!;
      const [r, g, b, a] = layers.slice(i, end).reduce(laid, [0, 0, 0, 0] as Pixel);
      out = mixed(blend, out, [r, g, b, a * opacity]);
    }
    i = end;
  }
  return out;
}

test('120 random stacks of layers, sets and tints, behind and on top, are what the specification makes of them', () => {
  let worst = 0;
  for (let seed = 0; seed < 120; seed++) {
    const stack = randomStack(seed);
    const layers = stack.layers.map((layer) => ({ show: 'paint', ...layer }));
    const fields = { backdrop: '#40a0e0b0', sets: stack.sets };
    const ground = pixel('#40a0e0b0');
    const behind = drawn({ ...fields, behind: layers }).at(2, 2);
    const before = drawn({ ...fields, before: layers }).at(2, 2);
    for (const got of [behind, before]) worst = Math.max(worst, off(got, stacked(ground, stack)));
  }
  // Each of up to six layers is rounded to 8 bits.
  expect(worst).toBeLessThanOrEqual(3);
});
