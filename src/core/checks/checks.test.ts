import { seeded } from '../../../demo/generator/random';
import { parseTemplate, templateOutline, type Template } from '../template';
import { checker, meansOf, twinsOf } from '.';
import { percent } from './check';
import { thinnest } from './fine';
import { smallerFiles } from './smaller-files';

const findings = (fields: object, photo = { width: 2000, height: 1500, hasAlpha: false }) =>
  checker(parseTemplate({ wobrel: 1, name: 'T', ...fields })).check(photo);

test('a large photo through a plain template has no findings', () => {
  expect(findings({})).toEqual([]);
});

test('a photo enlarged above the limit says how much, the limit, and what to do', () => {
  // 800 × 600 behind a circle of 960: 960 / 600 = 1.6 output pixels a photo pixel.
  const [finding] = findings({}, { width: 800, height: 600, hasAlpha: false });
  expect(finding).toMatchObject({ check: 'enlargement', limit: 1 });
  expect(finding!.value).toBeCloseTo(1.6, 4);
  expect(finding!.message).toBe('enlarged 1.60 times for output tile, the limit is 1');
  expect(finding!.mend).toMatch(/larger photo/);
});

test('the limit of enlargement is the template’s, and exactly at it nothing is raised', () => {
  const photo = { width: 800, height: 600, hasAlpha: false };
  const checks = (maxEnlarge: number) => findings({ centring: { maxEnlarge } }, photo).map((f) => f.check);
  expect(checks(1.59)).toContain('enlargement');
  expect(checks(1.61)).not.toContain('enlargement');
});

test('what is just beyond its limit never reads like it', () => {
  const [finding] = findings({ shape: { kind: 'circle', box: { cx: 540, cy: 540, width: 1000, height: 1000 } } }, { width: 999, height: 2000, hasAlpha: false }); // prettier-ignore
  expect(finding).toMatchObject({ check: 'enlargement', brief: 'enlarged 1.001×' });
  expect(finding!.message).toMatch(/^enlarged 1\.001 times .*the limit is 1$/);
  expect(percent(0.0004, 0)).toBe('0.04 %');
  expect(percent(0.1002, 0.1)).toBe('10.02 %');
  expect(percent(0.2, 0.1)).toBe('20 %');
  const random = seeded(5);
  for (let i = 0; i < 1000; i++) {
    const limit = Math.round(random() * 200) / 1000;
    const share = limit + 10 ** (-1 - 4 * random());
    expect(parseFloat(percent(share, limit))).toBeGreaterThan(parseFloat(percent(limit)));
  }
});

test('a photo smaller than the output is told with both sizes', () => {
  expect(findings({}, { width: 1000, height: 2000, hasAlpha: false }).map((f) => f.message)).toEqual([
    'the photo has 1000 × 2000 pixels, output tile has 1080 × 1080',
  ]);
});

test('smaller files instead: nothing is enlarged and nothing is too small any more, and framings stay as they are', () => {
  const tiny = { width: 300, height: 200, hasAlpha: false };
  const outputs = [{}, { name: 'web', width: 540, format: 'webp' }, { name: 'rim', content: 'framing' }];
  const document = { wobrel: 1, name: 'T', outputs };
  const template = parseTemplate(document);
  const idsWith = (one: Template) => checker(one).check(tiny).map(({ check }) => check); // prettier-ignore
  expect(idsWith(template)).toEqual(['enlargement', 'enlargement', 'small', 'small']);
  const next = smallerFiles.change(template, templateOutline(template));
  expect(next.outputs.map(({ enlarge }) => enlarge)).toEqual([false, false, true]);
  expect(idsWith(next)).toEqual([]);
});

test('a JPEG of a transparent template is told, one with a backdrop is not', () => {
  const outputs = [{ name: 'mail', format: 'jpeg' }];
  expect(findings({ outputs }).map((f) => f.check)).toEqual(['opaque']);
  // What is behind and fills the picture leaves nothing transparent; what shows in a shape does.
  const mark = { kind: 'circle', box: { cx: 100, cy: 100, width: 50, height: 50 } };
  expect(findings({ outputs, behind: [{}] })).toEqual([]);
  expect(findings({ outputs, behind: [{ shape: mark }] }).map((f) => f.check)).toEqual(['opaque']);
  expect(findings({ outputs, backdrop: '#ffffff' })).toEqual([]);
});

test('a photo with transparency of its own is told once, however many outputs', () => {
  const outputs = [{ name: 'a' }, { name: 'b', width: 500 }];
  expect(findings({ outputs }, { width: 2000, height: 2000, hasAlpha: true }).map((f) => f.check)).toEqual([
    'flattened',
  ]);
});

test('a border that is not one colour is held against the backdrop by its worst part', () => {
  const stops = (last: string) => ({ kind: 'linear', stops: [[0, '#000000'], [1, last]] }); // prettier-ignore
  const faintOn = (backdrop: string | object, last: string) =>
    findings({ backdrop, borders: [{ align: 'outside', paint: stops(last) }] }).find((f) => f.check === 'faint');
  expect(faintOn('#ffffff', '#333333')).toBeUndefined();
  // White on white is 1 : 1, two short of the limit.
  expect(faintOn('#ffffff', '#ffffff')!.value).toBeCloseTo(2, 5);
  expect(faintOn(stops('#ffffff'), '#333333')!.value).toBeCloseTo(2, 5);
});

describe('what was seen', () => {
  const sight = (fields: object = {}) => ({
    version: 1,
    faces: [],
    subject: { box: [0.3, 0.3, 0.4, 0.4], centroid: [0.5, 0.5], area: 0.14, confidence: 0.9, count: 1, mask: '' },
    ground: { colour: '#cccccc', plain: 1 },
    sharpness: 100,
    contrast: 1,
    brightness: 0.5,
    lightest: 0.9,
    hash: '0123456789abcdef',
    ...fields,
  });
  const subject = (fields: object) => ({ ...sight().subject, ...fields });
  const seen = (fields: object = {}, more: object = {}) =>
    ({ width: 3000, height: 3000, hasAlpha: false, sight: sight(fields), ...more }) as never;
  const MEANS = { sharpness: 100, brightness: 0.5, lightest: 0.9, size: null };
  const bench = (centring: object = {}, fields: object = {}) =>
    checker(
      parseTemplate({ wobrel: 1, name: 'T', centring: { rule: 'subject', size: 0.6, ...centring }, ...fields }),
      MEANS,
    );
  const names = (photo: never, centring: object = {}, fields: object = {}) =>
    bench(centring, fields)
      .check(photo)
      .map((f) => f.check);

  test('a subject in its place has no findings', () => {
    expect(names(seen())).toEqual([]);
  });

  test('none, several, and an unsure one are told apart', () => {
    expect(names(seen({ subject: null }))).toEqual(['missing']);
    expect(names(seen({ subject: subject({ count: 3 }) }))).toEqual(['several']);
    expect(names(seen({ subject: subject({ confidence: 0.4 }) }))).toEqual(['unsure']);
    expect(names(seen({ subject: subject({ confidence: 0.4 }) }), {}, { limits: { confidence: 0.3 } })).toEqual([]);
  });

  test('a gap says its share, and the one click that mends it does', () => {
    const near = seen({ subject: subject({ box: [0, 0.3, 0.4, 0.4] }) });
    const { check, mend, place } = bench({ gap: 'leave' });
    const [finding] = check(near);
    expect(finding).toMatchObject({ check: 'gap', limit: 0 });
    expect(finding!.message).toBe(`${Math.round(place(near).gap * 1000) / 10} % of the shape shows no photo`);
    const mended = { ...(near as object), ...mend(near, 'gap') } as never;
    expect(check(mended).map((f) => f.check)).not.toContain('gap');
  });

  test('a rim that is drawn out into streaks is told where it shows, not where the photo covers or the rim is mirrored', () => {
    // Off to the left: the shape shows what lies beyond the photo's left rim, which has a step of ΔE 40 halfway down.
    const rim = (side: number, value: string) =>
      Array.from({ length: 4 }, (_, k) => '00'.repeat(16) + (k === side ? value : '00') + '00'.repeat(15));
    const near = (side: number, value: string) =>
      seen({ subject: subject({ box: [0, 0.3, 0.4, 0.4] }), rim: rim(side, value) });
    const { check, mend } = bench({ gap: 'extend' });
    const [finding] = check(near(3, '28'));
    expect(finding).toMatchObject({ check: 'streaks', value: 40, limit: 10 });
    expect(finding!.message).toContain('the left rim');
    expect(names(near(3, '0a'), { gap: 'extend' })).toEqual([]);
    expect(names(near(3, '0b'), { gap: 'extend' })).toEqual(['streaks']);
    expect(names(near(1, '28'), { gap: 'extend' })).toEqual([]);
    expect(names(near(3, '28'), { gap: 'extend', extend: 'mirror' })).toEqual([]);
    const mended = { ...(near(3, '28') as object), ...mend(near(3, '28'), 'streaks') } as never;
    expect(check(mended).map((f) => f.check)).not.toContain('streaks');
  });

  test('what enlarging gave up is said, and the size can be put right', () => {
    const near = seen({ subject: subject({ box: [0.02, 0.3, 0.4, 0.4] }) });
    const { check, mend } = bench({ gap: 'enlarge' });
    const size = check(near).find((f) => f.check === 'size')!;
    expect(size.message).toContain('the photo was enlarged so that it reaches the edge');
    const mended = { ...(near as object), ...mend(near, 'size') } as never;
    expect(check(mended).map((f) => f.check)).not.toContain('size');
    const shifted = bench({ gap: 'shift' })
      .check(near)
      .find((f) => f.check === 'spot')!;
    expect(shifted.message).toContain('the photo was moved so that it reaches the edge');
  });

  test('a mend of a tiny subject goes as far as an adjustment may', () => {
    const tiny = seen({ subject: subject({ box: [0.4999, 0.4999, 0.0002, 0.0002] }) });
    const template = parseTemplate({ wobrel: 1, name: 'T', centring: { rule: 'subject', size: null, gap: 'leave' } });
    const { mend } = checker(template, { ...MEANS, size: 0.6 });
    expect(mend(tiny, 'size')).toMatchObject({ adjustment: { scale: 100 } });
  });

  test('an adjustment that moves the subject off its spot is told, and taken back by its mend', () => {
    const moved = seen({}, { adjustment: { x: 0.05, y: 0, scale: 1.2, angle: 0 } });
    const { check, mend } = bench();
    const spot = check(moved).find((f) => f.check === 'spot')!;
    expect(spot.value).toBeCloseTo(0.05, 6);
    expect(mend(moved, 'spot')).toEqual({ adjustment: null });
  });

  test('a subject that leaves the shape is told with its clearance, and made to fit by its mend', () => {
    const { check, mend } = bench({ size: 1.1 });
    const large = check(seen()).find((f) => f.check === 'clearance')!;
    // Its oval is 10 % larger than the circle: it sticks out by 5 % of the shape on every side.
    expect(large.message).toBe('the subject sticks out of the shape by 5 % of its size');
    const mended = { ...(seen() as object), ...mend(seen(), 'clearance') } as never;
    expect(check(mended).map((f) => f.check)).not.toContain('clearance');
  });

  test('soft, dark and doubled ones are told against the batch', () => {
    expect(names(seen({ sharpness: 10 }))).toEqual(['blurred']);
    expect(names(seen({ sharpness: 16 }))).toEqual([]);
    // A dark thing in good light has light parts; a photo that lacks light has none.
    expect(names(seen({ brightness: 0.2 }))).toEqual([]);
    const dark = bench().check(seen({ brightness: 0.4, lightest: 0.6 }));
    expect(dark.map((f) => f.brief)).toEqual(['dark']);
    expect(dark[0]!.value).toBeCloseTo(0.3, 9);
    expect(dark[0]!.message).toMatch(
      /its lightest parts, at 60 %, are 30 % below the batch’s median, the limit is 20 %/,
    );
    const bright = bench().check(seen({ brightness: 0.8, lightest: 1 }));
    expect(bright.map((f) => [f.brief, f.message])).toEqual([['bright', expect.stringContaining('its brightness of 80 % is 30 % above the batch’s median, the limit is 20 %')]]); // prettier-ignore
    const photo = (name: string, hash: string) => ({
      name,
      width: 1,
      height: 1,
      hasAlpha: false,
      sight: sight({ hash }),
    });
    const list = [photo('a', '0123456789abcdef'), photo('b', 'fedcba9876543210'), photo('c', '0123456789abcdee')];
    expect(twinsOf(list as never, 4)).toEqual([null, null, { name: 'a', bits: 1 }]);
    expect(names(seen({}, { twin: { name: 'a', bits: 1 } }))).toEqual(['twin']);
  });

  test('the same thing in another colour is no double, one that is a little brighter is', () => {
    // A grid of 8 × 8 cells: L* 90 all over, but for one of a mug's.
    const cells = (light: string, a: string) => '5a8080'.repeat(27) + light + a + '80' + '5a8080'.repeat(36);
    const photo = (name: string, own?: string) => ({ name, width: 1, height: 1, hasAlpha: false, sight: sight({ hash: '0123456789abcdef', ...(own && { cells: own }) }) }); // prettier-ignore
    const [mug, brighter, red] = [cells('32', '80'), cells('38', '80'), cells('32', 'b0')];
    const twins = (...all: object[]) => twinsOf(all as never, 4).map((twin) => twin?.name ?? null);
    expect(twins(photo('mug', mug), photo('red', red), photo('brighter', brighter))).toEqual([null, null, 'mug']);
    // What was seen before colours were kept is compared without them.
    expect(twins(photo('mug', mug), photo('old'))).toEqual([null, 'mug']);
  });

  test('a border too faint on its backdrop is told with its contrast (WCAG 2.2 §1.4.11), one further in is not', () => {
    const faint = (align: string, paint: string) =>
      names(seen(), {}, { backdrop: '#ffffff', borders: [{ width: 8, align, paint }] });
    expect(faint('outside', '#959595')).toEqual(['faint']);
    expect(faint('outside', '#949494')).toEqual([]);
    expect(faint('inside', '#eeeeee')).toEqual(['faint']);
    const within = { backdrop: '#ffffff', borders: [{ width: 8, gap: 20, paint: '#eeeeee' }] };
    expect(names(seen(), {}, within)).toEqual([]);
  });

  test('a shadow alone has to set the cutout off by itself; a border along the edge does it for both', () => {
    const shadow = { blur: 10, color: '#000000' };
    const faint = (opacity: number, more: object = {}) =>
      bench({}, { backdrop: '#ffffff', shadows: [{ ...shadow, opacity }], ...more })
        .check(seen())
        .map((f) => f.brief);
    // Black of 35 % on white is #a6a6a6, 2.44 : 1; #949494, 42 %, is the first grey with 3 : 1.
    expect(faint(0.35)).toEqual(['faint shadow']);
    expect(faint(0.42)).toEqual([]);
    expect(faint(0.35, { borders: [{ align: 'outside', paint: '#000000' }] })).toEqual([]);
  });

  test('a feather that washes out the thinnest part is told with the place, one outside is not', () => {
    const ring = { kind: 'ring', thickness: 0.1, box: { cx: 540, cy: 540, width: 900, height: 900 } };
    const found = (feather: number, featherSide: string) =>
      bench({ rule: 'middle', size: null }, { shape: ring, edge: { feather, featherSide } })
        .check(seen())
        .filter(({ check }) => check !== 'cut')
        .map((f) => f.message);
    expect(found(30, 'inside')[0]).toMatch(/^the feather washes out the shape’s thinnest part, 4[45]\.?\d* px wide at/);
    expect(found(20, 'inside')).toEqual([]);
    expect(found(50, 'centre')).toHaveLength(1);
    expect(found(40, 'centre')).toEqual([]);
    expect(found(50, 'outside')).toEqual([]);
  });

  test('a rough edge makes the thinnest part narrower by as much as it goes to either side', () => {
    const ring = { kind: 'ring', thickness: 0.1, box: { cx: 540, cy: 540, width: 900, height: 900 } };
    const width = (fields: object) =>
      thinnest(parseTemplate({ wobrel: 1, name: 'T', shape: ring, edge: { rounding: 2, ...fields } }))!.width;
    for (const kind of ['wobble', 'waves', 'scallops', 'deckled', 'torn'])
      expect(width({}) - width({ rough: { kind, amount: 9, size: 12 } })).toBeCloseTo(18, 6);
    // No further than a wave is long.
    expect(width({}) - width({ rough: { kind: 'torn', amount: 9, size: 5 } })).toBeCloseTo(10, 6);
    expect(width({ rough: { kind: 'torn', amount: 100, size: 100 } })).toBe(0);
  });

  test('a photo whose border shows in the feather is told, and enlarged by its mend', () => {
    const edge = { feather: 40, featherSide: 'outside' };
    const shape = { kind: 'circle', box: { cx: 540, cy: 540, width: 800, height: 800 } };
    const { check, mend, place } = bench({ rule: 'middle', size: null, gap: 'leave' }, { edge, shape });
    // The rule covers all that shows; by hand it is made as small as the circle itself, 800 of 1000.
    const small = seen({}, { adjustment: { x: 0, y: 0, scale: 800 / 1000 + 1e-6, angle: 0 } });
    expect(place(seen()).fadeGap).toBe(0);
    const [finding, ...others] = check(small);
    expect(others).toEqual([]);
    expect(finding).toMatchObject({ check: 'fade', brief: 'border in the fade' });
    expect(finding!.value).toBeCloseTo(place(small).fadeGap, 12);
    const mended = { ...(small as object), ...mend(small, 'fade') } as never;
    expect(check(mended)).toEqual([]);
  });

  test('a border that fills the thinnest part of the shape is told with the place', () => {
    const ring = { kind: 'ring', thickness: 0.1, box: { cx: 540, cy: 540, width: 900, height: 900 } };
    const found = bench({ rule: 'middle', size: null }, { shape: ring, borders: [{ width: 30 }] }).check(seen());
    expect(found.map((f) => f.check)).toEqual(['fine']);
    expect(found[0]!.message).toMatch(/thinnest part, 4[45]\.?\d* px wide at/);
  });

  test('a border in a colour out of the photo is held against its backdrop photo by photo (WCAG 2.2 §1.4.11)', () => {
    const borders = [{ align: 'outside', width: 8, paint: { kind: 'picked', from: 'subject', tone: 'main' } }];
    const tones = (main: string) => ({ main, light: main, dark: main, vivid: main });
    const found = (main: string | null, backdrop: object | string | null = '#ffffff') =>
      bench({ rule: 'middle', size: null }, { backdrop, borders })
        .check(
          seen(
            main === null ? {} : { palette: { subject: tones(main), ground: tones('#ffffff'), photo: tones(main) } },
          ),
        )
        .filter(({ check }) => check.startsWith('faint'));
    expect(found('#b0b0b0')).toMatchObject([{ check: 'faint-picked', about: 'photo', brief: 'faint border' }]);
    // #767676 on white is 4.54 : 1, #949494 3.03 : 1, #959595 2.99 : 1 (WCAG 2.2's relative luminance).
    expect(found('#949494')).toEqual([]);
    expect(found('#959595')[0]!.message).toContain('has a contrast of 2.99 : 1');
    expect(found(null)).toEqual([]);
    expect(found('#b0b0b0', null)).toEqual([]);
    // Both out of the photo: grey on its white ground.
    expect(found('#b0b0b0', { kind: 'picked', from: 'ground' })).toHaveLength(1);
    expect(found('#303030', { kind: 'picked', from: 'ground' })).toEqual([]);
  });

  test('an outline that would run across itself is told with how far it is bent', () => {
    const pins = (to: number) => [[0, 0.5, 0], [0.5, 0.5, 0.5], [1, 0.5, to]].map(([x, y, u]) => ({ from: [x, y], to: [u, y] })); // prettier-ignore
    const found = (to: number) =>
      bench({ rule: 'middle', size: null, gap: 'leave' }, { edge: { pins: [...pins(to), { from: [0.5, 0], to: [0.5, 0] }, { from: [0.5, 1], to: [0.5, 1] }] } }) // prettier-ignore
        .check(seen())
        .find(({ check }) => check === 'bent');
    expect(found(1.1)).toBeUndefined();
    const border = {
      width: 4,
      pins: [...pins(-0.5), { from: [0.5, 0], to: [0.5, 0] }, { from: [0.5, 1], to: [0.5, 1] }],
    };
    const ofBorder = bench({ rule: 'middle', size: null, gap: 'leave' }, { borders: [{ width: 3 }, border] })
      .check(seen())
      .find(({ check }) => check === 'bent');
    expect(ofBorder!.message).toMatch(/^border 2 is bent/);
    expect(found(-0.5)!.message).toMatch(/^the outline is bent \d[\d.]* % of the way that its pins say: further, it would run across itself at -?\d+, -?\d+ px$/); // prettier-ignore
  });

  test('medians are those of the batch', () => {
    const template = parseTemplate({ wobrel: 1, name: 'T', centring: { rule: 'subject', size: 0.6, gap: 'leave' } });
    const photos = [10, 30, 20].map((sharpness) =>
      seen({ sharpness, brightness: sharpness / 100, lightest: sharpness / 100 }),
    );
    expect(meansOf(template, photos)).toEqual({
      sharpness: 20,
      brightness: 0.2,
      lightest: 0.2,
      size: expect.closeTo(0.6, 9),
    });
  });
});
