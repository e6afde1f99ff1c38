/** Files that are made out of those of a package, once. */
import { existsSync, renameSync, statSync, writeFileSync } from 'node:fs';

/** Writes what is made where it is not, or is older than what makes it (URLs); whole or not at all. */
export function layOut(path, sources, make) {
  if (existsSync(path) && sources.every((one) => statSync(path).mtimeMs > statSync(new URL(one)).mtimeMs)) return;
  const aside = `${path}.${process.pid}`;
  writeFileSync(aside, make());
  renameSync(aside, path);
}
