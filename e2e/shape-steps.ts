/** Steps that tests of shapes share. */
import { expect, type Page } from './test';
import { PNG } from 'pngjs';
import { exported } from './exports';

/** Opens the catalogue and picks a shape. */
export async function pick(page: Page, label: string): Promise<void> {
  await page.getByRole('button', { name: /Choose another/ }).click();
  await page.getByRole('dialog').getByRole('button', { name: label, exact: true }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
}

export async function type(page: Page, label: string, text: string, within = page.locator('.side')): Promise<void> {
  const field = within.getByLabel(label, { exact: true });
  await field.fill(text);
  await field.press('Enter');
}

export const saved = (page: Page) => expect(page.getByRole('status')).toHaveText('saved');

/** The only exported picture's alpha at a place, 0…255. */
export async function exportedAlpha(page: Page) {
  const files = await exported(page);
  const [name] = [...files.keys()].filter((n) => n.endsWith('.png'));
  const { data, width, height } = PNG.sync.read(files.get(name!)!);
  const alpha = (x: number, y: number) => data[(y * width + x) * 4 + 3]!;
  const area = data.reduce((sum, v, i) => (i % 4 === 3 ? sum + v / 255 : sum), 0);
  return { alpha, area, width, height };
}
