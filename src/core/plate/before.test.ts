/** Documents from before tints, gradients and filters were drawn: the same pictures, byte for byte. */
import { createHash } from 'node:crypto';
import { parseTemplate } from '../template';
import { smoothPhoto } from '../testing/photos';
import pictures from './before/pictures.json';
import { compile } from './compile';
import { compose } from './compose';

const sha256 = (bytes: Uint8ClampedArray) => createHash('sha256').update(bytes).digest('hex');

test.each(pictures.map((picture) => [picture.document.name, picture] as const))('%s', (_, picture) => {
  const plate = compile(parseTemplate(picture.document), picture.width, picture.matte);
  const { width, height } = plate.photoWindow;
  const out = compose(plate, { data: smoothPhoto(width, height), window: plate.photoWindow, opaque: true });
  expect([sha256(out.filter((_, i) => i % 4 === 3)), sha256(out)]).toEqual([picture.alpha, picture.picture]);
});
