/** Whole tasks as people do them, by labels alone, with the clicks and keys that they take. */
import { readdirSync, readFileSync } from 'node:fs';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { expect, test, type Page } from './test';
import { batchOf, cutouts, step } from './bench-page';
import { filesOf, pictureNames } from './exports';
import { button, handOn, type Hand } from './hand';
import { discPhoto, flatPhoto, type Upload } from './photos';

const panel = (page: Page) => page.locator('.side');

/** The demo's photos of a folder, without those that can't be read. */
const demoPhotos = (folder: string): Upload[] =>
  readdirSync(`demo/photos/${folder}`)
    .filter((name) => /^(?!copy-of|kiln|price|empty).*\.jpg$/.test(name))
    .map((name) => ({ name, mimeType: 'image/jpeg', buffer: readFileSync(`demo/photos/${folder}/${name}`) }));

/** Makes a batch, under the name that it is offered where none is given, and picks photos for it. */
async function bringIn(page: Page, hand: Hand, name: string | null, photos: readonly Upload[]): Promise<void> {
  await page.goto('/');
  await hand.click(button(page, 'New batch…'));
  await expect(page.getByRole('textbox', { name: 'Name' })).toBeFocused();
  if (name) await hand.type(name);
  await hand.keys('Enter');
  const chosen = page.waitForEvent('filechooser');
  await hand.click(button(page, 'Pick photos…'));
  await (await chosen).setFiles([...photos]);
}

test('sixteen portraits become circles of 300 px with a ring, eyes level and heads alike', async ({ page }) => {
  test.setTimeout(240_000);
  const hand = handOn(page);
  await bringIn(page, hand, 'Team', demoPhotos('portraits'));
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

test('the same template next month', async ({ page }) => {
  await batchOf(page, 'April', [await flatPhoto('april.png', '#446688')]);
  await button(page, 'Add a border').click();
  await button(page, 'Save as…').click();
  await expect(page.getByRole('textbox', { name: 'Name' })).toBeFocused();
  await page.keyboard.type('Monthly ring');
  await page.keyboard.press('Enter');
  await expect(panel(page).getByText('version 1')).toBeVisible();

  await page.goto('/');
  const hand = handOn(page);
  await hand.click(button(page, 'New batch…'));
  await expect(page.getByRole('textbox', { name: 'Name' })).toBeFocused();
  await hand.choose(page.getByLabel('Template'), 'Monthly ring, version 1');
  await hand.click(button(page, 'Make the batch'));
  const chosen = page.waitForEvent('filechooser');
  await hand.click(button(page, 'Pick photos…'));
  await (await chosen).setFiles([await flatPhoto('may.png', '#886644')]);
  await expect(step(page, 'Photos')).toContainText('Photos1');
  await hand.click(button(page, 'Export…'));
  await expect(button(page, 'Export 1 file')).toBeEnabled();
  const files = await filesOf(page, () => hand.keys('Control+Enter'));
  hand.done('The same next month', { clicks: 5, keys: 1 });
  const manifest = JSON.parse(files.get('manifest.json')!.toString()) as { template: string };
  expect(manifest.template).toBe('Monthly ring');
  const ring = PNG.sync.read(files.get('may-tile.png')!);
  // The border lies inside the edge of the circle, 960 px wide in a frame of 1080.
  expect([...ring.data.subarray((540 * 1080 + 62) * 4, (540 * 1080 + 62) * 4 + 4)]).not.toEqual([136, 102, 68, 255]);
});

test('24 products become pointed hexagons of equal size, three mended by hand, as WebP and as JPEG on white', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const hand = handOn(page);
  await bringIn(page, hand, null, demoPhotos('products').slice(0, 24));
  await expect(step(page, 'Photos')).toContainText('Photos24', { timeout: 120_000 });

  await hand.click(step(page, 'Centre'));
  await hand.click(page.getByRole('radio', { name: 'subject', exact: true }));
  await hand.click(button(page, 'Continue the ground'));
  await hand.click(button(page, 'Take it'));
  await hand.keys('2');
  await hand.click(button(page, /Choose another/));
  await hand.click(page.getByRole('dialog').getByRole('button', { name: 'Hexagon', exact: true }));
  await hand.click(panel(page).getByLabel('Rounding, slider'), { x: 20, y: 5 });
  await hand.click(button(page, 'Add a shadow'));
  // The first has no subject that could be told from its ground.
  await hand.click(cutouts(page).nth(1));
  await hand.keys('Enter');
  const easel = page.getByRole('dialog');
  const mended: string[] = [];
  for (const next of ['n', 'n', 'Escape']) {
    const name = await easel.getByRole('heading').textContent();
    await hand.drag(easel.locator('.easel-svg'), [0, 12]);
    await expect(easel.getByLabel('Down', { exact: true })).not.toHaveValue('0');
    mended.push(name!);
    await hand.keys(next);
  }
  await hand.click(button(page, 'Export…'));
  await hand.choose(panel(page).getByLabel('Format'), 'WebP');
  await hand.click(button(page, 'Add an output'));
  await hand.choose(panel(page).getByLabel('Format'), 'JPEG');
  await expect(button(page, 'Export 48 files')).toBeEnabled();
  const files = await filesOf(page, () => hand.keys('Control+Enter'));
  hand.done('Hexagons, three mended', { clicks: 18, keys: 8 });

  expect([...files.keys()].filter((name) => name.endsWith('.webp'))).toHaveLength(24);
  const jpegs = [...files].filter(([name]) => name.endsWith('.jpg'));
  expect(jpegs).toHaveLength(24);
  const { data, info } = await sharp(jpegs[0]![1]).raw().toBuffer({ resolveWithObject: true });
  const jpeg = (x: number, y: number) => [...data.subarray((y * info.width + x) * 3, (y * info.width + x) * 3 + 3)];
  expect([jpeg(3, 3), jpeg(1076, 3)]).toEqual([[255, 255, 255], [255, 255, 255]]); // prettier-ignore
  const webp = [...files].find(([name]) => name.endsWith('.webp'))![1];
  const alpha = await sharp(webp).extractChannel('alpha').raw().toBuffer();
  const rows = (x: number) => Array.from({ length: 1080 }, (_, y) => alpha[y * 1080 + x]!).filter((a) => a === 255).length; // prettier-ignore
  const columns = (y: number) => alpha.subarray(y * 1080, (y + 1) * 1080).filter((a) => a === 255).length;
  // Pointed at the top: higher than wide, by 2 : √3 but for the rounding of its points.
  expect(rows(540)).toBeGreaterThan(1.08 * columns(540));
  type Item = { photo: string; subject: { size: number; off: [number, number] } | null };
  const { items } = JSON.parse(files.get('manifest.json')!.toString()) as { items: Item[] };
  // All lie on the spot but those that were moved down by hand.
  const moved = items.filter(({ subject }) => subject && Math.hypot(...subject.off) > 0.001);
  expect([...new Set(moved.map(({ photo }) => photo))].sort()).toEqual(mended.sort());
  const sizes = items.flatMap(({ subject }) => (subject ? [subject.size] : []));
  expect(Math.max(...sizes) - Math.min(...sizes)).toBeLessThan(0.01);
});

/** Changes from opaque to clear and back round a circle about the middle of a picture. */
function turns({ data, width, height }: PNG, radius: number): number {
  const isIn = (i: number) => {
    const angle = (2 * Math.PI * i) / 3600;
    const [x, y] = [width / 2 + radius * Math.cos(angle), height / 2 + radius * Math.sin(angle)];
    return data[(Math.floor(y) * width + Math.floor(x)) * 4 + 3]! > 127;
  };
  return Array.from({ length: 3600 }, (_, i) => (isIn(i) === isIn(i + 1) ? 0 : 1)).reduce<number>((a, b) => a + b, 0);
}
const area = ({ data }: PNG) => data.filter((_, i) => i % 4 === 3).reduce((sum, a) => sum + a / 255, 0);

test('a heart, a seal of 20 lobes, and a ring of two circles', async ({ page }) => {
  await batchOf(page, 'Three shapes', [await flatPhoto('one.png', '#a04060', 1400, 1400)]);
  const hand = handOn(page);
  const pick = async (name: string) => {
    await hand.click(button(page, /Choose another/));
    await hand.click(page.getByRole('dialog').getByRole('button', { name, exact: true }));
    await expect(page.getByRole('dialog')).toHaveCount(0);
  };
  const exported = async () => {
    await hand.click(button(page, 'Export…'));
    await expect(button(page, 'Export 1 file')).toBeEnabled();
    const files = await filesOf(page, () => hand.keys('Control+Enter'));
    await hand.click(step(page, 'Template'));
    await expect(button(page, /Choose another/)).toBeVisible();
    return PNG.sync.read(files.get('one-tile.png')!);
  };
  await pick('Heart');
  const heart = await exported();
  const alpha = (png: PNG, x: number, y: number) => png.data[(y * png.width + x) * 4 + 3];
  // Its notch is above the middle, its tip below.
  expect([alpha(heart, 540, 70), alpha(heart, 540, 540), alpha(heart, 100, 980)]).toEqual([0, 255, 0]);

  await pick('Scalloped seal');
  await hand.click(panel(page).getByLabel('Lobes', { exact: true }));
  await hand.keys('Control+a');
  await hand.type('20');
  await hand.keys('Enter');
  const seal = await exported();
  const inner = [440, 450, 460, 470].map((radius) => turns(seal, radius));
  expect(Math.max(...inner)).toBe(40);

  await pick('Circle');
  await hand.click(button(page, 'Combine with others'));
  await hand.click(button(page, 'Add a part…'));
  await hand.click(page.getByRole('dialog').getByRole('button', { name: 'Circle', exact: true }));
  await hand.click(panel(page).getByRole('radio', { name: 'cut out' }).last());
  const ring = await exported();
  hand.done('Heart, seal, ring', { clicks: 17, keys: 7 });
  // Two circles about the same middle: what lies between them is the picture's whole area less the hole's.
  const across = Array.from({ length: 1080 }, (_, x) => alpha(ring, x, 540)!);
  const outer = across.findIndex((a) => a > 127);
  const hole = across.slice(outer).findIndex((a) => a <= 127);
  const [R, r] = [540 - outer, 540 - outer - hole];
  expect(alpha(ring, 540, 540)).toBe(0);
  expect(area(ring) / (Math.PI * (R * R - r * r))).toBeCloseTo(1, 1);
});

test('the page’s own colour behind, a border’s colour chosen, three steps undone', async ({ page }) => {
  await batchOf(page, 'Colours', [await flatPhoto('one.png', '#446688')]);
  const hand = handOn(page);
  await hand.click(button(page, 'Ground of any colour'));
  await hand.click(page.getByRole('dialog').getByLabel('Colour', { exact: true }));
  await hand.keys('Control+a');
  await hand.type('#f4e9d8');
  await hand.keys('Enter', 'Escape');
  await expect(page.getByRole('listbox', { name: 'Cutouts' })).toHaveCSS('background-color', 'rgb(244, 233, 216)');
  await hand.click(button(page, 'Add a border'));
  const border = panel(page).getByRole('group', { name: 'Border 1' });
  const before = await border.getByLabel('Colour', { exact: true }).inputValue();
  await hand.click(border.getByLabel('Colour', { exact: true }));
  await hand.keys('Control+a');
  await hand.type('#b5482f');
  await hand.keys('Enter');
  await hand.click(border.getByRole('radio', { name: 'outside' }));
  await expect(border.getByRole('radio', { name: 'outside' })).toBeChecked();
  await hand.keys('Control+z');
  await expect(border.getByRole('radio', { name: 'inside' })).toBeChecked();
  await hand.keys('Control+z');
  await expect(border.getByLabel('Colour', { exact: true })).toHaveValue(before);
  await hand.keys('Control+z');
  await expect(border).toHaveCount(0);
  hand.done('Colours, three undone', { clicks: 5, keys: 22 });
  await expect(page.getByRole('status')).toHaveText('saved');
  // The ground is for looking: it is no step, and stays.
  await expect(page.getByRole('listbox', { name: 'Cutouts' })).toHaveCSS('background-color', 'rgb(244, 233, 216)');
});

test('240 photos: looked at, judged many at a time, exported', async ({ page }) => {
  test.setTimeout(900_000);
  const photos = await Promise.all(
    Array.from({ length: 240 }, (_, i) => {
      const tone = (60 + (i % 120)).toString(16).padStart(2, '0');
      return flatPhoto(`p${String(i).padStart(3, '0')}.png`, `#${tone}6080`, 64 + (i % 7), 60);
    }),
  );
  const hand = handOn(page);
  await bringIn(page, hand, null, photos);
  await expect(step(page, 'Photos')).toContainText('Photos240', { timeout: 400_000 });
  await expect(page.getByText('Arriving')).toHaveCount(0);
  // The first ten are left out.
  await hand.click(cutouts(page).first());
  for (let i = 0; i < 9; i++) await hand.keys('Shift+ArrowRight');
  await hand.keys('l');
  await expect(cutouts(page).nth(9)).toContainText('left out');
  await hand.keys('5');
  await expect(button(page, 'Export 230 files')).toBeEnabled();
  const files = await filesOf(page, () => hand.keys('Control+Enter'), 400_000);
  hand.done('240 photos', { clicks: 3, keys: 13 });
  expect([...files.keys()].filter((name) => name.endsWith('.png'))).toHaveLength(230);
  expect(files.has('p000-tile.png')).toBe(false);
});

test('a text file, a twin, a line that is lost, a page that is left, and a second one meanwhile', async ({
  page,
  context,
}) => {
  const photo = await discPhoto('pot.png', [{ x: 600, y: 500, r: 300 }]);
  const text = { name: 'notes.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('glaze notes') };
  await batchOf(page, 'Bad day', [photo]);
  const hand = handOn(page);
  await hand.click(step(page, 'Photos'));
  await context.setOffline(true);
  await page
    .getByLabel('Photos to bring in')
    .setInputFiles([await discPhoto('again.png', [{ x: 601, y: 500, r: 300 }]), text]);
  await expect(page.getByText('Waiting for the line')).toBeVisible();
  await context.setOffline(false);
  await expect(step(page, 'Photos')).toContainText('Photos2, 1 not taken');
  await expect(panel(page).getByRole('listitem').filter({ hasText: 'notes.jpg' })).toContainText(
    'it looks like a text file',
  );
  await expect(cutouts(page).nth(1)).toHaveAttribute('aria-label', /it looks like again.png/);

  // Two files are on their way, and stay so: the page is left, while a second one looks on.
  let isHeld = true;
  await page.route('**/photos', (route) => {
    if (route.request().method() !== 'POST' || !isHeld) return route.continue();
  });
  await page.getByLabel('Photos to bring in').setInputFiles([await flatPhoto('late-1.png', '#123456'), await flatPhoto('late-2.png', '#654321')]); // prettier-ignore
  await expect(page.getByText('Arriving')).toBeVisible();
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.locator('.step', { hasText: 'Photos' })).toContainText('Photos2');
  await expect(other.getByText('did not arrive')).toHaveCount(0);
  page.once('dialog', (dialog) => void dialog.accept());
  isHeld = false;
  await page.reload();
  await expect(panel(page)).toContainText('2 files did not arrive');
  await expect(panel(page)).toContainText('late-1.png');
  await page.getByLabel('Photos to bring in').setInputFiles([await flatPhoto('late-1.png', '#123456'), await flatPhoto('late-2.png', '#654321')]); // prettier-ignore
  await expect(step(page, 'Photos')).toContainText('Photos4');
  await expect(page.getByText('did not arrive')).toHaveCount(0);
  hand.done('A bad day, files dropped', { clicks: 1, keys: 0 });
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
  await hand.keys('Tab', 'Tab', 'Tab', 'Tab', 'Tab', 'Tab', 'Enter');
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
  expect(pictureNames(files)).toEqual(['a-tile.png', 'c-tile.png']);
});
