/** Access: no faults by axe-core on any screen or dialog, also enlarged four times; and what a screen reader is told. */
import { expect, test, type Page } from './test';
import { batchOf, cutouts, newBatch, step } from './bench-page';
import { exported } from './exports';
import { noFaults } from './no-faults';
import { button } from './hand';
import { discPhoto, flatPhoto } from './photos';

const STEPS = ['Photos', 'Template', 'Centre', 'Check', 'Export'];

async function onStep(page: Page, name: string): Promise<void> {
  await step(page, name).click();
  await expect(step(page, name)).toHaveAttribute('aria-current', 'step');
}

/** A dialog that something opens, looked at and left by Escape; the focus goes back to where it was. */
async function dialog(page: Page, what: string, open: () => Promise<unknown>): Promise<void> {
  await open();
  await page.getByRole('dialog').waitFor();
  await noFaults(page, what);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
}

test.beforeEach(({ page }) => page.emulateMedia({ reducedMotion: 'reduce' }));

test('no faults on the screens', async ({ page }) => {
  // Every screen and section is looked through, a few seconds each.
  test.setTimeout(900_000);
  await page.goto('/');
  await page.getByRole('heading', { name: 'Batches' }).waitFor();
  await noFaults(page, 'batches');
  await newBatch(page, 'Empty');
  await button(page, 'Try it with 16 demo portraits').waitFor();
  await noFaults(page, 'empty batch');
  await batchOf(page, 'A name that goes on for so long that no column could ever hold it in one line', [
    await flatPhoto('tiny.png', '#887766', 300, 200),
  ]);
  for (const name of STEPS) {
    await onStep(page, name);
    await noFaults(page, name);
  }
  await onStep(page, 'Template');
  await button(page, 'Add a border').click();
  await button(page, 'Add a shadow').click();
  for (const section of [/^Frame/, /^Colours/, /^Tints/, /^Mat/, /^Captions/, /^Finish/])
    await button(page, section).click();
  await button(page, 'Add a tint').click();
  await button(page, 'Add a tint').click();
  await button(page, 'Add a caption').click();
  await button(page, 'Add a reflection').click();
  await noFaults(page, 'layers');
  const border = page.getByRole('group', { name: 'Border 1' });
  for (const part of ['relief', 'rough edge', 'shadow on the photo', 'echoes']) await border.getByRole('button', { name: part, exact: true }).click(); // prettier-ignore
  await border.getByRole('button', { name: /^Relief/ }).click();
  await border.getByLabel('Profile').selectOption('drawn');
  await border.getByRole('slider', { name: 'Point 2' }).focus();
  await page.keyboard.press('ArrowUp');
  await page.getByRole('button', { name: /^Framing/ }).click();
  await page.getByRole('button', { name: 'Rope' }).waitFor();
  await noFaults(page, 'framing');
  await page.getByRole('button', { name: /^Framing/ }).click();
  // The colours that can be taken again are there while a field is worked on.
  await page.getByRole('group', { name: 'Border 1' }).getByRole('textbox', { name: 'Colour', exact: true }).focus();
  await button(page, /^Keep #/).click();
  await noFaults(page, 'colours to take again');
  await page.getByRole('radio', { name: 'stage', exact: true }).click();
  await button(page, 'Size, right bottom corner').waitFor();
  await noFaults(page, 'stage');
  await page.getByRole('radio', { name: 'bend', exact: true }).click();
  await button(page, 'Add a pin').click();
  await button(page, /^Pin 1:/).focus();
  await page.keyboard.press('Shift+ArrowDown');
  await noFaults(page, 'bend');
  await page.keyboard.press('Delete');
  await page.getByRole('radio', { name: 'shape', exact: true }).click();
  await page.getByRole('radio', { name: 'average', exact: true }).click();
  await page.getByRole('img', { name: /^Average of/ }).waitFor();
  await noFaults(page, 'average');
  await onStep(page, 'Check');
  await page.getByRole('link', { name: 'Report' }).click();
  await page.getByRole('heading', { name: /report$/ }).waitFor();
  await noFaults(page, 'report');
  for (const [path, heading] of [
    ['/deliveries', /^Deliveries/],
    ['/templates', 'Templates'],
    ['/shapes', 'Shapes'],
    ['/help', 'Help'],
    ['/storage', /Storage$/],
    ['/nowhere', /nothing|not/i],
  ] as const) {
    await page.goto(path);
    await page.getByRole('heading', { name: heading, exact: typeof heading === 'string', level: 1 }).waitFor();
    await noFaults(page, path);
  }
});

test('no faults in the table of photo data, and on a delivery’s page with its dialogs', async ({ page }) => {
  await batchOf(page, 'Delivered', [await flatPhoto('d-1.png', '#446688', 400, 300), await flatPhoto('d-2.png', '#886644', 410, 300)]); // prettier-ignore
  await onStep(page, 'Photos');
  await button(page, 'Add a field…').click();
  await page.getByLabel('Name', { exact: true }).fill('Title');
  await button(page, 'Save').click();
  await page.getByRole('radio', { name: 'table', exact: true }).click();
  await page.getByRole('grid').waitFor();
  await noFaults(page, 'table');
  await exported(page);
  await noFaults(page, 'export');
  await page.getByRole('link', { name: 'Look at the files' }).first().click();
  await expect(page.getByRole('list', { name: 'Files' }).getByRole('listitem')).toHaveCount(2);
  await noFaults(page, 'delivery');
  for (const name of ['Send to…', 'Pages for print…', 'HTML…', 'Remove this delivery…']) {
    await button(page, name).click();
    const dialog = page.getByRole(name.startsWith('Remove') ? 'alertdialog' : 'dialog');
    await dialog.waitFor();
    await noFaults(page, name);
    await page.keyboard.press('Escape');
    await expect(dialog).toHaveCount(0);
  }
});

test('no faults where templates are compared, and where a cutout has several slots', async ({ page }) => {
  await batchOf(page, 'Slots', [await discPhoto('a-1.png', [{ x: 500, y: 400, r: 200 }]), await flatPhoto('a-2.png', '#446688')]); // prettier-ignore
  await button(page, 'Save as…').click();
  await page.getByRole('dialog').getByLabel('Name').fill('Compared');
  await button(page, 'Save').click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await button(page, 'Add a shadow').click();
  await expect(page.getByRole('status').first()).toHaveText('saved');
  await button(page, 'Save as…').click();
  await button(page, 'Save').click();
  await expect(page.getByText('version 2', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: /^Slots/ }).click();
  await button(page, '2 photos').click();
  await page.getByRole('radiogroup', { name: 'Filled by' }).getByRole('radio', { name: 'name', exact: true }).click();
  await noFaults(page, 'slots');
  await page.getByRole('radio', { name: 'stage', exact: true }).click();
  await button(page, 'Take slot 2 in hand').waitFor();
  await noFaults(page, 'slots on the stage');
  await page.getByRole('link', { name: 'Templates' }).click();
  await page.getByRole('link', { name: 'Compared' }).click();
  await expect(page.getByText('2 of 2 cutouts differ.')).toBeVisible();
  await noFaults(page, 'template');
});

test('no faults where a shape is edited: by its numbers, its points, and drawn', async ({ page }) => {
  await page.goto('/shapes');
  await page.getByRole('link', { name: 'New shape' }).click();
  await button(page, 'Turn into points…').waitFor();
  await noFaults(page, 'shape');
  await button(page, 'Draw a shape').click();
  await expect(page.getByRole('radio', { name: 'draw', exact: true })).toBeChecked();
  await noFaults(page, 'drawing');
  await page.getByRole('radio', { name: 'shape', exact: true }).click();
  await button(page, 'Turn into points…').click();
  await page.getByRole('dialog').waitFor();
  await noFaults(page, 'question');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('radio', { name: 'points', exact: true })).toBeChecked();
  await noFaults(page, 'points');
});

test('no faults in the dialogs, and each is left by Escape', async ({ page }) => {
  await page.goto('/');
  await dialog(page, 'new batch', () => button(page, 'New batch…').click());
  await batchOf(page, 'Dialogs', [
    await discPhoto('a.png', [{ x: 600, y: 500, r: 300 }]),
    await flatPhoto('b.png', '#556677', 1200, 1200),
  ]);
  await dialog(page, 'keys', () => page.keyboard.press('?'));
  await dialog(page, 'actions', () => page.keyboard.press('/'));
  await dialog(page, 'ground', () => button(page, 'Ground of any colour').click());
  await dialog(page, 'shapes', () => button(page, /Choose another/).click());
  await dialog(page, 'keep', () => button(page, 'Keep in the library…').click());
  await dialog(page, 'save as', () => button(page, 'Save as…').click());
  await dialog(page, 'saved ones', () => button(page, 'Saved ones…').click());
  await cutouts(page).first().click();
  await dialog(page, 'take out', () => page.keyboard.press('Delete'));
  await dialog(page, 'easel', () => page.keyboard.press('Enter'));
  await expect(page.getByRole('listbox', { name: 'Cutouts' })).toBeFocused();
});

test.describe('enlarged four times', () => {
  // 1280 × 1024 at 400 % (WCAG 2.2, 1.4.10 Reflow).
  test.use({ viewport: { width: 320, height: 256 }, deviceScaleFactor: 4 });

  test('no faults, nothing scrolls sideways, and what is open can be left', async ({ page }) => {
    await batchOf(page, 'Enlarged', [await flatPhoto('a.png', '#556677', 1200, 1200)]);
    const sideways = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    for (const name of STEPS) {
      await onStep(page, name);
      expect(await sideways()).toBeLessThanOrEqual(0);
      // Both have room, however low the window.
      for (const part of [page.getByRole('listbox', { name: 'Cutouts' }), page.getByRole('complementary', { name })])
        expect((await part.boundingBox())!.height).toBeGreaterThan(150);
      await noFaults(page, name);
    }
    await cutouts(page).first().scrollIntoViewIfNeeded();
    await cutouts(page).first().click();
    await button(page, 'Open').click();
    const easel = page.getByRole('dialog');
    await noFaults(page, 'easel');
    await easel.getByRole('button', { name: 'Close' }).click();
    await expect(easel).toHaveCount(0);
    for (const path of ['/', '/templates', '/shapes', '/deliveries', '/storage', '/help']) {
      await page.goto(path);
      await page.getByRole('heading', { level: 1 }).waitFor();
      expect(await sideways()).toBeLessThanOrEqual(0);
      await noFaults(page, path);
    }
  });
});

test('a screen reader is told what each thing is, how it stands, and what came of an action', async ({ page }) => {
  await batchOf(page, 'Told', [
    await discPhoto('a.png', [{ x: 560, y: 620, r: 400 }], { width: 1600, height: 1500 }),
    await discPhoto('b.png', [{ x: 1040, y: 800, r: 400 }], { width: 1600, height: 1500 }),
  ]);
  const said = page.getByRole('log', { name: 'What was done' }).first();
  const wall = page.getByRole('listbox', { name: 'Cutouts' });
  await expect(wall).toMatchAriaSnapshot(`
    - listbox "Cutouts":
      - option "a.png"
      - option "b.png"
  `);
  await expect(wall).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('g');
  await expect(said).toHaveText('good: 1 photo');
  await expect(wall).toMatchAriaSnapshot(`
    - listbox "Cutouts":
      - option "a.png"
      - option "b.png, ✓ good" [selected]
  `);
  await page.keyboard.press('Control+z');
  await expect(said).toHaveText('Undone: good: 1 photo');

  await page.keyboard.press('Enter');
  const easel = page.getByRole('dialog');
  const told = easel.getByRole('log', { name: 'What was done' });
  await expect(told).toHaveText(/^b.png, 2 of 2, no findings$/);
  await expect(easel.locator('.modal-content')).toMatchAriaSnapshot(`
    - heading "b.png" [level=2]
    - radiogroup "Review":
      - radio "to look at" [checked]
      - radio "good"
      - radio "left out"
    - button "Back"
    - button "Next" [disabled]
    - button "Close"
    - img "b.png under the shape. Drag it, scroll to scale, arrow keys nudge, with shift ten times as far."
    - complementary:
      - img "Cutout of b.png"
      - paragraph: /No findings/
      - radiogroup "Drag":
        - radio "photo" [checked]
      - textbox "Across": "0"
      - textbox "Scale": "100"
      - button /Reset/ [disabled]
  `);
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('+');
  await expect(told).toHaveText(/^b.png: 10(\.\d)? px across, 0 down, 102 %, turned by 0°/);
  await page.keyboard.press('Control+z');
  await expect(told).toHaveText(/^(Undone: scaled b.png|b.png: 10 px across, 0 down, 100 %)/);
  await page.keyboard.press('Escape');

  await page.getByRole('radio', { name: 'stage', exact: true }).click();
  await expect(page.locator('.stage')).toMatchAriaSnapshot(`
    - button /Shape. drag it, or move it with the arrow keys/
    - slider "Turned"
    - button "Size, left top corner"
  `);
  await button(page, 'Shape: drag it, or move it with the arrow keys').focus();
  await page.keyboard.press('ArrowRight');
  await expect(said).toHaveText('Shape 960 × 960, its middle at 541, 540, turned by 0°');
  await button(page, 'Size, right side').focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(said).toHaveText(/^Shape 9[67]\d × 9[67]\d, its middle at/);

  await page.keyboard.press('/');
  await expect(page.getByRole('dialog')).toMatchAriaSnapshot(`
    - combobox "Action" [expanded]
    - listbox "Actions":
      - option /show all keys/ [selected]
  `);
  await page.keyboard.press('Escape');
  await onStep(page, 'Export');
  await button(page, 'Export 2 files').click();
  const delivery = page.getByRole('article', { name: /^Delivery/ });
  await expect(delivery).toContainText('2 files');
  await expect(delivery.locator('[aria-live]')).toContainText('2 files');
});

test('our own words are explained by hover, by focus and by a tap', async ({ page }) => {
  await batchOf(page, 'Words', [await flatPhoto('a.png', '#556677', 1200, 1200)]);
  const mark = button(page, 'What is “ground”?');
  const words = page.getByRole('tooltip');
  await mark.hover();
  await expect(words).toHaveText(/never exported/);
  await step(page, 'Photos').hover();
  await expect(words).toHaveCount(0);
  await mark.focus();
  await expect(mark).toHaveAccessibleDescription(/never exported/);
  await page.keyboard.press('Escape');
  await expect(words).toHaveCount(0);
  await step(page, 'Photos').focus();
  await mark.click();
  await expect(words).toHaveText(/never exported/);
});

test('an empty batch says what happens here, and brings the demo photos in', async ({ page }) => {
  await newBatch(page, 'First');
  await expect(page.getByRole('main').getByRole('listitem')).toHaveCount(3);
  await button(page, 'Try it with 16 demo portraits').click();
  await expect(step(page, 'Photos')).toContainText('Photos16', { timeout: 90_000 });
  await expect(cutouts(page).first()).toBeVisible();
});

test('help is searched, and shows its pictures', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Help' }).click();
  await expect(page.getByRole('article')).toHaveCount(17);
  await page.getByLabel('Search the help').fill('hexagon');
  const guide = page.getByRole('article', { name: 'Products at the same size, and three mended by hand' });
  await expect(guide).toBeVisible();
  await expect(page.getByRole('article', { name: 'Everything by keys' })).toHaveCount(0);
  const picture = guide.getByRole('img').first();
  await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(600);
  await page.getByLabel('Search the help').fill('zzzz');
  await expect(page.getByText('Nothing here is about that.')).toBeVisible();
});
