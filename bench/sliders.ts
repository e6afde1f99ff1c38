/** Every slider of every section of a template: from its input to the last cutout of the wall repainted. */
import type { Page } from '@playwright/test';
import { seedDemo } from '../scripts/seed-demo.mjs';
import { median } from './median';
import { ADDRESS, withApplication } from './server';
import { drawProxies, followSlider, ON_WALL } from './wall';

const SECTIONS = ['Shape', 'Edge', 'Colours', 'Tints', 'Borders', 'Shadows', 'Mat', 'Captions'] as const;

const head = (page: Page, section: string) => page.locator('section.section .head', { hasText: new RegExp(`^${section}`) }); // prettier-ignore

async function setOpen(page: Page, section: string, open: boolean): Promise<void> {
  if ((await head(page, section).getAttribute('aria-expanded')) !== String(open)) await head(page, section).click();
}

/** Something of everything, so that every section has its sliders. */
async function addLayers(page: Page): Promise<void> {
  const add = async (section: string, action: string) => {
    await setOpen(page, section, true);
    await page.getByRole('button', { name: action, exact: true }).click();
    await setOpen(page, section, false);
  };
  for (const section of SECTIONS) await setOpen(page, section, false);
  await add('Tints', 'Add a tint');
  await add('Shadows', 'Add a reflection');
  await add('Captions', 'Add a caption');
}

/** The first border as a wide band of a texture under light. */
async function asBand(page: Page): Promise<void> {
  await setOpen(page, 'Borders', true);
  const border = page.getByRole('group', { name: 'Border 1' });
  await border.getByLabel('Paint').selectOption('texture');
  await border.getByRole('button', { name: 'relief', exact: true }).click();
  await border.getByRole('button', { name: 'echoes', exact: true }).click();
}

/** The sliders that are on screen, with both ends. */
const slidersOn = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLInputElement>('.side input[type=range]')].map(({ ariaLabel, min, max }) => ({
      label: ariaLabel!.replace(', slider', ''),
      min: Number(min),
      max: Number(max),
    })),
  );

export type SliderSpeed = {
  readonly section: string;
  readonly slider: string;
  readonly ms: number;
  readonly ratio: number;
};

export type Sliders = { readonly cutouts: number; readonly draw: number; readonly sliders: readonly SliderSpeed[] };

/** Medians in ms; drawing is measured once between every two moves. */
export const measureSliders = (rounds: number): Promise<Sliders> =>
  withApplication(async (page) => {
    await seedDemo(ADDRESS);
    await page.goto(ADDRESS);
    await page.getByRole('link', { name: /Autumn shelf/ }).click();
    await page.waitForSelector('.tile canvas[data-painted]');
    await page.waitForFunction(() => document.querySelectorAll('.tile canvas:not([data-painted])').length === 0);
    await addLayers(page);
    const drawn: number[] = [];
    const sliders: SliderSpeed[] = [];
    const measure = async (section: string, among: Awaited<ReturnType<typeof slidersOn>>) => {
      for (const { label, min, max } of among) {
        const times: number[] = [];
        const own: number[] = [];
        for (let i = -2; i < rounds; i++) {
          // Back and forth in its middle, never to the same value twice.
          const value = min + (max - min) * (0.3 + 0.02 * (i + 2));
          const ms = await followSlider(page, label, value);
          const draw = await drawProxies(page, ON_WALL);
          if (i < 0) continue;
          times.push(ms);
          own.push(draw);
        }
        drawn.push(...own);
        sliders.push({ section, slider: label, ms: median(times), ratio: median(times) / median(own) });
      }
    };
    for (const section of SECTIONS) {
      await setOpen(page, section, true);
      await measure(section, await slidersOn(page));
      await setOpen(page, section, false);
    }
    await asBand(page);
    const known = new Set(sliders.filter(({ section }) => section === 'Borders').map(({ slider }) => slider));
    // The first of each name: sliders are told by theirs.
    const fresh = new Map((await slidersOn(page)).reverse().map((slider) => [slider.label, slider]));
    await measure(
      'Borders, a band',
      [...fresh.values()].filter(({ label }) => !known.has(label)),
    );
    return { cutouts: await page.locator(ON_WALL).count(), draw: median(drawn), sliders };
  });
