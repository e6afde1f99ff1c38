/** Photo data: from a table to names and metadata of files. */
import ExifReader from 'exifreader';
import sharp from 'sharp';
import { batchOf, cutouts, step } from './bench-page';
import { exported, pictureNames } from './exports';
import { flatPhoto } from './photos';
import { expect, test } from './test';

const TABLE = [
  'File;Article number;Title;Alternative text',
  'mug;A/1;Blauer Becher;Ein blauer Becher mit Henkel',
  'JUG.PNG;A/2;Krug, groß;"Ein ""großer"" Krug"',
  'plate;A/9;Teller;Ein Teller',
].join('\r\n');

const photosOf = () => Promise.all(['mug', 'jug', 'bowl'].map((name, i) => flatPhoto(`${name}.png`, '#3366aa', 400 + i))); // prettier-ignore

test('a table in the Windows encoding names files and describes them', async ({ page }) => {
  await batchOf(page, 'Data', await photosOf());
  await step(page, 'Photos').click();
  await page.getByRole('button', { name: 'Bring in a table…' }).click();
  const dialog = page.getByRole('dialog');
  const chosen = page.waitForEvent('filechooser');
  await dialog.getByRole('button', { name: 'Choose a file…' }).click();
  const buffer = Buffer.from(TABLE, 'latin1');
  await (await chosen).setFiles({ name: 'list.csv', mimeType: 'text/csv', buffer });
  await expect(dialog.getByLabel('Encoding')).toHaveValue('windows-1252');
  await expect(dialog.getByLabel('Separator')).toHaveValue(';');
  await expect(dialog).toContainText('2 of 3 photos found in 3 rows');
  await dialog.getByText('1 row names no photo').click();
  await expect(dialog.getByText('plate', { exact: true }).first()).toBeVisible();
  await dialog.getByRole('button', { name: 'Take in 3 fields' }).click();

  const grid = page.getByRole('grid', { name: 'Photo data' });
  await expect(grid.getByRole('row', { name: /jug/ }).getByRole('gridcell').nth(1)).toHaveText('Krug, groß');

  // By keys alone: the bowl, which is first, gets an article number and a title.
  await grid.focus();
  await page.keyboard.type('A/3');
  await page.keyboard.press('Tab');
  await page.keyboard.type('Bowl');
  await page.keyboard.press('Enter');
  await expect(grid.getByRole('row', { name: /bowl/ }).getByRole('gridcell')).toHaveText(['A/3', 'Bowl', '']);

  await step(page, 'Export').click();
  await page.getByLabel('File names', { exact: true }).fill('shop/{article number|lower}-{title|slug}');
  await expect(page.getByText('shop/a_3-bowl.png')).toBeVisible();
  await page.getByRole('button', { name: /^Metadata/ }).click();
  await page.getByLabel('Title', { exact: true }).fill('{title}');
  await page.getByLabel('Put a field into alt text').selectOption({ label: 'Alternative text' });
  await expect(page.getByLabel('Alt text', { exact: true })).toHaveValue('{Alternative text}');
  // One photo says nothing where it should.
  await expect(cutouts(page).first()).toHaveAccessibleName(/Alternative text says nothing, and is asked for by/);
  await page.getByRole('button', { name: 'See all file names…' }).click();
  await expect(page.getByRole('list', { name: 'File names' }).getByRole('listitem')).toHaveCount(3);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('status').first()).toHaveText('saved');

  const files = await exported(page);
  expect(pictureNames(files)).toEqual(['shop/a_1-blauer-becher.png', 'shop/a_2-krug-gross.png', 'shop/a_3-bowl.png']); // prettier-ignore
  const said = async (name: string) => (await ExifReader.load(files.get(name)!, { expanded: true, async: true })).xmp as Record<string, { description: string }>; // prettier-ignore
  const jug = await said('shop/a_2-krug-gross.png');
  expect(jug.title!.description).toBe('Krug, groß');
  expect(jug.AltTextAccessibility!.description).toBe('Ein "großer" Krug');
  const bowl = await said('shop/a_3-bowl.png');
  expect([bowl.title!.description, bowl.AltTextAccessibility]).toEqual(['Bowl', undefined]);
});

test('the grid fills, copies, undoes and keeps', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await batchOf(page, 'Grid', await photosOf());
  await step(page, 'Photos').click();
  await page.getByRole('button', { name: 'Add a field…' }).click();
  await page.getByLabel('Name', { exact: true }).fill('index');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('{index}');
  await page.getByLabel('Name', { exact: true }).fill('Maker');
  await page.getByRole('button', { name: 'Save', exact: true }).click();

  const grid = page.getByRole('grid', { name: 'Photo data' });
  const cells = grid.getByRole('gridcell');
  await grid.focus();
  await page.keyboard.type('Ada?');
  // A letter that is a key elsewhere is only a letter here.
  await page.keyboard.press('Enter');
  await expect(cells).toHaveText(['Ada?', '', '']);
  await page.keyboard.press('Home');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('ControlOrMeta+d');
  await expect(cells).toHaveText(['Ada?', 'Ada?', 'Ada?']);
  await page.keyboard.press('ControlOrMeta+z');
  await expect(cells).toHaveText(['Ada?', '', '']);

  await cells.nth(0).click();
  await page.keyboard.press('ControlOrMeta+c');
  await cells.nth(2).click();
  await page.keyboard.press('ControlOrMeta+v');
  await expect(cells).toHaveText(['Ada?', '', 'Ada?']);
  await page.keyboard.press('ControlOrMeta+x');
  await expect(cells).toHaveText(['Ada?', '', '']);

  await grid.getByRole('button', { name: 'Maker' }).click();
  await page.getByRole('button', { name: 'Rename…' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Made by');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(grid.getByRole('button', { name: 'Made by' })).toBeVisible();
  await expect(cells).toHaveText(['Ada?', '', '']);
  // The server has the last change once it answers with it.
  const kept = async () => {
    const { photos } = (await (await page.request.get(page.url().replace(/\/batches\/(\d+).*/, '/api/batches/$1/photos'))).json()) as { photos: { data: object }[] }; // prettier-ignore
    return photos.map(({ data }) => data);
  };
  await expect.poll(kept).toEqual([{ 'Made by': 'Ada?' }, {}, {}]);
  await page.reload();
  await page.getByRole('radio', { name: 'table', exact: true }).click();
  await expect(cells).toHaveText(['Ada?', '', '']);
});

test('of what a photo’s own file says only that goes out which was asked for', async ({ page }) => {
  const { buffer } = await flatPhoto('', '#3366aa', 420, 400);
  const photo = sharp(buffer).withExif({ IFD0: { Artist: 'Ann', Model: 'K1' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '48/1 12/1 0/1', GPSLongitudeRef: 'E', GPSLongitude: '16/1 30/1 0/1' } }); // prettier-ignore
  await batchOf(page, 'Own', [{ name: 'own.jpg', mimeType: 'image/jpeg', buffer: await photo.jpeg().toBuffer() }]);
  await step(page, 'Photos').click();
  await page.getByRole('button', { name: 'From the photos’ files…' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('48.20000, 16.50000');
  await dialog.getByRole('button', { name: 'Take in 3 fields' }).click();
  await expect(page.getByRole('gridcell')).toHaveText(['Ann', 'K1', '48.20000, 16.50000']);
  await step(page, 'Export').click();
  await page.getByRole('button', { name: /^Metadata/ }).click();
  await page.getByLabel('Creator', { exact: true }).fill('{Creator}');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status').first()).toHaveText('saved');
  const [data] = [...(await exported(page)).values()];
  const tags = await ExifReader.load(data!, { expanded: true, async: true });
  expect((tags.xmp as Record<string, { description: string }>).creator!.description).toBe('Ann');
  expect(tags.gps).toBeUndefined();
  expect(data!.toString('latin1')).not.toMatch(/K1|48\.2/);
});
