/**
 * `npm run verify`: install, lint, types, unit tests, build, browser tests. Lint and types
 * go beside the build; each stage says how long it took.
 *
 * `npm run verify -- --changed`: only what the files that differ from the last commit touch,
 * without build and browser tests.
 */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { install, installChromium, root } from './run.mjs';

const started = Date.now();
const seconds = (from) => `${((Date.now() - from) / 1000).toFixed(0)} s`;
const times = [];

/** Runs a command to its end; what it prints comes in one piece, so that two at a time can be read. */
function stage(name, command, args) {
  const from = Date.now();
  const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
  const output = [];
  child.stdout.on('data', (data) => output.push(data));
  child.stderr.on('data', (data) => output.push(data));
  return new Promise((resolve, reject) => {
    child.on('error', reject);
    child.on('exit', (code) => {
      times.push(`${name} ${seconds(from)}`);
      console.log(`\n> ${name} (${seconds(from)})`);
      process.stdout.write(Buffer.concat(output));
      if (code === 0) resolve();
      else reject(new Error(`${name} failed`));
    });
  });
}

/** One command after the other. */
async function inTurn(...stages) {
  for (const [name, command, ...args] of stages) await stage(name, command, args);
}

const bin = (name) => `node_modules/.bin/${name}`;

const oxlint = (...files) => ['oxlint', bin('oxlint'), '--type-aware', '--report-unused-disable-directives', ...files];
const oxfmt = (...files) => ['oxfmt', bin('oxfmt'), '--check', ...files];
const LINT = [['kernels', 'npm', 'run', '-s', 'kernels', '--', '--check'], oxlint(), oxfmt(), ['walls', bin('depcruise'), 'src', '--config', '.dependency-cruiser.cjs'], ['dead code', bin('knip')]]; // prettier-ignore
const TYPES = ['types', 'npm', 'run', '-s', 'types'];

async function everything() {
  installChromium();
  await Promise.all([inTurn(['build', 'npm', 'run', '-s', 'build']), inTurn(...LINT, TYPES)]);
  await inTurn(['unit tests', bin('jest')], ['browser tests', bin('playwright'), 'test']);
}

/** Files that differ from the last commit, new ones included. */
function changedFiles() {
  const listed = (...args) => spawnSync('git', args, { cwd: root, encoding: 'utf8' }).stdout.split('\n').filter(Boolean); // prettier-ignore
  const all = [...listed('diff', '--name-only', 'HEAD'), ...listed('ls-files', '--others', '--exclude-standard')];
  return all.filter((file) => /\.(ts|tsx|mjs|cjs)$/.test(file) && existsSync(root + file));
}

async function changed() {
  const files = changedFiles();
  if (files.length === 0) return console.log('Nothing has changed since the last commit.');
  await Promise.all([
    inTurn(oxlint(...files), oxfmt(...files), TYPES),
    inTurn(['unit tests', bin('jest'), '--findRelatedTests', '--passWithNoTests', ...files]),
  ]);
}

install();
try {
  await (process.argv.includes('--changed') ? changed() : everything());
  console.log(`\nGreen in ${seconds(started)}: ${times.join(', ')}`);
} catch (error) {
  console.error(`\n${error.message} (after ${seconds(started)})`);
  process.exit(1);
}
