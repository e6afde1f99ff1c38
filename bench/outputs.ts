/** One photo into three outputs on one core, beside one decode, three resizes and three encodes. */
import { mkdirSync } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { placer } from '../src/core/placement';
import { compile } from '../src/core/plate';
import { parseTemplate } from '../src/core/template';
import { inspectPhoto } from '../src/server/intake';
import { encode } from '../src/server/render/encode';
import { lookOf } from '../src/server/render/look';
import { renderPhoto, reusedBuffers } from '../src/server/render/render';
import { benchPhotos } from './photos';
import { cpuOf, inTurn } from './cpu';
import { median } from './median';
import { threeOutputs } from './template';

const OUT = 'scratch/bench-outputs';

const template = parseTemplate(threeOutputs());

export type OutputsSpeed = { floor: number; wobrel: number; ratio: number };

/** Medians in ms of CPU a photo; plates are compiled before, as for a batch of hundreds. */
export async function measureOutputs(rounds: number, count: number): Promise<OutputsSpeed> {
  sharp.concurrency(1);
  sharp.cache(false);
  mkdirSync(OUT, { recursive: true });
  const paths = await benchPhotos(count);
  const place = placer(template);
  const targets = template.outputs.map((output, i) => ({
    output,
    plate: compile(template, output.width, lookOf(output).matte),
    path: join(OUT, String(i)),
  }));
  const widest = targets[0]!.plate;
  const bufferFor = reusedBuffers();
  // What a photo's header says is known since it was brought in.
  const facts = new Map(await Promise.all(paths.map(async (path) => [path, await inspectPhoto(path)] as const)));
  const wobrel = async (path: string) => {
    const photo = facts.get(path)!;
    const placed = { path, photo, placement: place(photo), outside: { kind: 'none' } as const };
    await renderPhoto(
      {
        template,
        photos: [{ ...placed, sight: null }],
        words: { photo: 'photo.jpg', batch: '', index: 1 },
        targets,
        widest,
      },
      bufferFor,
    );
  };
  await wobrel(paths[0]!);
  const finished = await Promise.all(
    targets.map(async ({ path }) => new Uint8ClampedArray(await sharp(path).ensureAlpha().raw().toBuffer())),
  );
  const floor = async (path: string) => {
    const decoded = await sharp(path).autoOrient().resize(1280, 960, { fit: 'fill' }).raw().toBuffer();
    for (const [i, { output }] of targets.entries()) {
      const width = output.width;
      const raw = { width: 1280, height: 960, channels: 3 } as const;
      await sharp(decoded, { raw }).resize(Math.round((width * 1280) / 1080), Math.round((width * 960) / 1080), { fit: 'fill' }).raw().toBuffer(); // prettier-ignore
      const { data } = await encode({ pixels: finished[i]!, width, height: width, ppi: 96 }, output, null);
      await writeFile(join(OUT, `floor-${i}`), data);
    }
  };
  const times: { floor: number; wobrel: number }[] = [];
  for (let round = 0; round < rounds; round++) {
    const a = await cpuOf(() => inTurn(paths, floor));
    const b = await cpuOf(() => inTurn(paths, wobrel));
    times.push({ floor: a / paths.length, wobrel: b / paths.length });
  }
  return {
    floor: median(times.map((t) => t.floor)),
    wobrel: median(times.map((t) => t.wobrel)),
    ratio: median(times.map((t) => t.wobrel / t.floor)),
  };
}
