/** Captions, written on the finished cutout of each photo. */
import { filled, type Fields } from '../fields';
import type { Caption } from '../layers';
import type { FontName } from '../fonts';
import { fontAtHand, glyphOutline, setLine, xHeightOf, type SetLine } from '../letters';
import { fillPaint, isClear, type AreaPaint } from '../paint';
import { bandsOf, coverage, type PixelWindow } from '../raster';
import { boundsOfOutline, flatten, mapOutline, type Outline, type Point, type Polygon } from '../shape';
import { arcAt, onArc, type Arc } from './along-circle';
import { markAround, type MarkBounds } from './marks';
import { boxOf, paintRows } from './paints';
import type { PickedColours } from './photo-finish';
import type { Plate } from './plate';

const FONT_OF: Readonly<Record<Caption['font'], FontName>> = {
  text: 'atkinson-hyperlegible-next',
  slab: 'alfa-slab-one',
  rounded: 'fredoka',
  script: 'lobster',
};

/** Units of an em in a line that was set. */
const EM = 1000;

/** The fonts that captions are written in. */
export const captionFonts = (captions: readonly Caption[]): FontName[] =>
  captions.filter(({ on }) => on).map(({ font }) => FONT_OF[font]);

/** A caption as it lies in the frame; lengths in frame units. */
export type CaptionLayout = {
  readonly line: SetLine;
  /** Of an em, after it was made smaller. */
  readonly size: number;
  /** Where the baseline begins. */
  readonly start: Point;
  /** The circle that the baseline follows; null where it is straight. */
  readonly arc: Arc | null;
  /** Left, top, right and bottom, letters taken as high as 0.7 of their size; with the mark that they stand on. */
  readonly bounds: MarkBounds;
  /** What they stand on; null where that is nothing. */
  readonly mark: Outline | null;
  readonly width: number;
  /** How wide it would be without `maxWidth`. */
  readonly wanted: number;
  /** Height of a small x. */
  readonly xHeight: number;
};

const SHARE = { start: 0, middle: 0.5, end: 1 } as const;

/** Height of capitals, as a share of their size. */
const HEADS = 0.7;
/** Places along a line on a circle that its bounds are taken from. */
const STEPS = 48;

/** Bounds of a line on a circle that begins at `from` along it. */
function boundsOnArc(arc: Arc, from: number, width: number, size: number): CaptionLayout['bounds'] {
  const places = Array.from({ length: STEPS + 1 }, (_, i) => from + (width * i) / STEPS).flatMap((along) =>
    [0, HEADS * size].map((up) => onArc(arc, along, up).at),
  );
  const [xs, ys] = [places.map(([x]) => x), places.map(([, y]) => y)];
  return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
}

/**
 * Where a caption's letters come to lie; null where it says nothing.
 *
 * @throws RangeError where its font was not brought
 */
export function layoutCaption(caption: Caption, fields: Fields): CaptionLayout | null {
  const text = filled(caption.text, fields).trim();
  if (text === '') return null;
  const fonts = fontAtHand(FONT_OF[caption.font]);
  if (!fonts) throw new RangeError(`the font ${caption.font} is not at hand`);
  const line = setLine(fonts, text);
  const wanted = (line.advance / EM) * caption.size;
  const arc = caption.follows === 'line' ? null : arcAt(caption.at, caption.radius, caption.follows);
  const most = Math.min(caption.maxWidth ?? Infinity, arc ? 2 * Math.PI * arc.radius : Infinity);
  const factor = Math.min(1, most / Math.max(wanted, 1e-9));
  const size = caption.size * factor;
  const width = wanted * factor;
  const [x, y] = caption.at;
  const from = -SHARE[caption.anchor] * width;
  const letters = arc ? boundsOnArc(arc, from, width, size) : ([x + from, y - HEADS * size, x + from + width, y] as const); // prettier-ignore
  const mark = caption.mark && !arc ? markAround(caption.mark, letters) : null;
  return {
    line,
    size,
    start: [x + from, y],
    arc,
    bounds: mark?.bounds ?? letters,
    mark: mark?.outline ?? null,
    width,
    wanted,
    xHeight: (xHeightOf(fonts) / EM) * size,
  };
}

type Bounds = ReturnType<typeof boundsOfOutline>;

const bounds = new WeakMap<Outline, Bounds>();
const flattened = new WeakMap<Outline, { readonly scale: number; readonly polygons: readonly Polygon[] }>();

/** Of a letter that is written time and again. */
function boundsKept(letter: Outline): Bounds {
  const known = bounds.get(letter) ?? boundsOfOutline(letter);
  bounds.set(letter, known);
  return known;
}

/** A letter's polygons, kept at the scale that it was written in last. */
function flattenKept(letter: Outline, scale: number): readonly Polygon[] {
  const known = flattened.get(letter);
  if (known?.scale === scale) return known.polygons;
  const polygons = flatten(letter, scale);
  flattened.set(letter, { scale, polygons });
  return polygons;
}

/** The letters that lie in the picture as polygons, in its pixels. */
function lettersOf(layout: CaptionLayout, plate: Plate): Polygon[][] {
  if (layout.arc) return lettersOnArc(layout, layout.arc, plate);
  const { line, size, start } = layout;
  const { scale, origin, width, height } = plate;
  const k = (size / EM) * scale;
  const [x0, y0] = [(start[0] + origin[0]) * scale, (start[1] + origin[1]) * scale];
  return line.glyphs.flatMap((glyph) => {
    const outline = glyphOutline(glyph);
    if (outline.length === 0) return [];
    const [dx, dy] = [x0 + glyph.x * k, y0 + glyph.y * k];
    // Before it is flattened: a letter as large as a house has very many sides.
    const [left, top, right, bottom] = boundsKept(outline);
    if (right * k + dx < 0 || left * k + dx > width || bottom * k + dy < 0 || top * k + dy > height) return [];
    return [flattenKept(outline, k).map((polygon) => polygon.map(([x, y]) => [x + dx, y + dy] as const))];
  });
}

/** The same along a circle: each letter turned as the circle is where its middle stands. */
function lettersOnArc({ line, size, start }: CaptionLayout, arc: Arc, { scale, origin }: Plate): Polygon[][] {
  const em = size / EM;
  const k = em * scale;
  return line.glyphs.flatMap((glyph) => {
    const outline = glyphOutline(glyph);
    if (outline.length === 0) return [];
    const half = glyph.advance / 2;
    // What is left and right of the place that is held, by the straight line's own begin.
    const { at, angle } = onArc(arc, start[0] - arc.centre[0] + (glyph.x + half) * em);
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    const [x0, y0] = [(at[0] + origin[0]) * scale, (at[1] + origin[1]) * scale];
    const turned = ([x, y]: Point): Point => {
      const [dx, dy] = [x - half * k, y + glyph.y * k];
      return [x0 + cos * dx - sin * dy, y0 + sin * dx + cos * dy];
    };
    return [flattenKept(outline, k).map((polygon) => polygon.map(turned))];
  });
}

/** The whole pixels around polygons that lie in the picture; null where none does. */
function windowAround(polygons: readonly Polygon[], { width, height }: Plate): PixelWindow | null {
  const box = boxOf(polygons);
  const [left, top] = [Math.max(0, Math.floor(box.left)), Math.max(0, Math.floor(box.top))];
  const right = Math.min(width, Math.ceil(box.left + box.width));
  const bottom = Math.min(height, Math.ceil(box.top + box.height));
  return right > left && bottom > top ? { left, top, width: right - left, height: bottom - top } : null;
}

/** The least window around two; one without pixels adds nothing. */
export const windowOfBoth = (a: PixelWindow, b: PixelWindow): PixelWindow => {
  if (a.width === 0) return b;
  if (b.width === 0) return a;
  const [left, top] = [Math.min(a.left, b.left), Math.min(a.top, b.top)];
  const right = Math.max(a.left + a.width, b.left + b.width);
  const bottom = Math.max(a.top + a.height, b.top + b.height);
  return { left, top, width: right - left, height: bottom - top };
};

/** Letters in as few pictures as will do for each to lie wholly to the right of the one before. */
function besideEachOther(letters: readonly Polygon[][]): Polygon[][] {
  const pictures: { readonly polygons: Polygon[]; right: number }[] = [];
  for (const letter of letters) {
    const { left, width } = boxOf(letter);
    let picture = pictures.find(({ right }) => left >= right);
    if (!picture) pictures.push((picture = { polygons: [], right: 0 }));
    picture.polygons.push(...letter);
    picture.right = left + width;
  }
  return pictures.map(({ polygons }) => polygons);
}

/** How much of each pixel the letters cover. Letters of some fonts overlap: those that may are drawn by themselves. */
function letterMask(letters: readonly Polygon[][], band: PixelWindow): Float32Array {
  const mask = new Float32Array(band.width * band.height);
  for (const picture of besideEachOther(letters)) {
    const { left, top, width, height } = boxOf(picture);
    const from = Math.max(band.left, Math.floor(left));
    const [first, last] = [Math.max(band.top, Math.floor(top)), Math.min(band.top + band.height, Math.ceil(top + height))]; // prettier-ignore
    const across = Math.min(band.left + band.width, Math.ceil(left + width)) - from;
    if (across <= 0 || last <= first) continue;
    const own = coverage(picture, { left: from, top: first, width: across, height: last - first });
    for (let y = first, i = 0; y < last; y++)
      for (let x = 0, k = (y - band.top) * band.width + from - band.left; x < across; x++, i++, k++)
        mask[k] = Math.max(mask[k]!, own[i]!);
  }
  return mask;
}

/** What is known of a photo that is written about. */
export type Told = { readonly fields: Fields; readonly colours: PickedColours };

/** What some outlines cover of a picture. */
type Covered = {
  readonly parts: readonly Polygon[][];
  readonly outline: readonly Polygon[];
  readonly window: PixelWindow;
  /** How much of each pixel of the window; null of one so large that it is worked out band by band. */
  readonly mask: Float32Array | null;
};

/** What a caption covers of a picture, whatever it is painted with: its letters, and the mark that they stand on. */
export type Lettering = { readonly letters: Covered | null; readonly mark: Covered | null };

function coveredBy(parts: readonly Polygon[][], plate: Plate): Covered | null {
  const outline = parts.flat();
  const window = windowAround(outline, plate);
  if (!window) return null;
  const isOneBand = [...bandsOf(window)].length === 1;
  return { parts, outline, window, mask: isOneBand ? letterMask(parts, window) : null };
}

/** Lays a caption's letters and mark on the plate's picture; null where it says nothing. */
export function letteringOf(plate: Plate, caption: Caption, fields: Fields): Lettering | null {
  const layout = layoutCaption(caption, fields);
  if (!layout) return null;
  const { scale, origin } = plate;
  const toPixels = [scale, 0, 0, scale, origin[0] * scale, origin[1] * scale] as const;
  const mark = layout.mark && flatten(mapOutline(layout.mark, toPixels), 1);
  return { letters: coveredBy(lettersOf(layout, plate), plate), mark: mark && coveredBy([mark], plate) };
}

/** Letterings with the same key are the same. */
export function letteringKey({ scale, origin, width, height }: Plate, caption: Caption, fields: Fields): string {
  const { mark } = caption;
  const unpainted = { ...caption, paint: null, mark: mark && { ...mark, paint: null } };
  return JSON.stringify([unpainted, filled(caption.text, fields), scale, origin, width, height]);
}

/** Lays a paint over a finished cutout, as far as something covers each pixel; the pixels that it may touch. */
function laidOver(
  plate: Plate,
  paint: AreaPaint,
  covered: Covered | null,
  { colours }: Told,
  out: Uint8ClampedArray,
): PixelWindow | null {
  if (!covered || isClear(paint)) return null;
  const { parts, outline, window } = covered;
  const { scale, picks, origin } = plate;
  const corner = [origin[0] * scale, origin[1] * scale] as const;
  const [scratch, at] = [new Float32Array(window.width), new Int32Array(window.width)];
  for (const band of bandsOf(window)) {
    const mask = covered.mask ?? letterMask(parts, band);
    const laid = paintRows(paint, 1, { outline, box: boxOf(outline), scale, window: band, picks, corner });
    for (let y = 0, i = 0; y < band.height; y++) {
      fillPaint(laid, band.left, band.top + y, band.width, scratch, at);
      let k = ((band.top + y) * plate.width + band.left) * 4;
      for (let x = 0; x < band.width; x++, k += 4, i++) {
        const q = at[x]!;
        const alpha = mask[i]! * laid.ramp[q + 3]!;
        if (alpha === 0) continue;
        // Source over, straight (W3C Compositing 1 §9.1).
        const below = (out[k + 3]! / 255) * (1 - alpha);
        const all = alpha + below;
        for (let c = 0; c < 3; c++) {
          const colour = laid.pick < 0 ? laid.ramp[q + c]! : colours[laid.pick]![c]!;
          out[k + c] = (255 * colour * alpha + out[k + c]! * below) / all;
        }
        out[k + 3] = all * 255;
      }
    }
  }
  return window;
}

/** A caption with the mark that it stands on; the pixels that it may touch. */
function writeOne(
  plate: Plate,
  caption: Caption,
  { letters, mark }: Lettering,
  told: Told,
  out: Uint8ClampedArray,
): PixelWindow | null {
  const below = caption.mark && laidOver(plate, caption.mark.paint, mark, told, out);
  const written = laidOver(plate, caption.paint, letters, told, out);
  return below && written ? windowOfBoth(below, written) : (below ?? written);
}

/**
 * Writes the plate's captions on a finished cutout.
 *
 * @param lay what lays each of them on the picture: `letteringOf`, or what keeps what it answered
 * @returns the pixels that are not fully transparent now
 */
export function writeCaptions(plate: Plate, told: Told, out: Uint8ClampedArray, lay = letteringOf): PixelWindow {
  return plate.captions.reduce((inked, caption) => {
    const lettering = lay(plate, caption, told.fields);
    const window = lettering && writeOne(plate, caption, lettering, told, out);
    return window ? windowOfBoth(inked, window) : inked;
  }, plate.inked);
}
