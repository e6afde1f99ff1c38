/** Reads fonts. The reader is large, and most pages have no letters: it has a door of its own. */
import { create, type Font } from 'fontkit';
import { WobrelError } from '../../errors';
import { glyphPath, setLine } from '../set';

/**
 * A font's files, each with some of its letters: OpenType, TrueType, WOFF or WOFF2.
 *
 * @throws WobrelError `letters` where one can't be read
 */
export function openFont(files: readonly Uint8Array[]): Font[] {
  return files.map((file) => {
    try {
      const font = create(file as Buffer);
      return 'fonts' in font ? font.fonts[0]! : font;
    } catch {
      throw new WobrelError('letters', 'The font can’t be read.');
    }
  });
}

/**
 * One line of text as path data, 1000 units an em, the baseline at 0, y down.
 *
 * @throws WobrelError `letters` where the font can't be read or lacks a letter
 */
export function lettersPath(files: readonly Uint8Array[], text: string): string {
  const { glyphs, missing } = setLine(openFont(files), text);
  if (missing.length > 0) throw new WobrelError('letters', `The font has no letter ${missing[0]}.`);
  const d = glyphs.map(glyphPath).join('');
  if (d === '') throw new WobrelError('letters', 'These letters have no outline.');
  return d;
}

/**
 * What a font calls itself; nothing where it does not say.
 *
 * @throws WobrelError `letters` where it can't be read
 */
export function fontName(file: Uint8Array): string {
  const [font] = openFont([file]);
  return font?.fullName ?? '';
}
