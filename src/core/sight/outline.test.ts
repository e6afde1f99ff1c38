import { edgesOf } from './edges';
import { firstLook } from './look';
import { enclosed } from './outline';

const [W, H] = [96, 80];

/** A plane from a function of the pixel's middle. */
const plane = (of: (x: number, y: number) => number) =>
  Float32Array.from({ length: W * H }, (_, i) => of((i % W) + 0.5, Math.floor(i / W) + 0.5));
const size = { width: W, height: H };
const none = new Float32Array(W * H);
const lab = (l: Float32Array, a = none, b = none) => ({ l, a, b, ...size });
/** No pixel unlike the ground. */
const alike = { unshaded: none, lighter: none };
const nothing = new Uint8Array(W * H);
const sum = (mask: Uint8Array) => mask.reduce((n, v) => n + v, 0);
const at = (x: number, y: number) => y * W + x;

describe('edges by Sobel’s operator', () => {
  test('an even slope is as steep everywhere, its rim too, whichever way it leads', () => {
    for (const [dx, dy] of [
      [0.3, 0],
      [0, -0.7],
      [0.3, 0.4],
    ] as const)
      expect(
        edgesOf(lab(plane((x, y) => dx * x + dy * y))).filter((edge) => !(Math.abs(edge - Math.hypot(dx, dy)) < 5e-5)),
      ).toHaveLength(0);
  });

  test('a step is half as steep as high on both its sides, and a step of colour counts half', () => {
    const step = plane((x) => (x > 40 ? 10 : 0));
    for (const [picture, height] of [
      [lab(step), 5],
      [lab(none, none, step), 2.5],
    ] as const) {
      const edges = edgesOf(picture);
      expect([38, 39, 40, 41].map((x) => edges[at(x, 30)])).toEqual([0, height, height, 0]);
    }
  });
});

describe('what an outline holds', () => {
  const RADIUS = 24;
  /** A ring of one pixel and a half around the middle, open to the right by so many pixels. */
  const ring = (gap: number) =>
    edgesOf(
      lab(
        plane((x, y) => {
          const [dx, dy] = [x - W / 2, y - H / 2];
          if (dx > 0 && Math.abs(dy) < gap / 2) return 80;
          return Math.abs(Math.hypot(dx, dy) - RADIUS) < 1 ? 60 : 80;
        }),
      ),
    );
  /** Sure of the disc's middle only. */
  const core = Uint8Array.from(plane((x, y) => (Math.hypot(x - W / 2, y - H / 2) < 12 ? 1 : 0)));

  test('a disc as pale as its ground is found whole, within 3 % of its area', () => {
    const { inside, outside } = enclosed(ring(0), size, core, alike);
    expect(Math.abs(sum(inside) / (Math.PI * RADIUS ** 2) - 1)).toBeLessThan(0.03);
    expect([outside[at(0, 0)], outside[at(W / 2, H / 2)]]).toEqual([1, 0]);
  });

  test('a gap of five pixels is no way in; one of twelve is', () => {
    expect(enclosed(ring(5), size, core, alike).outside[at(W / 2, 26)]).toBe(0);
    expect(enclosed(ring(12), size, core, alike).outside[at(W / 2, 26)]).toBe(1);
  });

  test('without anything surely subject or lighter in it, it is ground', () => {
    expect(sum(enclosed(ring(0), size, nothing, alike).inside)).toBe(0);
    const lighter = plane((x, y) => (Math.hypot(x - W / 2, y - H / 2) < RADIUS ? 2 : 0));
    expect(sum(enclosed(ring(0), size, nothing, { unshaded: none, lighter }).inside)).toBeGreaterThan(
      0.97 * Math.PI * RADIUS ** 2,
    );
  });

  test('a region goes to the side with the lower edge, and both meet on the ridge', () => {
    // Subject up to 30, an unknown band up to 60, ground beyond.
    const bandBy = (left: number, right: number) => {
      const edges = edgesOf(lab(plane((x) => (x > 60 ? left + right : x > 30 ? left : 0))));
      const sure = Uint8Array.from(plane((x, y) => (x < 29 && y > 4 && y < H - 4 ? 1 : 0)));
      // Its upper and lower sides are closed by sharp edges.
      edges.forEach((_, i) => (Math.floor(i / W) < 4 || Math.floor(i / W) > H - 5) && i % W < 60 && (edges[i] = 30));
      return enclosed(edges, size, sure, alike).inside;
    };
    expect(bandBy(20, 6)[at(45, 40)]).toBe(0);
    const wide = bandBy(6, 20);
    expect([29, 45, 59, 60].map((x) => wide[at(x, 40)])).toEqual([1, 1, 1, 0]);
  });
});

describe('a dark region that only a low edge parts from the subject', () => {
  /** Subject from 20 to 50 and 10 to 60; the dark region beside it from `top` down to 70, with sharp edges elsewhere. */
  const beside = (top: number) => {
    const dark = (x: number, y: number) => x > 51 && x < 80 && y > top && y < 70;
    const edges = plane((x, y) => {
      if (x > 50 && x < 51 && y > top && y < 60) return 2;
      if (x > 50 && x < 82 && y > top - 2 && y < 72 && !dark(x, y)) return 20;
      return 0;
    });
    const sure = Uint8Array.from(plane((x, y) => (x > 20 && x < 50 && y > 10 && y < 60 ? 1 : 0)));
    const tones = { unshaded: plane((x, y) => (dark(x, y) ? 1.2 : 0)), lighter: plane((x, y) => (dark(x, y) ? -20 : 0)) }; // prettier-ignore
    return enclosed(edges, size, sure, tones).inside[at(65, 50)];
  };

  test('is its shadow where it lies at its foot', () => expect(beside(40)).toBe(0));

  test('is its dark side where it reaches up to its rim', () => expect(beside(11)).toBe(1));
});

describe('seen in a picture', () => {
  /** 240 × 180 of a colour for every pixel. */
  const picture = (of: (x: number, y: number) => number[]) => {
    const rgb = new Uint8Array(240 * 180 * 3);
    for (let i = 0; i < 240 * 180; i++) rgb.set(of((i % 240) + 0.5, Math.floor(i / 240) + 0.5), i * 3);
    return { rgb, width: 240, height: 180 };
  };
  const box = (raster: ReturnType<typeof picture>) => {
    const [l, t, w, h] = firstLook(raster).subject!.box;
    return [l * 240, t * 180, (l + w) * 240, (t + h) * 180].map(Math.round);
  };
  const within = (got: number[], wanted: number[], pixels: number) =>
    got.forEach((v, i) => expect(Math.abs(v - wanted[i]!)).toBeLessThanOrEqual(pixels));

  test('a white pot, lit from one side on pale paper, is found from its lit side to its shaded one', () => {
    const pot = picture((x, y) => {
      if (Math.abs(x - 130) > 40 || Math.abs(y - 90) > 50) return [226, 224, 220];
      const shade = 246 - Math.max(0, (x - 120) / 50) * 90;
      return [shade, shade, shade];
    });
    within(box(pot), [90, 40, 170, 140], 1);
  });

  test('a black pot on grey paper is not taken for shadow', () => {
    within(box(picture((x, y) => (Math.hypot(x - 100, y - 80) < 45 ? [30, 30, 30] : [170, 170, 170]))), [55, 35, 145, 125], 1); // prettier-ignore
  });

  test('a soft shadow beside a red pot is left out', () => {
    const pot = picture((x, y) => {
      if (Math.hypot(x - 100, y - 80) < 45) return [150, 40, 40];
      const shadow = Math.max(0, 1 - Math.hypot((x - 130) / 60, (y - 115) / 22));
      const v = 220 * (1 - 0.5 * Math.min(1, 2 * shadow));
      return [v, v, v];
    });
    within(box(pot), [55, 35, 145, 125], 2);
  });

  /** A bowl's outline: the lower half of an ellipse below the upper half of a flat one. */
  const inBowl = (x: number, y: number) => Math.hypot((x - 110) / 60, (y - 80) / (y > 80 ? 40 : 16)) < 1;

  test('the deep shadow at a bowl’s foot, soft only further away, is left out, though it touches the bowl', () => {
    const bowl = picture((x, y) => {
      // Its right side is nearly as dark as the shadow, and nearly of its colour.
      const side = Math.min(1, Math.max(0, (x - 60) / 90));
      if (inBowl(x, y)) return [170 - 8 * side, 70 + 80 * side, 55 + 85 * side];
      const depth = Math.min(1, Math.max(0, (1 - Math.hypot((x - 140) / 66, (y - 108) / 28)) * 3));
      return [226, 222, 216].map((v) => v * (1 - 0.34 * depth));
    });
    within(box(bowl), [50, 64, 170, 120], 2);
  });

  test('a sweep that bends from table to wall is no subject, and no edge of one', () => {
    const bend = (y: number) => 214 + 14 / (1 + Math.exp((y - 70) / 6));
    const pot = picture((x, y) => (Math.hypot(x - 120, y - 90) < 30 ? [96, 120, 110] : [bend(y), bend(y), bend(y)]));
    within(box(pot), [90, 60, 150, 120], 1);
    expect(firstLook(pot).ground.plain).toBeGreaterThan(0.99);
  });

  test('a pot of exactly the ground’s colour is found by its dark outline, beyond the foot that alone is unlike it', () => {
    const pot = picture((x, y) => {
      const [dx, dy] = [Math.abs(x - 120), Math.abs(y - 90)];
      if (dx > 40 || dy > 55) return [228, 228, 228];
      if (y > 133) return [92, 60, 40];
      return dx > 37 || dy > 52 ? [120, 120, 120] : [228, 228, 228];
    });
    within(box(pot), [80, 35, 160, 145], 1);
  });

  test('two pots are one subject and another', () => {
    const pots = picture((x, y) => (Math.min(Math.hypot(x - 60, y - 90), Math.hypot(x - 180, y - 90)) < 35 ? [40, 70, 120] : [220, 220, 220])); // prettier-ignore
    expect(firstLook(pots).subject!.count).toBe(2);
  });

  test('an even picture has no subject', () => {
    expect(firstLook(picture(() => [210, 208, 204])).subject).toBeNull();
  });
});
