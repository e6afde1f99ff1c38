/** The whole picture that a template makes: its frame with the mat round it. */
import type { TemplateDocument } from './schema';

type Framed = Pick<TemplateDocument, 'frame' | 'mat'>;

/** In frame units, whose origin is the frame's corner: `left` and `top` are where the picture begins, at or below 0. */
export type Picture = TemplateDocument['frame'] & { readonly left: number; readonly top: number };

const acrossOf = ({ frame, mat }: Framed) => mat.left + frame.width + mat.right;
const downOf = ({ frame, mat }: Framed) => mat.top + frame.height + mat.bottom;

export const pictureOf = (template: Framed): Picture => ({
  ...template.frame,
  left: -template.mat.left,
  top: -template.mat.top,
  width: acrossOf(template),
  height: downOf(template),
});

/** The picture's height over its width. */
export const ratioOf = (template: Framed): number => downOf(template) / acrossOf(template);

/** Pixels per frame unit of a picture so many pixels wide. */
export const scaleAt = (template: Framed, width: number): number => width / acrossOf(template);
