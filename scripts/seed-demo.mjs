/** Brings the demo photos in over the same routes that the pages use. Safe to repeat. */
import { openAsBlob } from 'node:fs';
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { root } from './run.mjs';

const ROUND_TILE = {
  wobrel: 1,
  name: 'Round tile',
  centring: { rule: 'subject', size: 0.66, gap: 'extend', maxEnlarge: 1.05 },
  // Dull glazes on wood have no light parts in good light either.
  limits: { brightness: 0.3 },
  borders: [{ width: 16, align: 'inside', paint: '#24594f' }],
  shadows: [{ x: 0, y: 12, blur: 24, opacity: 0.35 }],
  outputs: [
    { name: 'large', width: 540 },
    { name: 'small', width: 270, format: 'webp' },
    { name: 'newsletter', width: 480, format: 'jpeg', matte: '#ffffff' },
  ],
};
const TEAM_CIRCLE = {
  wobrel: 1,
  name: 'Team circle',
  centring: { rule: 'face', at: [0.5, 0.45], size: 0.5, measure: 'height', straighten: 'eyes', gap: 'extend' },
  frame: { width: 480, height: 480 },
  borders: [{ width: 8, align: 'outside', gap: 6, paint: '#b5622b' }],
  shape: { kind: 'circle', box: { cx: 240, cy: 240, width: 420, height: 420 } },
  outputs: [{ name: 'team', width: 480 }],
};
const POST = {
  wobrel: 1,
  name: 'Wide post',
  frame: { width: 1200, height: 900 },
  shape: { kind: 'rectangle', radii: [80, 80, 80, 80], box: { cx: 600, cy: 440, width: 1080, height: 760 } },
  borders: [{ width: 14, align: 'outside', paint: '#ffffff' }],
  shadows: [{ y: 18, blur: 40, opacity: 0.4 }],
  outputs: [{ name: 'post', width: 1200, format: 'webp' }],
};

const BATCHES = [
  { name: 'Workshop posts', folder: 'workshop', template: POST },
  { name: 'Makers, team page', folder: 'portraits', template: TEAM_CIRCLE },
  { name: 'Autumn shelf', folder: 'products', template: ROUND_TILE, data: 'autumn-shelf.csv' },
];

async function call(address, path, method = 'GET', body) {
  const json = body !== undefined && !(body instanceof FormData);
  const response = await fetch(address + path, {
    method,
    headers: json ? { 'content-type': 'application/json' } : undefined,
    body: json ? JSON.stringify(body) : body,
  });
  const answer = response.status === 204 ? null : await response.json();
  if (!response.ok) throw new Error(`${method} ${path}: ${answer.error.message}`);
  return answer;
}

/** Waits until the server answers, at most a minute. */
export async function waitForServer(address) {
  for (let tries = 0; tries < 300; tries++) {
    const ready = await fetch(`${address}/api/session`).then(
      (response) => response.ok,
      () => false,
    );
    if (ready) return;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  throw new Error(`the server at ${address} does not answer`);
}

/** A table of ours: semicolons, no quotation marks, names of files without endings in the second column. */
async function bringData(address, id, path) {
  const [head, ...rows] = (await readFile(path, 'utf8'))
    .trim()
    .split('\n')
    .map((line) => line.split(';'));
  const said = new Map(rows.map((row) => [row[1], row]));
  const fields = head.filter((_, i) => i !== 1);
  await call(address, `/api/batches/${id}/fields`, 'PUT', { fields });
  const { photos } = await call(address, `/api/batches/${id}/photos`);
  const changes = photos.flatMap((photo) => {
    const row = said.get(photo.name.replace(/\.[^.]*$/, ''));
    const values = row?.filter((_, i) => i !== 1).map((value) => value || null);
    return values ? [{ id: photo.id, data: Object.fromEntries(fields.map((field, i) => [field, values[i]])) }] : [];
  });
  await call(address, `/api/batches/${id}/photos`, 'PATCH', { changes });
}

/** Where people sign in there is nobody to bring anything in as: all stays as it is. */
export async function seedDemo(address) {
  const { isOn } = await call(address, '/api/session');
  if (isOn) return console.log('People sign in here: no demo photos are brought in.');
  const { batches } = await call(address, '/api/batches');
  for (const { name, folder, template, data } of BATCHES) {
    if (batches.some((batch) => batch.name === name)) continue;
    const { id } = await call(address, '/api/batches', 'POST', { name });
    const { revision } = await call(address, `/api/batches/${id}/draft`, 'PUT', { template, revision: 0 });
    await call(address, `/api/batches/${id}/template`, 'POST', { name: template.name, revision });
    const path = join(root, 'demo/photos', folder);
    const files = (await readdir(path)).sort();
    for (const file of files) {
      const body = new FormData();
      body.append('photo', await openAsBlob(join(path, file)), file);
      await call(address, `/api/batches/${id}/photos`, 'POST', body);
    }
    if (data) await bringData(address, id, join(root, 'demo/data', data));
    console.log(`${name}: ${files.length} files brought in`);
  }
}
