/** Whatever a template may say: it is compiled and drawn, or refused by the path of a field. */
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { WobrelError } from '../errors';
import { fieldsOf } from '../fields';
import { bringFonts } from '../letters';
import { bringPictures } from '../pictures';
import { DOCUMENT_PICTURE, documents } from '../testing/documents';
import { firstUnlike, noiseOn } from '../testing/drawn';
import { seededBytes } from '../testing/photos';
import { placer } from '../placement';
import { parseTemplate, slotTemplates, type Template } from '../template';
import { behindPixels, captionFonts, coloursFor, compile, compose, composeSheet, finishedPhoto, slotPlates, writeCaptions, type PickedColours, type Plate } from '.'; // prettier-ignore

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

const given = (plate: Plate, seed = 1) => ({
  ...noiseOn(plate, seed),
  behind: plate.behind.map((layer) => behindPixels(seededBytes(layer.width * layer.height * 4, 2), layer)),
});

/** Of one photo: its finish comes out the same put on before or meanwhile. */
function drawnAlone(plate: Plate, colours: PickedColours) {
  const photo = given(plate);
  const out = compose(plate, photo, colours);
  expect(firstUnlike(out, compose(plate, finishedPhoto(plate, photo, colours), colours))).toBe(-1);
  return out;
}

/** Of several: its alpha is the same whatever they show. */
function drawnSheet(plate: Plate, colours: PickedColours) {
  const of = (seed: number) =>
    composeSheet(plate, slotPlates(plate).map((own) => own && { pixels: given(own, seed), colours: coloursFor(own.picks, null) }), colours); // prettier-ignore
  const [out, other] = [of(1), of(2)];
  expect(out.every((v, k) => k % 4 < 3 || v === other[k])).toBe(true);
  return out;
}

/** A photo without a subject lies somewhere in every slot. */
function isPlaced(template: Template): void {
  const place = placer(template);
  for (const slot of slotTemplates(template).keys()) {
    const { scale, angle, x, y, gap } = place({ width: 300, height: 200, sight: null, handSubject: null, slot });
    expect([scale, angle, x, y, gap].every(Number.isFinite) && scale > 0).toBe(true);
  }
}

/** Documents that are tried; the seed stays, so that what is found is found by everybody. */
const TRIED = { numRuns: 60, seed: 26 };

test('is drawn', async () => {
  const drawn = { alone: 0, sheets: 0 };
  const picture = { data: new Uint8ClampedArray(seededBytes(30 * 20 * 4, 3)), width: 30, height: 20 };
  await bringPictures([DOCUMENT_PICTURE], () => Promise.resolve(picture));
  await fc.assert(
    fc.asyncProperty(documents(), async (document) => {
      const template = read(document);
      if (!template) return;
      await bringFonts(captionFonts(template.captions), (path) => Promise.resolve(new Uint8Array(readFileSync(`public/fonts/${path}`)))); // prettier-ignore
      isPlaced(template);
      const plate = compile(template, WIDTH);
      const colours = coloursFor(plate.picks, null);
      const out = plate.sheet ? drawnSheet(plate, colours) : drawnAlone(plate, colours);
      writeCaptions(plate, { fields: words, colours }, out);
      drawn[plate.sheet ? 'sheets' : 'alone']++;
    }),
    TRIED,
  );
  // A test in which all is refused would say nothing.
  expect(drawn.alone).toBeGreaterThan(TRIED.numRuns / 4);
  expect(drawn.sheets).toBeGreaterThan(TRIED.numRuns / 8);
}, 300_000);
