/** What things stand on and in front of: plain studio sweeps, tables, cloths and a blurred workshop. */
import { between, fractal, noise, pick, seeded, type Random } from './random';
import { add, clamp, linear, mix, scale, smooth, type Vec3 } from './vector';

export type Ground = {
  readonly plain: boolean;
  /** False where the table is out of sight, as behind a portrait. */
  readonly standing: boolean;
  /** Colour of the table at (x, z); `blur` grows with the distance from the focus. */
  readonly table: (x: number, z: number, blur: number) => Vec3;
  /** Colour of the far wall by the angles across and up (radians). */
  readonly wall: (across: number, up: number) => Vec3;
};

const SWEEPS = ['#e9e7e2', '#f2f1ee', '#d5d2cb', '#c3cbd0', '#e6d9c7', '#b9b4ab', '#d8c3b4', '#a9b3a6'];

export function sweep(random: Random): Ground {
  const base = linear(pick(random, SWEEPS));
  const lean = between(random, -0.15, 0.15);
  return {
    plain: true,
    standing: true,
    table: () => base,
    wall: (across, up) => scale(base, 0.97 + lean * across + 0.22 * up),
  };
}

/** Soft lights and shapes far behind the focus: shelves with pots, a window. */
function workshopWall(random: Random): Ground['wall'] {
  const base = linear(pick(random, ['#8b7f72', '#6f7473', '#a1917c', '#5f6b70']));
  const seed = Math.floor(random() * 1e6);
  const lot = seeded(seed);
  const blobs = Array.from({ length: 110 }, () => ({
    across: between(lot, -0.8, 0.8),
    shelf: Math.floor(lot() * 4),
    wide: between(lot, 0.012, 0.03),
    tall: between(lot, 0.02, 0.055),
    colour: linear(pick(lot, ['#d9cbb5', '#7d4a2e', '#3e5a78', '#b98a4a', '#54706a', '#efe8da', '#35302c', '#a5523f'])),
  }));
  const window = { across: pick(lot, [-0.5, 0.5, -0.42]), light: between(lot, 1.2, 2.2) };
  return (across, up) => {
    let colour = scale(base, 0.75 + 0.5 * fractal(across * 3 + seed, up * 3, 0, 3));
    const shelves = [-0.09, 0.02, 0.14, 0.27];
    for (const y of shelves) colour = mix(colour, [0.16, 0.1, 0.06], 0.75 * Math.exp(-(((up - y) / 0.012) ** 2)));
    for (const blob of blobs) {
      const u = (across - blob.across) / blob.wide;
      const v = (up - shelves[blob.shelf]! - blob.tall) / blob.tall;
      const away = Math.sqrt(Math.sqrt(u ** 4 + v ** 4));
      if (away < 1.7) colour = mix(colour, blob.colour, 0.85 * (1 - smooth(0.4, 1.6, away)));
    }
    const w = Math.max(Math.abs(across - window.across) / 0.17, Math.abs(up - 0.2) / 0.26);
    return add(colour, scale([1, 0.98, 0.92], window.light * (1 - smooth(0.75, 1.2, w))));
  };
}

function wood(random: Random): Ground['table'] {
  const light = linear(pick(random, ['#b98d5e', '#8c623c', '#cdb08a', '#6d4a30']));
  const dark = scale(light, 0.45);
  const turn = between(random, -0.4, 0.4);
  const seed = random() * 50;
  return (wx, wz, blur) => {
    const x = wx * Math.cos(turn) - wz * Math.sin(turn);
    const z = wx * Math.sin(turn) + wz * Math.cos(turn);
    const plank = Math.floor(z / 0.85 + seed);
    const along = x + plank * 7.3;
    const sharp = 1 / (1 + blur * 3);
    const ring = fractal(along * 0.5, z * 5 + plank * 13 + 0.6 * noise(along, z * 2, 1), seed, 4);
    const grain = Math.sin((ring * 26 + z * 9) * 1.0) * 0.5 + 0.5;
    let colour = mix(
      dark,
      light,
      clamp(0.35 + 0.45 * ring + sharp * 0.25 * (grain - 0.5) + 0.18 * (noise(plank * 3.1, seed) - 0.5)),
    );
    colour = scale(colour, 1 + 0.25 * sharp * (noise(along * 7, z * 90, 3) - 0.5));
    const seam = Math.abs(((((z / 0.85 + seed) % 1) + 1) % 1) - 0.5);
    return scale(colour, 1 - 0.75 * sharp * smooth(0.484, 0.497, seam));
  };
}

function cloth(random: Random): Ground['table'] {
  const one = linear(pick(random, ['#d9d2c3', '#c9bfae', '#e6e1d6', '#a8b2b5']));
  const two = linear(pick(random, ['#7f8f9a', '#9d5b4b', '#5f6f5a', '#3f4f66']));
  const checked = random() < 0.6;
  const pitch = between(random, 0.35, 0.6);
  return (x, z, blur) => {
    const sharp = 1 / (1 + blur * 4);
    const fold = fractal(x * 0.8, z * 0.8, 2, 3);
    let colour = one;
    if (checked) {
      const stripe = (v: number) => smooth(0.2, 0.26 + blur * 0.2, Math.abs(((((v / pitch) % 1) + 1) % 1) - 0.5));
      colour = mix(colour, two, 0.42 * stripe(x) + 0.42 * stripe(z));
    }
    const weave = (Math.sin(x * 190) * Math.sin(z * 190) * 0.12 + 0.25 * (noise(x * 45, z * 45) - 0.5)) * sharp;
    return scale(colour, 0.78 + 0.4 * fold + weave);
  };
}

function stone(random: Random): Ground['table'] {
  const base = linear(pick(random, ['#4b5053', '#8e8b86', '#6a6560']));
  return (x, z, blur) =>
    scale(base, 0.65 + 0.7 * fractal(x * 2, z * 2, 4, 5) + (0.35 * (noise(x * 40, z * 40) - 0.5)) / (1 + blur * 3));
}

/** A table with something going on behind it. */
export function busy(random: Random): Ground {
  const table = pick(random, [wood, wood, cloth, stone])(random);
  return { plain: false, standing: true, table, wall: workshopWall(random) };
}

/** Behind a portrait: either a plain painted wall or the blurred workshop. */
export function behindPortrait(random: Random): Ground {
  const ground = random() < 0.4 ? sweep(random) : { plain: false, table: stone(random), wall: workshopWall(random) };
  return { ...ground, standing: false };
}
