/** Subjects found by others that somebody pointed at. */
import { expect, test, type Page } from './test';
import { batchOf, placeIn } from './bench-page';
import { discPhoto } from './photos';

type Row = { readonly id: number; readonly handSubject: { readonly box: readonly number[]; readonly alike?: number } | null }; // prettier-ignore

const BLUE = [40, 60, 190];
/** The small red disc is what the photos are of; the finder takes the large blue one. */
const REDS = [
  { x: 300, y: 400, r: 150 },
  { x: 900, y: 300, r: 160 },
  { x: 330, y: 650, r: 150 },
];
const BLUES = [
  { x: 820, y: 480, r: 220, colour: BLUE },
  { x: 400, y: 560, r: 230, colour: BLUE },
  { x: 800, y: 330, r: 240, colour: BLUE },
];

const batchId = (page: Page) => Number(/batches\/(\d+)/.exec(page.url())![1]);

async function rowsOf(page: Page): Promise<readonly Row[]> {
  const answer = await page.request.get(`/api/batches/${batchId(page)}/photos`);
  return ((await answer.json()) as { photos: Row[] }).photos;
}

test('photos in doubt are found by one that was pointed at, in one step that can be undone', async ({ page }) => {
  await batchOf(page, 'Alike', await Promise.all(REDS.map((red, i) => discPhoto(`disc-${i}.png`, [red, BLUES[i]!]))));
  const id = batchId(page);
  const detail = (await (await page.request.get(`/api/batches/${id}`)).json()) as {
    template: object;
    revision: number;
  };
  // Whatever the two looks see that is not the very same is in doubt.
  const template = {
    ...detail.template,
    centring: { rule: 'subject', size: 0.5, gap: 'extend' },
    limits: { apart: 0 },
  };
  expect((await page.request.put(`/api/batches/${id}/draft`, { data: { template, revision: detail.revision } })).ok()).toBe(true); // prettier-ignore
  const refused = await page.request.post(`/api/batches/${id}/alike`, { data: { photo: (await rowsOf(page))[0]!.id } });
  expect([refused.status(), ((await refused.json()) as { error: { message: string } }).error.message]).toEqual([400, 'Nothing to go by: point at the subject of another photo first.']); // prettier-ignore
  await page.goto(`/batches/${id}?step=centre`);

  // One is pointed at on the easel.
  await page.getByRole('option', { name: /^disc-0/ }).dblclick();
  const easel = page.getByRole('dialog');
  await page.keyboard.press('s');
  await expect(easel.getByRole('radiogroup', { name: 'Click' })).toBeVisible();
  await page.mouse.click(...(await placeIn(page, REDS[0]!.x, REDS[0]!.y)));
  await expect(easel.getByRole('button', { name: 'Forget the subject by hand' })).toBeVisible();
  await page.keyboard.press('Escape');

  const note = page.getByRole('region', { name: 'Subjects like others' });
  await expect(note).toContainText('1 subject pointed at by hand; 2 of the others are in doubt.');
  // The page is loaded anew before the first answer: it goes on with what was asked for.
  await page.route('**/alike', () => undefined);
  await note.getByRole('button', { name: 'Find those like it' }).click();
  await expect(note).toContainText('Looking for subjects like those: 0 of 2');
  await page.reload();
  await expect(note).toContainText('Looking for subjects like those: 0 of 2');
  await page.unroute('**/alike');
  await expect(note).toContainText('Last time found like others: 2 subjects of 2.');
  await expect.poll(async () => (await rowsOf(page)).map(({ handSubject }) => handSubject?.alike === undefined)).toEqual([true, false, false]); // prettier-ignore
  const found = await rowsOf(page);
  for (const [i, { x, y, r }] of REDS.entries()) {
    if (i === 0) continue;
    const [l, t, w, h] = found[i]!.handSubject!.box as [number, number, number, number];
    // Within 1 % of the photo's width of where they were drawn.
    for (const [seen, drawn] of [
      [l * 1200, x - r],
      [t * 900, y - r],
      [w * 1200, 2 * r],
      [h * 900, 2 * r],
    ] as const)
      expect(Math.abs(seen - drawn)).toBeLessThan(12);
  }
  // What was found so is told on the easel, and can be forgotten there.
  await page.getByRole('option', { name: /^disc-1/ }).dblclick();
  await expect(easel.getByRole('button', { name: 'Forget what was found like others' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await rowsOf(page)).slice(1).map(({ handSubject }) => handSubject)).toEqual([null, null]); // prettier-ignore
});
