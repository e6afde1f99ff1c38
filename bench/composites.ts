/**
 * Photos of things before real photographs, whose boxes are known: cut-out photographs
 * (Debian package tuxpaint-stamps-default; GPL-2+ and public domain, see its docs) over photographs
 * (plasma-workspace-wallpapers, LGPL-3 and CC BY-SA 4.0; mate-backgrounds, CC BY-SA 4.0;
 * opencv-doc, Apache-2.0). None of it is in the project: the packages are fetched for the measurement.
 */
import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { seeded } from '../demo/generator/random';

export const FOLDER = 'scratch/composites';
const PACKAGES = ['tuxpaint-stamps-default', 'plasma-workspace-wallpapers', 'mate-backgrounds', 'opencv-doc'];

/** Their boxes are the same to 3 % of their longer side with parts thinner than that and without. */
const THINGS = `animals/amphibians/frog-1 animals/birds/owl animals/birds/vulture animals/fish/bluegroper
  animals/insects/xanthia animals/mammals/apes/gorilla animals/mammals/apes/tamarin_emperor
  animals/mammals/aquatic/dolphin animals/mammals/aquatic/otter animals/mammals/bears/european-bear
  animals/mammals/bovines/cow_white animals/mammals/bovines/gnu-baby animals/mammals/bovines/sheep
  animals/mammals/camel/camel animals/mammals/cats/tiger animals/mammals/dogs/dog animals/mammals/equines/zebra
  animals/mammals/ferret animals/mammals/hippopotamus animals/mammals/pig_golden animals/mammals/rabbit_little
  animals/mammals/rodents/capybara animals/mammals/rodents/marmot animals/marsupials/koala
  animals/marsupials/wombat clothes/button food/fruit/Apricot_whole food/fruit/avocado food/fruit/cherimoya
  food/fruit/kiwi food/fruit/orange_seville food/spices/ginger food/vegetables/corn
  hobbies/music/percussion/cymbal_crash hobbies/music/string/guitar2 household/Lightbulb household/cylinder
  household/home_compost_bin household/toilet household/tools/cementmixer people/fireman200b
  people/toys/grannysmith plants/flowers/anemone_red plants/flowers/daffodil plants/mushrooms/cep-1
  plants/mushrooms/cep-2 plants/mushrooms/cep plants/trees/rambutan seasonal/christmas/German_Christmas_toy
  seasonal/christmas/Mince_Pie seasonal/christmas/Roast_turkey seasonal/easter/chick-hatched vehicles/auto/sedan
  vehicles/auto/sportscar2 vehicles/auto/truck vehicles/emergency/firetruck vehicles/flight/balloon360
  vehicles/garbagetruck vehicles/masstransit/green_korean_bus vehicles/wheel_tractor`
  .split(/\s+/)
  .map((name) => `tuxpaint-stamps-default/usr/share/tuxpaint/stamps/${name}.png`);

/** With nothing in them that a photo would be of; those of the second list have, and are always out of focus. */
const GROUNDS = [
  ...'BytheWater ColorfulCups EveningGlow FallenLeaf Grey Path Shell Cascade'
    .split(' ')
    .map((name) => `plasma-workspace-wallpapers/usr/share/wallpapers/${name}/contents/images`),
  ...'Blinds Dune GreenMeadow RainDrops Storm Wood'
    .split(' ')
    .map((name) => `mate-backgrounds/usr/share/backgrounds/mate/nature/${name}.jpg`),
  ...'aero1.jpg board.jpg building.jpg graf1.png home.jpg leuvenA.jpg rubberwhale1.png starry_night.jpg'
    .split(' ')
    .map((name) => `opencv-doc/usr/share/doc/opencv-doc/examples/data/${name}`),
];
const WITH_SUBJECTS = [
  ...'Garden LadyBird TwoWings YellowFlower FreshFlower Aqua'
    .split(' ')
    .map((name) => `mate-backgrounds/usr/share/backgrounds/mate/nature/${name}.jpg`),
  'opencv-doc/usr/share/doc/opencv-doc/examples/data/fruits.jpg',
];

/** Photos for setting constants, and those that are only measured; no thing and no ground is in both. */
export const PARTS = { tuned: 120, measured: 60 } as const;

export function fetched(): void {
  mkdirSync(FOLDER, { recursive: true });
  for (const name of PACKAGES) {
    if (existsSync(join(FOLDER, name))) continue;
    execFileSync('apt-get', ['download', name], { cwd: FOLDER, stdio: 'ignore' });
    const file = readdirSync(FOLDER).find((one) => one.startsWith(`${name}_`))!;
    execFileSync('dpkg', ['-x', file, `${name}.part`], { cwd: FOLDER });
    renameSync(join(FOLDER, `${name}.part`), join(FOLDER, name));
  }
}

/** The largest file of a folder, or the file itself. */
export function fileOf(path: string): string {
  const whole = join(FOLDER, path);
  if (/\.(jpg|png)$/.test(path)) return whole;
  const wide = (name: string) => Number(/^\d+/.exec(name)?.[0] ?? 0);
  return join(whole, readdirSync(whole).sort((a, b) => wide(b) - wide(a))[0]!);
}

export const SIZES = [[700, 525], [525, 700], [640, 640], [750, 500]] as const; // prettier-ignore

export type Made = { readonly file: string; readonly width: number; readonly height: number; readonly box: number[] };

/** A cut-out photograph without what is clear around it. */
export const trimmed = (thing: Buffer | string): Promise<Buffer> =>
  sharp(thing).ensureAlpha().trim({ background: '#00000000', threshold: 8 }).toBuffer();

/** A number between two, of a picture's own. */
export type Between = (a: number, b: number) => number;

export type Scene = {
  readonly width: number;
  readonly height: number;
  readonly behind: Buffer;
  /** Cut out, with nothing around it, and how long it is drawn, pixels. */
  readonly thing: Buffer;
  readonly long: number;
  readonly brightness: readonly [number, number];
  /** How far from the middle it may lie, 0…1. */
  readonly wander: number;
};

/** A thing before a ground, with a soft shadow and grain over both, written to a file. */
export async function joined(path: string, between: Between, scene: Scene): Promise<Made> {
  const { width, height, behind, thing, long, brightness, wander } = scene;
  const { data: over, info } = await sharp(thing)
    .resize(long, long, { fit: 'inside' })
    .modulate({ brightness: between(...brightness) })
    .png()
    .toBuffer({ resolveWithObject: true });
  const left = Math.round(((width - info.width) / 2) * (1 + wander * between(-1, 1)));
  const top = Math.round(((height - info.height) / 2) * (1 + wander * between(-1, 1)));
  const alpha = await sharp(over).extractChannel('alpha').raw().toBuffer();
  // A soft shadow on what is right behind the thing.
  const dark = await sharp({ create: { width: info.width, height: info.height, channels: 3, background: '#000' } })
    .joinChannel(
      await sharp(alpha, { raw: { width: info.width, height: info.height, channels: 1 } })
        .linear(between(0.15, 0.45))
        .toColourspace('b-w')
        .raw()
        .toBuffer(),
      { raw: { width: info.width, height: info.height, channels: 1 } },
    ) // prettier-ignore
    .png()
    .toBuffer();
  const shadow = await sharp({ create: { width, height, channels: 4, background: '#00000000' } })
    .composite([
      {
        input: dark,
        left: Math.min(width - info.width, left + Math.round(0.04 * long)),
        top: Math.min(height - info.height, top + Math.round(0.04 * long)),
      },
    ]) // prettier-ignore
    .png()
    .toBuffer()
    .then((flat) =>
      sharp(flat)
        .blur(Math.max(2, 0.05 * long))
        .png()
        .toBuffer(),
    );
  const all = await sharp(behind).composite([{ input: shadow }, { input: over, left, top }]).removeAlpha().raw().toBuffer(); // prettier-ignore
  // Grain, as of a camera, over both.
  for (let k = 0; k < all.length; k++) all[k] = Math.min(255, Math.max(0, all[k]! + (between(0, 1) + between(0, 1) - 1) * 7)); // prettier-ignore
  await sharp(all, { raw: { width, height, channels: 3 } })
    .blur(0.5)
    .jpeg({ quality: 88 })
    .toFile(path);
  let [l, t, r, b] = [info.width, info.height, 0, 0];
  for (let y = 0, k = 0; y < info.height; y++)
    for (let x = 0; x < info.width; x++, k++)
      if (alpha[k]! > 127) [l, t, r, b] = [Math.min(l, x), Math.min(t, y), Math.max(r, x + 1), Math.max(b, y + 1)];
  return { file: path, width, height, box: [left + l, top + t, left + r, top + b] };
}

/** Numbers between two others, the same on every run. */
export function betweenOf(seed: number): Between {
  const random = seeded(seed);
  return (a, b) => a + (b - a) * random();
}

async function make(path: string, i: number, thing: string, ground: string, soft: boolean): Promise<Made> {
  const between = betweenOf(7700 + 31 * i);
  const [width, height] = SIZES[i % SIZES.length]!;
  const blur = soft ? between(7, 14) : i % 2 ? between(4, 12) : 0;
  const behind = sharp(fileOf(ground)).resize(width, height, { fit: 'cover' }).removeAlpha().toColourspace('srgb');
  return joined(path, between, {
    width,
    height,
    behind: await (blur > 0 ? behind.blur(blur) : behind).png().toBuffer(),
    thing: await trimmed(fileOf(thing)),
    long: Math.round(between(0.35, 0.68) * Math.min(width, height)),
    brightness: [0.85, 1.1],
    wander: i % 6 === 0 ? 0.9 : 0.5,
  });
}

export type Composite = Made & { readonly part: keyof typeof PARTS };

/** Things and grounds of a part: every third one is only measured. */
export function ownOf(part: keyof typeof PARTS) {
  const own = <T>(all: readonly T[]) => all.filter((_, i) => (i % 3 === 2) === (part === 'measured'));
  return { things: own(THINGS), plain: own(GROUNDS), others: own(WITH_SUBJECTS) };
}

/** Made once, then kept. */
export async function composites(): Promise<Composite[]> {
  const list = join(FOLDER, 'known.json');
  if (existsSync(list)) return JSON.parse(readFileSync(list, 'utf8')) as Composite[];
  fetched();
  const made: Composite[] = [];
  for (const [part, count] of Object.entries(PARTS) as [keyof typeof PARTS, number][]) {
    const { things, plain, others } = ownOf(part);
    for (let i = 0; i < count; i++) {
      const soft = i % 4 === 3;
      const ground = soft
        ? others[Math.floor(i / 4) % others.length]!
        : plain[(i * 7 + Math.floor(i / plain.length)) % plain.length]!;
      const path = join(FOLDER, `${part}-${String(i).padStart(2, '0')}.jpg`);
      made.push({ ...(await make(path, made.length, things[i % things.length]!, ground, soft)), part });
    }
  }
  writeFileSync(list, JSON.stringify(made));
  return made;
}
