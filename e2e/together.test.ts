import { batchOf, cutouts, step } from './bench-page';
import { button } from './hand';
import { rainbow } from './photos';
import { expect, test, type Page } from './test';

/** Another window at the same batch. */
async function otherAt(page: Page): Promise<Page> {
  const other = await page.context().newPage();
  await other.goto(page.url());
  await expect(other.getByText('Also here: another window')).toBeVisible();
  return other;
}

test('two windows: each sees that the other is there, and what it does, without asking', async ({ page }) => {
  await batchOf(page, 'Together', await rainbow(3));
  await step(page, 'Template').click();
  await expect(page).toHaveURL(/step=template/);
  const other = await otherAt(page);
  await expect(page.getByText('Also here: another window')).toBeVisible();

  // The template, both ways; undoing takes back one's own change alone.
  await button(other, 'Add a border').click();
  await expect(page.getByRole('group', { name: 'Border 1' })).toBeVisible();
  await button(page, 'Add a shadow').click();
  await expect(other.getByRole('group', { name: 'Drop shadow 1' })).toBeVisible();
  await button(other, 'Undo').click();
  await expect(page.getByRole('group', { name: 'Border 1' })).toBeHidden();
  await expect(page.getByRole('group', { name: 'Drop shadow 1' })).toBeVisible();
  await expect(other.getByRole('group', { name: 'Drop shadow 1' })).toBeVisible();

  // Photos.
  await cutouts(other).first().click();
  await other.keyboard.press('g');
  await expect(cutouts(page).first()).toContainText('good');
  await cutouts(page).first().click();
  await page.keyboard.press('l');
  await expect(cutouts(other).first()).toContainText('left out');
  // One's own undo has nothing left to take back of it: the other's change stands.
  await expect(button(other, 'Undo')).toBeDisabled();
  await expect(cutouts(page).first()).toContainText('left out');

  // Who goes is gone.
  await other.close();
  await expect(page.getByText('Also here')).toBeHidden();
});

test('two who change the same photo at the same moment: one of them is told', async ({ page }) => {
  await batchOf(page, 'At once', await rainbow(2));
  const other = await otherAt(page);
  // Cut off from what the other does, as on a slow line.
  await other.route('**/photos?ids=*', (route) => route.abort());
  await cutouts(page).first().click();
  await page.keyboard.press('g');
  await expect(cutouts(page).first()).toContainText('good');
  await expect.poll(async () => (await (await page.request.get(`/api${new URL(page.url()).pathname}/photos`)).json()).photos.some((photo: { review: string }) => photo.review === 'good')).toBe(true); // prettier-ignore
  await cutouts(other).first().click();
  await other.keyboard.press('l');
  await expect(other.getByText('their change stands')).toBeVisible();
  await expect(cutouts(other).first()).toContainText('good');
});
