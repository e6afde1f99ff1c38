/** The Brackwick Pottery Guild's folder: which picture shows what, under which light, in which file. */
import { bust } from './bust';
import { GLAZE_NAMES } from './glaze';
import { behindPortrait, busy, sweep } from './ground';
import { moved, pot, POT_KINDS, type PotKind } from './pots';
import { between, pick, seeded, type Random } from './random';
import type { Scene } from './tracer';
import { normal } from './vector';

export type Orientation = 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8;
export type FileKind = 'jpeg' | 'jpeg-cmyk' | 'jpeg-p3' | 'jpeg-grey' | 'png16' | 'webp' | 'avif' | 'tiff' | 'gif';

export type Shot = {
  /** Folder and name below demo/photos. */
  readonly file: string;
  readonly width: number;
  readonly height: number;
  readonly orientation: Orientation;
  readonly kind: FileKind;
  readonly gps: boolean;
  readonly seed: number;
  readonly exposure: number;
  /** Longest side at which it is traced; the file is scaled up from there. */
  readonly traced: number;
  readonly scene: () => Scene;
};

function studioLight(random: Random): Scene['light'] {
  const side = random() < 0.5 ? -1 : 1;
  const warm = between(random, -0.06, 0.1);
  return {
    towards: normal([side * between(random, 0.4, 0.9), between(random, 0.7, 1.1), between(random, 0.45, 0.95)]),
    colour: [1.6 + warm, 1.55, 1.46 - warm],
    fill: [0.5, 0.53, 0.58],
    window: random() < 0.5,
    sharp: between(random, 3.5, 7),
  };
}

const PITCH: Record<PotKind, readonly [number, number]> = {
  mug: [0.2, 0.4],
  bowl: [0.35, 0.62],
  vase: [0.08, 0.25],
  jug: [0.14, 0.32],
  plate: [0.65, 1.05],
  tile: [0.08, 0.2],
};

function productScene(kind: PotKind, glaze: (typeof GLAZE_NAMES)[number], seed: number, wander: number): Scene {
  const random = seeded(seed);
  const thing = pot(kind, glaze, random);
  const [half, height] = thing.extent;
  const ground = random() < 0.58 ? sweep(random) : busy(random);
  const share = between(random, 0.42, 0.72);
  const distance = 7.5;
  const extent = Math.max(half * 1.15, height / 2, kind === 'plate' ? half * 0.8 : 0);
  return {
    things: [thing],
    ground,
    camera: {
      target: [0, height / 2, 0],
      distance,
      yaw: between(random, -0.15, 0.35),
      pitch: between(random, ...PITCH[kind]),
      roll: between(random, -0.02, 0.02),
      zoom: extent / share / distance,
      shift: [between(random, -0.3, 0.3) * wander, between(random, -0.18, 0.18) * wander],
    },
    light: studioLight(random),
  };
}

function portraitScene(seed: number): Scene {
  const random = seeded(seed);
  return {
    things: [bust(random)],
    ground: behindPortrait(random),
    camera: {
      target: [0, between(random, 1.85, 2.05), 0],
      distance: 9,
      yaw: between(random, -0.15, 0.15),
      pitch: between(random, -0.02, 0.06),
      roll: between(random, -0.03, 0.03),
      zoom: between(random, 0.165, 0.225),
      shift: [between(random, -0.25, 0.25), between(random, -0.08, 0.08)],
    },
    light: { ...studioLight(random), sharp: 4 },
  };
}

function workshopScene(seed: number): Scene {
  const random = seeded(seed);
  const spots: readonly (readonly [number, number])[] = [
    [0, 0],
    [-1.5, -0.7],
    [1.45, -0.5],
    [-0.7, -1.9],
    [0.95, -2.1],
    [2.3, -1.8],
    [-2.5, -2.2],
  ];
  const kinds: readonly PotKind[] = ['mug', 'bowl', 'vase', 'jug'];
  return {
    things: spots.map(([x, z]) =>
      moved(pot(pick(random, kinds), pick(random, GLAZE_NAMES), random), x + between(random, -0.15, 0.15), z),
    ),
    ground: busy(random),
    camera: {
      target: [0, 0.75, -0.6],
      distance: 8,
      yaw: between(random, -0.2, 0.2),
      pitch: between(random, 0.18, 0.32),
      roll: 0,
      zoom: 0.22,
      shift: [0, 0],
    },
    light: studioLight(random),
  };
}

/** Width and height of the upright picture, in turn: phones, cameras, old small files. */
const SIZES: readonly (readonly [number, number])[] = [
  [1800, 1350],
  [1500, 2000],
  [2000, 1333],
  [800, 600],
  [1600, 1600],
  [2400, 1600],
  [1350, 1800],
  [4000, 3000],
  [1920, 1280],
  [1200, 900],
];

/** Files that are not plain 8-bit sRGB JPEGs, by product number. */
const KINDS: Readonly<Record<number, FileKind>> = {
  4: 'jpeg-cmyk',
  11: 'jpeg-p3',
  17: 'png16',
  23: 'webp',
  29: 'avif',
  35: 'tiff',
  41: 'gif',
  47: 'jpeg-grey',
  53: 'webp',
};

function product(i: number): Shot {
  const kind = POT_KINDS[i % POT_KINDS.length]!;
  const glaze = GLAZE_NAMES[(i * 7 + Math.floor(i / 12)) % GLAZE_NAMES.length]!;
  const fileKind = KINDS[i] ?? 'jpeg';
  const [w, h] = SIZES[(i * 3 + Math.floor(i / 10)) % SIZES.length]!;
  const small = fileKind !== 'jpeg' && fileKind !== 'jpeg-p3';
  const shrink = small ? Math.min(1, 1100 / Math.max(w, h)) : 1;
  const extension = {
    'jpeg-cmyk': 'jpg',
    'jpeg-p3': 'jpg',
    'jpeg-grey': 'jpg',
    jpeg: 'jpg',
    png16: 'png',
    webp: 'webp',
    avif: 'avif',
    tiff: 'tif',
    gif: 'gif',
  }[fileKind];
  const random = seeded(9000 + i);
  return {
    file: `products/${glaze}-${kind}-${String(i + 1).padStart(2, '0')}.${extension}`,
    width: Math.round(w * shrink),
    height: Math.round(h * shrink),
    orientation: fileKind === 'jpeg' && i % 3 === 1 ? (((Math.floor(i / 3) % 8) + 1) as Orientation) : 1,
    kind: fileKind,
    gps: i % 9 === 0,
    seed: 500 + i,
    exposure: between(random, 0.66, 0.86),
    traced: 1400,
    scene: () => productScene(kind, glaze, 500 + i, i % 4 === 0 ? 1.6 : 0.8),
  };
}

const MAKERS = [
  'ada-fenwick',
  'bruno-tallis',
  'cora-hale',
  'dov-merrin',
  'edda-lorne',
  'farid-oakes',
  'greta-sund',
  'hugo-vale',
  'iris-pell',
  'jonas-quill',
  'keziah-rook',
  'liam-strand',
  'mara-teel',
  'nils-umber',
  'olive-wren',
  'piet-yarrow',
];

const portrait = (name: string, i: number): Shot => ({
  file: `portraits/${name}.jpg`,
  width: [1200, 1000, 1400][i % 3]!,
  height: [1500, 1000, 1120][i % 3]!,
  orientation: ([1, 6, 1, 8, 1, 3] as const)[i % 6]!,
  kind: 'jpeg',
  gps: false,
  seed: 300 + i,
  exposure: 0.7,
  traced: 760,
  scene: () => portraitScene(300 + i),
});

const workshop = (i: number): Shot => ({
  file: `workshop/workshop-${String(i + 1).padStart(2, '0')}.jpg`,
  width: 2400,
  height: 1600,
  orientation: i === 2 ? 6 : 1,
  kind: 'jpeg',
  gps: false,
  seed: 700 + i,
  exposure: 0.74,
  traced: 1300,
  scene: () => workshopScene(700 + i),
});

export const SHOTS: readonly Shot[] = [
  ...Array.from({ length: 60 }, (_, i) => product(i)),
  ...MAKERS.map(portrait),
  ...Array.from({ length: 4 }, (_, i) => workshop(i)),
];

/**
 * Seeds of the scenes and of their grounds, by sixty: on plain ones the finder of subjects was
 * tuned on all but the last sixty, on busy ones on all but the last forty. These are measured only,
 * and so are the further ones, which tests do without.
 */
const SEEDS = [
  { seed: 2000, ground: 4000, busy: (i: number) => i % 3 === 2 },
  { seed: 9000, ground: 8000, busy: () => false },
  { seed: 12_000, ground: 14_000, busy: () => false },
  { seed: 17_000, ground: 19_000, busy: () => false },
  { seed: 31_000, ground: 33_000, busy: () => true },
  { seed: 36_000, ground: 38_000, busy: () => true },
  { seed: 41_000, ground: 43_000, busy: () => true },
  { seed: 46_000, ground: 48_000, busy: () => true },
] as const;
const EACH = 60;
/** The first sixty of the further ones. */
const FURTHER = 6;

/** Scenes for measuring the finder of subjects: small, in all orientations, some near an edge. */
const measured = (place: number): Shot => {
  const [set, i] = [Math.floor(place / EACH), place % EACH];
  const { seed: first, ground, busy: isBusy } = SEEDS[set]!;
  const seed = first + i;
  const kind = POT_KINDS[i % POT_KINDS.length]!;
  const glaze = GLAZE_NAMES[(i * 5 + Math.floor(i / 7)) % GLAZE_NAMES.length]!;
  const [width, height] = ([[512, 384], [384, 512], [512, 512], [512, 342]] as const)[i % 4]!; // prettier-ignore
  const scene = () => {
    const made = productScene(kind, glaze, seed, i % 5 === 0 ? 2.2 : 1);
    const random = seeded(ground + i);
    return { ...made, ground: isBusy(i) ? busy(random) : sweep(random) };
  };
  return {
    file: `${set < FURTHER ? 'scene' : 'further'}-${String(place + 1).padStart(2, '0')}-${glaze}-${kind}.jpg`,
    width,
    height,
    orientation: ((i % 8) + 1) as Orientation,
    kind: 'jpeg',
    gps: false,
    seed,
    exposure: 0.76,
    traced: 320,
    scene,
  };
};

export const MEASURED: readonly Shot[] = Array.from({ length: SEEDS.length * EACH }, (_, i) => measured(i));
