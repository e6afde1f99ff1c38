/** For tests: a PDF on the standard input, and what pdf.js makes of its first page as JSON. Lengths are millimetres from the upper left corner. */
import { buffer } from 'node:stream/consumers';
import * as pdfjs from 'pdfjs-dist/legacy/build/pdf.mjs';

const MM = 25.4 / 72;
const data = new Uint8Array(await buffer(process.stdin));
const document = await pdfjs.getDocument({ data, verbosity: 0 }).promise;
const page = await document.getPage(1);
const [, , width, height] = page.view;
const config = await document.getOptionalContentConfig();
const { fnArray, argsArray } = await page.getOperatorList();

const [pictures, images, layers, stack] = [[], [], [], []];
let now = [1, 0, 0, 1, 0, 0];
fnArray.forEach((fn, i) => {
  const args = argsArray[i];
  if (fn === pdfjs.OPS.save) stack.push(now);
  if (fn === pdfjs.OPS.restore) now = stack.pop() ?? now;
  if (fn === pdfjs.OPS.transform) now = pdfjs.Util.transform(now, args);
  if (fn === pdfjs.OPS.paintImageXObject) {
    pictures.push(now);
    images.push(args[0]);
  }
  if (fn === pdfjs.OPS.beginMarkedContentProps) layers.push(config.getGroup(args[1].id).name);
});
const rects = pictures.map(([a, , , d, e, f]) => [e, height - f - d, a, d].map((points) => points * MM));
/** Straight RGBA in the middle of each picture. */
const middles = [];
for (const name of images) {
  const { data: pixels, width: w, height: h } = await new Promise((resolve) => page.objs.get(name, resolve));
  const at = (Math.floor(h / 2) * w + Math.floor(w / 2)) * 4;
  middles.push([...pixels.subarray(at, at + 4)]);
}
const title = (await document.getMetadata()).info.Title;
console.log(
  JSON.stringify({ pages: document.numPages, size: [width * MM, height * MM], rects, middles, layers, title }),
);
