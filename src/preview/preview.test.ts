import type { DrawMessage, PreviewAnswer, PreviewMessage } from './protocol';
import { parseTemplate } from '../core/template';

const template = parseTemplate({ wobrel: 1, name: 'T' });

describe('the pool', () => {
  /** Workers that answer later, when told to. */
  class FakeWorker {
    static all: FakeWorker[] = [];
    asked: DrawMessage[] = [];
    isThere = true;
    terminate = jest.fn();
    onmessage: ((event: { data: PreviewAnswer }) => void) | null = null;
    onerror: (() => void) | null = null;
    constructor() {
      FakeWorker.all.push(this);
    }
    postMessage(message: PreviewMessage) {
      if (!('isThere' in message)) this.asked.push(message);
      else if (this.isThere) this.onmessage!({ data: message });
    }
    answer(i: number) {
      const { ticket, photos } = this.asked[i]!;
      this.onmessage!({ data: { ticket, drawn: photos.map(({ id }) => ({ id, error: `ticket ${ticket}` })) } });
    }
  }

  async function makePool(size: number) {
    FakeWorker.all = [];
    Object.assign(globalThis, { Worker: FakeWorker });
    const { createPreviewPool } = await import('./pool');
    return { pool: createPreviewPool(size), workers: FakeWorker.all };
  }
  const photos = [4, 5, 6, 7].map((id) => ({ id, sha256: `sum ${id}`, width: 30, height: 20 }));

  test('sends each photo always to the same worker, and waits for all', async () => {
    const { pool, workers } = await makePool(2);
    const drawn = pool.draw(template, 100, photos);
    expect(workers.map((w) => w.asked[0]!.photos.map((p) => p.id))).toEqual([[4, 6], [5, 7]]); // prettier-ignore
    workers[1]!.answer(0);
    workers[0]!.answer(0);
    expect((await drawn).map((d) => d.id)).toEqual([4, 6, 5, 7]);
  });

  test('answers go to the round that asked, in whatever order they come', async () => {
    const { pool, workers } = await makePool(1);
    const [first, second] = [pool.draw(template, 100, photos), pool.draw(template, 50, photos.slice(0, 1))];
    workers[0]!.answer(1);
    workers[0]!.answer(0);
    const tickets = [await first, await second].map((round) => round.map((d) => ('error' in d ? d.error : '')));
    expect(tickets[0]).toHaveLength(4);
    expect(new Set(tickets[0])).not.toContain(tickets[1]![0]);
  });

  test('a worker that dies tells those who wait, photo by photo', async () => {
    const { pool, workers } = await makePool(1);
    const drawn = pool.draw(template, 100, photos);
    workers[0]!.onerror!();
    expect((await drawn).every((d) => 'error' in d && /stopped unexpectedly/.test(d.error))).toBe(true);
  });

  test('one that is busy for ever is ended, those who wait are told, and another takes its place', async () => {
    const { pool, workers } = await makePool(1);
    jest.useFakeTimers();
    const slow = pool.draw(template, 100, photos);
    // It waits for a proxy, and says that it is there.
    jest.advanceTimersByTime(600_000);
    expect(workers).toHaveLength(1);
    workers[0]!.isThere = false;
    const stuck = pool.draw(template, 50, photos.slice(0, 1));
    jest.advanceTimersByTime(60_000);
    expect(workers[0]!.terminate).not.toHaveBeenCalled();
    jest.advanceTimersByTime(10_000);
    expect(workers[0]!.terminate).toHaveBeenCalledTimes(1);
    for (const drawn of [await slow, await stuck])
      expect(drawn.every((d) => 'error' in d && /takes too long to draw/.test(d.error))).toBe(true);
    // One that draws one thing after the other is not stuck, whenever it comes to say so.
    workers[1]!.isThere = false;
    const row = [1, 2, 3].map(() => pool.draw(template, 100, photos));
    for (const i of [0, 1, 2]) {
      jest.advanceTimersByTime(50_000);
      workers[1]!.answer(i);
    }
    expect((await Promise.all(row)).flat().some((d) => 'error' in d && /too long/.test(d.error))).toBe(false);
    const next = pool.draw(template, 100, photos);
    workers[1]!.answer(3);
    expect((await next).map((d) => d.id)).toEqual([4, 5, 6, 7]);
    expect(jest.getTimerCount()).toBe(0);
    jest.useRealTimers();
  });
});

describe('proxies', () => {
  const asked: string[] = [];
  const closed: number[] = [];
  let size = 0;
  /** This test environment's Blob can't be read by itself. */
  const bytesOf = (blob: Blob) => new Response(blob).arrayBuffer();
  beforeEach(() => {
    jest.resetModules();
    asked.length = closed.length = 0;
    // Each answer holds, for every photo asked for, its number as one byte; photo 44 is gone.
    const answer = (ids: string[]) =>
      new Uint8Array(ids.flatMap((id) => (id === '44' ? [0, 0, 0, 0] : [1, 0, 0, 0, Number(id)]))).buffer;
    Object.assign(globalThis, {
      fetch: async (url: string) => {
        asked.push(url);
        const { pathname, searchParams } = new URL(url, 'http://here');
        size = pathname.endsWith('512') ? 512 : 2048;
        const ids = searchParams.get('of')!.split(',');
        return { ok: !ids.includes('99'), status: 500, arrayBuffer: async () => answer(ids) };
      },
      createImageBitmap: async (jpeg: Blob) => {
        const [id] = new Uint8Array(await bytesOf(jpeg));
        return { width: size, height: (size * 3) / 4, id, close: () => closed.push(id!) };
      },
    });
  });

  /** As large as no proxy is. */
  const photo = (sha256: string) => ({ sha256, width: 4000, height: 3000 });

  test('the smaller one is taken as long as it is large enough, and each is loaded once', async () => {
    const { proxyFor } = await import('./proxies');
    await Promise.all([300, 512, 1025].map((longest) => proxyFor(photo('1'), longest)));
    expect(asked).toEqual(['/api/photos/proxies/512?of=1', '/api/photos/proxies/2048?of=1']);
  });

  test('is halved, once, as often as leaves enough; a small photo’s is as large as the photo', async () => {
    const { proxyFor } = await import('./proxies');
    const drawn: string[] = [];
    class Canvas {
      constructor(
        readonly width: number,
        readonly height: number,
      ) {}
      getContext = () => ({ drawImage: (of: ImageBitmap, ...box: number[]) => drawn.push(`${of.width} to ${box[2]}`) });
      transferToImageBitmap = () => ({ width: this.width, height: this.height, close: () => {} });
    }
    Object.assign(globalThis, { OffscreenCanvas: Canvas });
    const widths = async (of: { sha256: string; width: number; height: number }, ...sizes: number[]) => (await Promise.all(sizes.map((longest) => proxyFor(of, longest)))).map(({ width }) => width); // prettier-ignore
    expect(await widths(photo('1'), 257, 256, 129, 128, 20, 256)).toEqual([512, 256, 256, 128, 128, 256]);
    expect(drawn).toEqual(['512 to 256', '256 to 128']);
    // Whose proxy has its own 300 pixels: half of that is enough for 150, and less than half is not made.
    expect(await widths({ sha256: '2', width: 300, height: 200 }, 151, 150, 100)).toEqual([512, 256, 256]);
  });

  test('those asked for in one moment come in one answer, each to who asked for it', async () => {
    const { proxyFor } = await import('./proxies');
    const bitmaps = await Promise.all(['7', '3', '9'].map((sum) => proxyFor(photo(sum), 500)));
    expect(asked).toEqual(['/api/photos/proxies/512?of=7,3,9']);
    expect(bitmaps.map((bitmap) => (bitmap as unknown as { id: number }).id)).toEqual([7, 3, 9]);
  });

  test('one that is gone keeps no other back', async () => {
    const { proxyFor } = await import('./proxies');
    const both = await Promise.allSettled([proxyFor(photo('44'), 500), proxyFor(photo('5'), 500)]);
    expect(both.map(({ status }) => status)).toEqual(['rejected', 'fulfilled']);
  });

  test('one that can’t be loaded is an error, and is asked for again', async () => {
    const { proxyFor } = await import('./proxies');
    await expect(proxyFor(photo('99'), 500)).rejects.toThrow('could not be loaded (500)');
    await expect(proxyFor(photo('99'), 500)).rejects.toThrow();
    expect(asked).toHaveLength(2);
  });

  test('memory stays bounded: the ones not used for longest are let go', async () => {
    const { proxyFor } = await import('./proxies');
    for (let id = 1; id <= 40; id++) {
      await proxyFor(photo(String(id)), 2000);
      await proxyFor(photo('1'), 2000);
    }
    // 60 million pixels hold 19 of 2048 × 1536.
    expect(closed.length).toBeGreaterThan(15);
    expect(closed).not.toContain(1);
  });

  test('one that is let go while it is still on its way is closed when it arrives, and no longer counted', async () => {
    const { proxyFor } = await import('./proxies');
    // All at once: the first ones are let go before they are there.
    await Promise.all(Array.from({ length: 40 }, (_, i) => proxyFor(photo(String(i + 1)), 2000)));
    await new Promise((resolve) => setImmediate(resolve));
    expect(closed.length).toBe(40 - 19);
    // What was let go makes room: two more push out two more, not all.
    await proxyFor(photo('41'), 2000);
    await proxyFor(photo('42'), 2000);
    await new Promise((resolve) => setImmediate(resolve));
    expect(closed.length).toBe(42 - 19);
  });
});
