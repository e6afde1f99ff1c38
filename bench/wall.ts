/**
 * The wall and the stage in Chromium: from a slider's input, or a move of a handle in the
 * hand, to the last visible cutout repainted, beside the time of just drawing the same
 * proxies at the same size on canvases.
 */
import type { Page } from '@playwright/test';
import { seedDemo } from '../scripts/seed-demo.mjs';
import { median } from './median';
import { ADDRESS, withApplication } from './server';

/** Moves a slider of the recipe to `value`; milliseconds until the last visible cutout has been painted anew. */
export const followSlider = (page: Page, label: string, value: number) =>
  page.evaluate(
    ([name, to]) =>
      new Promise<number>((resolve) => {
        const slider = document.querySelector<HTMLInputElement>(`input[aria-label="${name}, slider"]`)!;
        const start = performance.now();
        const observer = new MutationObserver(() => {
          // Asked anew: a mat changes how many there are.
          const canvases = [...document.querySelectorAll<HTMLCanvasElement>('.tile canvas')];
          if (!canvases.every((canvas) => Number(canvas.dataset.painted) > start)) return;
          observer.disconnect();
          resolve(performance.now() - start);
        });
        const wall = document.querySelector('.wall-scroll')!;
        observer.observe(wall, { attributes: true, attributeFilter: ['data-painted'], subtree: true });
        const before = slider.value;
        Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(slider, String(to));
        // Of a slider with wide steps the next one: nothing is repainted for the same value.
        if (slider.value === before) slider.stepUp();
        slider.dispatchEvent(new Event('input', { bubbles: true }));
      }),
    [label, value] as const,
  );

export const ON_WALL = '.tile canvas';
const ON_STAGE = '.stage-cutout, .stage-strip canvas';

/** Moves the mouse, a handle being held; milliseconds from the move to the last repaint on the stage. */
async function followDrag(page: Page, x: number, y: number): Promise<number> {
  const painted = page.evaluate(
    (selector) =>
      new Promise<number>((resolve) => {
        const canvases = [...document.querySelectorAll<HTMLCanvasElement>(selector)];
        let start = Infinity;
        window.addEventListener('pointermove', () => (start = performance.now()), { capture: true, once: true });
        const observer = new MutationObserver(() => {
          if (!canvases.every((canvas) => Number(canvas.dataset.painted) > start)) return;
          observer.disconnect();
          resolve(performance.now() - start);
        });
        for (const canvas of canvases)
          observer.observe(canvas, { attributes: true, attributeFilter: ['data-painted'] });
      }),
    ON_STAGE,
  );
  await page.mouse.move(x, y);
  return painted;
}

/** Milliseconds to draw the same photos' proxies, decoded before, on as many canvases of the same sizes. */
export const drawProxies = (page: Page, which: string) =>
  page.evaluate(async (selector) => {
    type Kept = { proxies?: ImageBitmap[] };
    const kept = window as unknown as Kept;
    const tiles = [...document.querySelectorAll<HTMLCanvasElement>(selector)];
    kept.proxies ??= await Promise.all(
      tiles.map(async ({ dataset }) =>
        createImageBitmap(await (await fetch(`/api/photos/${dataset.picture}/proxy/512`)).blob()),
      ),
    );
    // At the size that they are seen in: what is dragged may be drawn coarser for the moment.
    const canvases = tiles.map(({ clientWidth: width, clientHeight: height }) =>
      Object.assign(document.createElement('canvas'), { width, height }),
    );
    const start = performance.now();
    canvases.forEach((canvas, i) => {
      const context = canvas.getContext('2d', { willReadFrequently: true })!;
      context.imageSmoothingQuality = 'high';
      context.drawImage(kept.proxies![i]!, 0, 0, canvas.width, canvas.height);
      // Reading one pixel waits for the drawing itself.
      context.getImageData(0, 0, 1, 1);
    });
    return performance.now() - start;
  }, which);

export type WallSpeed = {
  cutouts: number;
  draw: number;
  /** A border's width leaves the photos where they are; the shape's size places them all anew. */
  border: number;
  shape: number;
  borderRatio: number;
  shapeRatio: number;
  stage: StageSpeed;
};

/** A grip of the shape dragged on the stage. */
export type StageSpeed = { canvases: number; draw: number; drag: number; ratio: number };

async function measureStage(page: Page, rounds: number): Promise<StageSpeed> {
  await page.evaluate(() => delete (window as unknown as { proxies?: unknown }).proxies);
  await page.getByRole('radio', { name: 'stage', exact: true }).click();
  await page.waitForFunction(
    (selector) => [...document.querySelectorAll<HTMLElement>(selector)].every((canvas) => canvas.dataset.painted),
    ON_STAGE,
  );
  const grip = (await page.getByRole('button', { name: 'Size, right bottom corner' }).boundingBox())!;
  const [x, y] = [grip.x + grip.width / 2, grip.y + grip.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  const times: Record<'drag' | 'draw', number[]> = { drag: [], draw: [] };
  for (let i = -3; i < rounds; i++) {
    const by = 20 + 2 * ((i + 3) % 30);
    const drag = await followDrag(page, x - by, y - by);
    const draw = await drawProxies(page, ON_STAGE);
    if (i < 0) continue;
    times.drag.push(drag);
    times.draw.push(draw);
  }
  await page.mouse.up();
  const [drag, draw] = [median(times.drag), median(times.draw)];
  return { canvases: await page.locator(ON_STAGE).count(), draw, drag, ratio: drag / draw };
}

/** Medians in ms over interleaved rounds. */
export const measureWall = (rounds: number): Promise<WallSpeed> =>
  withApplication(async (page) => {
    await seedDemo(ADDRESS);
    await page.goto(ADDRESS);
    await page.getByRole('link', { name: /Autumn shelf/ }).click();
    await page.locator('.tile canvas[data-painted]').first().waitFor();
    await page.waitForFunction(() => document.querySelectorAll('.tile canvas:not([data-painted])').length === 0);
    const cutouts = await page.locator('.tile canvas').count();
    for (let i = 0; i < 3; i++) {
      await followSlider(page, 'Width', 30 + i);
      await followSlider(page, 'Size', 800 + i);
      await drawProxies(page, ON_WALL);
    }
    const times: Record<'border' | 'shape' | 'draw', number[]> = { border: [], shape: [], draw: [] };
    for (let i = 0; i < rounds; i++) {
      times.border.push(await followSlider(page, 'Width', 40 + (i % 60)));
      times.shape.push(await followSlider(page, 'Size', 820 + 3 * (i % 60)));
      times.draw.push(await drawProxies(page, ON_WALL));
    }
    const [border, shape, draw] = [median(times.border), median(times.shape), median(times.draw)];
    const stage = await measureStage(page, rounds);
    return { cutouts, draw, border, shape, borderRatio: border / draw, shapeRatio: shape / draw, stage };
  });
