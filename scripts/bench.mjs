/**
 * `npm run bench`: side-by-side measurements; needs an installed and built application. They
 * are compiled as the application is: a loader that compiles while running makes calls slower.
 */
import { build } from 'esbuild';
import { existsSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { installChromium, root, run } from './run.mjs';

installChromium();
// Right in dist/, as what it takes along looks for files beside it there.
const outdir = join(root, 'dist');
if (existsSync(outdir))
  for (const file of readdirSync(outdir)) if (/^bench[.-]/.test(file)) rmSync(join(outdir, file), { recursive: true });
await build({
  absWorkingDir: root,
  entryPoints: { bench: 'bench/main.ts' },
  chunkNames: 'bench-[name]-[hash]',
  outdir,
  outExtension: { '.js': '.mjs' },
  // Loaded part by part: a heap full of what another part needs costs each collection of memory.
  splitting: true,
  bundle: true,
  platform: 'node',
  format: 'esm',
  packages: 'external',
});
run('node', [join(outdir, 'bench.mjs'), ...process.argv.slice(2)]);
