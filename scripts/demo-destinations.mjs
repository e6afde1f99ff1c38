/** Destinations of the demo: a simulated shop, and a folder. */
import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { root } from './run.mjs';

const TOKEN = 'demo';

/**
 * Writes them down where nothing is yet.
 *
 * @returns what the stand-in is started with
 */
export function demoDestinations(port) {
  const data = resolve(root, process.env.WOBREL_DATA ?? '.data');
  const [shop, folder] = [join(data, 'simulated-shop'), join(data, 'handed-over')];
  for (const path of [shop, folder]) mkdirSync(path, { recursive: true });
  const list = join(data, 'destinations.json');
  const destinations = [
    { name: 'Simulated shop', kind: 'channel', url: `http://127.0.0.1:${port}`, token: TOKEN },
    { name: 'Handed over', kind: 'folder', path: folder },
  ];
  if (!existsSync(list)) writeFileSync(list, JSON.stringify({ destinations }, null, 2) + '\n');
  return ['channel', String(port), shop, TOKEN];
}
