import { parseTemplate, type Template } from '@/core/template';
import type { Drawn, PreviewPhoto } from '@/preview';
import { createPainting, type PaintGroup } from './painting';

const template = (name: string) => parseTemplate({ wobrel: 1, name });
const photo = (id: number): PreviewPhoto => ({ id, sha256: String(id), width: 30, height: 20 });
const settle = () => new Promise((resolve) => setImmediate(resolve));

/** A page whose workers answer when told to. */
function page() {
  const asked: { template: Template; width: number; ids: number[] }[] = [];
  const waiting: ((drawn: Drawn[]) => void)[] = [];
  const shown: string[] = [];
  const painting = createPainting(
    (t, width, photos) => {
      asked.push({ template: t, width, ids: photos.map(({ id }) => id) });
      return new Promise((resolve) => waiting.push(resolve));
    },
    (canvas, { id, width }) => void shown.push(`${(canvas as unknown as { name: string }).name}:${id}@${width}`),
  );
  const canvas = (name: string) => ({ name, dataset: {} }) as unknown as HTMLCanvasElement;
  const errors: ReadonlyMap<number, string>[] = [];
  const group = (name: string, goal: PaintGroup['goal']): PaintGroup => {
    const made: PaintGroup = { goal, canvases: new Map(goal.photos.map(({ id }) => [id, canvas(name)])), onErrors: (e) => errors.push(e) }; // prettier-ignore
    painting.join(made);
    return made;
  };
  const answer = async (fail: readonly number[] = []) => {
    // What is asked for in one moment is asked for at its end.
    await settle();
    const [round, todo] = [asked.slice(-waiting.length), waiting.splice(0)];
    todo.forEach((give, i) => {
      const { ids, width } = round[i]!;
      give(ids.map((id) => fail.includes(id) ? { id, error: 'no' } : { id, width, height: 1, pixels: new Uint8ClampedArray(4) })); // prettier-ignore
    });
    await settle();
  };
  return { painting, asked, shown, errors, group, answer };
}

test('a slider’s many values never queue: one round is under way, the next has the newest', async () => {
  const { painting, asked, group, answer } = page();
  const wall = group('wall', { template: template('0'), width: 100, photos: [photo(1)] });
  void painting.refresh();
  await settle();
  for (let i = 1; i <= 20; i++) {
    wall.goal = { ...wall.goal, template: template(String(i)) };
    void painting.refresh();
    await settle();
  }
  await answer();
  await answer();
  expect(asked.map((a) => a.template.name)).toEqual(['0', '20']);
  await answer();
  expect(asked).toHaveLength(2);
});

test('all lists of a page are asked for in the same round, the shortest first', async () => {
  const { painting, asked, shown, group, answer } = page();
  const now = template('T');
  group('strip', { template: now, width: 76, photos: [photo(1), photo(2)] });
  void painting.refresh();
  // In the same moment, after the round was asked for.
  group('stage', { template: now, width: 800, photos: [photo(1)] });
  void painting.refresh();
  await settle();
  expect(asked.map(({ width, ids }) => [width, ids])).toEqual([[800, [1]], [76, [1, 2]]]); // prettier-ignore
  await answer();
  expect(shown).toEqual(['stage:1@800', 'strip:1@76', 'strip:2@76']);
});

test('blank canvases come first, a dozen at a time, before others are drawn anew', async () => {
  const { painting, asked, group, answer } = page();
  const photos = Array.from({ length: 30 }, (_, i) => photo(i));
  const wall = group('wall', { template: template('a'), width: 100, photos: photos.slice(0, 5) });
  void painting.refresh();
  await answer();
  for (const { id } of photos) if (!wall.canvases.has(id)) wall.canvases.set(id, { dataset: {} } as HTMLCanvasElement);
  wall.goal = { template: template('b'), width: 100, photos };
  void painting.refresh();
  for (let i = 0; i < 4; i++) await answer();
  expect(asked.slice(1).map(({ ids }) => ids.length)).toEqual([12, 12, 1, 5]);
});

test('a photo’s error is told once, and gone once it is drawn', async () => {
  const { painting, errors, group, answer } = page();
  const wall = group('wall', { template: template('a'), width: 100, photos: [photo(1), photo(2)] });
  void painting.refresh();
  await answer([2]);
  expect(errors.map((e) => [...e])).toEqual([[[2, 'no']]]);
  wall.goal = { ...wall.goal, template: template('b') };
  void painting.refresh();
  await answer();
  expect([...errors.at(-1)!]).toEqual([]);
  expect(errors).toHaveLength(2);
});

test('a list that has left the page is not drawn', async () => {
  const { painting, asked, group } = page();
  const gone = group('gone', { template: template('a'), width: 100, photos: [photo(1)] });
  painting.join(gone)();
  await painting.refresh();
  expect(asked).toEqual([]);
});

test('what is asked for in the moment in which a round finds nothing more is painted, too', async () => {
  const { painting, asked, group } = page();
  const list = group('list', { template: template('T'), width: 30, photos: [] });
  void painting.refresh();
  await null;
  list.goal = { ...list.goal, photos: [photo(1)] };
  list.canvases.set(1, { dataset: {} } as unknown as HTMLCanvasElement);
  void painting.refresh();
  await settle();
  expect(asked.map(({ ids }) => ids)).toEqual([[1]]);
});

test('what shows a template goes on with the next at once; asked for again by the page it is not drawn twice', async () => {
  const { painting, asked, group, answer } = page();
  const [first, next, other] = [template('first'), template('next'), template('other')];
  const stage = group('stage', { template: first, width: 300, photos: [photo(1)] });
  const trial = group('trial', { template: other, width: 100, photos: [photo(2)] });
  void painting.refresh();
  await answer();
  painting.goOn(first, next);
  await answer();
  expect(asked.slice(2).map((a) => [a.template.name, a.width])).toEqual([['next', 300]]);
  expect(trial.goal.template).toBe(other);
  stage.goal = { template: next, width: 300, photos: stage.goal.photos };
  void painting.refresh();
  await answer();
  expect(asked).toHaveLength(3);
});

test('a template of other proportions waits for the page, which gives its canvases another size', async () => {
  const { painting, asked, group, answer } = page();
  const square = template('square');
  const stage = group('stage', { template: square, width: 300, photos: [photo(1)] });
  void painting.refresh();
  await answer();
  const tall = { ...square, frame: { ...square.frame, height: 2 * square.frame.height } };
  painting.goOn(square, tall);
  await answer();
  expect(asked).toHaveLength(1);
  stage.goal = { template: tall, width: 200, photos: stage.goal.photos };
  void painting.refresh();
  await answer();
  expect(asked.slice(1).map((a) => a.width)).toEqual([200]);
});
