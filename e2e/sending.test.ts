/** A delivery sent to a shop that has rules and bad hours, by clicks, till the files lie there. */
import { createHash } from 'node:crypto';
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { startChannel } from '../src/stand-ins/channel';
import type { StandIn } from '../src/stand-ins/serve';
import { batchOf } from './bench-page';
import { exported } from './exports';
import { flatPhoto } from './photos';
import { DATA } from './settings';
import { expect, test } from './test';

let shop: StandIn;
let data: string;
const kept = () => join(data, 'shop');

test.beforeAll(async ({ server }, { parallelIndex }) => {
  expect(server.address).toBeTruthy();
  data = `${DATA}-${parallelIndex}`;
  mkdirSync(kept());
  shop = await startChannel({ port: 0, folder: kept(), token: 'key' });
});
test.afterAll(async () => {
  await shop.close();
  rmSync(join(data, 'destinations.json'), { force: true });
  rmSync(kept(), { recursive: true });
});

test('without destinations the page says how there come to be some; with one, what it refuses is known before', async ({
  page,
}) => {
  const photos = await Promise.all(['a mug', 'bowl', 'tile'].map((name, i) => flatPhoto(`${name}.png`, '#225588', 900 + i, 800))); // prettier-ignore
  await batchOf(page, 'To the shop', photos);
  const files = await exported(page);
  await page.getByRole('link', { name: 'Look at the files' }).first().click();
  await page.getByRole('button', { name: 'Send to…' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('No destination is set up');
  await dialog.getByRole('button', { name: 'Close' }).last().click();

  writeFileSync(join(data, 'destinations.json'), JSON.stringify({ destinations: [{ name: 'Shop', kind: 'channel', url: shop.url, token: 'key' }] })); // prettier-ignore
  await page.reload();
  await page.getByRole('button', { name: 'Send to…' }).click();
  await expect(dialog).toContainText('2 files');
  await dialog.getByText('1 file will not be taken there').click();
  await expect(dialog).toContainText('a mug-tile.png: names may not have “ ”');

  // Busy for the first file.
  shop.setFault({ kind: 'busy', count: 1, pauseMs: 0 });
  await dialog.getByRole('button', { name: 'Send' }).click();
  const upload = page.getByRole('article', { name: 'Upload to Shop' }).first();
  await expect(upload).toHaveAttribute('data-state', 'done');
  await expect(upload).toContainText('Sent, 2 of 3 files');
  await upload.getByText('1 file not taken there').click();
  await expect(upload).toContainText('a mug-tile.png: names may not have “ ”');
  expect(
    readdirSync(kept())
      .filter((name) => !name.startsWith('.'))
      .sort(),
  ).toEqual(['bowl-tile.png', 'tile-tile.png']);
  for (const name of ['bowl-tile.png', 'tile-tile.png'])
    expect(readFileSync(join(kept(), name)).equals(files.get(name)!)).toBe(true);

  // A shop with no room stops it with a sentence, and it goes on from there.
  rmSync(join(kept(), 'bowl-tile.png'));
  shop.setFault({ kind: 'full', pauseMs: 0 });
  await page.getByRole('button', { name: 'Send to…' }).click();
  await dialog.getByRole('button', { name: 'Send' }).click();
  await expect(upload).toHaveAttribute('data-state', 'failed');
  await expect(upload).toContainText('The destination has no room left');
  shop.setFault({ kind: 'none', pauseMs: 0 });
  const before = shop.changes.length;
  await page.reload();
  await upload.getByRole('button', { name: 'Go on' }).click();
  await expect(upload).toHaveAttribute('data-state', 'done');
  await expect(upload).toContainText('1 there already');
  expect(shop.changes.slice(before)).toEqual(['PUT /files/bowl-tile.png']);
  const sum = createHash('sha256').update(readFileSync(join(kept(), 'bowl-tile.png'))).digest('hex'); // prettier-ignore
  expect(sum).toBe(createHash('sha256').update(files.get('bowl-tile.png')!).digest('hex'));
});
