/** Where a template's photo shows. */
import { around, type Box, type Outline } from '../shape';
import { templateOutline, type Template } from './template';

type Extent = Pick<Box, 'cx' | 'cy' | 'width' | 'height'>;

/** What the photo is centred and measured in: the shape's box, or the frame where the photo lies around the shape. */
export function photoBox({ mode, frame, shape }: Pick<Template, 'mode' | 'frame' | 'shape'>): Extent {
  if (mode === 'cutout') return shape.box;
  return { cx: frame.width / 2, cy: frame.height / 2, width: frame.width, height: frame.height };
}

/** The photo's own outline, frame units: the shape's, or that of the frame without it. */
export const photoOutline = (template: Pick<Template, 'mode' | 'frame' | 'shape' | 'edge'>): Outline =>
  template.mode === 'cutout' ? templateOutline(template) : around(templateOutline(template), template.frame);
