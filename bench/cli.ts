/**
 * The command line as whole processes, startup included, beside a hand-written sharp script
 * that does the same: CPU time of the process and its threads, run in turn.
 */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { benchPhotos } from './photos';
import { median } from './median';

const FOLDER = 'scratch/bench-cli';
const OUTPUTS = [
  { name: 'large', format: 'png', width: 1080 },
  { name: 'web', format: 'webp', width: 540 },
  { name: 'mail', format: 'jpeg', width: 600, matte: '#ffffff' },
] as const;

const TEMPLATE = {
  wobrel: 1,
  name: 'Bench',
  borders: [{ width: 16, align: 'inside', paint: '#24594f' }],
  shadows: [{ x: 0, y: 12, blur: 24, opacity: 0.35 }],
  outputs: OUTPUTS,
};

/** The same cutouts by sharp alone: a mask, a ring and a blurred shadow composited for every output. */
const SCRIPT = `
import sharp from 'sharp';
import { mkdirSync } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { availableParallelism } from 'node:os';
const [out, ...photos] = process.argv.slice(2);
const outputs = ${JSON.stringify(OUTPUTS)};
mkdirSync(out, { recursive: true });
const svg = (size, inner) => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="' + size + '" height="' + size + '" viewBox="0 0 1080 1080">' + inner + '</svg>');
async function one(path, i) {
  for (const { name, format, width: size } of outputs) {
    const k = size / 1080;
    const side = Math.round(960 * k);
    const rim = Math.round(60 * k);
    const round = await sharp(path).autoOrient().resize(side, side, { fit: 'cover' })
      .extend({ top: rim, left: rim, bottom: size - side - rim, right: size - side - rim, background: { r: 0, g: 0, b: 0, alpha: 0 } })
      .composite([{ input: svg(size, '<circle cx="540" cy="540" r="480"/>'), blend: 'dest-in' }, { input: svg(size, '<circle cx="540" cy="540" r="472" fill="none" stroke="#24594f" stroke-width="16"/>') }])
      .raw().toBuffer();
    const shadow = await sharp(svg(size, '<circle cx="540" cy="552" r="480" fill-opacity="0.35"/>')).blur(12 * k).raw().toBuffer();
    const raw = { width: size, height: size, channels: 4 };
    const picture = sharp(shadow, { raw }).composite([{ input: round, raw }]);
    if (format === 'png') picture.png();
    else if (format === 'webp') picture.webp({ quality: 90, alphaQuality: 100 });
    else picture.flatten({ background: '#ffffff' }).jpeg({ quality: 90, chromaSubsampling: '4:4:4' });
    await writeFile(out + '/' + i + '-' + name, await picture.toBuffer());
  }
}
const queue = photos.map((path, i) => [path, i]);
await Promise.all(Array.from({ length: availableParallelism() }, async () => {
  for (let next = queue.shift(); next; next = queue.shift()) await one(...next);
}));
`;

/** CPU seconds (user and system) and seconds by the clock of one process, as the shell's own times tell. */
function run(...command: string[]): { cpu: number; wall: number } {
  rmSync(join(FOLDER, 'out'), { recursive: true, force: true });
  const from = performance.now();
  const { stderr, status } = spawnSync(
    'bash',
    ['-c', `TIMEFORMAT='%U %S'; time "$@" >/dev/null`, 'bench', ...command],
    {
      encoding: 'utf8',
    },
  );
  const wall = (performance.now() - from) / 1000;
  if (status !== 0) throw new Error(`${command[1]} ended with ${status}: ${stderr}`);
  const [user, system] = stderr.trim().split('\n').pop()!.split(' ').map(Number);
  return { cpu: user! + system!, wall };
}

export type CliSpeed = {
  /** Seconds by the clock. */
  readonly help: number;
  readonly node: number;
  readonly small: number;
  /** CPU seconds for `photos` photos of 12 megapixels in three outputs each. */
  readonly photos: number;
  readonly wobrel: number;
  readonly script: number;
  readonly ratio: number;
};

/** Medians over rounds in which everything is run in turn. */
export async function measureCli(rounds: number, count: number): Promise<CliSpeed> {
  mkdirSync(FOLDER, { recursive: true });
  const [template, plain, script, out, small] = ['t.json', 'plain.json', 'script.mjs', 'out', 'small.jpg'].map((name) => join(FOLDER, name)) as [string, string, string, string, string]; // prettier-ignore
  writeFileSync(template, JSON.stringify(TEMPLATE));
  writeFileSync(plain, JSON.stringify({ wobrel: 1, name: 'Plain circle' }));
  writeFileSync(script, SCRIPT);
  if (!existsSync(small)) {
    const [first] = readdirSync('demo/photos/products').filter((name) => name.endsWith('-mug-07.jpg'));
    await sharp(join('demo/photos/products', first!)).autoOrient().resize(800, 600).jpeg().toFile(small);
  }
  const photos = await benchPhotos(count);
  const times: Record<'node' | 'help' | 'small' | 'wobrel' | 'script', number[]> = { node: [], help: [], small: [], wobrel: [], script: [] }; // prettier-ignore
  for (let round = 0; round < rounds; round++) {
    times.node.push(run('node', '-e', '0').wall);
    times.help.push(run('node', 'bin/wobrel.mjs', '--help').wall);
    times.small.push(run('node', 'bin/wobrel.mjs', 'render', '--template', plain, '--out', out, small).wall);
    times.wobrel.push(run('node', 'bin/wobrel.mjs', 'render', '--template', template, '--out', out, ...photos).cpu);
    times.script.push(run('node', script, out, ...photos).cpu);
  }
  rmSync(FOLDER, { recursive: true, force: true });
  const [node, help, one, wobrel, plainScript] = [times.node, times.help, times.small, times.wobrel, times.script].map(median) as [number, number, number, number, number]; // prettier-ignore
  const ratio = median(times.wobrel.map((v, i) => v / times.script[i]!));
  return { node, help, small: one, photos: count, wobrel, script: plainScript, ratio };
}
