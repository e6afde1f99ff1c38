/** A screen at 125 %, as many laptops have: each pixel of a cutout is one of the screen, so that none is softer than its file. */
import sharp from 'sharp';
import { chromium } from '@playwright/test';
import { expect, test, type Locator, type Page } from './test';
import { batchOf, cutouts, painted } from './bench-page';
import { CHROMIUM } from './settings';
import { discPhoto, flatPhoto, noisePhoto, type Upload } from './photos';

const DENSITY = 1.25;

/** Canvases whose pixels are not those of the screen, as words. */
const uneven = (canvases: Locator) =>
  canvases.evaluateAll((all) =>
    all.flatMap((one) => {
      const { width, height } = one as HTMLCanvasElement;
      const shown = one.getBoundingClientRect();
      const [across, down] = [shown.width * devicePixelRatio, shown.height * devicePixelRatio];
      const isEven = Math.abs(across - width) < 0.05 && Math.abs(down - height) < 0.05;
      return isEven ? [] : [`${width} × ${height} on ${across} × ${down}`];
    }),
  );

const areEven = (within: Locator) =>
  expect(async () => {
    const canvases = within.locator('canvas');
    expect(await canvases.count()).toBeGreaterThan(0);
    expect(await uneven(canvases)).toEqual([]);
  }).toPass({ timeout: 120_000 });

/** How much the first cutout's opaque pixels differ on the screen from those that were drawn, 0 to 255. */
async function offOnScreen(page: Page): Promise<number> {
  const canvas = cutouts(page).first().locator('canvas');
  const { x, y } = (await canvas.boundingBox())!;
  const url = await canvas.evaluate((one: HTMLCanvasElement) => one.toDataURL());
  const { data: drawn, info } = await sharp(Buffer.from(url.split(',')[1]!, 'base64')).ensureAlpha().raw().toBuffer({ resolveWithObject: true }); // prettier-ignore
  const screen = sharp(await page.screenshot()).removeAlpha();
  const offAt = async (left: number, top: number) => {
    const { width, height } = info;
    const shown = await screen.clone().extract({ left, top, width, height }).raw().toBuffer();
    let [sum, count] = [0, 0];
    for (let i = 0; i < width * height; i++) {
      if (drawn[i * 4 + 3] !== 255) continue;
      for (let c = 0; c < 3; c++) sum += Math.abs(drawn[i * 4 + c]! - shown[i * 3 + c]!);
      count += 3;
    }
    expect(count).toBeGreaterThan(10_000);
    return sum / count;
  };
  // Which pixel a place between two begins at is the browser's choice.
  const [left, top] = [Math.floor(x * DENSITY), Math.floor(y * DENSITY)];
  const offs = await Promise.all([0, 1].flatMap((dx) => [0, 1].map((dy) => offAt(left + dx, top + dy))));
  return Math.min(...offs);
}

const photos = async (): Promise<Upload[]> => [
  await noisePhoto('a.jpg', 700, 600),
  await discPhoto('b.png', [{ x: 600, y: 500, r: 300 }]),
  await flatPhoto('c.png', '#446688'),
];

test('wall, stage and easel show each pixel as it was drawn', async ({ baseURL }) => {
  // A browser of its own: one that is only told to pretend lays pages out as at 100 %.
  const args = [`--force-device-scale-factor=${DENSITY}`, '--window-size=1536,864'];
  const browser = await chromium.launch({ ...CHROMIUM, args: [...CHROMIUM.args, ...args] });
  const page = await browser.newPage({ viewport: null, baseURL: baseURL! });
  await batchOf(page, 'Dense', await photos());
  expect(await page.evaluate(() => devicePixelRatio)).toBe(DENSITY);
  await areEven(page.locator('.tile'));
  expect(await offOnScreen(page)).toBeLessThan(0.1);
  await page.getByRole('radio', { name: 'stage', exact: true }).click();
  await page.locator('.stage-cutout[data-painted]').waitFor();
  await areEven(page.locator('.stage'));
  await page.getByRole('radio', { name: 'each', exact: true }).click();
  await cutouts(page).first().dblclick();
  await areEven(page.locator('.easel-side'));
  await page.keyboard.press('t');
  // The widest output, pixel by pixel.
  await expect.poll(() => page.locator('.easel-true canvas').evaluate((one: HTMLCanvasElement) => one.width)).toBe(1080); // prettier-ignore
  await areEven(page.locator('.easel-true'));
  // Its own card alone: there may be many, and some that can't be drawn.
  await page.goto('/');
  await areEven(page.getByRole('link', { name: 'Dense' }));
  await browser.close();
});

test('a window that is taken to a denser screen has its cutouts drawn anew', async ({ page }) => {
  await batchOf(page, 'Moved', await photos());
  const { width, height } = page.viewportSize()!;
  const screen = await page.context().newCDPSession(page);
  for (const deviceScaleFactor of [2, 1.5]) {
    await screen.send('Emulation.setDeviceMetricsOverride', { width, height, deviceScaleFactor, mobile: false });
    // What only pretends to be another screen tells the page's queries with the next setting.
    await page.emulateMedia({ colorScheme: deviceScaleFactor === 2 ? 'dark' : 'light' });
    await areEven(page.locator('.tile'));
    await painted(page);
  }
});
