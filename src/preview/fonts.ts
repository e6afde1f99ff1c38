/** The fonts of captions in this worker: loaded once, where there are any. */
import { bringFonts } from '../core/letters';
import { captionFonts } from '../core/plate';
import type { Template } from '../core/template';

async function load(path: string): Promise<Uint8Array> {
  const response = await fetch(`/fonts/${path}`);
  if (!response.ok) throw new Error('The font could not be loaded.');
  return new Uint8Array(await response.arrayBuffer());
}

/** Has the fonts of a template's captions at hand. */
export const bringCaptionFonts = ({ captions }: Pick<Template, 'captions'>): Promise<void> =>
  bringFonts(captionFonts(captions), load);
