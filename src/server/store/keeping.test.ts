import { createKeeping } from './keeping';

const { whileKept, whileNobodyFinds } = createKeeping();

/** Work that begins and ends when it is told to. */
function work(kind: typeof whileKept, log: string[], name: string) {
  let end = () => {};
  const over = kind(async () => {
    log.push(`${name} begins`);
    await new Promise<void>((resolve) => (end = resolve));
    log.push(`${name} ends`);
  });
  return { over, end: () => end() };
}
const soon = () => new Promise((resolve) => setImmediate(resolve));

test('many use at once; who collects is alone, in its turn, and lets nobody wait for ever', async () => {
  const log: string[] = [];
  const [a, b] = [work(whileKept, log, 'a'), work(whileKept, log, 'b')];
  const collector = work(whileNobodyFinds, log, 'collector');
  const c = work(whileKept, log, 'c');
  await soon();
  expect(log).toEqual(['a begins', 'b begins']);
  a.end();
  await a.over;
  expect(log).not.toContain('collector begins');
  b.end();
  await b.over;
  await soon();
  expect(log.at(-1)).toBe('collector begins');
  collector.end();
  await collector.over;
  await soon();
  expect(log.at(-1)).toBe('c begins');
  c.end();
  await c.over;
});

test('what fails lets the next one in', async () => {
  await expect(whileNobodyFinds(() => Promise.reject(new Error('no')))).rejects.toThrow('no');
  await expect(whileKept(() => Promise.reject(new Error('no')))).rejects.toThrow('no');
  await expect(whileNobodyFinds(async () => 'yes')).resolves.toBe('yes');
});
