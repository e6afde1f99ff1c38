/**
 * `npm run bench`: side-by-side measurements; needs an installed and built application. They
 * are compiled as the application is: a loader that compiles while running makes calls slower.
 */
import { build } from 'esbuild';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { installChromium, root, run } from './run.mjs';

installChromium();
const outdir = join(root, 'dist/bench');
rmSync(outdir, { recursive: true, force: true });
await build({
  absWorkingDir: root,
  entryPoints: ['bench/main.ts'],
  outdir,
  outExtension: { '.js': '.mjs' },
  // Loaded part by part: a heap full of what another part needs costs each collection of memory.
  splitting: true,
  bundle: true,
  platform: 'node',
  format: 'esm',
  packages: 'external',
});
run('node', [join(outdir, 'main.mjs'), ...process.argv.slice(2)]);
