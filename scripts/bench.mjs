/**
 * `npm run bench`: side-by-side measurements; needs an installed and built application. They
 * are compiled as the application is: a loader that compiles while running makes calls slower.
 */
import { build } from 'esbuild';
import { join } from 'node:path';
import { installChromium, root, run } from './run.mjs';

installChromium();
const outfile = join(root, 'dist/bench.mjs');
await build({
  absWorkingDir: root,
  entryPoints: ['bench/main.ts'],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  packages: 'external',
});
run('node', [outfile, ...process.argv.slice(2)]);
