/**
 * `npm run verify:soak`: the browser tests five times in a row, then five times with a core kept
 * busy; `npm run verify:soak -- 2` for another number. Needs an installed and built application.
 */
import { spawn, spawnSync } from 'node:child_process';
import { installChromium, root } from './run.mjs';

const ROUNDS = Number(process.argv[2] ?? 5);

installChromium();
const results = [];

function round(name) {
  const from = Date.now();
  const { status } = spawnSync('node_modules/.bin/playwright', ['test'], { cwd: root, stdio: 'inherit' });
  results.push(`${name}: ${status === 0 ? 'green' : 'RED'} in ${((Date.now() - from) / 1000).toFixed(0)} s`);
}

for (let i = 1; i <= ROUNDS; i++) round(`round ${i}`);
const busy = spawn(process.execPath, ['-e', 'for (;;);'], { stdio: 'ignore' });
for (let i = 1; i <= ROUNDS; i++) round(`busy round ${i}`);
busy.kill('SIGKILL');

console.log(`\n${results.join('\n')}`);
process.exit(results.some((line) => line.includes('RED')) ? 1 : 0);
