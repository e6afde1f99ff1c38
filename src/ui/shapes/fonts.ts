/** Fonts that ship with the application; scripts/build-tools.mjs lays their files out. */
import type { Shape } from '@/core/shape';

export const FONTS = {
  'alfa-slab-one': 'Slab',
  fredoka: 'Rounded',
  'atkinson-hyperlegible-next': 'Plain',
  lobster: 'Script',
} as const;
export type FontName = keyof typeof FONTS;

/** Files that each font has, by script: letters are looked for in this order. */
const SCRIPTS: Readonly<Record<FontName, readonly string[]>> = {
  'alfa-slab-one': ['latin', 'latin-ext', 'vietnamese'],
  fredoka: ['latin', 'latin-ext'],
  'atkinson-hyperlegible-next': ['latin', 'latin-ext'],
  lobster: ['latin', 'latin-ext', 'vietnamese', 'cyrillic', 'cyrillic-ext'],
};

const files = new Map<FontName, Promise<Uint8Array[]>>();

async function load(path: string): Promise<Uint8Array> {
  const response = await fetch(path);
  if (!response.ok) throw new Error('The font could not be loaded.');
  return new Uint8Array(await response.arrayBuffer());
}

function filesOf(font: FontName): Promise<Uint8Array[]> {
  const known = files.get(font);
  if (known) return known;
  const all = Promise.all(SCRIPTS[font].map((script) => load(`/fonts/${font}/${script}.woff2`)));
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
  const [{ lettersPath }, { completeShape }] = await Promise.all([import('@/core/letters'), import('@/core/shape')]);
  const d = lettersPath(await filesOf(font), text);
  const free = completeShape({ kind: 'text', text, font, d }, room);
  const aspect = free.box.width / free.box.height;
  const width = Math.min(room.width, room.height * aspect);
  return { ...free, box: { ...room, width, height: width / aspect } } as Shape;
}
