/** What was made to take long, by the command line: seconds, peak memory, and what it says of it. */
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { RICH } from './finish';
import { peakOfRender } from './memory';
import { benchPhotos } from './photos';

const FOLDER = 'scratch/bench-limits';

const png = (width: number) => ({ name: `out-${width}`, format: 'png', width });

/** Documents within the schema's limits that ask for as much as they can. */
const CASES = {
  'a box of 20,000 in a frame of 1,000, turned by 5 degrees': {
    frame: { width: 1000, height: 1000 },
    shape: { kind: 'rectangle', box: { cx: 500, cy: 500, width: 20_000, height: 20_000, angle: 5 } },
    outputs: [png(1000)],
  },
  '16 shadows at 100 megapixels': {
    frame: { width: 1000, height: 1000 },
    shadows: Array.from({ length: 16 }, (_, i) => ({ x: i, y: i, blur: 40, opacity: 0.1 })),
    outputs: [png(10_000)],
  },
  'a rich finish at 100 megapixels': { ...RICH, mat: {}, reflection: {}, outputs: [png(10_000)] },
  '24 widths of 9,000 px and more': { outputs: Array.from({ length: 24 }, (_, i) => png(9000 + 300 * i)) },
};

export type Limit = { readonly seconds: number; readonly peak: number; readonly said: string };

/** Seconds by the clock, the peak in MB, and the last line that was printed. */
export async function measureLimits(): Promise<Record<string, Limit>> {
  const [photo] = await benchPhotos(1);
  const measured: Record<string, Limit> = {};
  for (const [name, document] of Object.entries(CASES)) {
    rmSync(FOLDER, { recursive: true, force: true });
    mkdirSync(FOLDER, { recursive: true });
    const template = join(FOLDER, 'template.json');
    writeFileSync(template, JSON.stringify({ wobrel: 1, name: 'Limit', ...document }));
    const from = performance.now();
    const { peak, said } = await peakOfRender(template, join(FOLDER, 'out'), photo!);
    measured[name] = { seconds: (performance.now() - from) / 1000, peak, said };
  }
  rmSync(FOLDER, { recursive: true, force: true });
  return measured;
}
