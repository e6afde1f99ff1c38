/** The outputs of a template grouped so that each photo is decoded once a width. */
import { outputHeight, type Output, type Template } from '../template';

/** Outputs of one width: they share the photo's pixels, and one plate a matte. */
export type WidthGroup = { readonly width: number; readonly height: number; readonly outputs: readonly Output[] };

/** Widest first. */
export function widthGroups(template: Template, outputs: readonly Output[] = template.outputs): WidthGroup[] {
  const widths = [...new Set(outputs.map((output) => output.width))].sort((a, b) => b - a);
  return widths.map((width) => ({
    width,
    height: outputHeight(template.frame, width),
    outputs: outputs.filter((output) => output.width === width),
  }));
}
