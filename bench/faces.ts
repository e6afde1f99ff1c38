/** How many faces are found: of portraits however they are turned, in photographs of one person and of several, and where there is none. */
import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, renameSync } from 'node:fs';
import sharp from 'sharp';
import type { Face } from '../src/core/sight';
import { openPhoto } from '../src/server/intake/open';
import { facesIn } from '../src/server/looking/faces';
import { pictureOf } from '../src/server/looking/look-at';
import { levelsOf } from '../src/server/looking/picture';
import { knownScenes } from '../src/server/sight/known-scenes';

type Counted = { readonly photos: number; readonly found: number };

/** Photographs of one person: in how many exactly one face is found. */
type OfPeople = { readonly all: Counted; readonly fromTheSide: Counted; readonly withGlasses: Counted };

export type FacesFound = {
  readonly portraits: number;
  /** By degrees clockwise: portraits in which exactly one face was found. */
  readonly turned: Readonly<Record<number, number>>;
  readonly pots: number;
  /** Pots in which one was seen. */
  readonly seenInPots: number;
  /** Faces in photographs of several people, those of them that are found, and what is none. */
  readonly inGroups: { readonly faces: number; readonly found: number; readonly others: number };
  /** Those that constants were set on, and those on which none was but the crop that makes sure of turned faces. */
  readonly ofPeople: { readonly tuned: OfPeople; readonly unseen: OfPeople };
};

const FOLDER = 'scratch/faces';

/** An npm package, fetched for the measurement and unpacked. */
function unpacked(name: string): string {
  const folder = `${FOLDER}/${name.replaceAll('/', '-')}`;
  if (!existsSync(folder)) {
    const aside = `${folder}.part`;
    mkdirSync(aside, { recursive: true });
    const packed = execFileSync('npm', ['pack', '--silent', name], { cwd: aside, encoding: 'utf8' }).trim();
    execFileSync('tar', ['xzf', packed], { cwd: aside });
    renameSync(aside, folder);
  }
  return `${folder}/package`;
}

const facesOfFile = async (path: string): Promise<Face[]> => facesIn(levelsOf(await pictureOf(path)));

/**
 * Photographs of several people: samples of an npm package (@vladmandic/face-api, MIT).
 * Their faces were counted by hand; one of the second photograph's is seen from the side.
 */
const GROUPS = { package: '@vladmandic/face-api@1.7.15', faces: [3, 3, 3, 4, 5, 4] } as const;

async function facesInGroups(): Promise<FacesFound['inGroups']> {
  const folder = unpacked(GROUPS.package);
  const sum = { faces: 0, found: 0, others: 0 };
  for (const [i, count] of GROUPS.faces.entries()) {
    const found = (await facesOfFile(`${folder}/demo/sample${i + 1}.jpg`)).length;
    sum.faces += count;
    sum.found += Math.min(count, found);
    sum.others += Math.max(0, found - count);
  }
  return sum;
}

type People = {
  readonly package: string;
  readonly folder: string;
  readonly names: string;
  /** Of these names: seen so far from the side that one eye is at the outline, or beyond it. */
  readonly fromTheSide: string;
  readonly withGlasses: string;
};

const words = (text: string) => text.split(/\s+/).filter(Boolean);
const numbers = (before: string, from: number, to: number) =>
  Array.from({ length: to - from + 1 }, (_, i) => `${before}${from + i}`).join(' ');

/**
 * Photographs of one person each, samples of templates for web pages (npm packages; none of it is in the project).
 * Whose faces are seen from the side or have glasses was told by hand; so were the boxes found there to be of faces.
 */
const TUNED: readonly People[] = [
  {
    package: 'tabler-ui@0.0.34',
    folder: 'dist/demo/faces',
    // Of the files, some numbers lack, and in one the head is a toy's.
    names: `${numbers('female/', 1, 32)} ${numbers('male/', 1, 17)} ${numbers('male/', 20, 21)} ${numbers('male/', 24, 43)}`,
    fromTheSide: 'female/11 female/27 male/3 male/21 male/26 male/32 male/33 male/38',
    withGlasses: 'female/21 female/24 female/26 female/28 female/31 male/3 male/14 male/17 male/21 male/29 male/39',
  },
];
const UNSEEN: readonly People[] = [
  {
    package: 'material-dashboard@3.1.0',
    folder: 'assets/img',
    names: `bruce-mars drake ivana-square ivana-squares kal-visuals-square marie ${numbers('team-', 1, 5)}`,
    fromTheSide: 'bruce-mars kal-visuals-square',
    withGlasses: 'bruce-mars ivana-square marie team-2',
  },
  {
    package: 'soft-ui-design-system@1.0.4',
    folder: 'assets/img',
    names: 'brooke charles ivana jordan kal-visuals',
    fromTheSide: '',
    withGlasses: '',
  },
  {
    package: 'startbootstrap-agency@7.0.12',
    folder: 'dist/assets/img/team',
    names: numbers('', 1, 3),
    fromTheSide: '',
    withGlasses: '1 3',
  },
  {
    package: 'black-dashboard@1.0.0',
    folder: 'assets/img',
    names: 'emilyz james mike',
    fromTheSide: '',
    withGlasses: '',
  },
  {
    package: '@themesberg/volt-bootstrap-5-dashboard@1.4.1',
    folder: 'src/assets/img/team',
    names: numbers('profile-picture-', 2, 6),
    fromTheSide: 'profile-picture-5 profile-picture-6',
    withGlasses: 'profile-picture-2 profile-picture-4',
  },
];

async function facesOfPeople(people: readonly People[]): Promise<OfPeople> {
  const photos: { readonly side: boolean; readonly glasses: boolean; readonly found: boolean }[] = [];
  for (const { package: name, folder, names, fromTheSide, withGlasses } of people)
    for (const one of words(names)) {
      const found = (await facesOfFile(`${unpacked(name)}/${folder}/${one}.jpg`)).length === 1;
      photos.push({ side: words(fromTheSide).includes(one), glasses: words(withGlasses).includes(one), found });
    }
  const counted = (of: (photo: (typeof photos)[number]) => boolean): Counted => {
    const some = photos.filter(of);
    return { photos: some.length, found: some.filter(({ found }) => found).length };
  };
  return {
    all: counted(() => true),
    fromTheSide: counted(({ side }) => side),
    withGlasses: counted(({ glasses }) => glasses),
  };
}

const SIDE = 512;

async function facesOf(path: string, turn: number): Promise<number> {
  const upright = await openPhoto(path).resize(SIDE, SIDE, { fit: 'inside' }).removeAlpha().png().toBuffer();
  const { data, info } = await sharp(await sharp(upright).rotate(turn, { background: '#808080' }).png().toBuffer())
    .resize(SIDE, SIDE, { fit: 'inside' })
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return (await facesIn(levelsOf({ data, width: info.width, height: info.height }))).length;
}

/** The real portrait and the modelled ones of the demo, turned every way; scenes without a face; photographs. */
export async function measureFaces(): Promise<FacesFound> {
  const portraits = readdirSync('demo/photos/portraits').map((file) => `demo/photos/portraits/${file}`);
  portraits.push('test-photos/astronaut.jpg');
  const turned: Record<number, number> = {};
  for (let turn = 0; turn < 360; turn += 45) {
    let found = 0;
    for (const path of portraits) if ((await facesOf(path, turn)) === 1) found++;
    turned[turn] = found;
  }
  const pots = knownScenes();
  let seenInPots = 0;
  for (const { path } of pots) if ((await facesOf(path, 0)) > 0) seenInPots++;
  return {
    portraits: portraits.length,
    turned,
    pots: pots.length,
    seenInPots,
    inGroups: await facesInGroups(),
    ofPeople: { tuned: await facesOfPeople(TUNED), unseen: await facesOfPeople(UNSEEN) },
  };
}
