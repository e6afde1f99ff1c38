/** Peak memory of the command line on a short and on a long batch (Linux: the kernel's own high-water mark). */
import { spawn } from 'node:child_process';
import { linkSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { benchPhotos } from './photos';
import { threeOutputs } from './template';

const FOLDER = 'scratch/bench-memory';

/** Resident memory at its highest, in MB; null once the process is gone. */
function peakOf(pid: number): number | null {
  try {
    const line = /^VmHWM:\s+(\d+) kB/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'));
    return line ? Number(line[1]) / 1024 : null;
  } catch {
    return null;
  }
}

/** Renders a photo or a folder in a process of its own: its status, its peak in MB, and the last line that it printed. */
export async function peakOfRender(template: string, out: string, photos: string) {
  const child = spawn(process.execPath, ['bin/wobrel.mjs', 'render', '--template', template, '--out', out, photos]);
  let [peak, printed] = [0, ''];
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (printed += data));
  const timer = setInterval(() => {
    peak = Math.max(peak, peakOf(child.pid!) ?? 0);
  }, 100);
  const status = await new Promise<number | null>((resolve) => child.on('close', resolve));
  clearInterval(timer);
  return { status, peak, said: printed.trim().split('\n').pop()! };
}

async function peakFor(count: number, paths: readonly string[]): Promise<number> {
  rmSync(FOLDER, { recursive: true, force: true });
  mkdirSync(join(FOLDER, 'in'), { recursive: true });
  for (let i = 0; i < count; i++) linkSync(paths[i % paths.length]!, join(FOLDER, 'in', `photo-${i}.jpg`));
  const template = join(FOLDER, 'template.json');
  writeFileSync(template, JSON.stringify(threeOutputs()));
  const { status, peak } = await peakOfRender(template, join(FOLDER, 'out'), join(FOLDER, 'in'));
  rmSync(FOLDER, { recursive: true, force: true });
  if (status !== 0) throw new Error(`wobrel render ended with ${status}`);
  return peak;
}

export type Memory = { fewPhotos: number; manyPhotos: number; fewPeak: number; manyPeak: number; ratio: number };

/** Peaks in MB. */
export async function measureMemory(fewPhotos: number, manyPhotos: number): Promise<Memory> {
  const paths = await benchPhotos(24);
  const fewPeak = await peakFor(fewPhotos, paths);
  const manyPeak = await peakFor(manyPhotos, paths);
  return { fewPhotos, manyPhotos, fewPeak, manyPeak, ratio: manyPeak / fewPeak };
}
