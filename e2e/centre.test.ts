import { expect, test, type Page } from './test';
import { readFile } from 'node:fs/promises';
import { PNG } from 'pngjs';
import { readdirSync, readFileSync } from 'node:fs';
import { batchOf, cutouts, painted, placeIn, step } from './bench-page';
import { compare, exported, pictureNames, previewAndExport } from './exports';
import { discPhoto, flatPhoto, gradientPhoto } from './photos';
import { saved, type } from './shape-steps';

/** An output so small that no photo of these tests is enlarged for it. */
async function smallOutput(page: Page): Promise<void> {
  await step(page, 'Export').click();
  const output = page.getByRole('group', { name: 'Output tile' });
  await output.getByLabel('Size').selectOption('in pixels');
  await output.getByLabel('Width').fill('540');
  await page.keyboard.press('Enter');
}

/** Centres subjects at half the shape's size; what the photo does not reach is dealt with as said. */
async function centreSubjects(page: Page, gap: 'extend' | 'leave' | 'enlarge'): Promise<void> {
  await step(page, 'Centre').click();
  const side = page.locator('.side');
  await side.getByRole('radio', { name: 'subject', exact: true }).click();
  await type(page, 'Of shape', '50');
  await side.getByRole('radio', { name: gap, exact: true }).click();
  await saved(page);
  await painted(page);
}

/** Briefs of the findings on every cutout, by photo. */
type Scene = {
  readonly file: string;
  readonly width: number;
  readonly height: number;
  readonly box: readonly [number, number, number, number];
};
const KNOWN = JSON.parse(readFileSync('test-photos/scenes.json', 'utf8')) as readonly Scene[];
const sceneOf = (file: string) => KNOWN.find((one) => one.file === file)!;
const SCENES = [sceneOf('scene-325-oatmeal-mug.jpg'), sceneOf('scene-333-ochre-vase.jpg')] as const;

/** Left, top, right and bottom of the outline that is shown, in pixels of the photo. */
const boundsOfPolygon = (page: Page): Promise<number[]> =>
  page.locator('polygon.easel-subject').evaluate((polygon: SVGPolygonElement) => {
    const { x, y, width, height } = polygon.getBBox();
    return [x, y, x + width, y + height];
  });

async function findings(page: Page): Promise<Record<string, string[]>> {
  const labels = await cutouts(page).evaluateAll((tiles) => tiles.map((tile) => tile.getAttribute('aria-label')!));
  return Object.fromEntries(labels.map((label) => [label.split(', ')[0]!, label.split(', ').slice(1)]));
}

test('a batch with known faults shows exactly those findings, and a mend for all clears them', async ({ page }) => {
  await batchOf(page, 'Faults', [
    await discPhoto('fine-1.png', [{ x: 400, y: 420, r: 230 }]),
    await discPhoto('fine-2.png', [{ x: 760, y: 400, r: 240 }]),
    await discPhoto('fine-3.png', [{ x: 600, y: 500, r: 300 }]),
    await discPhoto('dark.png', [{ x: 640, y: 330, r: 260 }], { ground: 90 }),
    await flatPhoto('empty.png', '#c8c8c8', 1200, 900),
    await discPhoto('soft.png', [{ x: 520, y: 380, r: 220 }], { blur: 14 }),
    await discPhoto('twin.png', [{ x: 400, y: 421, r: 230 }]),
    await discPhoto('two.png', [{ x: 300, y: 600, r: 200 }, { x: 880, y: 250, r: 190 }]), // prettier-ignore
  ]);
  await smallOutput(page);
  await centreSubjects(page, 'extend');
  await expect.poll(async () => Object.entries(await findings(page)).filter(([, list]) => list.length > 0).map(([name]) => name)).toEqual(['dark.png', 'empty.png', 'soft.png', 'twin.png', 'two.png']); // prettier-ignore
  const found = await findings(page);
  expect(found['dark.png']!.join()).toMatch(
    /^its lightest parts,at [\d.]+ %,are [\d.]+ % below the batch’s median,the limit is 20 %$/,
  );
  expect(found['empty.png']!.join()).toContain('no subject was found');
  expect(found['soft.png']!.join()).toMatch(/^its sharpness is [\d.]+ % of the batch’s median/);
  expect(found['twin.png']!.join()).toMatch(/^it looks like fine-1.png \(\d of 64 bits differ\)$/);
  expect(found['two.png']!.join()).toMatch(/^2 subjects were found/);
  // One click leaves all doubles out; another takes it back.
  await step(page, 'Check').click();
  const twins = page.locator('li', { hasText: 'Looks like another photo' });
  await twins.getByRole('button', { name: 'Leave it out' }).click();
  await expect(twins.getByRole('button')).toHaveCount(0);
  await expect(page.locator('#photo-none, .tile[data-review="out"]')).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(twins).toContainText('1 photo');
});

test('gaps are told on every photo that has one, and closed on all by one click', async ({ page }) => {
  await batchOf(page, 'Gaps', [
    await discPhoto('left.png', [{ x: 270, y: 450, r: 240 }]),
    await discPhoto('right.png', [{ x: 930, y: 450, r: 240 }]),
    await discPhoto('middle.png', [{ x: 600, y: 450, r: 200 }]),
  ]);
  await smallOutput(page);
  await centreSubjects(page, 'leave');
  await page.getByRole('button', { name: /^Limits/ }).click();
  await type(page, 'Off size', '100');
  await step(page, 'Check').click();
  const gaps = page.locator('li', { hasText: 'Photo does not reach the edge' });
  await expect(gaps).toContainText('2 photos');
  await gaps.getByRole('button', { name: /^All: enlarge/ }).click();
  await expect(gaps.getByRole('button')).toHaveCount(0);
  await expect(page.getByText('Nothing to look at', { exact: true })).toBeVisible();
});

test('nudging by keys moves the export by exactly those pixels; the adjustment survives a template change', async ({
  page,
}) => {
  await batchOf(page, 'Nudged', [await discPhoto('disc.png', [{ x: 620, y: 430, r: 300 }], { width: 1300 })]);
  await centreSubjects(page, 'extend');
  const first = PNG.sync.read((await exported(page)).get('disc-tile.png')!);
  await step(page, 'Centre').click();
  await cutouts(page).dblclick();
  const easel = page.getByRole('dialog');
  await expect(easel).toContainText('1 of 1');
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowDown');
  await expect(easel.getByLabel('Across', { exact: true })).toHaveValue('3');
  await expect(easel.getByLabel('Down', { exact: true })).toHaveValue('10');
  await page.keyboard.press('Escape');
  const second = PNG.sync.read((await exported(page)).get('disc-tile.png')!);
  let differ = 0;
  for (let y = 300; y < 780; y++)
    for (let x = 300; x < 780; x++)
      for (let c = 0; c < 4; c++)
        if (first.data[(y * 1080 + x) * 4 + c] !== second.data[((y + 10) * 1080 + x + 3) * 4 + c]) differ++;
  expect(differ).toBe(0);
  // Half the shape: half the way, still there after a reload.
  await step(page, 'Template').click();
  await page.getByRole('complementary', { name: 'Template' }).waitFor();
  await type(page, 'Size', '480');
  await saved(page);
  await page.reload();
  await painted(page);
  await cutouts(page).dblclick();
  await expect(easel.getByLabel('Across', { exact: true })).toHaveValue('1.5');
  await expect(easel.getByLabel('Down', { exact: true })).toHaveValue('5');
  await page.keyboard.press('0');
  await expect(easel.getByLabel('Across', { exact: true })).toHaveValue('0');
});

test('on a busy ground a click finds the outline of what is meant; another adds to it, one photo after the other', async ({
  page,
}) => {
  const file = (name: string, scene: Scene) => ({ name, mimeType: 'image/jpeg', buffer: readFileSync(`test-photos/scenes/${scene.file}`) }); // prettier-ignore
  await batchOf(page, 'Busy', [file('a.jpg', SCENES[0]), file('b.jpg', SCENES[1])]);
  await cutouts(page).first().dblclick();
  const easel = page.getByRole('dialog');
  await page.keyboard.press('s');
  await expect(easel.getByRole('radiogroup', { name: 'Click' })).toBeVisible();
  const said = page.getByRole('log', { name: 'What was done' });
  for (const [i, { box, width }] of SCENES.entries()) {
    await expect(easel).toContainText(`${i + 1} of 2`);
    const at = await placeIn(page, (box[0] + box[2]) / 2, (box[1] + box[3]) / 2);
    await page.mouse.click(...at);
    await expect(easel.getByRole('button', { name: 'Forget the subject by hand' })).toBeVisible();
    const found = await boundsOfPolygon(page);
    const longer = Math.max(box[2] - box[0], box[3] - box[1]);
    // Within 6 % of what the generator knows.
    found.forEach((v, k) => expect(Math.abs(v - box[k]!)).toBeLessThan(0.06 * longer));
    // What is right beside it is added by a click with Shift.
    const beside = await placeIn(page, Math.min(width - 3, box[2] + 0.12 * longer), (box[1] + box[3]) / 2);
    await page.keyboard.down('Shift');
    await page.mouse.click(...beside);
    await page.keyboard.up('Shift');
    await expect.poll(async () => (await boundsOfPolygon(page))[2]).toBeGreaterThan(found[2]! + 0.02 * longer);
    await page.keyboard.press('Control+z');
    await expect.poll(async () => (await boundsOfPolygon(page))[2]).toBeCloseTo(found[2]!, 3);
    await page.keyboard.press('n');
  }
  await expect(said.first()).toContainText('subject of b.jpg');
});

test('a subject pointed at by hand is centred, good and left out are noted by key, and left out is not exported', async ({
  page,
}) => {
  await batchOf(page, 'By hand', [
    await discPhoto('a.png', [{ x: 600, y: 450, r: 200 }]),
    await discPhoto('b.png', [{ x: 500, y: 400, r: 260 }]),
  ]);
  await centreSubjects(page, 'extend');
  await cutouts(page).first().dblclick();
  const easel = page.getByRole('dialog');
  await easel.getByRole('radio', { name: 'subject', exact: true }).click();
  const room = (await easel.locator('.easel-frame').boundingBox())!;
  await page.mouse.click(room.x + room.width * 0.6, room.y + room.height * 0.5);
  await expect(easel.getByRole('button', { name: 'Forget the subject by hand' })).toBeVisible();
  await page.keyboard.press('g');
  await expect(easel.getByRole('radio', { name: 'good' })).toBeChecked();
  await page.keyboard.press('n');
  await expect(easel).toContainText('b.png');
  await page.keyboard.press('l');
  await page.keyboard.press('Escape');
  await expect(page.locator('.tile[data-review="out"]')).toHaveCount(1);
  const files = await exported(page);
  expect(pictureNames(files)).toEqual(['a-tile.png']);
  const { items } = JSON.parse(files.get('manifest.json')!.toString()) as {
    items: { subject: { source: string; off: number[] } }[];
  };
  expect(items[0]!.subject.source).toBe('hand');
  expect(Math.hypot(...items[0]!.subject.off)).toBeLessThan(1e-9);
});

test('the report’s figures are those of the manifest’s second look, and a photo is opened from it', async ({
  page,
}) => {
  await batchOf(page, 'Figures', [
    await discPhoto('near-edge.png', [{ x: 300, y: 300, r: 230 }]),
    await discPhoto('centred.png', [{ x: 600, y: 450, r: 260 }]),
    await discPhoto('low.png', [{ x: 700, y: 640, r: 220 }]),
  ]);
  await step(page, 'Centre').click();
  const side = page.locator('.side');
  await side.getByRole('radio', { name: 'subject', exact: true }).click();
  await side.getByRole('radio', { name: 'shift', exact: true }).click();
  await saved(page);
  const files = await exported(page);
  type Look = { off: [number, number]; size: number };
  type Item = { photo: string; subject: Look & { again: Look }; placement: { used: string } };
  const { items } = JSON.parse(files.get('manifest.json')!.toString()) as { items: Item[] };
  expect(items.some(({ placement }) => placement.used === 'shifted')).toBe(true);
  await step(page, 'Check').click();
  await page.getByRole('link', { name: 'Report' }).click();
  await expect(page.getByRole('region', { name: 'Subject centres' }).locator('.recharts-scatter-symbol')).toHaveCount(
    3,
  );
  // On paper all of it shows, not what the window holds, and none of what is for the screen alone.
  await page.emulateMedia({ media: 'print' });
  const cut = () => page.locator('main').evaluate((main) => main.scrollHeight - main.clientHeight);
  await expect.poll(cut).toBe(0);
  await expect(page.getByRole('navigation')).toBeHidden();
  await page.emulateMedia({ media: 'screen' });
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as CSV' }).click(),
  ]);
  const [head, ...rows] = (await readFile(await download.path(), 'utf8')).trim().split('\r\n').map((line) => line.split(',')); // prettier-ignore
  const column = (row: string[], name: string) => row[head!.indexOf(name)]!;
  for (const item of items) {
    const row = rows.find((r) => column(r, 'photo') === item.photo)!;
    const { off, size, again } = item.subject;
    expect(Number(column(row, 'off_across_percent'))).toBeCloseTo(again.off[0] * 100, 5);
    expect(Number(column(row, 'off_down_percent'))).toBeCloseTo(again.off[1] * 100, 5);
    expect(Number(column(row, 'size_percent'))).toBeCloseTo(again.size * 100, 5);
    expect(Number(column(row, 'off_as_placed_percent'))).toBeCloseTo(Math.hypot(...off) * 100, 5);
    // Both looks see a disc on an even ground where it is.
    expect(Math.hypot(again.off[0] - off[0], again.off[1] - off[1])).toBeLessThan(0.01);
    expect(Math.abs(again.size - size)).toBeLessThan(0.02);
    expect(column(row, 'used')).toBe(item.placement.used);
  }
  await page.getByRole('row').getByRole('link').first().click();
  await expect(page.getByRole('dialog')).toContainText(/of 3/);
  // Back on the wall, the template is the one that was left, and it can be changed further.
  await page.keyboard.press('Escape');
  await step(page, 'Centre').click();
  await expect(side.getByRole('radio', { name: 'shift', exact: true })).toBeChecked();
  await side.getByRole('radio', { name: 'leave', exact: true }).click();
  await saved(page);
  await step(page, 'Check').click();
  await page.getByRole('link', { name: 'Report' }).click();
  await page.getByRole('heading', { name: /report$/ }).waitFor();
  await page.goBack();
  await step(page, 'Centre').click();
  await expect(side.getByRole('radio', { name: 'leave', exact: true })).toBeChecked();
  await side.getByRole('radio', { name: 'enlarge', exact: true }).click();
  await saved(page);
});

test('a turned photo whose ground is continued is the same in preview and export', async ({ page }) => {
  const photo = await gradientPhoto('soft.png', 'grey', 1600, 900);
  const pair = await previewAndExport(page, photo, async () => {
    await step(page, 'Centre').click();
    const side = page.locator('.side');
    await side.getByRole('radio', { name: 'set', exact: true }).click();
    await type(page, 'Of shape', '90');
    await side.getByRole('radio', { name: 'extend', exact: true }).click();
    await type(page, 'Turned', '7');
    await side.getByRole('radio', { name: 'left to right' }).click();
  });
  const { alphaDiffers, opaque, beyond } = compare(...pair);
  expect(opaque).toBeGreaterThan(500_000);
  expect([alphaDiffers, beyond(2)]).toEqual([0, 0]);
});

test('a feathered photo whose border shows in the fade is the same in preview and export', async ({ page }) => {
  const photo = await gradientPhoto('soft.png', 'grey', 1600, 900);
  const pair = await previewAndExport(page, photo, async () => {
    const side = page.locator('.side');
    await type(page, 'Feather', '60');
    await side.getByRole('radio', { name: 'across' }).click();
    await step(page, 'Centre').click();
    await side.getByRole('radio', { name: 'set', exact: true }).click();
    // Of the photo’s height, which is the shape’s side then: its border lies in the middle of the fade.
    await type(page, 'Of shape', '178');
    await side.getByRole('radio', { name: 'leave', exact: true }).click();
  });
  const { alphaDiffers, opaque, beyond } = compare(...pair);
  expect(opaque).toBeGreaterThan(450_000);
  expect([alphaDiffers, beyond(2)]).toEqual([0, 0]);
});

test('photos of all kinds are each centred by what is seen in them, said in words, and the wall narrows to one kind', async ({
  page,
}) => {
  const [portrait] = readdirSync('demo/photos/portraits');
  const jpeg = (name: string, path: string) => ({ name, mimeType: 'image/jpeg', buffer: readFileSync(path) });
  await batchOf(page, 'Mixed', [
    jpeg('maker.jpg', `demo/photos/portraits/${portrait}`),
    jpeg('mug.jpg', `test-photos/scenes/${SCENES[0].file}`),
    await flatPhoto('wall.png', '#667788', 1500, 1400),
  ]);
  const kinds = [
    ['maker.jpg', 'its face', 'centred by a face'],
    ['mug.jpg', 'its subject', 'centred by the subject'],
    ['wall.png', 'its middle', 'centred by the middle'],
  ] as const;
  for (const [name, kind] of kinds)
    await expect(page.locator(`[role="option"][aria-label^="${name}"]`)).toHaveAttribute('title', new RegExp(`centred by ${kind}`)); // prettier-ignore
  await step(page, 'Centre').click();
  await expect(page.locator('.side')).toContainText('Seen: 1 face, 1 subject, 1 with neither.');
  const show = page.getByLabel('Show', { exact: true });
  for (const [name, , option] of kinds) {
    await show.selectOption(option);
    await expect(cutouts(page)).toHaveCount(1);
    await expect(cutouts(page)).toHaveAttribute('aria-label', new RegExp(`^${name}`));
  }
  await show.selectOption('all');
  await expect(cutouts(page)).toHaveCount(3);
});
