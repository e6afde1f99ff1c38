/** Runs commands one after the other, as the set-up scripts do. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));
process.env.NEXT_TELEMETRY_DISABLED = '1';

/** Runs a command in the project's folder; a failure ends the script with its status. */
export function run(command, args, { mayFail = false, env = {} } = {}) {
  console.log(`\n> ${[command, ...args].join(' ')}`);
  const { status } = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
  if (status !== 0 && !mayFail) process.exit(status ?? 1);
  return status === 0;
}

const STAMP = new URL('../node_modules/.wobrel-lock', import.meta.url);

/** Installs exactly what the lock file names, unless that is there already. */
export function install() {
  const lock = createHash('sha256')
    .update(readFileSync(new URL('../package-lock.json', import.meta.url)))
    .digest('hex');
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === lock) return;
  // Some npm versions stumble over optional packages of other platforms in a lock file: then a plain install does.
  if (!run('npm', ['ci', '--no-audit', '--no-fund'], { mayFail: true }))
    run('npm', ['install', '--no-audit', '--no-fund', '--no-save']);
  mkdirSync(new URL('../node_modules', import.meta.url), { recursive: true });
  writeFileSync(STAMP, lock);
}

/** Debian's headless Chromium, of the browser tests (e2e/settings.ts) and the pictures in docs/. */
export const CHROMIUM = '/usr/bin/chromium-headless-shell';

export function installChromium() {
  if (existsSync(CHROMIUM)) return;
  run('apt-get', ['update']);
  run('apt-get', ['install', '-y', '--no-install-recommends', 'chromium-headless-shell']);
}
