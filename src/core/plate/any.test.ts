/** Whatever a template may say: it is compiled and drawn, or refused by the path of a field. */
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { WobrelError } from '../errors';
import { fieldsOf } from '../fields';
import { bringFonts } from '../letters';
import { documents } from '../testing/documents';
import { firstUnlike, noiseOn } from '../testing/drawn';
import { seededBytes } from '../testing/photos';
import { parseTemplate, type Template } from '../template';
import { behindPixels, captionFonts, coloursFor, compile, compose, finishedPhoto, writeCaptions, type Plate } from '.';

const WIDTH = 60;
const words = fieldsOf({ photo: 'a mug', batch: '', index: 1, template: 'any', output: 'tile', width: WIDTH, height: WIDTH }); // prettier-ignore

/** Read, or null where it is refused. */
function read(document: object): Template | null {
  try {
    return parseTemplate(document);
  } catch (error) {
    if (error instanceof WobrelError && error.at !== null && error.message.includes(error.at)) return null;
    throw error;
  }
}

const given = (plate: Plate) => ({
  ...noiseOn(plate, 1),
  behind: plate.behind.map((layer) => behindPixels(seededBytes(layer.width * layer.height * 4, 2), layer)),
});

/** Documents that are tried; the seed stays, so that what is found is found by everybody. */
const TRIED = { numRuns: 40, seed: 26 };

test('is drawn, and the photo’s finish comes out the same put on before or meanwhile', async () => {
  let drawn = 0;
  await fc.assert(
    fc.asyncProperty(documents(), async (document) => {
      const template = read(document);
      if (!template) return;
      await bringFonts(captionFonts(template.captions), (path) => Promise.resolve(new Uint8Array(readFileSync(`public/fonts/${path}`)))); // prettier-ignore
      const plate = compile(template, WIDTH);
      const colours = coloursFor(plate.picks, null);
      const photo = given(plate);
      const out = compose(plate, photo, colours);
      expect(firstUnlike(out, compose(plate, finishedPhoto(plate, photo, colours), colours))).toBe(-1);
      writeCaptions(plate, { fields: words, colours }, out);
      drawn++;
    }),
    TRIED,
  );
  // A test in which all is refused would say nothing.
  expect(drawn).toBeGreaterThan(TRIED.numRuns / 2);
}, 300_000);
