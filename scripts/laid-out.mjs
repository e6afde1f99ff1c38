/** Files that are made out of those of a package, once. */
import { existsSync, renameSync, statSync, writeFileSync } from 'node:fs';

/** Writes what is made where it is not, or is older than the script (its URL) that makes it; whole or not at all. */
export function layOut(path, script, make) {
  if (existsSync(path) && statSync(path).mtimeMs > statSync(new URL(script)).mtimeMs) return;
  const aside = `${path}.${process.pid}`;
  writeFileSync(aside, make());
  renameSync(aside, path);
}
