import { expect, test, type Page } from './test';
import { batchOf, step } from './bench-page';
import { exportedAlpha, pick, saved } from './shape-steps';
import { flatPhoto } from './photos';

/** Opens the stage on a new batch of one photo; answers where shares of the frame lie on the page. */
async function stageOf(page: Page, name: string) {
  await batchOf(page, name, [await flatPhoto('blue.png', '#2255aa', 1300, 1300)]);
  await step(page, 'Template').click();
  await page.getByRole('radio', { name: 'stage', exact: true }).click();
  await expect(page.locator('.stage-cutout[data-painted]')).toBeVisible();
  return async () => {
    const { x, y, width, height } = (await page.locator('.stage-edge').boundingBox())!;
    return (fx: number, fy: number) => [x + width * fx, y + height * fy] as const;
  };
}

async function drag(page: Page, from: readonly [number, number], to: readonly [number, number]) {
  await page.mouse.move(...from);
  await page.mouse.down();
  await page.mouse.move((from[0] + to[0]) / 2, (from[1] + to[1]) / 2);
  await page.mouse.move(...to);
  await page.mouse.up();
}

test('a shape traced with curves, in a batch’s export', async ({ page }) => {
  const places = await stageOf(page, 'Traced');
  await page.getByRole('button', { name: 'Draw a shape' }).click();
  await expect(page.locator('.stage-svg image')).toHaveAttribute('href', /proxy\/2048$/);
  const at = await places();
  // Each point lies on lines of the frame that it is caught by, so it is there exactly.
  await page.mouse.click(...at(1 / 3, 1 / 3));
  await page.mouse.click(...at(2 / 3, 1 / 3));
  const [bottom, pulled] = [at(1 / 2, 2 / 3), at(1 / 3, 2 / 3)];
  await drag(page, bottom, pulled);
  await page.mouse.click(...at(1 / 3, 1 / 3));
  await expect(page.getByRole('button', { name: /^Drawn outline/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Point 3, smooth' })).toBeVisible();
  await saved(page);
  const { area, alpha } = await exportedAlpha(page);
  // Two cubics with one arm each of a sixth of the frame: the area of the triangle and of two lunes, ½∮(x·dy − y·dx).
  const a = 1080 / 6;
  const bow = (p: readonly (readonly [number, number])[]) => {
    let twice = 0;
    const N = 20_000;
    const point = (t: number) =>
      [0, 1].map((i) => {
        const [p0, p1, p2, p3] = p.map((q) => q[i]!) as [number, number, number, number];
        const s = 1 - t;
        return s ** 3 * p0 + 3 * s * s * t * p1 + 3 * s * t * t * p2 + t ** 3 * p3;
      }) as [number, number];
    for (let i = 0; i < N; i++) {
      const [[x0, y0], [x1, y1]] = [point(i / N), point((i + 1) / N)];
      twice += x0 * y1 - x1 * y0;
    }
    return twice / 2;
  };
  const [l, r, top, low, mid] = [360, 720, 360, 720, 540];
  const exact =
    bow([[l, top], [l, top], [r, top], [r, top]]) +
    bow([[r, top], [r, top], [mid + a, low], [mid, low]]) +
    bow([[mid, low], [mid - a, low], [l, top], [l, top]]); // prettier-ignore
  // The pull of the mouse ends on a whole pixel of the screen: about 3 frame units.
  expect(Math.abs(area / exact - 1)).toBeLessThan(0.01);
  expect([alpha(540, 500), alpha(540, 740), alpha(340, 400)]).toEqual([255, 0, 0]);
});

test('the shape is moved, caught by the frame’s lines, nudged, pulled by its handles and undone', async ({ page }) => {
  const places = await stageOf(page, 'In hand');
  await pick(page, 'Rectangle');
  const side = page.locator('.side');
  const at = await places();
  // From the middle to near the left third: caught, and its line shown.
  await page.mouse.move(...at(0.5, 0.5));
  await page.mouse.down();
  await page.mouse.move(...at(0.4, 0.5));
  const [x, y] = at(1 / 3, 0.5);
  await page.mouse.move(x + 3, y);
  await expect(page.locator('.stage-guide[data-axis="x"]')).toHaveCount(1);
  await page.mouse.up();
  await expect(side.getByLabel('Across', { exact: true })).toHaveValue('360');
  await expect(page.locator('.stage-guide')).toHaveCount(0);
  await page.getByRole('button', { name: /^Shape: drag it/ }).focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowUp');
  await expect(side.getByLabel('Across', { exact: true })).toHaveValue('361');
  await expect(side.getByLabel('Down', { exact: true })).toHaveValue('530');
  // A corner's own radius, by its handle and by key.
  await side.getByRole('radio', { name: 'one by one' }).click();
  const corner = page.getByRole('slider', { name: 'Corner radius' }).nth(1);
  await corner.focus();
  await page.keyboard.press('Shift+ArrowUp');
  await expect(side.getByLabel('Right top', { exact: true })).toHaveValue('10');
  const box = (await corner.boundingBox())!;
  await drag(page, [box.x + box.width / 2, box.y + box.height / 2], [box.x - 60, box.y + box.height / 2]);
  expect(Number(await side.getByLabel('Right top', { exact: true }).inputValue())).toBeGreaterThan(100);
  // A whole drag is one step to undo.
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(side.getByLabel('Right top', { exact: true })).toHaveValue('10');
  // Typed sizes grow from the side that is said.
  await side.getByLabel('Across', { exact: true }).fill('500');
  await page.keyboard.press('Enter');
  await side.getByLabel('Grows from').selectOption('the left side');
  await side.getByLabel('Width', { exact: true }).fill('500');
  await page.keyboard.press('Enter');
  await expect(side.getByLabel('Across', { exact: true })).toHaveValue('270');
});

test('a catalogue shape turned into points is kept in the library, and edited as a copy once a template uses it', async ({
  page,
}) => {
  await stageOf(page, 'Library');
  await pick(page, 'Diamond');
  await page.getByRole('button', { name: 'Turn into points…' }).click();
  await expect(page.getByRole('alertdialog')).toContainText('Only undo brings them back');
  await page.getByRole('alertdialog').getByRole('button', { name: 'Turn into points' }).click();
  await page.getByRole('button', { name: 'Point 1, corner' }).focus();
  await page.keyboard.press('s');
  await expect(page.getByRole('button', { name: 'Point 1, smooth' })).toBeVisible();
  await page.getByRole('button', { name: 'Keep in the library…' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('Soft kite');
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await saved(page);
  await page.getByRole('button', { name: 'Save as…' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('Kite tile');
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.getByRole('link', { name: 'Shapes' }).click();
  const card = page.getByRole('article', { name: 'Soft kite' });
  await expect(card).toContainText('used by Kite tile');
  await card.getByRole('link', { name: 'Edit as a copy' }).click();
  await expect(page.getByLabel('Name')).toHaveValue('Soft kite, copy');
  await page.getByLabel('Height', { exact: true }).fill('600');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Save as a copy' }).click();
  await expect(page.getByRole('article', { name: 'Soft kite, copy' })).toContainText('not used by a template');
  await page.getByLabel('Search shapes').fill('kite, c');
  await expect(page.getByRole('article', { name: 'Soft kite', exact: true })).toHaveCount(0);
});
