/** Letters set in the fonts that ship with the application, or in files that somebody has brought in. */
import { fontFiles, FONTS, type FontName } from '@/core/fonts';
import type { Shape } from '@/core/shape';

const files = new Map<FontName, Promise<Uint8Array[]>>();

async function load(path: string): Promise<Uint8Array> {
  const response = await fetch(path);
  if (!response.ok) throw new Error('The font could not be loaded.');
  return new Uint8Array(await response.arrayBuffer());
}

/** Files that were brought in, by what their fonts call themselves: as long as the page is open. */
const own = new Map<string, Uint8Array>();

export const ownFonts = (): readonly string[] => [...own.keys()];

/** Most bytes of a font's file, and letters of its name. */
const [MOST_BYTES, MOST_NAME] = [20 * 1024 * 1024, 60];

/**
 * Has a font at hand that somebody's file holds.
 *
 * @returns what it is called
 * @throws WobrelError or Error with a sentence
 */
export async function bringFont(file: File): Promise<string> {
  if (file.size > MOST_BYTES) throw new Error(`${file.name} is larger than ${MOST_BYTES / 1024 / 1024} MB.`);
  const bytes = new Uint8Array(await file.arrayBuffer());
  const { fontName } = await import('@/core/letters/reader');
  const said = fontName(bytes).trim() || file.name.replace(/\.[^.]*$/, '');
  const name = said.slice(0, MOST_NAME);
  own.set(name, bytes);
  return name;
}

const isShipped = (font: string): font is FontName => font in FONTS;

async function filesAtHand(font: string): Promise<Uint8Array[]> {
  const brought = own.get(font);
  if (brought) return [brought];
  if (isShipped(font)) return filesOf(font);
  throw new Error(`The font ${font} is not at hand: bring its file in again.`);
}

function filesOf(font: FontName): Promise<Uint8Array[]> {
  const known = files.get(font);
  if (known) return known;
  const all = Promise.all(fontFiles(font).map((path) => load(`/fonts/${path}`)));
  files.set(font, all);
  all.catch(() => files.delete(font));
  return all;
}

/**
 * Letters as a shape: their outline comes with it, so that the template is the same elsewhere.
 *
 * @throws WobrelError or Error with a sentence
 */
export async function letterShape(text: string, font: string, room: Shape['box']): Promise<Shape> {
  // The font reader is large, and most templates have no letters.
  const [{ lettersPath }, { completeShape }] = await Promise.all([
    import('@/core/letters/reader'),
    import('@/core/shape'),
  ]);
  const d = lettersPath(await filesAtHand(font), text);
  const free = completeShape({ kind: 'text', text, font, d }, room);
  const aspect = free.box.width / free.box.height;
  const width = Math.min(room.width, room.height * aspect);
  return { ...free, box: { ...room, width, height: width / aspect } };
}
