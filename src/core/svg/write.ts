/** Outlines as SVG files and CSS. */
import { boundsOfOutline, mapOutline, type Outline, pathData } from '../shape';

/**
 * An SVG file of one path: its size with its unit, a viewBox in frame units.
 *
 * @param frame size of the frame in its unit; the outline lies in it
 */
export function writeSvg(
  outline: Outline,
  frame: { readonly width: number; readonly height: number; readonly unit: string },
): string {
  const { width, height, unit } = frame;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}${unit}" height="${height}${unit}" viewBox="0 0 ${width} ${height}"><path d="${pathData(outline)}"/></svg>\n`;
}

/** CSS clip-path (CSS Masking 1) in pixels, the outline's bounds at the origin. */
export function clipPath(outline: Outline, pixelsPerUnit: number): string {
  const [left, top] = boundsOfOutline(outline);
  const moved = mapOutline(outline, [pixelsPerUnit, 0, 0, pixelsPerUnit, -left * pixelsPerUnit, -top * pixelsPerUnit]);
  return `path("${pathData(moved, 3)}")`;
}
