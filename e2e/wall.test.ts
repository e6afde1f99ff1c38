import { expect, test, type Page } from './test';
import { batchOf, cutouts, step } from './bench-page';
import { flatPhoto, rainbow } from './photos';

/** What is wider than the room that it has in the panel, but for what is typed. */
const cutOff = (page: Page) =>
  page.locator('.side-room *:not(.visually-hidden, input)').evaluateAll((all) =>
    all
      .filter((one) => {
        const { overflowX, textOverflow } = getComputedStyle(one);
        return overflowX !== 'visible' && textOverflow !== 'ellipsis' && one.scrollWidth > one.clientWidth + 1;
      })
      .map((one) => one.outerHTML.slice(0, 160)),
  );

const chosen = (page: Page) => page.getByRole('listbox', { name: 'Cutouts' }).getByRole('option', { selected: true });

test('everything on the wall goes by keys: choosing, looking closer, taking out', async ({ page }) => {
  await batchOf(page, 'Keys', await rainbow(12));
  await page.getByRole('listbox', { name: 'Cutouts' }).focus();
  await page.keyboard.press('Home');
  await page.keyboard.press('ArrowRight');
  await expect(chosen(page)).toHaveAttribute('aria-label', /^pot-001/);
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('pot-001.png');
  await page.keyboard.press('n');
  await expect(dialog).toContainText('pot-002.png');
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  await page.getByRole('listbox', { name: 'Cutouts' }).focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(chosen(page)).toHaveCount(2);
  await page.keyboard.press('Control+a');
  await expect(page.getByText('12 chosen')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(chosen(page)).toHaveCount(0);
  await page.keyboard.press('End');
  await page.keyboard.press('Delete');
  await page.getByRole('alertdialog').getByRole('button', { name: 'Take out' }).click();
  await expect(cutouts(page)).toHaveCount(11);
});

test('the key sheet opens with ? but not while typing', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('heading', { name: 'Batches' }).waitFor();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('choose all');
  await page.keyboard.press('Escape');
  await page
    .getByRole('button', { name: /New batch|Make the first/ })
    .first()
    .click();
  await page.getByLabel('Name').pressSequentially('What?');
  await expect(page.getByLabel('Name')).toHaveValue('What?');
  await expect(page.getByRole('dialog')).toHaveCount(1);
});

test('the ground is for looking only: it is kept for the next visit and changes no cutout', async ({ page }) => {
  await batchOf(page, 'Ground', await rainbow(1));
  const corner = () =>
    page
      .locator('.tile canvas')
      .evaluate((canvas: HTMLCanvasElement) => [...canvas.getContext('2d')!.getImageData(1, 1, 1, 1).data]);
  expect(await corner()).toEqual([0, 0, 0, 0]);
  await page.getByRole('radio', { name: 'black' }).click();
  await expect(page.getByRole('listbox', { name: 'Cutouts' })).toHaveCSS('background-color', 'rgb(17, 17, 17)');
  expect(await corner()).toEqual([0, 0, 0, 0]);
  await page.reload();
  await expect(page.getByRole('radio', { name: 'black' })).toBeChecked();
  await page.getByRole('button', { name: 'Ground of any colour' }).click();
  const own = page.getByRole('dialog', { name: 'Ground of any colour' });
  await own.getByLabel('Colour', { exact: true }).fill('#3355aa');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('listbox', { name: 'Cutouts' })).toHaveCSS('background-color', 'rgb(51, 85, 170)');
});

test('findings are marked in words, and the wall narrows to one check', async ({ page }) => {
  await batchOf(page, 'Findings', [
    await flatPhoto('large.png', '#667788', 1500, 1400),
    await flatPhoto('tiny.png', '#887766', 300, 200),
  ]);
  await expect(cutouts(page).filter({ hasText: 'enlarged 4.8×' })).toHaveAttribute(
    'aria-label',
    /tiny\.png, enlarged 4\.80 times/,
  );
  await expect(step(page, 'Check')).toContainText('1 to look at');
  await step(page, 'Check').click();
  await page.getByRole('button', { name: 'Show only these' }).first().click();
  await expect(cutouts(page)).toHaveCount(1);
  await page.getByLabel('Show', { exact: true }).selectOption('all');
  await expect(cutouts(page)).toHaveCount(2);
});

test('a change in another window is told, not overwritten', async ({ page, context }) => {
  await batchOf(page, 'Two windows', await rainbow(1));
  await step(page, 'Template').click();
  await expect(page).toHaveURL(/step=template/);
  // One that is not told what the other does, as without a line.
  await page.route('**/events?*', (route) => route.abort());
  await page.reload();
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByRole('button', { name: 'Add a border' }).click();
  await expect(other.getByRole('status')).toHaveText('saved');
  await page.getByRole('button', { name: 'Add a shadow' }).click();
  await expect(page.getByRole('status')).toContainText('changed in another window');
});

test('of many photos only the rows in view exist, and scrolling draws the rest', async ({ page }) => {
  await batchOf(page, 'Many', await rainbow(150, 65, 60));
  expect(await cutouts(page).count()).toBeLessThan(100);
  const wall = page.getByRole('listbox', { name: 'Cutouts' });
  await wall.focus();
  await page.keyboard.press('End');
  await expect(
    cutouts(page)
      .filter({ has: page.locator('canvas[data-painted]') })
      .last(),
  ).toHaveAttribute('aria-label', /^pot-149/);
});

test('what is not there is said, not shown as an empty wall', async ({ page }) => {
  await page.goto('/batches/99999');
  await expect(page.getByText('There is no such batch.')).toBeVisible();
  // What is no address at all keeps the way back, too.
  for (const address of ['/batches/first', '/no/such/screen']) {
    expect((await page.goto(address))?.status()).toBe(404);
    await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
    await expect(page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: 'Batches' })).toBeVisible(); // prettier-ignore
  }
});

test('at 1280 pixels the bar over the wall is one row on every step, with room for a browser’s wider letters, and the one below it too', async ({
  page,
}) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  const longName = 'a-pot-whose-photographer-gave-its-file-a-name-of-a-whole-sentence.png';
  await batchOf(page, 'One row', [await flatPhoto(longName, '#886644', 1300, 1200)]);
  await cutouts(page).first().click();
  await page.keyboard.press('g');
  await expect(page.getByRole('button', { name: 'To look at', exact: true })).toBeVisible();
  expect((await page.locator('.wall-foot').boundingBox())!.height).toBeLessThan(50);
  for (const name of ['Photos', 'Template', 'Centre', 'Check', 'Export']) {
    await step(page, name).click();
    await expect(page.getByRole('complementary', { name })).toBeVisible();
    const free = await page.locator('.wall-bar').evaluate((bar) => {
      const [before, last] = [...bar.children].slice(-2).map((child) => child.getBoundingClientRect());
      return { isRow: last!.top < before!.bottom, room: last!.left - before!.right };
    });
    expect(free).toEqual({ isRow: true, room: expect.any(Number) });
    expect(free.room).toBeGreaterThan(20);
    expect(await cutOff(page)).toEqual([]);
  }
  await step(page, 'Template').click();
  for (const section of [/^Slots/, /^Frame/, /^Borders/, /^Shadows/, /^Colours/, /^Mat/, /^Captions/]) {
    const head = page.locator('.side .head', { hasText: section });
    if ((await head.getAttribute('aria-expanded')) === 'false') await head.click();
    await expect(head).toHaveAttribute('aria-expanded', 'true');
    expect(await cutOff(page)).toEqual([]);
  }
  const sideways = await page.locator('.side').evaluate((side) => {
    side.scrollLeft = 100;
    return side.scrollLeft;
  });
  expect(sideways).toBe(0);
});

test('a window is called by what kind of thing is open in it', async ({ page }) => {
  for (const [path, title] of [
    ['/', 'Batches – Wobrel'],
    ['/templates', 'Templates – Wobrel'],
    ['/shapes/new', 'Shape – Wobrel'],
    ['/help', 'Help – Wobrel'],
    ['/no/such/screen', 'Nothing here – Wobrel'],
  ] as const) {
    await page.goto(path);
    await expect(page).toHaveTitle(title);
  }
  await batchOf(page, 'Autumn pots', await rainbow(1));
  await expect(page).toHaveTitle('Batch – Wobrel');
  await step(page, 'Check').click();
  await page.getByRole('link', { name: 'Report' }).click();
  await expect(page).toHaveTitle('Report – Wobrel');
  await page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: 'Deliveries' }).click();
  await expect(page).toHaveTitle('Deliveries – Wobrel');
  await page.goBack();
  await expect(page).toHaveTitle('Report – Wobrel');
});

test('every screen scrolls in one place alone', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 400 });
  for (const path of ['/', '/templates', '/shapes', '/deliveries', '/help']) {
    await page.goto(path);
    await page.getByRole('heading', { level: 1 }).waitFor();
    // With all that is listed there.
    await page.waitForLoadState('networkidle');
    const { scroller, room } = await page.evaluate(() => ({
      scroller: document.documentElement.scrollHeight,
      room: window.innerHeight,
    }));
    expect([path, scroller]).toEqual([path, room]);
  }
});

test('in a narrow window everything can still be reached', async ({ page }) => {
  await page.setViewportSize({ width: 480, height: 800 });
  await batchOf(page, 'Narrow', await rainbow(3));
  await step(page, 'Template').click();
  await page.getByRole('button', { name: 'Add a border' }).click();
  await expect(page.getByRole('status')).toHaveText('saved');
  const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(overflow).toBeLessThanOrEqual(0);
  // Another step is seen from its top, however far down the one before it was read.
  const scrolled = () => page.locator('aside').evaluate(({ scrollTop }) => scrollTop);
  await page.locator('aside').evaluate((side) => side.scrollTo(0, 1e6));
  expect(await scrolled()).toBeGreaterThan(200);
  await step(page, 'Centre').click();
  await expect(page.getByRole('complementary', { name: 'Centre' })).toBeVisible();
  expect(await scrolled()).toBe(0);
});

test('a page that could not be drawn says so, keeps the way back, and comes again whole', async ({ page }) => {
  await batchOf(page, 'Stopped', await rainbow(2));
  const screens = page.getByRole('navigation', { name: 'Screens' });
  await screens.getByRole('link', { name: 'Batches' }).click();
  const batch = page.getByRole('link', { name: 'Stopped' });
  await expect(batch).toBeVisible();
  await page.evaluate(() => {
    window.ResizeObserver = class {
      constructor() {
        throw new Error('no measure');
      }
    } as never;
  });
  await batch.click();
  const told = page.getByRole('alert').filter({ hasText: 'This page has stopped' });
  await expect(told).toContainText('What went wrong: no measure');
  await expect(screens.getByRole('link', { name: 'Batches' })).toBeVisible();
  await told.getByRole('button', { name: 'Reload the page' }).click();
  await expect(cutouts(page)).toHaveCount(2);
});
