/** The makers' portraits: a head and shoulders modelled from blended solids. */
import type { Surface } from './glaze';
import type { Thing } from './pots';
import { between, fractal, noise, pick, type Random } from './random';
import { capsule, clamp, ellipsoid, linear, mix, scale, smooth, smoothMin, type Vec3 } from './vector';

const SKINS = ['#d9a684', '#c9926c', '#b97f58', '#9a6442', '#7a4a30', '#5e3826', '#dcae90', '#ab7450'];
const HAIRS = ['#1c1512', '#3a241a', '#5d3b22', '#8a5a2e', '#a8783f', '#8d8a86', '#c9c4bb', '#6b2f1c'];
const CLOTHES = ['#3c5a6b', '#6b4a3c', '#54613f', '#2b2f36', '#b9a88c', '#7c3f3a', '#8b8f94', '#d8d2c4'];
const IRISES = ['#4a2f1c', '#5a6b4a', '#48677d', '#33241a'];

/** Skin is less saturated in light than its sRGB swatch suggests. */
const muted = (c: Vec3) => mix(c, scale([1, 1, 1], 0.3 * c[0] + 0.59 * c[1] + 0.11 * c[2]), 0.08);

/** Features drawn by lot; `long` hair reaches the shoulders. */
function featuresOf(random: Random) {
  const style = pick(random, ['short', 'short', 'long', 'long', 'bun', 'bald'] as const);
  return {
    style,
    skin: muted(linear(pick(random, SKINS))),
    hair: linear(pick(random, HAIRS)),
    cloth: linear(pick(random, CLOTHES)),
    apron: random() < 0.6 ? linear(pick(random, CLOTHES)) : null,
    iris: linear(pick(random, IRISES)),
    beard: style === 'short' || style === 'bald' ? (random() < 0.55 ? between(random, 0.4, 1) : 0) : 0,
    glasses: random() < 0.35,
    jaw: between(random, 0.92, 1.08),
    wide: between(random, 0.93, 1.05),
    nose: between(random, 0.85, 1.15),
    smile: between(random, 0.01, 0.05),
    nod: between(random, -0.08, 0.08),
    turn: between(random, -0.32, 0.32),
    seed: random() * 100,
  };
}

/** A head about 2 units tall, its middle at (0, 2.16, 0), on shoulders that run out of the picture below. */
export function bust(random: Random): Thing {
  const f = featuresOf(random);
  const lift = 2.16;
  const [ct, st] = [Math.cos(f.turn), Math.sin(f.turn)];
  const [cn, sn] = [Math.cos(f.nod), Math.sin(f.nod)];
  /** Into the head's own axes: x to its left, y up, z forward. */
  const toHead = (x: number, wy: number, z: number): Vec3 => {
    const y = wy - lift;
    const hx = x * ct - z * st;
    const hz = x * st + z * ct;
    return [hx / f.wide, y * cn + hz * sn, hz * cn - y * sn];
  };

  function skull(p: Vec3): number {
    const [x, y, z] = p;
    const ax = Math.abs(x);
    let d = ellipsoid(x, y - 0.25, z + 0.1, 0.73, 0.8, 0.86);
    d = smoothMin(d, ellipsoid(x, y + 0.3, z - 0.14, 0.61 * f.jaw, 0.7, 0.6), 0.3);
    d = smoothMin(d, Math.hypot(x, y + 0.8, z - 0.38) - 0.22 * f.jaw, 0.25);
    d = smoothMin(d, Math.hypot(ax - 0.36, y + 0.16, z - 0.48) - 0.22, 0.25);
    d = smoothMin(d, capsule([ax, y, z], [0.1, 0.28, 0.72], [0.4, 0.27, 0.56], 0.07, 0.06), 0.14);
    // Eye sockets, taken away smoothly.
    const socket = Math.hypot(ax - 0.29, y - 0.12, z - 0.86) - 0.17;
    d = -smoothMin(-d, socket, 0.16);
    d = smoothMin(d, capsule(p, [0, 0.2, 0.7], [0, -0.16, 0.93 * f.nose ** 0.4], 0.07, 0.105), 0.1);
    d = smoothMin(d, Math.hypot(ax - 0.1 * f.nose, y + 0.2, z - 0.8) - 0.07, 0.08);
    d = smoothMin(d, ellipsoid(x, y + 0.465 - f.smile * ax * ax * 8, z - 0.68, 0.24, 0.045, 0.1), 0.05);
    d = smoothMin(d, ellipsoid(x, y + 0.55 - f.smile * ax * ax * 8, z - 0.67, 0.19, 0.055, 0.1), 0.05);
    return smoothMin(d, ellipsoid(ax - 0.74, y - 0.03, z + 0.08, 0.08, 0.22, 0.14), 0.06);
  }

  const eye = (p: Vec3) => Math.hypot(Math.abs(p[0]) - 0.275, p[1] - 0.12, p[2] - 0.56) - 0.15;
  function lids(p: Vec3): number {
    const opening = Math.abs(p[1] - 0.112) - 0.052 + 0.5 * (Math.abs(p[0]) - 0.275) ** 2 * 6;
    return -smoothMin(-(eye(p) - 0.022), opening, 0.03);
  }

  function torso(x: number, y: number, z: number): number {
    let d = ellipsoid(x, y + 0.15, z + 0.25, 1.62, 0.92, 0.66);
    d = smoothMin(d, ellipsoid(x, y + 1.2, z + 0.25, 1.35, 1.5, 0.62), 0.3);
    d = smoothMin(d, Math.hypot(Math.abs(x) - 1.28, y - 0.1, z + 0.25) - 0.4, 0.3);
    d = smoothMin(d, Math.max(Math.hypot(x / 1.45, (z + 0.25) / 0.7) * 0.7 - 0.68, Math.abs(y + 2) - 2), 0.3);
    return d > 0.1 ? d - 0.03 : d + 0.03 * (fractal(x * 1.6 + f.seed, y * 2.2, z, 3) - 0.5);
  }
  const neck = (x: number, y: number, z: number) => capsule([x, y, z], [0, 1.55, -0.14], [0, 0.7, -0.26], 0.38, 0.46);
  const apronEdge = (x: number, y: number) =>
    f.apron ? Math.min(Math.max(Math.abs(x) - 0.6, y - 0.3), Math.abs(Math.abs(x) - 0.5) - 0.08) : 1;
  const cloth = (x: number, y: number, z: number) => {
    const collar = 0.94 - 0.9 * clamp(z + 0.1) ** 2;
    return Math.max(torso(x, y, z) - 0.035 - (apronEdge(x, y) < 0 && z > 0 ? 0.02 : 0), y - collar - 0.25 * x * x);
  };

  function hair(p: Vec3): number {
    if (f.style === 'bald') return 9;
    const [x, y, z] = p;
    const cap = ellipsoid(x, y - 0.3, z + 0.14, 0.8, 0.84, 0.91);
    const locks = f.style === 'long' ? Math.hypot(x, y + 0.4, z + 0.3) - 1.35 : 9;
    if (Math.min(cap, locks) > 0.2) return Math.min(cap, locks) - 0.1;
    const strands = 0.05 * fractal(x * 6 + f.seed, y * 2, z * 6, 3) + 0.012 * noise(x * 40, y * 6, z * 40);
    // The hairline: above the brow in front, in front of the ear at the side, low at the nape.
    const hairline = 0.66 + 0.05 * Math.sin(x * 3 + f.seed) - 0.4 * x * x + 0.05 * noise(x * 14, 1, 3);
    const temple = 0.16 + 0.06 * noise(y * 9, 2, 1) + 0.25 * clamp(y - 0.3);
    const cut = Math.min(Math.max(z - temple, -9), hairline - y);
    const nape = (f.style === 'short' ? -0.3 : -0.5) - y + 0.35 * clamp(z + 0.2);
    let d = -smoothMin(-(cap - strands), -Math.max(cut, nape), 0.16);
    if (f.style === 'long') {
      const side = ellipsoid(Math.abs(x) - 0.7, y + 0.42, z + 0.22, 0.22, 1.08, 0.4) - strands;
      const back = ellipsoid(x, y + 0.35, z + 0.5, 0.8, 1.15, 0.42) - strands;
      d = smoothMin(d, smoothMin(side, back, 0.15), 0.18);
    }
    if (f.style === 'bun') d = smoothMin(d, ellipsoid(x, y - 1.12, z + 0.45, 0.36, 0.32, 0.36) - strands, 0.06);
    return d;
  }

  function glasses(p: Vec3): number {
    if (!f.glasses) return 9;
    const ax = Math.abs(p[0]);
    const near = Math.hypot(p[0], p[1] - 0.1, p[2] - 0.5) - 0.9;
    if (near > 0.1) return near;
    const ring = Math.hypot(Math.hypot((ax - 0.29) * 0.86, p[1] - 0.1) - 0.215, p[2] - 0.84) - 0.018;
    const bridge = capsule([ax, p[1], p[2]], [0, 0.16, 0.87], [0.08, 0.13, 0.85], 0.016, 0.016);
    const arm = capsule([ax, p[1], p[2]], [0.53, 0.14, 0.8], [0.78, 0.16, 0], 0.017, 0.017);
    return Math.min(ring, bridge, arm);
  }

  const skinDistance = (p: Vec3, x: number, y: number, z: number) =>
    smoothMin(smoothMin(Math.min(skull(p), 9), lids(p), 0.03), neck(x, y, z), 0.18);

  const distance = (x: number, y: number, z: number) => {
    const head = Math.hypot(x, y - lift + 0.2, z) - 1.75;
    if (head > 0.3) return 0.8 * Math.min(head, cloth(x, y, z));
    const p = toHead(x, y, z);
    const d = Math.min(skinDistance(p, x, y, z), eye(p), hair(p), glasses(p));
    return 0.8 * (y > 1.4 ? d : Math.min(d, cloth(x, y, z)));
  };

  function skinColour(p: Vec3): Vec3 {
    const [x, y, z] = p;
    const ax = Math.abs(x);
    const blotch = fractal(x * 5 + f.seed, y * 5, z * 5, 4) - 0.5;
    let colour = scale(f.skin, 1 + 0.16 * blotch);
    const red: Vec3 = [colour[0] * 1.02, colour[1] * 0.72, colour[2] * 0.68];
    const flush =
      Math.exp(-((ax - 0.38) ** 2 + (y + 0.15) ** 2) * 14) +
      0.9 * Math.exp(-(ax ** 2 + (y + 0.17) ** 2) * 55) +
      (ax > 0.7 ? 0.5 : 0);
    colour = mix(colour, red, clamp(flush * 0.5));
    if (z > 0.4) {
      const mouth = Math.abs(y + 0.508 - f.smile * ax * ax * 8);
      const lip = (1 - smooth(0.045, 0.075, mouth)) * (1 - smooth(0.19, 0.24, ax));
      colour = mix(colour, [f.skin[0] * 0.78, f.skin[1] * 0.47, f.skin[2] * 0.45], lip * 0.8);
      colour = scale(colour, 1 - 0.65 * (1 - smooth(0.004, 0.018, mouth)) * (1 - smooth(0.17, 0.22, ax)));
      const browLine = Math.abs(y - 0.325 + 0.25 * (ax - 0.27) ** 2 * 4 + noise(x * 60, y * 30, 2) * 0.015);
      const brow = (1 - smooth(0.018, 0.045, browLine)) * smooth(0.09, 0.14, ax) * (1 - smooth(0.4, 0.47, ax));
      colour = mix(colour, scale(f.hair, 0.8), brow * 0.85);
      const crease = Math.exp(-((Math.hypot(ax - 0.275, y - 0.115) - 0.165) ** 2) * 900);
      colour = scale(colour, 1 - 0.22 * crease);
    }
    const ragged = 0.22 * (fractal(x * 9, y * 9, z * 9, 3) - 0.5);
    const stubble =
      smooth(-0.2 + 0.35 * (0.5 - ax), -0.62, y + ragged) * smooth(-0.3, 0.25, z) * smooth(-1.12, -0.98, y);
    const moustache = 1 - smooth(0.02, 0.06, Math.abs(y + 0.37) - 0.02 + ax * 0.06);
    const shave = f.beard * clamp(stubble + moustache * (z > 0.5 && ax < 0.32 ? 1 : 0));
    const lipsFree = smooth(0.05, 0.085, Math.hypot(x * 0.3, y + 0.508));
    return mix(colour, scale(f.hair, 0.7 + 0.6 * noise(x * 55, y * 40, z * 55)), clamp(shave * lipsFree * 0.75));
  }

  function eyeColour(p: Vec3): Vec3 {
    const ox = Math.abs(p[0]) - 0.275 - 0.012 * Math.sign(p[0]);
    const away = Math.hypot(ox, p[1] - 0.12);
    const white: Vec3 = [0.62, 0.58, 0.55];
    const iris = mix(f.iris, scale(f.iris, 2.2), noise(Math.atan2(p[1] - 0.12, ox) * 9, away * 30, 1));
    let colour = mix(iris, white, smooth(0.064, 0.072, away));
    colour = scale(colour, smooth(0.025, 0.032, away) * 0.97 + 0.03);
    return scale(colour, 0.55 + 0.45 * smooth(0.06, 0, p[1] - 0.12));
  }

  const surface = (x: number, y: number, z: number): Surface => {
    const p = toHead(x, y, z);
    const parts: [number, () => Surface][] = [
      [skinDistance(p, x, y, z), () => ({ colour: skinColour(p), gloss: 0.18, bump: 0.01, soft: 1 })],
      [eye(p), () => ({ colour: eyeColour(p), gloss: 1, bump: 0 })],
      [
        hair(p),
        () => ({
          colour: scale(f.hair, 0.55 + 0.9 * fractal(p[0] * 26, p[1] * 3, p[2] * 26, 3)),
          gloss: 0.25,
          bump: 0.05,
        }),
      ],
      [
        cloth(x, y, z),
        () => {
          const weave = 0.85 + 0.2 * noise(x * 90, y * 90, z * 20) + 0.1 * (fractal(x * 4, y * 4, z * 4, 3) - 0.5);
          const dust = apronEdge(x, y) < 0 && z > 0 && f.apron ? f.apron : f.cloth;
          return { colour: scale(dust, weave), gloss: 0.03, bump: 0.03 };
        },
      ],
      [glasses(p), () => ({ colour: [0.02, 0.018, 0.016], gloss: 1, bump: 0 })],
    ];
    return parts.reduce((best, part) => (part[0] < best[0] ? part : best))[1]();
  };

  return { distance, surface, centre: [0, 1.2, -0.1], radius: 3.3, extent: [0.8, 3.6] };
}
