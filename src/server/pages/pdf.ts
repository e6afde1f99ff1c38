/** Pages as PDF (ISO 32000-1): pictures with their transparency, letters as outlines, cut lines in a layer of their own. */
import {
  PDFDocument,
  PDFName,
  PDFOperator,
  PDFOperatorNames,
  PDFRawStream,
  PDFString,
  PDFNumber,
  type PDFContext,
  type PDFRef,
} from 'pdf-lib';
import { promisify } from 'node:util';
import { deflate } from 'node:zlib';
import { CUT_COLOUR, HAIRLINE, type Page, type Pages } from '../../core/pages';
import { parseColour } from '../../core/paint';
import type { Outline, Point } from '../../core/shape';

/** A picture as it goes into a document: straight colours and alpha, a byte each. */
export type PagePicture = {
  readonly width: number;
  readonly height: number;
  readonly colours: Uint8Array;
  /** Null where it is opaque. */
  readonly alpha: Uint8Array | null;
};

/** Points of PDF a millimetre. */
const POINTS = 72 / 25.4;

const deflated = promisify(deflate);

/** Layers, in the order in which they are painted. */
const LAYERS = ['Pictures', 'Captions', 'Crop marks', 'Cut'] as const;
type Layer = (typeof LAYERS)[number];

const op = (name: PDFOperatorNames, ...args: (number | string | PDFName)[]) =>
  PDFOperator.of(name, args.map((arg) => (typeof arg === 'number' ? PDFNumber.of(Number(arg.toFixed(4))) : arg)) as never); // prettier-ignore

async function imageStream(context: PDFContext, data: Uint8Array, fields: object): Promise<PDFRef> {
  const packed = await deflated(data);
  const dict = context.obj({ Type: 'XObject', Subtype: 'Image', BitsPerComponent: 8, Filter: 'FlateDecode', Length: packed.length, ...fields }); // prettier-ignore
  return context.register(PDFRawStream.of(dict, packed));
}

async function embedded(context: PDFContext, { width, height, colours, alpha }: PagePicture): Promise<PDFRef> {
  const size = { Width: width, Height: height };
  const mask = alpha && (await imageStream(context, alpha, { ...size, ColorSpace: 'DeviceGray' }));
  return imageStream(context, colours, { ...size, ColorSpace: 'DeviceRGB', ...(mask && { SMask: mask }) });
}

/** A path's operators; millimetres with y down. */
function path(outlines: readonly Outline[]): PDFOperator[] {
  return outlines.flatMap((outline) =>
    outline.flatMap(({ start, cubics }) => [
      op(PDFOperatorNames.MoveTo, ...start),
      ...cubics.map((cubic) => op(PDFOperatorNames.AppendBezierCurve, ...cubic)),
      op(PDFOperatorNames.ClosePath),
    ]),
  );
}

const line = ([from, to]: readonly [Point, Point]) => [op(PDFOperatorNames.MoveTo, ...from), op(PDFOperatorNames.LineTo, ...to)]; // prettier-ignore
const rgb = (colour: string) => {
  const { r, g, b } = parseColour(colour);
  return [r, g, b] as const;
};

/** What a page paints, layer by layer. */
function painted(page: Page, nameOf: (file: number) => string): Record<Layer, PDFOperator[]> {
  const hairline = (colour: string) => [op(PDFOperatorNames.SetLineWidth, HAIRLINE), op(PDFOperatorNames.StrokingColorRgb, ...rgb(colour))]; // prettier-ignore
  return {
    Pictures: page.pictures.flatMap(({ file, x, y, width, height }) => [
      op(PDFOperatorNames.PushGraphicsState),
      // A picture's unit square stands on its lower edge.
      op(PDFOperatorNames.ConcatTransformationMatrix, width, 0, 0, -height, x, y + height),
      op(PDFOperatorNames.DrawObject, PDFName.of(nameOf(file))),
      op(PDFOperatorNames.PopGraphicsState),
    ]),
    Captions: page.letters.length > 0 ? [op(PDFOperatorNames.NonStrokingColorRgb, ...rgb('#1c2224')), ...path(page.letters), op(PDFOperatorNames.FillNonZero)] : [], // prettier-ignore
    'Crop marks': page.crops.length > 0 ? [...hairline('#000000'), ...page.crops.flatMap(line), op(PDFOperatorNames.StrokePath)] : [], // prettier-ignore
    Cut: page.cuts.length > 0 ? [...hairline(CUT_COLOUR), ...path(page.cuts), op(PDFOperatorNames.StrokePath)] : [],
  };
}

/**
 * @param pictureOf gives a file's pixels; asked for one after the other
 * @param title of the document
 */
export async function pagesPdf(
  { size, pages }: Pages,
  pictureOf: (file: number) => Promise<PagePicture>,
  title: string,
): Promise<Uint8Array> {
  const document = await PDFDocument.create();
  document.setTitle(title);
  const { context } = document;
  const layers = Object.fromEntries(LAYERS.map((name) => [name, context.register(context.obj({ Type: 'OCG', Name: PDFString.of(name) }))])) as Record<Layer, PDFRef>; // prettier-ignore
  const all = LAYERS.map((name) => layers[name]);
  document.catalog.set(PDFName.of('OCProperties'), context.obj({ OCGs: all, D: { Order: all, ON: all } }));
  const [width, height] = size;
  for (const one of pages) {
    const page = document.addPage([width * POINTS, height * POINTS]);
    const images: Record<string, PDFRef> = {};
    for (const { file } of one.pictures) images[`P${file}`] = await embedded(context, await pictureOf(file));
    const layersOf = painted(one, (file) => `P${file}`);
    const content = LAYERS.flatMap((name, i) =>
      layersOf[name].length === 0
        ? []
        : [
            op(PDFOperatorNames.BeginMarkedContentSequence, PDFName.of('OC'), PDFName.of(`L${i}`)),
            ...layersOf[name],
            op(PDFOperatorNames.EndMarkedContent),
          ],
    );
    page.node.set(
      PDFName.of('Resources'),
      context.obj({
        XObject: images,
        Properties: Object.fromEntries(LAYERS.map((name, i) => [`L${i}`, layers[name]])),
      }),
    );
    // Millimetres from the upper left corner.
    page.pushOperators(op(PDFOperatorNames.ConcatTransformationMatrix, POINTS, 0, 0, -POINTS, 0, height * POINTS), ...content); // prettier-ignore
  }
  return document.save();
}
