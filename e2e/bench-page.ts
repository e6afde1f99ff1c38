/** The steps that most browser tests begin with. */
import { expect, type Page } from './test';
import type { Upload } from './photos';

export const step = (page: Page, name: string) => page.locator('.step', { hasText: name });
export const cutouts = (page: Page) => page.getByRole('listbox', { name: 'Cutouts' }).getByRole('option');

/** Makes an empty batch, brings photos in, and opens it on a step, all but the last by the routes that the pages use. */
async function open(page: Page, name: string, photos: readonly Upload[], at: string): Promise<void> {
  const made = await page.request.post('/api/batches', { data: { name } });
  const { id } = (await made.json()) as { id: number };
  for (let i = 0; i < photos.length; i += 20) {
    const form = new FormData();
    for (const { name: file, mimeType, buffer } of photos.slice(i, i + 20))
      form.append('photo', new File([new Uint8Array(buffer)], file, { type: mimeType }));
    const answer = await page.request.post(`/api/batches/${id}/photos`, { multipart: form });
    expect(answer.ok()).toBe(true);
  }
  await page.goto(`/batches/${id}?step=${at}`);
  await expect(page.getByRole('heading', { name })).toBeVisible();
}

/** An empty batch on its first step. */
export const newBatch = (page: Page, name: string): Promise<void> => open(page, name, [], 'photos');

/** Waits until every cutout in view has been drawn. */
export async function painted(page: Page): Promise<void> {
  await expect(page.locator('.tile canvas:not([data-painted])')).toHaveCount(0);
}

/** A batch with these photos, all of them drawn. */
export async function batchOf(page: Page, name: string, photos: readonly Upload[]): Promise<void> {
  await open(page, name, photos, 'template');
  await expect(page.locator('.step', { hasText: 'Photos' })).toContainText(new RegExp(`^Photos${photos.length}`));
  await expect(cutouts(page).first()).toBeVisible();
  await painted(page);
}

/** Where a place of the photo on the easel lies on the screen. */
export const placeIn = (page: Page, x: number, y: number): Promise<[number, number]> =>
  page.locator('.easel-svg image').evaluate(
    (image: SVGImageElement, [px, py]) => {
      const { x: left, y: top } = new DOMPoint(px, py).matrixTransform(image.getScreenCTM()!);
      return [left, top] as [number, number];
    },
    [x, y],
  );
