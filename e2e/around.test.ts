/** Around whole tasks: some photos of a batch, a page that is left, a line that breaks, and a second window. */
import { batchOf, cutouts, step } from './bench-page';
import { filesOf, pictureNames } from './exports';
import { button } from './hand';
import { flatPhoto } from './photos';
import { expect, test } from './test';

test('a photo judged, a filter, and only what it shows exported', async ({ page }) => {
  await batchOf(page, 'Some', [
    await flatPhoto('large.png', '#667788', 1500, 1400),
    await flatPhoto('tiny.png', '#887766', 300, 200),
    await flatPhoto('other.png', '#668866', 1500, 1400),
  ]);
  await step(page, 'Export').click();
  await expect(page.getByRole('region', { name: 'Doubtful photos' })).toContainText('1 photo to look at');
  await button(page, 'Look at it').click();
  await expect(page.getByText('Showing 1 of 3: to look at')).toBeVisible();
  await expect(cutouts(page)).toHaveCount(1);
  const files = await filesOf(page, () => button(page, 'Export only these 1: 1 file').click());
  expect(pictureNames(files)).toEqual(['tiny-tile.png']);
  await button(page, 'Show all').click();
  await expect(cutouts(page)).toHaveCount(3);
});

test('Ctrl + Enter asks which photos are meant while the wall shows some, and the focus is not lost by an export', async ({
  page,
}) => {
  await batchOf(page, 'Focus', [await flatPhoto('large.png', '#667788', 1500, 1400), await flatPhoto('tiny.png', '#887766', 300, 200)]); // prettier-ignore
  await step(page, 'Export').click();
  await button(page, 'Look at it').click();
  await expect(button(page, 'Export only these 1: 1 file')).toBeEnabled();
  await page.keyboard.press('Control+Enter');
  await expect(button(page, 'Export only these 1: 1 file')).toBeFocused();
  await filesOf(page, () => page.keyboard.press('Enter'));
  await button(page, 'Export only these 1: 1 file').focus();
  const started = page.waitForResponse((r) => r.url().endsWith('/deliveries') && r.request().method() === 'POST');
  await page.keyboard.press('Enter');
  await started;
  await expect(button(page, 'Export only these 1: 1 file')).toBeFocused();
});

test('what was undone and done before a reload can still be taken back', async ({ page }) => {
  await batchOf(page, 'Kept steps', [await flatPhoto('blue.png', '#2255aa')]);
  await button(page, 'Add a border').click();
  await cutouts(page).click();
  await page.keyboard.press('g');
  await expect(cutouts(page)).toContainText('good');
  await expect(page.getByRole('status')).toHaveText('saved');
  await page.reload();
  await expect(cutouts(page)).toContainText('good');
  await page.keyboard.press('Control+z');
  await expect(cutouts(page)).not.toContainText('good');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('group', { name: 'Border 1' })).toHaveCount(0);
});

test('without a line steps still open, an edit waits and is sent once the line is back', async ({ page, context }) => {
  await batchOf(page, 'Bad line', [await flatPhoto('blue.png', '#2255aa')]);
  await context.setOffline(true);
  await button(page, 'Add a border').click();
  await expect(page.getByRole('status')).toContainText('can’t be reached');
  await step(page, 'Centre').click();
  await expect(page.getByRole('complementary', { name: 'Centre' })).toBeVisible();
  await cutouts(page).click();
  await page.keyboard.press('g');
  await context.setOffline(false);
  await expect(page.getByRole('status')).toHaveText('saved');
  await expect(page.getByText('can’t be reached')).toHaveCount(0);
  await page.reload();
  await expect(cutouts(page)).toContainText('good');
  await step(page, 'Template').click();
  await expect(page.getByRole('group', { name: 'Border 1' })).toBeVisible();
});

test('two windows: the other’s change is taken in, and one’s own kept', async ({ page, context }) => {
  await batchOf(page, 'Two windows', [await flatPhoto('blue.png', '#2255aa')]);
  // One that is not told what the other does, as without a line.
  await page.route('**/events?*', (route) => route.abort());
  await page.reload();
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByRole('button', { name: 'Add a border' }).click();
  await expect(other.getByRole('status')).toHaveText('saved');
  await button(page, 'Add a shadow').click();
  await expect(page.getByRole('status')).toContainText('in another window');
  await button(page, 'Take those in, keep mine').click();
  await expect(page.getByRole('status')).toHaveText('saved');
  await expect(page.getByRole('group', { name: 'Border 1' })).toBeVisible();
  await expect(page.getByRole('group', { name: 'Drop shadow 1' })).toBeVisible();
});
