/** Glazes and clays: the colour of a pot's surface from where the point lies on it. */
import { between, fractal, noise, pick, type Random } from './random';
import { clamp, linear, mix, scale, smooth, type Vec3 } from './vector';

export type Surface = {
  readonly colour: Vec3;
  /** How mirror-like, 0…1. */
  readonly gloss: number;
  /** Height of the fine relief. */
  readonly bump: number;
  /** How far light wanders under the surface (skin), 0…1. */
  readonly soft?: number;
};

/** height: 0 at the foot, 1 at the rim; angle in radians around the axis; inside: the inner wall. */
export type Glaze = (height: number, angle: number, x: number, y: number, z: number, inside: boolean) => Surface;

const RECIPES = {
  celadon: ['#9dbfae', '#5f8d7c'],
  tenmoku: ['#4a2a1a', '#8a5028'],
  cobalt: ['#2d4f8e', '#16305f'],
  oatmeal: ['#dccfb8', '#b99b6f'],
  copper: ['#8f2f26', '#5b1b1f'],
  ash: ['#8a8f5e', '#56603b'],
  slate: ['#3c4348', '#23282c'],
  turquoise: ['#4fa7a4', '#2a6f7a'],
  ochre: ['#c9923a', '#8b5a1d'],
  shino: ['#e3c9b8', '#c47a55'],
  white: ['#ebe7de', '#cfc8ba'],
  plum: ['#7a3f5d', '#4b2440'],
} as const;

export type GlazeName = keyof typeof RECIPES;
export const GLAZE_NAMES = Object.keys(RECIPES) as GlazeName[];

const CLAYS = ['#b98a63', '#8f5d40', '#d2b48f', '#6b5648'];
const PATTERNS = ['plain', 'dip', 'bands', 'drip', 'speckle', 'brush'] as const;

/** A glaze of the named colour with a pattern drawn by lot. */
export function glazeOf(name: GlazeName, random: Random): Glaze {
  const [main, second] = RECIPES[name].map(linear) as unknown as readonly [Vec3, Vec3];
  const other = linear(RECIPES[pick(random, GLAZE_NAMES)][0]);
  const clay = linear(pick(random, CLAYS));
  const pattern = pick(random, PATTERNS);
  const seed = random() * 100;
  const line = between(random, 0.35, 0.65);
  const foot = between(random, 0.05, 0.1);
  const speckled = pattern === 'speckle' ? 1 : random() < 0.4 ? 0.5 : 0;
  const gloss = between(random, 0.35, 1);
  const strokes = Math.round(between(random, 7, 13));
  return (height, angle, x, y, z, inside) => {
    const cloud = fractal(x * 3 + seed, y * 3, z * 3, 4);
    let colour = mix(main, second, clamp((cloud - 0.35) * 1.6 + (0.5 - height) * 0.25));
    const wave = 0.03 * Math.sin(angle * 3 + seed) + 0.05 * (fractal(angle * 2 + seed, 3, 0, 3) - 0.5);
    if (!inside) {
      if (pattern === 'dip') colour = mix(colour, other, smooth(-0.01, 0.01, height - line - wave));
      if (pattern === 'drip') {
        const run = line + 0.22 * (fractal(angle * 4 + seed, 1, 0, 2) - 0.5) * 2;
        colour = mix(mix(clay, colour, 0.35), colour, smooth(-0.015, 0.015, height - run));
      }
      if (pattern === 'bands')
        for (const at of [0.3, 0.36, 0.74])
          colour = mix(colour, other, 0.85 * (1 - smooth(0.008, 0.016, Math.abs(height - at - wave * 0.15))));
      if (pattern === 'brush') {
        const turn = ((angle / (2 * Math.PI)) * strokes + seed) % 1;
        const leaf = Math.abs(((turn + 1) % 1) - 0.5) - 0.16 * Math.sin(clamp((height - 0.35) / 0.35) * Math.PI);
        colour = mix(colour, other, 0.8 * (1 - smooth(-0.03, 0.02, leaf + 0.06 * noise(height * 60, angle * 9))));
      }
    }
    if (speckled > 0) {
      const dots = noise(x * 34 + seed, y * 34, z * 34);
      colour = mix(colour, scale(clay, 0.25), speckled * smooth(0.83, 0.9, dots));
    }
    // The glaze breaks thin and shows the clay at the rim.
    colour = mix(colour, scale(clay, 0.8), 0.55 * smooth(0.985, 1.0, height));
    const bare = inside ? 0 : 1 - smooth(foot, foot + 0.012, height + wave * 0.2);
    colour = mix(colour, scale(clay, 0.75 + 0.4 * fractal(x * 30, y * 30, z * 30, 2)), bare);
    return { colour, gloss: gloss * (1 - 0.9 * bare), bump: 0.012 + 0.03 * bare };
  };
}
