/** A screen looked through by axe-core. */
import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from './test';

/** Serious and critical faults by axe-core: WCAG 2.2 A and AA. */
async function faultsOf(page: Page): Promise<string[]> {
  // One document, so one run in it; and only of what is at fault does it work out where it is.
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode()
    .options({ runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'], resultTypes: ['violations'] })
    .analyze();
  return violations.map(({ id, nodes }) => `${id}: ${nodes.map((n) => n.html.slice(0, 120)).join(' | ')}`);
}

/** No fault that lasts: a screen that is still being put together may have one for a moment. */
export const noFaults = (page: Page, screen: string) =>
  expect(async () => expect([screen, await faultsOf(page)]).toEqual([screen, []])).toPass({ timeout: 120_000 });
