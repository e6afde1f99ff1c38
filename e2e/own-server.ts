/** A server and data folder of a test's own, beside the worker's. */
import { expect } from './test';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const PORT = 4360 + Number(process.env.TEST_PARALLEL_INDEX ?? 0);
export const OWN_ADDRESS = `http://127.0.0.1:${PORT}`;

let server: ChildProcess | null = null;
const inVain: ChildProcess[] = [];
const folders: string[] = [];

/** @param fileLimit most KiB a file may have, as a disk that takes no more */
export async function start(data: string, fileLimit: number | 'unlimited' = 'unlimited'): Promise<void> {
  server = spawn('bash', ['-c', `ulimit -f ${fileLimit}; exec node dist/serve.mjs`], {
    env: { ...process.env, NODE_ENV: 'production', PORT: String(PORT), WOBREL_DATA: data, WOBREL_THREADS: '1' },
    stdio: 'ignore',
  });
  await expect.poll(() => fetch(`${OWN_ADDRESS}/api/session`).then((r) => r.status, () => 0), { timeout: 30_000 }).toBe(200); // prettier-ignore
}

/** As the power going: no handler of the server gets to run. */
export async function kill(): Promise<void> {
  const over = new Promise((resolve) => server?.once('exit', resolve));
  server?.kill('SIGKILL');
  await over;
}

/** Starts another one that can't come up; what it says, when it has ended by itself. */
export async function startInVain(env: Readonly<Record<string, string>>): Promise<{ status: number; said: string }> {
  const other = spawn('node', ['dist/serve.mjs'], {
    env: { ...process.env, NODE_ENV: 'production', PORT: '0', ...env },
  });
  inVain.push(other);
  let said = '';
  other.stderr.on('data', (piece: Buffer) => (said += piece.toString()));
  const status = await new Promise<number>((resolve) => other.once('close', resolve));
  return { status, said };
}

/** A folder that is gone after the test. */
export function ownFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), 'wobrel-own-'));
  folders.push(folder);
  return folder;
}

/** To be called after each test. */
export async function clearAway(): Promise<void> {
  if (server?.exitCode === null && server.signalCode === null) await kill();
  // One that came up after all.
  for (const other of inVain.splice(0)) other.kill('SIGKILL');
  for (const folder of folders.splice(0)) rmSync(folder, { recursive: true, force: true });
}
