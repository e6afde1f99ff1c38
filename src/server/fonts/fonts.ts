/** The fonts that ship with the application, for whichever thread writes captions. */
import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { bringFonts } from '../../core/letters';
import { PAGE_FONT } from '../../core/pages';
import { captionFonts } from '../../core/plate';
import type { Template } from '../../core/template';

/** Beside the bundle that this is part of, or, in the web server, in the folder that it runs in. */
function fontFolder(): string {
  const bundled = join(dirname(fileURLToPath(import.meta.url)), '..', 'public', 'fonts');
  return existsSync(bundled) ? bundled : join(/*turbopackIgnore: true*/ process.cwd(), 'public', 'fonts');
}

const read = async (path: string) => new Uint8Array(await readFile(join(fontFolder(), path)));

/** Has the fonts of a template's captions at hand. */
export const bringCaptionFonts = ({ captions }: Pick<Template, 'captions'>): Promise<void> =>
  bringFonts(captionFonts(captions), read);

/** Has the font of captions on pages at hand. */
export const bringPageFont = (): Promise<void> => bringFonts([PAGE_FONT], read);
