/** Whole tasks as people do them, by labels alone, with the clicks and keys that they take. */
import { readdirSync, readFileSync } from 'node:fs';
import { PNG } from 'pngjs';
import { expect, test, type Page } from './test';
import { batchOf, cutouts, step } from './bench-page';
import { filesOf } from './exports';
import { handOn } from './hand';
import { discPhoto, flatPhoto } from './photos';

const button = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' }); // prettier-ignore
const panel = (page: Page) => page.locator('.side');

test('sixteen portraits become circles of 300 px with a ring, eyes level and heads alike', async ({ page }) => {
  test.setTimeout(240_000);
  await page.goto('/');
  const hand = handOn(page);
  await hand.click(button(page, 'New batch…'));
  await hand.type('Team');
  await hand.keys('Enter');
  const chosen = page.waitForEvent('filechooser');
  await hand.click(button(page, 'Pick photos…'));
  const folder = 'demo/photos/portraits';
  await (await chosen).setFiles(readdirSync(folder).map((name) => ({ name, mimeType: 'image/jpeg', buffer: readFileSync(`${folder}/${name}`) }))); // prettier-ignore
  await expect(step(page, 'Photos')).toContainText('Photos16', { timeout: 120_000 });

  await hand.click(step(page, 'Centre'));
  await hand.click(page.getByRole('radio', { name: 'face', exact: true }));
  await hand.click(button(page, 'Continue the ground'));
  await expect(page.getByText('Trying: the ground continued')).toBeVisible();
  await hand.click(button(page, 'Take it'));
  await hand.click(step(page, 'Template'));
  await hand.click(button(page, /^Frame/));
  await hand.choose(panel(page).getByLabel('Ready size'), 'Small square 300 × 300 px');
  await hand.click(button(page, 'Add a border'));
  await hand.click(panel(page).getByRole('group', { name: 'Border 1' }).getByLabel('Width', { exact: true }));
  await hand.keys('Control+a');
  await hand.type('4');
  await hand.keys('Enter');
  await hand.click(button(page, 'Export…'));
  await expect(button(page, 'Export 16 files')).toBeEnabled();
  const files = await filesOf(page, () => hand.keys('Control+Enter'));
  hand.done('Team circles', { clicks: 12, keys: 10 });

  const pictures = [...files].filter(([name]) => name.endsWith('.png'));
  expect(pictures).toHaveLength(16);
  for (const [, data] of pictures) {
    const png = PNG.sync.read(data);
    expect([png.width, png.height, png.data[3], png.data[(150 * 300 + 150) * 4 + 3]]).toEqual([300, 300, 0, 255]);
  }
  type Item = { subject: { size: number } | null; findings: { check: string }[] };
  const { items } = JSON.parse(files.get('manifest.json')!.toString()) as { items: Item[] };
  expect(items.flatMap(({ findings }) => findings).filter(({ check }) => check === 'size')).toEqual([]);
  const sizes = items.map(({ subject }) => subject!.size);
  expect(Math.max(...sizes) - Math.min(...sizes)).toBeLessThan(0.01);
});

test('a card of 100 × 60 mm at 300 ppi, only its upper corners rounded', async ({ page }) => {
  await batchOf(page, 'Card', [await flatPhoto('wide.png', '#885522', 1600, 1000)]);
  const hand = handOn(page);
  await hand.click(button(page, /Choose another/));
  await hand.click(page.getByRole('dialog').getByRole('button', { name: 'Rectangle', exact: true }));
  await hand.click(button(page, /^Frame/));
  await hand.choose(panel(page).getByLabel('Ready size'), 'Card 100 × 60 mm, 300 ppi');
  await hand.click(button(page, 'Let the shape fill the frame'));
  await hand.click(page.getByRole('radio', { name: 'one by one' }));
  await hand.click(panel(page).getByLabel('Left top', { exact: true }));
  await hand.type('5');
  // Past the slider to the next corner.
  await hand.keys('Tab', 'Tab');
  await hand.type('5');
  await hand.keys('Enter');
  await hand.click(button(page, 'Export…'));
  await expect(button(page, 'Export 1 file')).toBeEnabled();
  const files = await filesOf(page, () => hand.keys('Control+Enter'));
  hand.done('The exact card', { clicks: 8, keys: 12 });
  const card = PNG.sync.read(files.get('wide-tile.png')!);
  // 100 / 25.4 · 300 and 60 / 25.4 · 300.
  expect([card.width, card.height]).toEqual([1181, 709]);
  const alpha = (x: number, y: number) => card.data[(y * card.width + x) * 4 + 3];
  expect([alpha(1, 1), alpha(1179, 1), alpha(1, 707), alpha(1179, 707), alpha(590, 1)]).toEqual([0, 0, 255, 255, 255]);
});

test('by keys alone: a hexagon, photos judged, and the export', async ({ page }) => {
  await batchOf(page, 'Keys', [
    await discPhoto('a.png', [{ x: 600, y: 500, r: 300 }]),
    await flatPhoto('b.png', '#556677', 1200, 1200),
    await flatPhoto('c.png', '#775566', 1200, 1200),
  ]);
  const hand = handOn(page);
  // The wall has the focus: the first is good, the second left out.
  await expect(page.getByRole('listbox', { name: 'Cutouts' })).toBeFocused();
  await hand.keys('g', 'ArrowRight', 'l');
  await hand.keys('r');
  await expect(button(page, 'Bare')).toBeFocused();
  await hand.keys('Tab', 'Tab', 'Tab', 'Tab', 'Enter');
  await expect(page.getByRole('searchbox', { name: 'Search shapes' })).toBeFocused();
  await hand.type('hexa');
  await hand.keys('Enter');
  await expect(button(page, /^Hexagon Choose another/)).toBeVisible();
  // The catalogue has gone, and the keys are the screen's again.
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await hand.keys('/');
  await expect(page.getByRole('combobox', { name: 'Action' })).toBeFocused();
  await hand.type('step exp');
  await hand.keys('Enter');
  await expect(button(page, 'Export 2 files')).toBeEnabled();
  const files = await filesOf(page, () => hand.keys('Control+Enter'));
  hand.done('By keys alone', { clicks: 0, keys: 40 });
  expect([...files.keys()].sort()).toEqual(['a-tile.png', 'c-tile.png', 'manifest.json']);
});

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
  expect([...files.keys()].sort()).toEqual(['manifest.json', 'tiny-tile.png']);
  await button(page, 'Show all').click();
  await expect(cutouts(page)).toHaveCount(3);
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
