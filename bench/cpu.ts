import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';

setFlagsFromString('--expose-gc');
// Nor does the collecting itself, oftener than any work would bring it about, let code be forgotten.
setFlagsFromString('--no-flush-bytecode');
const collect = runInNewContext('gc') as () => void;

/**
 * CPU milliseconds of some work, system time included. What was done before leaves no memory to be freed in it:
 * a decoded photo's 36 MB would be counted against whatever comes next.
 */
export async function cpuOf(work: () => unknown): Promise<number> {
  collect();
  const before = process.cpuUsage();
  await work();
  const { user, system } = process.cpuUsage(before);
  return (user + system) / 1000;
}

/** One after the other: over many photos what collecting memory costs is paid by whoever leaves it behind. */
export async function inTurn<T>(list: readonly T[], work: (one: T) => Promise<unknown>): Promise<void> {
  for (const one of list) await work(one);
}
