/** The whole picture that a template makes: its frame with the mat round it. */
import type { TemplateDocument } from './schema';

type Framed = Pick<TemplateDocument, 'frame' | 'mat'>;

/** In frame units, whose origin is the frame's corner: `left` and `top` are where the picture begins, at or below 0. */
export type Picture = TemplateDocument['frame'] & { readonly left: number; readonly top: number };

export const pictureOf = ({ frame, mat }: Framed): Picture => ({
  ...frame,
  left: -mat.left,
  top: -mat.top,
  width: mat.left + frame.width + mat.right,
  height: mat.top + frame.height + mat.bottom,
});

/** The picture's height over its width. */
export function ratioOf(template: Framed): number {
  const { width, height } = pictureOf(template);
  return height / width;
}

/** Pixels per frame unit of a picture so many pixels wide. */
export const scaleAt = (template: Framed, width: number): number => width / pictureOf(template).width;
