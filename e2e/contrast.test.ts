/** Themes of high contrast, in which the browser sets all colours. */
import { expect, test } from './test';
import { batchOf, cutouts, step } from './bench-page';
import { button } from './hand';
import { noFaults } from './no-faults';
import { flatPhoto } from './photos';

test('in a theme of high contrast one sees what is chosen', async ({ page }) => {
  await page.emulateMedia({ forcedColors: 'active', reducedMotion: 'reduce' });
  await batchOf(page, 'Contrast', [await flatPhoto('a.png', '#445566'), await flatPhoto('b.png', '#665544')]);
  await cutouts(page).first().click();
  const [chosen, other] = [cutouts(page).first(), cutouts(page).last()];
  await expect(chosen).toHaveCSS('outline-style', 'solid');
  await expect(other).toHaveCSS('outline-style', 'none');
  const shown = (of: string, property: string) =>
    page.locator(of).first().evaluate((one, name) => getComputedStyle(one).getPropertyValue(name), property); // prettier-ignore
  for (const [on, off, property] of [
    ['.step[aria-current]', '.step:not([aria-current])', 'border-bottom-color'],
    ['.choice [aria-checked=true]', '.choice [aria-checked=false]', 'background-color'],
    ['.swatch[data-ground="#111111"]', '.swatch[data-ground="#ffffff"]', 'background-color'],
  ] as const)
    expect(await shown(on, property)).not.toBe(await shown(off, property));
  // What is chosen in a list can be read there, too.
  await page.keyboard.press('/');
  await page.getByRole('option', { name: /show all keys/ }).waitFor();
  await noFaults(page, 'actions');
  await page.keyboard.press('Escape');
  await step(page, 'Photos').click();
  await button(page, 'Add a field…').click();
  await page.getByLabel('Name', { exact: true }).fill('Title');
  await button(page, 'Save').click();
  await page.getByRole('radio', { name: 'table', exact: true }).click();
  await page.getByRole('grid').waitFor();
  await page.getByRole('gridcell').first().click();
  await noFaults(page, 'table');
});
