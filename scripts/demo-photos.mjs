/**
 * Renders the demo photos anew, one process a core: about 20 minutes of work. With a prefix
 * (`npm run demo:photos portraits/`) only those files. What the generator knows of each
 * subject goes to demo/subjects.json.
 */
import { build } from 'esbuild';
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { root } from './run.mjs';

const out = join(root, 'demo/photos');
const known = join(out, 'known');

const list = join(root, 'demo/subjects.json');
const prefix = process.argv[2] ?? '';

const folder = mkdtempSync(join(root, 'dist-demo-'));
const bundle = join(folder, 'make.mjs');
await build({
  absWorkingDir: root,
  entryPoints: ['demo/generator/make.ts'],
  outfile: bundle,
  bundle: true,
  platform: 'node',
  format: 'esm',
  packages: 'external',
});
const shares = availableParallelism();
const runs = Array.from({ length: shares }, (_, i) => {
  const made = spawn(process.execPath, [bundle, out, String(i), String(shares), prefix], { stdio: 'inherit' });
  return new Promise((resolve, reject) =>
    made.on('exit', (code) => (code === 0 ? resolve() : reject(new Error(`share ${i} ended with ${code}`)))),
  );
});
await Promise.all(runs).finally(() => rmSync(folder, { recursive: true }));

const subjects = new Map();
if (existsSync(list)) for (const subject of JSON.parse(readFileSync(list, 'utf8'))) subjects.set(subject.file, subject);
for (const file of readdirSync(known)) {
  const subject = JSON.parse(readFileSync(join(known, file), 'utf8'));
  subjects.set(subject.file, subject);
}
const lines = [...subjects.values()].sort((a, b) => (a.file < b.file ? -1 : 1)).map((s) => `  ${JSON.stringify(s)}`);
writeFileSync(list, `[\n${lines.join(',\n')}\n]\n`);
rmSync(known, { recursive: true });
