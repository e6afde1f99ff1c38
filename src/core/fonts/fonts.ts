/** Fonts that ship with the application; scripts/build-tools.mjs lays their files out. */

/** By their folders, with what they are called. */
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

/** Paths of a font's files below the folder of fonts. */
export const fontFiles = (font: FontName): readonly string[] =>
  SCRIPTS[font].map((script) => `${font}/${script}.woff2`);
