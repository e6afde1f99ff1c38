/** Letters set in a font. */
import type { Font } from 'fontkit';
import { parsePathData, resolve, type Outline } from '../shape';

/** Units of an em: fine enough that rounding to whole hundredths shows nowhere. */
const EM = 1000;

const round = (v: number) => Math.round(v * 100) / 100;

const LETTERS: Readonly<Record<string, string>> = {
  moveTo: 'M',
  lineTo: 'L',
  quadraticCurveTo: 'Q',
  bezierCurveTo: 'C',
  closePath: 'Z',
};

type Run = { readonly font: Font; text: string };

/** Text in runs of one file each: a run goes on for as long as its file has the letters, so that they keep their kerning. Letters that none has are in `missing`, and in the first file's own sign for that. */
function runsOf(text: string, fonts: readonly Font[]): { readonly runs: readonly Run[]; readonly missing: string[] } {
  const runs: Run[] = [];
  const missing: string[] = [];
  for (const letter of text) {
    const point = letter.codePointAt(0)!;
    const last = runs[runs.length - 1];
    if (last?.font.hasGlyphForCodePoint(point)) {
      last.text += letter;
      continue;
    }
    const font = fonts.find((one) => one.hasGlyphForCodePoint(point));
    if (!font) missing.push(letter);
    runs.push({ font: font ?? fonts[0]!, text: letter });
  }
  return { runs, missing };
}

/** A letter in its place, 1000 units an em, the baseline at 0, y down. */
type PlacedGlyph = { readonly font: Font; readonly id: number; readonly x: number; readonly y: number; readonly advance: number }; // prettier-ignore

/** One line of text with the font's own spacing and ligatures. */
export type SetLine = {
  readonly glyphs: readonly PlacedGlyph[];
  /** How far the pen has come. */
  readonly advance: number;
  /** Letters that the font does not have. */
  readonly missing: readonly string[];
};

export function setLine(fonts: readonly Font[], text: string): SetLine {
  const { runs, missing } = runsOf(text, fonts);
  let pen = 0;
  const glyphs: PlacedGlyph[] = [];
  for (const { font, text: part } of runs) {
    const laid = font.layout(part);
    const k = EM / font.unitsPerEm;
    laid.glyphs.forEach((glyph, i) => {
      const { xAdvance, xOffset, yOffset } = laid.positions[i]!;
      glyphs.push({ font, id: glyph.id, x: pen + xOffset * k, y: -yOffset * k, advance: xAdvance * k });
      pen += xAdvance * k;
    });
  }
  return { glyphs, advance: pen, missing };
}

/** Height of a small x, of 1000 an em. */
export const xHeightOf = ([font]: readonly Font[]): number => (font!.xHeight * EM) / font!.unitsPerEm;

/** A letter's path data where it stands. */
export function glyphPath({ font, id, x, y }: Omit<PlacedGlyph, 'advance'>): string {
  const k = EM / font.unitsPerEm;
  return font
    .getGlyph(id)
    .path.commands.map(
      ({ command, args }) =>
        LETTERS[command]! + args.map((v, n) => round(n % 2 === 0 ? x + v * k : y - v * k)).join(' '),
    )
    .join('');
}

const outlines = new WeakMap<Font, Map<number, Outline>>();

/** A letter's outline at the origin, worked out once. */
export function glyphOutline({ font, id }: PlacedGlyph): Outline {
  const known = outlines.get(font) ?? new Map<number, Outline>();
  outlines.set(font, known);
  const outline = known.get(id) ?? resolve(parsePathData(glyphPath({ font, id, x: 0, y: 0 })), 'nonzero');
  known.set(id, outline);
  return outline;
}
