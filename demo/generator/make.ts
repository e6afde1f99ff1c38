/**
 * Renders the demo photos: `node make.mjs OUT [share] [shares] [prefix]`. Each of `shares`
 * processes takes every n-th picture whose file begins with the prefix (`scene-` and `further-`: those
 * that the finder of subjects is measured on); the first one also writes the awkward files at the end.
 */
import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { writeAwkward, writeShot } from './files';
import { MEASURED, SHOTS, type Shot } from './scenes';
import { develop, trace, type Traced } from './tracer';

/** What the generator knows of a picture: the subject's box in pixels of the upright picture, and that of a pot without its handle. */
export type KnownSubject = {
  file: string;
  plain: boolean;
  width: number;
  height: number;
  box: number[];
  body?: number[];
};

async function make(folder: string, shot: Shot): Promise<KnownSubject> {
  const scale = shot.traced / Math.max(shot.width, shot.height);
  const width = Math.round(shot.width * Math.min(scale, 1));
  const height = Math.round(shot.height * Math.min(scale, 1));
  const scene = shot.scene();
  const traced = trace(scene, width, height);
  await writeShot(folder, shot, { data: develop(traced, width, height, shot.exposure), width, height });
  const pixels = (box: Traced['subject']) =>
    box.map((v, i) => Math.round(v * (i % 2 ? shot.height / height : shot.width / width)));
  const [first, ...others] = scene.things;
  const bare =
    first?.body && trace({ ...scene, things: [{ ...first, distance: first.body }, ...others] }, width, height);
  return {
    file: shot.file,
    plain: scene.ground.plain,
    width: shot.width,
    height: shot.height,
    box: pixels(traced.subject),
    ...(bare && { body: pixels(bare.subject) }),
  };
}

const [folder = 'demo/photos', share = '0', shares = '1', prefix = ''] = process.argv.slice(2);
await mkdir(join(folder, 'known'), { recursive: true });
const wanted = [...SHOTS, ...MEASURED].filter((shot) => shot.file.startsWith(prefix));
for (const [i, shot] of wanted.entries()) {
  if (i % Number(shares) !== Number(share)) continue;
  const known = join(folder, 'known', `${shot.file.replace('/', '-')}.json`);
  await writeFile(known, JSON.stringify(await make(folder, shot)) + '\n');
  process.stdout.write(`${shot.file}\n`);
}
if (share === '0' && !['scene-', 'further-'].includes(prefix)) {
  const products = SHOTS.filter((s) => s.file.startsWith('products/') && s.kind === 'jpeg');
  await writeAwkward(folder, products[1]!.file, products[5]!.file);
}
