import { placer } from '../core/placement';
import { compile, compose } from '../core/plate';
import { parseTemplate } from '../core/template';
import { smoothPhoto } from '../core/testing/photos';
import { finishedPixels, placedPixels } from './placed';

jest.mock('./proxies', () => ({ proxyFor: () => Promise.resolve({}) }));

const photo = { id: 7, sha256: 'sum', width: 300, height: 300 };
const templateWith = (fields: object) =>
  parseTemplate({ wobrel: 1, name: 'kept', tints: [{ paint: '#ff880040', blend: 'multiply' }], ...fields });

/** Drawn photos, counted. */
let drawn = 0;

beforeAll(() => {
  class Canvas {
    width = 1;
    height = 1;
    getContext = () => ({
      drawImage: () => drawn++,
      setTransform: () => {},
      getImageData: (_x: number, _y: number, w: number, h: number) => ({ data: smoothPhoto(w, h) }),
    });
  }
  Object.assign(globalThis, { OffscreenCanvas: Canvas });
});

test('a photo is drawn once for all that leaves it where it is, and its finish is put on it once', async () => {
  const template = templateWith({});
  const plate = compile(template, 100);
  const at = placer(template)(photo);
  const place = () => placedPixels(photo, at, plate, { kind: 'none' }, true);
  const bare = await place();
  const first = finishedPixels(photo, plate, bare, []);
  const [second, third] = [finishedPixels(photo, plate, await place(), []), finishedPixels(photo, plate, await place(), [])]; // prettier-ignore
  expect(drawn).toBe(1);
  // At first nobody knows whether the finish is about to change again.
  expect([first === bare, second.isFinished, third === second]).toEqual([true, true, true]);
  expect(Buffer.compare(Buffer.from(compose(plate, second)), Buffer.from(compose(plate, first)))).toBe(0);

  const other = { ...plate, finish: compile(templateWith({ tints: [{ paint: '#0000ff' }] }), 100).finish };
  expect(finishedPixels(photo, other, await place(), [])).toBe(bare);
  expect(finishedPixels(photo, other, await place(), []).data).not.toEqual(second.data);
});
