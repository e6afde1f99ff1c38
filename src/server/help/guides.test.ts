import { demoNames, demoPhoto } from './demo-photos';
import { guides, pictureOf } from './guides';

test('guides come in the order of their numbers, with pictures that the page can ask for', async () => {
  const all = await guides();
  expect(all).toHaveLength(16);
  expect(all.at(-1)!.id).toBe('framings');
  expect(all[0]).toMatchObject({ id: 'team-circles', title: 'Portraits as circles that all sit alike' });
  const [, name] = /\]\(\/api\/help\/pictures\/([^)]+)\)/.exec(all[0]!.body)!;
  expect((await pictureOf(name)).subarray(1, 4).toString()).toBe('PNG');
});

test('only what lies there is opened', async () => {
  for (const name of ['../../package.json', '..', '', 'none.png', undefined]) {
    await expect(pictureOf(name)).rejects.toThrow('There is no such picture.');
    await expect(demoPhoto(name)).rejects.toThrow('There is no such demo photo.');
  }
  const [first] = await demoNames();
  expect((await demoPhoto(first)).subarray(0, 2)).toEqual(Buffer.from([0xff, 0xd8]));
});
