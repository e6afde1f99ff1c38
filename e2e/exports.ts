/** Exports of the browser tests, and the preview beside them. */
import { expect, type Page } from './test';
import { readFile } from 'node:fs/promises';
import { PNG } from 'pngjs';
import { cutouts, newBatch, step } from './bench-page';
import type { Upload } from './photos';
import { unzip } from './zip';

/** Begins an export, waits for its end, on a slow machine for `wait` ms, and takes the zip. */
export async function filesOf(page: Page, begin: () => Promise<unknown>, wait = 60_000): Promise<Map<string, Buffer>> {
  const started = page.waitForResponse((r) => r.url().endsWith('/deliveries') && r.request().method() === 'POST');
  await begin();
  const { id } = (await (await started).json()) as { id: number };
  const delivery = page.locator(`[data-delivery="${id}"]`);
  await expect(delivery).toHaveAttribute('data-state', 'done', { timeout: wait });
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    delivery.getByRole('link', { name: 'Download zip' }).click(),
  ]);
  return unzip(await readFile(await download.path()));
}

/** Names of the files that are pictures, in alphabetical order. */
export const pictureNames = (files: ReadonlyMap<string, Buffer>): string[] =>
  [...files.keys()].filter((name) => !['manifest.json', 'sha256sums.txt'].includes(name)).sort();

/** Presses Export on its step. */
export async function exported(page: Page): Promise<Map<string, Buffer>> {
  await step(page, 'Export').click();
  return filesOf(page, () => page.getByRole('button', { name: /^Export [\d,]+ files?$/ }).click());
}

/** Keeps what the preview workers send, before a canvas turns it into premultiplied pixels. */
export async function keepDrawn(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const kept: unknown[] = [];
    Object.assign(window, { drawn: kept });
    const Plain = window.Worker;
    window.Worker = class extends Plain {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(url, options);
        this.addEventListener('message', ({ data }: MessageEvent<{ drawn?: unknown[] }>) =>
          kept.push(...(data.drawn ?? [])),
        );
      }
    };
  });
}

/** The last picture so many pixels wide that was drawn: straight RGBA. */
export async function lastDrawn(page: Page, wide: number): Promise<Buffer> {
  type Kept = { width: number; pixels?: Uint8ClampedArray };
  await page.waitForFunction((of) => (window as unknown as { drawn: Kept[] }).drawn.some((d) => d.width === of), wide);
  const text = await page.evaluate((of) => {
    const { pixels } = (window as unknown as { drawn: Kept[] }).drawn.findLast((d) => d.width === of)!;
    let binary = '';
    for (let i = 0; i < pixels!.length; i += 8192) binary += String.fromCharCode(...pixels!.subarray(i, i + 8192));
    return btoa(binary);
  }, wide);
  return Buffer.from(text, 'base64');
}

/** The same cutout at the export's width: pixels of the preview worker, and of the exported PNG read by pngjs. */
export async function previewAndExport(
  page: Page,
  photo: Upload,
  recipe: (page: Page) => Promise<void>,
): Promise<readonly [preview: Buffer, exported: Buffer]> {
  await keepDrawn(page);
  await newBatch(page, 'Same');
  await page.getByLabel('Photos to bring in').setInputFiles([photo]);
  await expect(cutouts(page)).toHaveCount(1);
  await step(page, 'Template').click();
  await recipe(page);
  // The first of them: lists of layers have their own for what is dragged.
  await expect(page.getByRole('status').first()).toHaveText('saved');
  await cutouts(page).dblclick();
  await expect(page.getByRole('dialog')).toContainText('cutout 1080 × ');
  await page.keyboard.press('t');
  const preview = await lastDrawn(page, 1080);
  await page.keyboard.press('Escape');
  const files = await exported(page);
  const { data, width } = PNG.sync.read(files.get('soft-tile.png')!);
  expect(width).toBe(1080);
  expect(preview.length).toBe(data.length);
  return [preview, data];
}

/** How far two pictures are apart: pixels whose alpha differs, and colour values by their difference. */
export function compare(a: Buffer, b: Buffer) {
  let [alphaDiffers, opaque, partly] = [0, 0, 0];
  const apart = new Array<number>(256).fill(0);
  for (let i = 0; i < b.length; i += 4) {
    if (a[i + 3] !== b[i + 3]) alphaDiffers++;
    if (b[i + 3] === 0) continue;
    if (b[i + 3] === 255) opaque++;
    else partly++;
    for (let c = 0; c < 3; c++) apart[Math.abs(a[i + c]! - b[i + c]!)]!++;
  }
  const beyond = (limit: number) => apart.slice(limit + 1).reduce((sum, n) => sum + n, 0);
  return { alphaDiffers, opaque, partly, beyond };
}
