import fc from 'fast-check';
import { parseTemplate } from '../template';
import { coverage } from '../raster';
import { flatten } from '../shape';
import { templateOutline } from '../template';
import {
  closingAdjustment,
  enlargement,
  inFrame,
  inPhoto,
  placer,
  spotOf,
  turned,
  type PhotoToPlace,
  type Placed,
} from '.';
import { coverScale, covers, pinnedScale, shiftedCentre } from './cover';
import { uncoveredShare } from './gap';
import { pixelRect } from './pixel-rect';
import type { Bounds } from './placement';

const side = fc.integer({ min: 1, max: 9000 });
const position = fc.double({ min: -500, max: 1500, noNaN: true });
const length = fc.double({ min: 1, max: 2000, noNaN: true });
const boundsOf = (left: number, top: number, width: number, height: number): Bounds => [
  left,
  top,
  left + width,
  top + height,
];

const sees = (box: readonly [number, number, number, number], eyes = [[0.4, 0.4], [0.6, 0.4]]) => ({
  version: 1,
  faces: [{ box, eyes, score: 0.9 }],
  subject: { box, centroid: [0.5, 0.5], area: box[2] * box[3], confidence: 0.9, count: 1 },
  ground: { colour: '#cccccc', plain: 1 },
  sharpness: 100,
  contrast: 100,
  brightness: 0.5,
  hash: '0000000000000000',
}) as unknown as NonNullable<PhotoToPlace['sight']>; // prettier-ignore

const shapes = [
  { kind: 'circle' },
  { kind: 'rectangle', box: { cx: 500, cy: 600, width: 900, height: 300, angle: 0 } },
  { kind: 'polygon', sides: 5, box: { cx: 600, cy: 500, width: 700, height: 700, angle: 13 } },
  { kind: 'heart', box: { cx: 500, cy: 560, width: 400, height: 800, angle: -30 } },
];

/** Templates, photos with a subject somewhere in them, and adjustments. */
const scenes = fc.record({
  shape: fc.constantFrom(...shapes),
  photo: fc.record({ width: fc.integer({ min: 200, max: 6000 }), height: fc.integer({ min: 200, max: 6000 }) }),
  left: fc.double({ min: 0, max: 0.7, noNaN: true }),
  top: fc.double({ min: 0, max: 0.7, noNaN: true }),
  extent: fc.double({ min: 0.05, max: 0.3, noNaN: true }),
  size: fc.option(fc.double({ min: 0.1, max: 1.5, noNaN: true })),
  at: fc.tuple(fc.double({ min: 0.2, max: 0.8, noNaN: true }), fc.double({ min: 0.2, max: 0.8, noNaN: true })),
  angle: fc.oneof(fc.constant(0), fc.double({ min: -180, max: 180, noNaN: true })),
  mirror: fc.boolean(),
  centre: fc.constantFrom('box', 'area', 'visual'),
});
type Scene = typeof scenes extends fc.Arbitrary<infer T> ? T : never;

const templateOf = ({ shape, size, at, angle, mirror, centre }: Scene, fields: object) =>
  parseTemplate({
    wobrel: 1,
    name: 'T',
    shape,
    centring: { rule: 'subject', size, at, angle, mirror, centre, ...fields },
  });
const photoOf = ({ photo, left, top, extent }: Scene): PhotoToPlace => ({
  ...photo,
  sight: sees([left, top, extent, extent]),
});

/** The shape's bounds and the photo's centre in the photo's own axes. */
function inAxes(template: ReturnType<typeof parseTemplate>, placed: Placed) {
  const points = flatten(templateOutline(template), 1)
    .flat()
    .map((p) => turned(p, -placed.angle));
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const bounds: Bounds = [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
  return { bounds, centre: turned([placed.x, placed.y], -placed.angle) };
}

describe('covering', () => {
  test('pinned: covers, and a hair less would not', () => {
    fc.assert(
      fc.property(
        side,
        side,
        position,
        position,
        length,
        length,
        fc.double({ min: -0.45, max: 0.45, noNaN: true }),
        (width, height, left, top, w, h, t) => {
          const [photo, bounds] = [{ width, height }, boundsOf(left, top, w, h)];
          const [from, spot] = [
            [width * t, -height * t],
            [left + w / 3, top + h / 2],
          ] as const;
          const scale = pinnedScale(photo, from, spot, bounds)!;
          const at = (k: number) => [spot[0] - from[0] * k, spot[1] - from[1] * k] as const;
          expect(covers(photo, scale, at(scale), bounds)).toBe(true);
          expect(covers(photo, scale * 0.9999, at(scale * 0.9999), bounds)).toBe(false);
        },
      ),
    );
  });

  test('a point on the photo’s edge can’t be pinned', () => {
    expect(pinnedScale({ width: 100, height: 100 }, [50, 0], [5, 5], [0, 0, 10, 10])).toBeNull();
  });

  test('shifted: covers, and no nearer centre does (against a brute-force search)', () => {
    fc.assert(
      fc.property(
        side,
        side,
        position,
        position,
        length,
        length,
        position,
        position,
        fc.double({ min: 1, max: 3, noNaN: true }),
        (width, height, left, top, w, h, x, y, more) => {
          const [photo, bounds] = [{ width, height }, boundsOf(left, top, w, h)];
          const scale = coverScale(photo, bounds) * more;
          const centre = shiftedCentre(photo, scale, [x, y], bounds);
          expect(covers(photo, scale, centre, bounds)).toBe(true);
          const far = Math.hypot(centre[0] - x, centre[1] - y);
          for (let i = 0; i < 36; i++) {
            const [dx, dy] = turned([far * 0.99, 0], i * 10);
            // A shift of nothing has nothing nearer.
            if (far > 1e-6) expect(covers(photo, scale, [x + dx, y + dy], bounds)).toBe(false);
          }
        },
      ),
    );
  });
});

describe('rules', () => {
  test('enlarge leaves no gap, keeps the subject on its spot, and is the least that does', () => {
    fc.assert(
      fc.property(scenes, (scene) => {
        const template = templateOf(scene, { gap: 'enlarge' });
        const placed = placer(template)(photoOf(scene));
        expect(placed.gap).toBe(0);
        expect(Math.hypot(...placed.subject!.off)).toBeLessThan(1e-9);
        if (placed.used !== 'enlarged') return;
        expect(placed.by).toBeGreaterThanOrEqual(1 - 1e-9);
        const { bounds, centre } = inAxes(template, placed);
        const spot = turned(spotOf(template), -placed.angle);
        const k = 0.999;
        const nearer = [spot[0] + (centre[0] - spot[0]) * k, spot[1] + (centre[1] - spot[1]) * k] as const;
        expect(covers(photoOf(scene), placed.scale * k, nearer, bounds)).toBe(false);
      }),
    );
  });

  test('shift leaves no gap and does not enlarge beyond what covers at all', () => {
    fc.assert(
      fc.property(scenes, (scene) => {
        const template = templateOf(scene, { gap: 'shift' });
        const photo = photoOf(scene);
        const placed = placer(template)(photo);
        expect(placed.gap).toBe(0);
        const { bounds } = inAxes(template, placed);
        const box = template.shape.box;
        const longest = Math.max((scene.extent * photo.width) / box.width, (scene.extent * photo.height) / box.height);
        const wanted = scene.size === null ? 0 : scene.size / longest;
        expect(placed.scale / Math.max(wanted, coverScale(photo, bounds))).toBeCloseTo(1, 9);
        if (placed.used === 'none') expect(Math.hypot(...placed.subject!.off)).toBeLessThan(1e-9);
      }),
    );
  });

  test('extend and leave keep size and spot; the gap’s share is what a count of pixels finds', () => {
    fc.assert(
      fc.property(scenes, fc.constantFrom('extend', 'leave'), (scene, gap) => {
        const template = templateOf(scene, { gap });
        const photo = photoOf(scene);
        const placed = placer(template)(photo);
        expect(Math.hypot(...placed.subject!.off)).toBeLessThan(1e-9);
        if (scene.size !== null) expect(placed.subject!.size).toBeCloseTo(scene.size, 9);
        const N = 80;
        const mask = coverage(flatten(templateOutline(template), N / 1080), { left: 0, top: 0, width: N, height: N });
        let [all, missed] = [0, 0];
        for (let y = 0; y < N; y++)
          for (let x = 0; x < N; x++)
            for (const [dx, dy] of [[0.25, 0.25], [0.75, 0.25], [0.25, 0.75], [0.75, 0.75]] as const) {
              const share = mask[y * N + x]!;
              all += share;
              const [px, py] = inPhoto(placed, photo, [((x + dx) * 1080) / N, ((y + dy) * 1080) / N]);
              if (px < 0 || py < 0 || px > photo.width || py > photo.height) missed += share;
            } // prettier-ignore
        expect(Math.abs(placed.gap - missed / all)).toBeLessThan(0.01);
      }),
      { numRuns: 40 },
    );
  });

  test('whatever was moved by hand, closing the gap leaves none', () => {
    fc.assert(
      fc.property(
        scenes,
        fc.double({ min: -0.5, max: 0.5, noNaN: true }),
        fc.double({ min: -0.5, max: 0.5, noNaN: true }),
        fc.double({ min: 0.4, max: 2, noNaN: true }),
        fc.double({ min: -20, max: 20, noNaN: true }),
        (scene, x, y, scale, angle) => {
          const template = templateOf(scene, { gap: 'enlarge' });
          const photo = { ...photoOf(scene), adjustment: { x, y, scale, angle } };
          const adjustment = closingAdjustment(template, photo)!;
          expect(placer(template)({ ...photo, adjustment }).gap).toBeLessThan(1e-6);
        },
      ),
    );
  });

  test('an adjustment by hand survives another frame and another shape’s size in proportion', () => {
    const photo = { width: 3000, height: 2000, adjustment: { x: 0.1, y: -0.05, scale: 1.2, angle: 5 } };
    const at = (k: number) =>
      placer(parseTemplate({ wobrel: 1, name: 'T', frame: { width: 1000 * k, height: 1000 * k } }))(photo);
    const [small, large] = [at(1), at(3)];
    expect(large.x / small.x).toBeCloseTo(3, 5);
    expect(large.y / small.y).toBeCloseTo(3, 5);
    expect(large.scale / small.scale).toBeCloseTo(3, 5);
    expect(large.angle).toBe(5);
  });

  test('eyes are made level and put on their line, mirrored or not', () => {
    for (const mirror of [false, true]) {
      const photo = { width: 1000, height: 1200, sight: sees([0.3, 0.3, 0.4, 0.35], [[0.4, 0.42], [0.6, 0.38]]) }; // prettier-ignore
      const centring = { rule: 'face', straighten: 'eyes', at: [0.5, 0.42], size: 0.5, measure: 'height', mirror };
      const template = parseTemplate({ wobrel: 1, name: 'T', centring });
      const placed = placer(template)(photo);
      const eyes = [[400, 504], [600, 456]].map((p) => inFrame(placed, photo, p as unknown as [number, number])); // prettier-ignore
      expect(eyes[0]![1]).toBeCloseTo(eyes[1]![1], 6);
      expect(eyes[0]![1]).toBeCloseTo(60 + 0.42 * 960, 6);
      expect((eyes[0]![0] + eyes[1]![0]) / 2).toBeCloseTo(540, 6);
    }
  });

  test('left to each photo, a clear face goes first, then the subject, then the middle; by hand goes before all', () => {
    const template = (rule: string) =>
      parseTemplate({ wobrel: 1, name: 'T', centring: { rule, gap: 'leave', size: 0.5 } });
    const seen = sees([0.2, 0.3, 0.3, 0.4]);
    const photo = { width: 1000, height: 1000, sight: seen };
    const faint = { ...photo, sight: { ...seen, faces: [{ ...seen.faces[0]!, score: 0.5 }] } };
    const far = { ...photo, sight: { ...seen, faces: [{ ...seen.faces[0]!, box: [0.2, 0.3, 0.04, 0.05] as const }] } };
    const nothing = { ...photo, sight: { ...seen, faces: [], subject: null } };
    const auto = placer(template('auto'));
    const where = ({ x, y, scale, rule }: Placed) => [x, y, scale, rule];
    expect(where(auto(photo as PhotoToPlace))).toEqual(where(placer(template('face'))(photo as PhotoToPlace)));
    for (const other of [faint, far] as unknown as PhotoToPlace[])
      expect(where(auto(other))).toEqual(where(placer(template('subject'))(other)));
    expect(auto(nothing as unknown as PhotoToPlace)).toMatchObject({ rule: 'middle', subject: null, x: 540, y: 540 });
    const pointed = { ...photo, handSubject: { point: [0.9, 0.9] } } as unknown as PhotoToPlace;
    expect(auto(pointed)).toMatchObject({ rule: 'subject', subject: { source: 'hand' } });
  });

  test('several faces as a group: their common box lies on the spot, its eyes on the spot’s height', () => {
    const face = (left: number, eyes: number, score: number) => ({
      box: [left, 0.3, 0.1, 0.15] as const,
      eyes: [[left + 0.03, eyes], [left + 0.07, eyes]] as const,
      score,
    }); // prettier-ignore
    const sight = { ...sees([0, 0, 1, 1]), faces: [face(0.2, 0.35, 0.95), face(0.6, 0.39, 0.8)] };
    const photo = { width: 1000, height: 1000, sight } as unknown as PhotoToPlace;
    const by = (faces: string) =>
      placer(parseTemplate({ wobrel: 1, name: 'T', centring: { rule: 'face', faces, size: 0.5, gap: 'leave' } }))(
        photo,
      );
    const group = by('group');
    expect(inPhoto(group, photo, [540, 540])).toEqual([450, 370].map((v) => expect.closeTo(v, 6)));
    expect(group.subject).toMatchObject({ size: expect.closeTo(0.5, 9), count: 1, confidence: 0.8 });
    expect(group.scale).toBeCloseTo((0.5 * 960) / 500, 9);
    expect(inPhoto(by('clearest'), photo, [540, 540])[0]).toBeCloseTo(250, 6);
    // A single face is the same either way.
    const alone = { ...photo, sight: { ...sight, faces: sight.faces.slice(0, 1) } } as unknown as PhotoToPlace;
    const template = (faces: string) => parseTemplate({ wobrel: 1, name: 'T', centring: { rule: 'face', faces } });
    expect(placer(template('group'))(alone)).toEqual(placer(template('clearest'))(alone));
  });

  test('a subject by hand goes before the one that was found; none found falls back to the middle', () => {
    const template = parseTemplate({ wobrel: 1, name: 'T', centring: { rule: 'subject', gap: 'leave', size: 0.5 } });
    const place = placer(template);
    const photo = { width: 1000, height: 1000, sight: sees([0.1, 0.1, 0.2, 0.2]) };
    expect(place(photo).subject!.source).toBe('found');
    const byHand = place({ ...photo, handSubject: { box: [0.6, 0.6, 0.1, 0.1] } });
    expect(inPhoto(byHand, photo, [540, 540])).toEqual([650, 650].map((v) => expect.closeTo(v, 6)));
    expect(place({ width: 1000, height: 1000 })).toMatchObject({ subject: null, x: 540, y: 540 });
    // One found like others that were pointed at is as sure as the finder was.
    const alike = place({ ...photo, handSubject: { box: [0.6, 0.6, 0.1, 0.1], alike: 0.3 } });
    expect(alike).toMatchObject({ x: byHand.x, y: byHand.y, subject: { source: 'alike', confidence: 0.3 } });
  });
});

test('the share that a rectangle leaves out of a square is exact', () => {
  const square = [[[0, 0], [10, 0], [10, 10], [0, 10]]] as const; // prettier-ignore
  expect(uncoveredShare(square, [-1, 2.5, 99, 99])).toBeCloseTo(0.25, 12);
  expect(uncoveredShare(square, [20, 0, 30, 10])).toBe(1);
  expect(uncoveredShare(square, [0, 0, 10, 10])).toBe(0);
});

test('frame and photo are mapped to each other and back', () => {
  fc.assert(
    fc.property(
      position,
      position,
      fc.double({ min: -360, max: 360, noNaN: true }),
      fc.boolean(),
      (x, y, angle, mirror) => {
        const placement = { scale: 0.37, angle, x: 400, y: 300, mirror };
        const photo = { width: 1200, height: 700 };
        const back = inPhoto(placement, photo, inFrame(placement, photo, [x, y]));
        expect(Math.hypot(back[0] - x, back[1] - y)).toBeLessThan(1e-6);
      },
    ),
  );
});

test('a 4000 × 3000 photo behind a circle of 960 in a frame of 1080 fills it by its height', () => {
  const place = placer(parseTemplate({ wobrel: 1, name: 'test' }));
  const placement = place({ width: 4000, height: 3000 });
  expect(placement.scale).toBeCloseTo(0.32, 6);
  expect(placement).toMatchObject({ angle: 0, x: 540, y: 540, mirror: false, gap: 0, used: 'none' });
  expect(enlargement(placement, 2)).toBeCloseTo(0.64, 6);
});

test('in pixels the photo covers every pixel shown and stays within one pixel of the exact place', () => {
  fc.assert(
    fc.property(
      side,
      side,
      position,
      position,
      length,
      length,
      fc.double({ min: 0.05, max: 4, noNaN: true }),
      (width, height, left, top, w, h, k) => {
        const bounds = boundsOf(left, top, w, h);
        const placement = {
          scale: coverScale({ width, height }, bounds),
          angle: 0,
          x: left + w / 2,
          y: top + h / 2,
          mirror: false,
        };
        // Pixels of which more than a trace is covered.
        const first = (v: number) => Math.floor(v * k + 1e-5);
        const last = (v: number) => Math.ceil(v * k - 1e-5);
        const shown = {
          left: first(left),
          top: first(top),
          width: last(left + w) - first(left),
          height: last(top + h) - first(top),
        };
        const rect = pixelRect({ width, height }, placement, k, shown);
        expect(rect.left).toBeLessThanOrEqual(shown.left);
        expect(rect.top).toBeLessThanOrEqual(shown.top);
        expect(rect.left + rect.width).toBeGreaterThanOrEqual(shown.left + shown.width);
        expect(rect.top + rect.height).toBeGreaterThanOrEqual(shown.top + shown.height);
        const exact = placement.x * k - (width * placement.scale * k) / 2;
        expect(Math.abs(rect.left - exact)).toBeLessThanOrEqual(1 + 1e-6);
      },
    ),
  );
});

describe('around a window', () => {
  const window = (centring: object, shape: object = {}) =>
    parseTemplate({
      wobrel: 1,
      name: 'T',
      frame: { width: 1000, height: 500 },
      shape: { kind: 'circle', box: { cx: 800, cy: 200, width: 300, height: 300 }, ...shape },
      mode: 'window',
      centring,
    });

  test('the photo covers the frame, wherever the shape is', () => {
    const photo = { width: 3000, height: 1000 };
    const placed = placer(window({}))(photo);
    expect(placed).toMatchObject({ scale: 0.5, x: 500, y: 250, gap: 0, used: 'none' });
    expect(spotOf(window({ at: [0.25, 0.5] }))).toEqual([250, 250]);
  });

  test('a subject is measured by the frame', () => {
    const sight = {
      faces: [],
      subject: { box: [0.4, 0.4, 0.1, 0.2], centroid: [0.45, 0.5], area: 0.02, confidence: 1, count: 1 },
    };
    const photo = { width: 2000, height: 1000, sight } as unknown as PhotoToPlace;
    const template = window({ rule: 'subject', size: 0.4, measure: 'height', at: [0.3, 0.5] });
    const { subject, scale } = placer(template)(photo);
    // 200 pixels are 0.4 of 500 units.
    expect(scale).toBeCloseTo(1, 6);
    expect([subject!.x, subject!.y]).toEqual([expect.closeTo(300), expect.closeTo(250)]);
    expect(subject!.size).toBeCloseTo(0.4, 6);
  });
});
