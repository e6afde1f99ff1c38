/** The steps that most browser tests begin with. */
import { expect, type Page } from '@playwright/test';
import type { Upload } from './photos';

export const step = (page: Page, name: string) => page.locator('.step', { hasText: name });
export const cutouts = (page: Page) => page.getByRole('listbox', { name: 'Cutouts' }).getByRole('option');

/** Makes an empty batch by its dialog and waits for its wall. */
export async function newBatch(page: Page, name: string): Promise<void> {
  await page.goto('/');
  await page
    .getByRole('button', { name: /New batch|Make the first batch/ })
    .first()
    .click();
  await page.getByLabel('Name').fill(name);
  await page.getByRole('button', { name: 'Make the batch' }).click();
  await expect(page.getByRole('heading', { name })).toBeVisible();
}

/** Waits until every cutout in view has been drawn. */
export async function painted(page: Page): Promise<void> {
  await expect(page.locator('.tile canvas:not([data-painted])')).toHaveCount(0);
}

/** A batch with these photos, all of them drawn. */
export async function batchOf(page: Page, name: string, photos: readonly Upload[]): Promise<void> {
  await newBatch(page, name);
  await page.getByLabel('Photos to bring in').setInputFiles([...photos]);
  await expect(page.locator('.step', { hasText: 'Photos' })).toContainText(new RegExp(`^Photos${photos.length}`));
  await painted(page);
}
