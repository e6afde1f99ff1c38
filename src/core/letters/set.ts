/** Letters set in a font as path data. */
import { create, type Font } from 'fontkit';
import { WobrelError } from '../errors';

/** Units of an em in the path data: fine enough that rounding to whole hundredths shows nowhere. */
const EM = 1000;

const round = (v: number) => Math.round(v * 100) / 100;

const LETTERS: Readonly<Record<string, string>> = {
  moveTo: 'M',
  lineTo: 'L',
  quadraticCurveTo: 'Q',
  bezierCurveTo: 'C',
  closePath: 'Z',
};

function opened(file: Uint8Array): Font {
  try {
    const font = create(file as Buffer);
    return 'fonts' in font ? font.fonts[0]! : font;
  } catch {
    throw new WobrelError('letters', 'The font can’t be read.');
  }
}

type Run = { readonly font: Font; text: string };

/** Text in runs of one file each: a run goes on for as long as its file has the letters, so that they keep their kerning. */
function runsOf(text: string, fonts: readonly Font[]): Run[] {
  const runs: Run[] = [];
  for (const letter of text) {
    const point = letter.codePointAt(0)!;
    const last = runs[runs.length - 1];
    if (last?.font.hasGlyphForCodePoint(point)) {
      last.text += letter;
      continue;
    }
    const font = fonts.find((one) => one.hasGlyphForCodePoint(point));
    if (!font) throw new WobrelError('letters', `The font has no letter ${letter}.`);
    runs.push({ font, text: letter });
  }
  return runs;
}

/**
 * One line of text as outlines, with the font's own spacing and ligatures; 1000 units an
 * em, the baseline at 0, y down.
 *
 * @param files the font's files, each with some of its letters: OpenType, TrueType, WOFF or WOFF2
 * @throws WobrelError `letters` where the font can't be read or lacks a letter
 */
export function lettersPath(files: readonly Uint8Array[], text: string): string {
  let pen = 0;
  let d = '';
  for (const { font, text: part } of runsOf(text, files.map(opened))) {
    const { glyphs, positions } = font.layout(part);
    const k = EM / font.unitsPerEm;
    glyphs.forEach((glyph, i) => {
      const { xAdvance, xOffset, yOffset } = positions[i]!;
      for (const { command, args } of glyph.path.commands) {
        const points = args.map((v, n) => round(n % 2 === 0 ? pen + (v + xOffset) * k : -(v + yOffset) * k));
        d += LETTERS[command]! + points.join(' ');
      }
      pen += xAdvance * k;
    });
  }
  if (d === '') throw new WobrelError('letters', 'These letters have no outline.');
  return d;
}
