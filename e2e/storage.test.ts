/** Getting rid of what is not needed, by clicks. */
import { batchOf } from './bench-page';
import { exported } from './exports';
import { flatPhoto } from './photos';
import { expect, test } from './test';

test('a delivery is removed, then its batch, and only what is needed stays on the disk', async ({ page }) => {
  await batchOf(page, 'To be gone', await Promise.all([300, 310].map((width, i) => flatPhoto(`s${i}.png`, '#117744', width, 280)))); // prettier-ignore
  await exported(page);
  await page.getByRole('link', { name: 'Look at the files' }).first().click();
  await page.getByRole('button', { name: 'Remove this delivery…' }).click();
  const question = page.getByRole('alertdialog');
  await expect(question).toContainText('2 files, ');
  await question.getByRole('button', { name: 'Remove' }).click();
  await expect(page).toHaveURL(/\/deliveries$/);
  await expect(page.getByText('To be gone')).toHaveCount(0);

  await page.goto('/');
  await page.getByRole('link', { name: 'Storage' }).click();
  const row = page.getByRole('row').filter({ hasText: 'To be gone' });
  await expect(row).toContainText('2 photos');
  await expect(row).toContainText('none');
  await row.getByRole('button', { name: 'Delete To be gone…' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Delete', exact: true }).click();
  await expect(row).toHaveCount(0);
  // What it alone needed is taken away by itself.
  await expect(async () => {
    await page.reload();
    await expect(page.getByText('All of it is needed by a batch or a delivery.')).toBeVisible({ timeout: 1000 });
  }).toPass();
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Batches' })).toBeVisible();
  await expect(page.getByText('To be gone')).toHaveCount(0);
});
