/** Letters set in the fonts that ship with the application. */
import { fontFiles, type FontName } from '@/core/fonts';
import type { Shape } from '@/core/shape';

const files = new Map<FontName, Promise<Uint8Array[]>>();

async function load(path: string): Promise<Uint8Array> {
  const response = await fetch(path);
  if (!response.ok) throw new Error('The font could not be loaded.');
  return new Uint8Array(await response.arrayBuffer());
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
export async function letterShape(text: string, font: FontName, room: Shape['box']): Promise<Shape> {
  // The font reader is large, and most templates have no letters.
  const [{ lettersPath }, { completeShape }] = await Promise.all([
    import('@/core/letters/reader'),
    import('@/core/shape'),
  ]);
  const d = lettersPath(await filesOf(font), text);
  const free = completeShape({ kind: 'text', text, font, d }, room);
  const aspect = free.box.width / free.box.height;
  const width = Math.min(room.width, room.height * aspect);
  return { ...free, box: { ...room, width, height: width / aspect } } as Shape;
}
