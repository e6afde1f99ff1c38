/**
 * `npm run bench`: measures every part, prints its figures and keeps them in bench/results.json;
 * `npm run bench -- cli wall` only these, the others stay as they were measured. Each part has a process
 * of its own: what one leaves in memory would count against the next.
 */
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { PARTS } from './parts';

const RESULTS = 'bench/results.json';

const asked = process.argv.slice(2);
const unknown = asked.filter((name) => !(name in PARTS));
if (unknown.length > 0) {
  console.error(`No part of the bench: ${unknown.join(', ')}. There are ${Object.keys(PARTS).join(', ')}.`);
  process.exit(2);
}

const machine = `${cpus().length} × ${cpus()[0]!.model}, Node ${process.version}`;

async function measurePart(name: keyof typeof PARTS): Promise<void> {
  const { figures, lines } = await PARTS[name]();
  console.log(lines.join('\n'));
  // After each part, so that one that fails takes none with it.
  const results = existsSync(RESULTS) ? JSON.parse(readFileSync(RESULTS, 'utf8')) : {};
  results[name] = { measuredAt: new Date().toISOString(), machine, figures };
  writeFileSync(RESULTS, JSON.stringify(results, null, 2) + '\n');
}

const names = (Object.keys(PARTS) as (keyof typeof PARTS)[]).filter(
  (name) => asked.length === 0 || asked.includes(name),
);
if (names.length === 1) await measurePart(names[0]!);
else
  for (const name of names) {
    const { status } = spawnSync(process.execPath, [process.argv[1]!, name], { stdio: 'inherit' });
    if (status !== 0) process.exit(status ?? 1);
  }
