/** By finger: a tablet upright and across, and a phone. */
import { expect, test, type Page } from './test';
import { batchOf, cutouts, step } from './bench-page';
import { discPhoto, flatPhoto } from './photos';

const sideways = (page: Page) => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);

type Finger = { readonly x: number; readonly y: number };

/** Two fingers from some places to others, as the browser gets them from a screen. */
async function pinch(page: Page, from: readonly [Finger, Finger], to: readonly [Finger, Finger]): Promise<void> {
  const screen = await page.context().newCDPSession(page);
  const send = (type: 'touchStart' | 'touchMove' | 'touchEnd', touchPoints: Finger[]) =>
    screen.send('Input.dispatchTouchEvent', { type, touchPoints });
  const at = (share: number) =>
    from.map(({ x, y }, i) => ({ x: x + (to[i]!.x - x) * share, y: y + (to[i]!.y - y) * share }));
  await send('touchStart', at(0));
  for (let i = 1; i <= 8; i++) await send('touchMove', at(i / 8));
  await send('touchEnd', []);
}

test.describe('on a tablet', () => {
  test.use({ hasTouch: true, viewport: { width: 820, height: 1100 } });

  test('a tap chooses, buttons open and judge, two fingers enlarge and turn', async ({ page }) => {
    await batchOf(page, 'Tablet', [
      await discPhoto('a.png', [{ x: 600, y: 500, r: 300 }]),
      await flatPhoto('b.png', '#556677', 1200, 1200),
    ]);
    await cutouts(page).nth(1).tap();
    await page.getByRole('button', { name: 'Leave out' }).tap();
    await expect(cutouts(page).nth(1)).toContainText('left out');
    await cutouts(page).first().tap();
    await page.getByRole('button', { name: 'Open', exact: true }).tap();
    const easel = page.getByRole('dialog');
    await expect(easel).toContainText('1 of 2');
    const room = (await easel.locator('.easel-svg').boundingBox())!;
    const [x, y] = [room.x + room.width / 2, room.y + room.height / 2];
    // Twice as far apart, and a quarter turned to the right.
    await pinch(page, [{ x: x - 60, y }, { x: x + 60, y }], [{ x, y: y - 120 }, { x, y: y + 120 }]); // prettier-ignore
    await expect(easel.getByLabel('Turned', { exact: true })).toHaveValue('90');
    await expect(easel.getByLabel('Scale', { exact: true })).toHaveValue('200');
    await easel.getByRole('button', { name: 'Close' }).tap();
    await expect(easel).toBeHidden();
  });

  test('on the stage two fingers enlarge and turn the shape, one drags it, and the slider follows a finger', async ({
    page,
  }) => {
    await batchOf(page, 'Stage', [await flatPhoto('a.png', '#556677', 1200, 1200)]);
    const side = page.locator('.side');
    await page.getByRole('radio', { name: 'stage', exact: true }).tap();
    await page.getByRole('button', { name: /^Shape: drag it/ }).waitFor();
    const room = (await page.locator('.stage-room').boundingBox())!;
    const [x, y] = [room.x + room.width / 2, room.y + room.height / 2];
    // Half as far apart, and turned to the right by atan(4/3); both begin on the shape itself.
    await pinch(page, [{ x: x - 80, y }, { x: x + 80, y }], [{ x: x - 24, y: y - 32 }, { x: x + 24, y: y + 32 }]); // prettier-ignore
    await expect(side.getByLabel('Size', { exact: true })).toHaveValue('480');
    await expect(side.getByLabel('Turned', { exact: true })).toHaveValue('53.1');
    await expect(side.getByLabel('Across', { exact: true }).first()).toHaveValue('540');
    await page.getByRole('button', { name: 'Undo' }).tap();
    await expect(side.getByLabel('Size', { exact: true })).toHaveValue('960');
    await expect(side.getByLabel('Turned', { exact: true })).toHaveValue('0');
    const slider = side.getByLabel('Rounding, slider');
    await slider.scrollIntoViewIfNeeded();
    const track = (await slider.boundingBox())!;
    await page.touchscreen.tap(track.x + track.width / 2, track.y + track.height / 2);
    await expect(side.getByLabel('Rounding', { exact: true })).not.toHaveValue('0');
  });

  test('a shape is drawn by taps, and a border is added, shown and hidden by finger', async ({ page }) => {
    await batchOf(page, 'Drawn', [await flatPhoto('a.png', '#556677', 1200, 1200)]);
    await page.getByRole('button', { name: 'Add a border' }).tap();
    const border = page.getByRole('group', { name: 'Border 1' });
    await border.getByRole('button', { name: 'Border 1 shown' }).tap();
    await expect(border.getByRole('button', { name: 'Border 1 shown' })).toHaveAttribute('aria-pressed', 'false');
    await page.getByRole('button', { name: 'Draw a shape' }).tap();
    const frame = (await page.locator('.stage-frame').boundingBox())!;
    const at = (u: number, v: number) => page.touchscreen.tap(frame.x + u * frame.width, frame.y + v * frame.height);
    await at(0.2, 0.2);
    await at(0.8, 0.2);
    await at(0.5, 0.8);
    await at(0.2, 0.2);
    await expect(page.getByRole('radio', { name: 'points', exact: true })).toBeChecked();
    await expect(page.locator('.side').getByText(/^Covers 1\d/)).toBeVisible();
  });

  for (const [words, viewport] of [
    ['upright', { width: 820, height: 1100 }],
    ['across', { width: 1100, height: 820 }],
  ] as const)
    test(`${words}: choices are 40 px high, and every step is reached by finger`, async ({ page }) => {
      await page.setViewportSize(viewport);
      await batchOf(page, 'Tablet', [await flatPhoto('a.png', '#556677', 1200, 1200)]);
      for (const name of ['Photos', 'Centre', 'Check', 'Template', 'Export']) {
        await step(page, name).tap();
        await expect(page.getByRole('complementary', { name })).toBeVisible();
        expect(await sideways(page)).toBeLessThanOrEqual(0);
      }
      const low = await page
        .locator('button:visible, select:visible')
        .evaluateAll((all) => all.filter((one) => one.getBoundingClientRect().height < 40).map((one) => one.outerHTML.slice(0, 120))); // prettier-ignore
      expect(low).toEqual([]);
      await page.getByRole('button', { name: 'Export 1 file' }).tap();
      await expect(page.getByRole('link', { name: 'Download zip' })).toBeVisible();
    });
});

test.describe('on a phone', () => {
  test.use({ hasTouch: true, isMobile: true, viewport: { width: 360, height: 740 } });

  test('nothing scrolls sideways, bars are one row, and the wall is at least half of the screen', async ({ page }) => {
    await batchOf(page, 'A batch with a rather long name for a telephone', [
      await flatPhoto('a-photo-with-a-very-long-name-that-does-not-fit.png', '#556677', 1200, 1200),
    ]);
    for (const name of ['Photos', 'Template', 'Centre', 'Check', 'Export']) {
      await step(page, name).tap();
      await expect(page.getByRole('complementary', { name })).toBeVisible();
      expect(await sideways(page)).toBeLessThanOrEqual(0);
      const bar = (await page.locator('.wall-bar').boundingBox())!;
      expect(bar.height).toBeLessThan(64);
    }
    const wall = (await page.locator('.wall-area').boundingBox())!;
    expect(wall.height).toBeGreaterThanOrEqual(370);
    await cutouts(page).first().tap();
    await page.getByRole('button', { name: 'Open', exact: true }).tap();
    const close = page.getByRole('dialog').getByRole('button', { name: 'Close' });
    const at = (await close.boundingBox())!;
    expect(at.x + at.width).toBeLessThanOrEqual(360);
    await close.tap();
    await expect(page.getByRole('dialog')).toBeHidden();
  });
});
