/** What ready framings cost: CPU a photo beside a plain circle, and compiling each beside decoding a photo. */
import sharp from 'sharp';
import { compile } from '../src/core/plate';
import { parseTemplate, READY_FRAMINGS } from '../src/core/template';
import { cpuOf, inTurn } from './cpu';
import { renderer } from './finish';
import { median } from './median';
import { benchPhotos } from './photos';

const SIZE = 1080;

/** Each by itself, and one with fifty echoes of a lit, brushed band. */
const ALL: readonly { readonly name: string; readonly fields: object }[] = [
  ...READY_FRAMINGS.map(({ name, fields }) => ({ name, fields })),
  {
    name: 'Fifty echoes',
    fields: {
      shape: { kind: 'diamond' },
      borders: [
        {
          width: 60,
          paint: { kind: 'texture', of: { kind: 'brushed' }, size: 20, lies: 'along', stops: [[0, '#666'], [1, '#ddd']] }, // prettier-ignore
          relief: { depth: 30 },
          echo: { count: 50, scale: 0.97 },
        },
      ],
    },
  },
];

export type FramingsSpeed = {
  readonly decode: number;
  readonly plain: number;
  readonly framings: readonly { readonly name: string; readonly compile: number; readonly photo: number }[];
};

/** Medians in ms over interleaved rounds; the first round is left out. */
export async function measureFramings(rounds: number, photoCount: number): Promise<FramingsSpeed> {
  sharp.concurrency(1);
  sharp.cache(false);
  const paths = await benchPhotos(photoCount);
  const plain = renderer('plain', {});
  const ways = ALL.map(({ name, fields }) => renderer(name.replace(/ /g, '-'), fields));
  const each = async (way: (path: string) => Promise<unknown>) =>
    (await cpuOf(() => inTurn(paths, way))) / paths.length;
  const times = { decode: [] as number[], plain: [] as number[], compile: ALL.map(() => [] as number[]), photo: ALL.map(() => [] as number[]) }; // prettier-ignore
  for (let round = 0; round <= rounds; round++) {
    const decode = await each((path) => sharp(path).raw().toBuffer());
    const bare = await each(plain);
    if (round > 0) {
      times.decode.push(decode);
      times.plain.push(bare);
    }
    for (const [i, { name, fields }] of ALL.entries()) {
      const compiled = await cpuOf(() => compile(parseTemplate({ wobrel: 1, name, ...fields }), SIZE));
      const made = await each(ways[i]!);
      if (round === 0) continue;
      times.compile[i]!.push(compiled);
      times.photo[i]!.push(made);
    }
  }
  return {
    decode: median(times.decode),
    plain: median(times.plain),
    framings: ALL.map(({ name }, i) => ({ name, compile: median(times.compile[i]!), photo: median(times.photo[i]!) })),
  };
}
