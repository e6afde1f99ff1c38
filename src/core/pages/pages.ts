/** Cutouts on pages: where every picture, letter and mark comes to lie, in millimetres from the page's upper left corner. */
import { WobrelError } from '../errors';
import { fontAtHand, glyphOutline, setLine } from '../letters';
import { mapOutline, type Affine, type Outline, type Point } from '../shape';
import { pageSize, type PageSetup } from './setup';

export type PageFile = {
  /** Height over width of its pixels. */
  readonly ratio: number;
  readonly caption: string;
};

export type Rect = { readonly x: number; readonly y: number; readonly width: number; readonly height: number };

export type Page = {
  readonly pictures: readonly (Rect & { readonly file: number })[];
  readonly letters: readonly Outline[];
  readonly crops: readonly (readonly [from: Point, to: Point])[];
  readonly cuts: readonly Outline[];
};

export type Pages = { readonly size: readonly [number, number]; readonly pages: readonly Page[] };

/** A caption's letters, and the room for them below the picture. */
const [LETTER, ROOM] = [2.6, 5];
const EM = 1000;

const roomBelow = ({ caption }: PageSetup) => (caption.trim() === '' ? 0 : ROOM);

export const PAGE_FONT = 'atkinson-hyperlegible-next';

/** Length of a crop mark, and how far it stays off the corner. */
const [MARK, OFF] = [4, 1];

/** A line of letters in the middle below a picture, shrunk where it is wider. */
function lettersOf(text: string, { x, y, width, height }: Rect): Outline[] {
  const fonts = fontAtHand(PAGE_FONT);
  if (!fonts) throw new RangeError(`the font ${PAGE_FONT} is not at hand`);
  const line = setLine(fonts, text);
  const size = Math.min(LETTER, (width * EM) / Math.max(line.advance, 1));
  const k = size / EM;
  const [x0, baseline] = [x + (width - line.advance * k) / 2, y + height + ROOM - 1.6];
  return line.glyphs.flatMap((glyph) => {
    const outline = glyphOutline(glyph);
    const place: Affine = [k, 0, 0, k, x0 + glyph.x * k, baseline + glyph.y * k];
    return outline.length > 0 ? [mapOutline(outline, place)] : [];
  });
}

/** Two marks at each corner, off the picture, outwards. */
function cropsOf({ x, y, width, height }: Rect): Page['crops'] {
  return [-1, 1].flatMap((h) =>
    [-1, 1].flatMap((v): [Point, Point][] => {
      const corner: Point = [h < 0 ? x : x + width, v < 0 ? y : y + height];
      const along = (dx: number, dy: number): [Point, Point] => [
        [corner[0] + dx * OFF, corner[1] + dy * OFF],
        [corner[0] + dx * (OFF + MARK), corner[1] + dy * (OFF + MARK)],
      ];
      return [along(h, 0), along(0, v)];
    }),
  );
}

/** How many of a size stand beside and below each other on a page, and how many pages so many take; 0 where there is no room. */
export function pagesFor(
  setup: PageSetup,
  ratio: number,
  files: number,
): { across: number; down: number; pages: number } {
  const { margin, gap, width } = setup;
  const [pageWidth, pageHeight] = pageSize(setup);
  const fits = (room: number, length: number) =>
    Math.max(0, Math.floor((room - 2 * margin + gap + 1e-9) / (length + gap)));
  const [across, down] = [fits(pageWidth, width), fits(pageHeight, ratio * width + roomBelow(setup))];
  return { across, down, pages: across * down > 0 ? Math.ceil(files / (across * down)) : 0 };
}

/**
 * Lays files out row by row, each in the middle of a cell as high as the highest of them.
 *
 * @param cut the shapes' outlines in shares of a picture's width, its upper left corner at 0, 0; none for no cut lines
 * @throws WobrelError `invalid` where the page has no room for one
 */
export function pagesOf(setup: PageSetup, files: readonly PageFile[], cut: readonly Outline[] = []): Pages {
  const size = pageSize(setup);
  const { margin, gap, width } = setup;
  const highest = files.reduce((most, { ratio }) => Math.max(most, ratio), 0);
  const [high, below] = [highest * width, roomBelow(setup)];
  const { across, down, pages: count } = pagesFor(setup, highest, files.length);
  if (across < 1 || down < 1)
    throw new WobrelError('invalid', `A cutout of ${width} × ${Math.round(high + below)} mm has no room on a page of ${size[0]} × ${size[1]} mm with a margin of ${margin} mm.`); // prettier-ignore
  const aPage = across * down;
  const left = (size[0] - across * width - (across - 1) * gap) / 2;
  const pages = Array.from({ length: count }, (_, p): Page => {
    const rects = files.slice(p * aPage, (p + 1) * aPage).map(({ ratio }, i) => {
      const height = ratio * width;
      const [col, row] = [i % across, Math.floor(i / across)];
      const [x, y] = [left + col * (width + gap), margin + row * (high + below + gap) + (high - height) / 2];
      return { file: p * aPage + i, x, y, width, height };
    });
    return {
      pictures: rects,
      letters: below > 0 ? rects.flatMap((rect) => lettersOf(files[rect.file]!.caption, rect)) : [],
      crops: setup.marks === 'crop' ? rects.flatMap(cropsOf) : [],
      cuts: setup.marks === 'cut' ? rects.flatMap(({ x, y }) => cut.map((outline) => mapOutline(outline, [width, 0, 0, width, x, y]))) : [], // prettier-ignore
    };
  });
  return { size, pages };
}
