/** A wall of many photos beside one of few: opening it, filtering it, scrolling through it. */
import type { Page } from '@playwright/test';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { median } from './median';
import { ADDRESS, withApplication } from './server';

const SOURCE = 'test-photos/scenes';
const AT_ONCE = 6;

/** Subjects centred at one size: some photos then fail some check, others none. */
const TEMPLATE = { wobrel: 1, name: 'Tile', centring: { rule: 'subject', size: 0.66, gap: 'extend' }, borders: [{}] };

async function send<T>(method: 'POST' | 'PUT', path: string, body: unknown): Promise<T> {
  const form = body instanceof FormData;
  const answer = await fetch(ADDRESS + path, {
    method,
    headers: form ? undefined : { 'content-type': 'application/json' },
    body: form ? body : JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
  return (await answer.json()) as T;
}

/** A batch of so many photos, no two of them the same, taken in as a user's are. */
async function batchOf(count: number): Promise<string> {
  const { id } = await send<{ id: number }>('POST', '/api/batches', { name: `${count} photos` });
  await send('PUT', `/api/batches/${id}/draft`, { template: TEMPLATE, revision: 0 });
  const sources = readdirSync(SOURCE);
  let next = 0;
  const taker = async () => {
    for (let i = next++; i < count; i = next++) {
      const photo = await sharp(join(SOURCE, sources[i % sources.length]!))
        .autoOrient()
        .modulate({ brightness: 0.8 + (0.4 * ((i * 7) % 97)) / 97, hue: Math.floor(i / sources.length) * 9 })
        .jpeg({ quality: 88 })
        .toBuffer();
      const form = new FormData();
      form.append('photo', new Blob([new Uint8Array(photo)]), `photo-${String(i).padStart(5, '0')}.jpg`);
      await send('POST', `/api/batches/${id}/photos`, form);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, taker));
  return `${ADDRESS}/batches/${id}?step=check`;
}

const unpainted = '.tile canvas:not([data-painted])';
const painted = (page: Page) =>
  page.waitForFunction(
    (selector) => document.querySelector('.tile canvas') !== null && document.querySelector(selector) === null,
    unpainted,
    { polling: 'raf' },
  );

/** Milliseconds from asking for the page to the last cutout in view painted. */
async function open(page: Page, address: string): Promise<number> {
  await page.goto('about:blank');
  const start = performance.now();
  await page.goto(address);
  await painted(page);
  return performance.now() - start;
}

/** Milliseconds from choosing a filter to the cutouts that it leaves painted, and the requests that it took. */
async function filter(page: Page, value: string): Promise<{ time: number; requests: number }> {
  let requests = 0;
  const onRequest = (request: { url: () => string }) => {
    if (!request.url().includes('/proxies/')) requests++;
  };
  page.on('request', onRequest);
  const start = performance.now();
  await page.getByLabel('Show', { exact: true }).selectOption(value);
  await painted(page);
  page.off('request', onRequest);
  return { time: performance.now() - start, requests };
}

/** Scrolls at so many pixels a frame; for every frame, how long the cell in view that has waited longest has been blank, ms. */
const scroll = (page: Page, step: number, frames: number) =>
  page.evaluate(
    async ([by, count]) => {
      const room = document.querySelector<HTMLElement>('.wall-scroll')!;
      const { top, bottom } = room.getBoundingClientRect();
      const since = new Map<Element, number>();
      const waits: number[] = [];
      while (waits.length < count) {
        const now = await new Promise<number>(requestAnimationFrame);
        let longest = 0;
        for (const canvas of document.querySelectorAll('.tile canvas:not([data-painted])')) {
          const box = canvas.getBoundingClientRect();
          if (box.bottom < top || box.top > bottom) continue;
          if (!since.has(canvas)) since.set(canvas, now);
          longest = Math.max(longest, now - since.get(canvas)!);
        }
        waits.push(longest);
        room.scrollTop += by;
      }
      return waits;
    },
    [step, frames] as const,
  );

export type ManySpeed = {
  few: number;
  many: number;
  openFew: number;
  openMany: number;
  ratio: number;
  filter: number;
  filterRequests: number;
  /** Share of the frames of a scroll in which some cell in view was blank, and the longest that one stayed so; ms. */
  blankFrames: number;
  longestBlank: number;
  /** The average of all cutouts of the many, ms. */
  average: number;
};

/** Medians in ms over interleaved rounds. */
export const measureMany = (few: number, many: number, rounds: number): Promise<ManySpeed> =>
  withApplication(async (page) => {
    const small = await batchOf(few);
    const large = await batchOf(many);
    await open(page, small);
    const times: Record<'small' | 'large' | 'filter', number[]> = { small: [], large: [], filter: [] };
    let requests = 0;
    for (let i = 0; i < rounds; i++) {
      times.small.push(await open(page, small));
      times.large.push(await open(page, large));
      await page.waitForLoadState('networkidle');
      // A check that some of the photos fail: what is left is not what was there.
      const filtered = await filter(page, 'unsure');
      times.filter.push(filtered.time);
      requests += filtered.requests;
    }
    await open(page, large);
    await page.waitForLoadState('networkidle');
    // A quick flick of the wheel: a row of cutouts every fourth frame.
    const waits = await scroll(page, 33, 600);
    const start = performance.now();
    await page.getByRole('radio', { name: 'average', exact: true }).click();
    await page.locator(`canvas[data-averaged="${many}"]`).waitFor({ timeout: 300_000 });
    const average = performance.now() - start;
    const [openFew, openMany] = [median(times.small), median(times.large)];
    return {
      few,
      many,
      openFew,
      openMany,
      ratio: openMany / openFew,
      filter: median(times.filter),
      filterRequests: requests / rounds,
      blankFrames: waits.filter((wait) => wait > 0).length / waits.length,
      longestBlank: Math.max(...waits),
      average,
    };
  });
