/** Captions against path data drawn by resvg, a general SVG renderer. */
import { readFileSync } from 'node:fs';
import { fieldsOf } from '../fields';
import { fontFiles } from '../fonts';
import { bringFonts, fontAtHand } from '../letters';
import { lettersPath } from '../letters/reader';
import { resvgPathCoverage } from '../testing/reference';
import { noiseOn, squareTemplate } from '../testing/drawn';
import { compile, compose, layoutCaption, letteringKey, letteringOf, writeCaptions } from '.';

const SIDE = 400;
const read = (path: string) => new Uint8Array(readFileSync(`public/fonts/${path}`));
const fields = fieldsOf({ photo: 'shop/jug-07.jpg', batch: 'Spring', index: 3, template: 'T', output: 'tile', width: 400, height: 400 }); // prettier-ignore
const tiny = { shape: { kind: 'circle', box: { cx: 20, cy: 20, width: 20, height: 20 } } };

/** Coverage by resvg, which samples a pixel coarsely: drawn eight times as large and averaged. */
function fineCoverage(d: string): Float32Array {
  const large = resvgPathCoverage(d, 'nonzero', 8 * SIDE, 8 * SIDE, SIDE);
  const out = new Float32Array(SIDE * SIDE);
  for (let k = 0; k < large.length; k++) {
    const [x, y] = [(k % (8 * SIDE)) >> 3, Math.floor(k / (8 * SIDE)) >> 3];
    out[y * SIDE + x]! += large[k]! / 64;
  }
  return out;
}

beforeAll(() =>
  bringFonts(['atkinson-hyperlegible-next', 'lobster', 'fredoka'], async (path) => Promise.resolve(read(path))),
);

function written(caption: object, width = SIDE, more: object = {}) {
  const template = squareTemplate(SIDE, { ...tiny, captions: [caption], ...more });
  const plate = compile(template, width);
  const out = compose(plate, noiseOn(plate, 1));
  const inked = writeCaptions(plate, { fields, colours: [[1, 0, 0]] }, out);
  return { out, inked, layout: layoutCaption(template.captions[0]!, fields), plate };
}

test.each([['text', 'atkinson-hyperlegible-next'], ['script', 'lobster']] as const)('letters in the font %s lie where they are said to', (font, name) => {
  const [size, x, y] = [60, 30, 250];
  const { out } = written({ text: 'Glaze & {photo}', font, size, paint: '#000000', at: [x, y], anchor: 'start' });
  const d = lettersPath(fontFiles(name).map(read), 'Glaze & jug-07');
  const placed = d.replace(/([MLQCZ])([^MLQCZ]*)/g, (_, command: string, args: string) =>
    command + args.trim().split(/[ ,]+/).filter(Boolean).map((v, i) => (Number(v) * size) / 1000 + (i % 2 ? y : x)).join(' '),
  ); // prettier-ignore
  const reference = fineCoverage(placed);
  /** Mean difference along the letters' edges, with the reference moved by some pixels. */
  const difference = (by: number) => {
    let [off, rim] = [0, 0];
    for (let i = 60 * SIDE; i < SIDE * SIDE - by; i++) {
      const wanted = reference[i + by]!;
      if (wanted > 0 && wanted < 255) rim++;
      off += Math.abs(out[i * 4 + 3]! - wanted);
    }
    return off / rim;
  };
  expect(reference.reduce((sum, v) => sum + v, 0)).toBeGreaterThan(255 * 2000);
  expect(difference(0)).toBeLessThan(3);
  expect(difference(1)).toBeGreaterThan(60);
}); // prettier-ignore

test('the place is where a line begins, has its middle or ends', () => {
  const place = (anchor: string) => written({ text: 'HHHH', size: 40, at: [200, 300], anchor }).layout!;
  const { width } = place('start');
  expect([place('start').start[0], place('middle').start[0], place('end').start[0]]).toEqual([200, 200 - width / 2, 200 - width]); // prettier-ignore
});

test('a long text is made as small as its width asks, and keeps its proportions', () => {
  const free = written({ text: 'a rather long title', size: 60 }).layout!;
  const held = written({ text: 'a rather long title', size: 60, maxWidth: free.width / 3 }).layout!;
  expect([held.width, held.size, held.wanted]).toEqual([expect.closeTo(free.width / 3, 6), expect.closeTo(20, 6), free.width]); // prettier-ignore
  expect(written({ text: 'short', size: 60, maxWidth: 5000 }).layout!.size).toBe(60);
});

test('fields are filled in, unknown ones stay, and nothing is nothing', () => {
  const text = (of: string) => written({ text: of, size: 20 }).layout;
  expect(text('{photo}{batch}{index}{output}{width}')!.width).toBeCloseTo(text('jug-07Spring0003tile400')!.width, 9);
  expect(text('{nothing}')!.width).toBeCloseTo(text('{nothing}')!.width, 9);
  expect(text('   ')).toBeNull();
});

test('letters that a font lacks are told, and the others are written', () => {
  const { line } = written({ text: 'a漢b', size: 20 }).layout!;
  expect([line.missing, line.glyphs.length]).toEqual([['漢'], 3]);
});

test('a caption grows what is inked, on a mat too, and paints what is below it by its own alpha', () => {
  const { inked, out } = written(
    { text: 'HHH', size: 60, paint: '#ff000080', at: [SIDE / 2, 460], anchor: 'middle' },
    SIDE,
    { mat: { bottom: SIDE, paint: '#ffffff' } },
  );
  expect(inked).toEqual({ left: 0, top: 10, width: SIDE, height: 2 * SIDE - 10 });
  const colours = new Set<string>();
  for (let k = 430 * SIDE * 4; k < 450 * SIDE * 4; k += 4) colours.add([...out.slice(k, k + 3)].join());
  // Half transparent red on white, where letters cover whole pixels.
  expect(colours.has('255,127,127')).toBe(true);
  const bare = written({ text: 'HHH', size: 60, at: [200, 380] });
  expect([bare.inked.left, bare.inked.top]).toEqual([10, 10]);
  expect(bare.inked.top + bare.inked.height).toBe(380);
});

test('a picked colour and a gradient paint letters', () => {
  const picked = written({ text: 'H', size: 200, at: [200, 300], paint: { kind: 'picked' } });
  const stem = (out: Uint8ClampedArray, y: number) => {
    for (let x = 100; x < 300; x++) {
      const k = (y * SIDE + x) * 4;
      if (out[k + 3] === 255) return [...out.slice(k, k + 3)];
    }
    return null;
  };
  expect(stem(picked.out, 200)).toEqual([255, 0, 0]);
  const ramp = { kind: 'linear', angle: 180, stops: [[0, '#000000'], [1, '#ffffff']] }; // prettier-ignore
  const { out } = written({ text: 'H', size: 200, at: [200, 300], paint: ramp });
  expect(stem(out, 180)![0]).toBeLessThan(70);
  expect(stem(out, 290)![0]).toBeGreaterThan(200);
});

test('letters laid once are written again in any paint; whatever moves them has another key', () => {
  const look = { text: 'Jug {index}', size: 60, at: [200, 300], mark: { room: 8, paint: '#ffffff' } } as const;
  const plain = written(look).plate;
  const kept = letteringOf(plain, plain.captions[0]!, fields)!;
  const key = (more: object, width = SIDE) => {
    const { plate } = written({ ...look, ...more }, width);
    return letteringKey(plate, plate.captions[0]!, fields);
  };
  const painted = { paint: { kind: 'picked' }, mark: { room: 8, paint: '#00000080' } } as const;
  expect(key(painted)).toBe(key({}));
  const others = [{ text: 'Jug 3' }, { size: 61 }, { at: [200, 301] }, { mark: { room: 9, paint: '#ffffff' } }, { font: 'script' }, { maxWidth: 90 }]; // prettier-ignore
  expect(new Set([key({}), key({}, SIDE / 2), ...others.map((more) => key(more))]).size).toBe(others.length + 2);

  const anew = written({ ...look, ...painted });
  const out = compose(anew.plate, noiseOn(anew.plate, 1));
  writeCaptions(anew.plate, { fields, colours: [[1, 0, 0]] }, out, () => kept);
  expect(Buffer.compare(Buffer.from(out), Buffer.from(anew.out))).toBe(0);
});

test('fonts are read once', async () => {
  const font = fontAtHand('fredoka');
  await bringFonts(['fredoka'], () => Promise.reject(new Error('asked again')));
  expect(fontAtHand('fredoka')).toBe(font);
  expect(fontAtHand('alfa-slab-one')).toBeNull();
});

test('letters far larger than the picture, and lines far longer, are written as far as they are seen', () => {
  const { inked, out } = written({ text: 'H'.repeat(500), size: 100_000, at: [-12_000, 50_000], anchor: 'start' });
  expect([inked.width, inked.height]).toEqual([SIDE, SIDE]);
  expect(out.length).toBe(SIDE * SIDE * 4);
});

describe('along a circle', () => {
  const at = [200, 80];
  const common = { text: 'HHHHHHHH', font: 'text', size: 40, paint: '#000000', at, radius: 140 } as const;
  /** Mean distance of what is inked from the circle's centre, and the area, tiny shape left out. */
  const inkOf = (out: Uint8ClampedArray, [cx, cy]: readonly [number, number]) => {
    let [area, away, left] = [0, 0, 0];
    for (let y = 40; y < SIDE; y++)
      for (let x = 0; x < SIDE; x++) {
        if (x < 40 && y < 40) continue;
        const alpha = out[(y * SIDE + x) * 4 + 3]! / 255;
        area += alpha;
        away += alpha * Math.hypot(x + 0.5 - cx, y + 0.5 - cy);
        left += alpha * (x + 0.5);
      }
    return { area, away: away / area, left: left / area };
  };

  test('letters keep their area, stand on the circle with their heads away from it, about the place that is held', () => {
    const straight = written({ ...common, at: [200, 200] });
    const bent = written({ ...common, follows: 'over' });
    const [a, b] = [inkOf(straight.out, [0, 0]), inkOf(bent.out, [200, 220])];
    expect(b.area / a.area).toBeCloseTo(1, 2);
    // Capitals are some 0.66 of their size high: their middle is a third of that beyond the circle.
    expect(b.away).toBeGreaterThan(140 + 8);
    expect(b.away).toBeLessThan(140 + 18);
    expect(b.left).toBeCloseTo(200, 0);
  });

  test('under it heads look to the centre', () => {
    const { out, layout } = written({ ...common, at: [200, 360], follows: 'under' });
    const { away, left } = inkOf(out, [200, 220]);
    expect(away).toBeLessThan(140 - 8);
    expect(away).toBeGreaterThan(140 - 18);
    expect(left).toBeCloseTo(200, 0);
    expect(layout!.bounds[3]).toBeCloseTo(360, 1);
  });

  test('on a circle as wide as can be the line is straight', () => {
    const straight = written({ ...common, at: [200, 200] });
    const flat = written({ ...common, at: [200, 200], follows: 'over', radius: 99_999 });
    let most = 0;
    for (let k = 3; k < flat.out.length; k += 4) most = Math.max(most, Math.abs(flat.out[k]! - straight.out[k]!));
    expect(most).toBeLessThan(30);
  });

  test('a line is no longer than the circle is round, and its bounds are those of its letters', () => {
    const { layout } = written({ ...common, text: 'a'.repeat(90), follows: 'over' });
    expect(layout!.width).toBeCloseTo(2 * Math.PI * 140, 3);
    expect(layout!.wanted).toBeGreaterThan(layout!.width);
    const [left, top, right, bottom] = layout!.bounds;
    expect([left, right].map((v) => Math.abs(v - 200))).toEqual([expect.closeTo(140 + 0.7 * layout!.size, 0), expect.closeTo(140 + 0.7 * layout!.size, 0)]); // prettier-ignore
    expect(top).toBeCloseTo(80 - 0.7 * layout!.size, 1);
    expect(bottom).toBeCloseTo(360 + 0.7 * layout!.size, 0);
  });
});
