/** A page as SVG at its exact size. */
import { pathData, type Outline } from '../shape';
import type { Page } from './pages';

/** Width of lines that are cut or folded along, mm. */
export const HAIRLINE = 0.1;
export const CUT_COLOUR = '#d6006c';

const filled = (outlines: readonly Outline[]) => outlines.map((outline) => `<path d="${pathData(outline)}"/>`).join('');

/** A layer by its name. */
const layer = (name: string, attributes: string, content: string) =>
  content === '' ? '' : `<g id="${name}" ${attributes}>${content}</g>\n`;

/**
 * @param size of the page, mm
 * @param href gives a file as an address, such as a data URL
 */
export function pageSvg(
  page: Page,
  [width, height]: readonly [number, number],
  href: (file: number) => string,
): string {
  const pictures = page.pictures
    .map(
      ({ file, x, y, width: w, height: h }) =>
        `<image x="${x}" y="${y}" width="${w}" height="${h}" preserveAspectRatio="none" href="${href(file)}"/>`,
    ) // prettier-ignore
    .join('\n');
  const crops = page.crops.map(([[x1, y1], [x2, y2]]) => `<path d="M${x1} ${y1}L${x2} ${y2}"/>`).join('');
  const line = `fill="none" stroke-width="${HAIRLINE}"`;
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">\n` +
    layer('pictures', '', pictures) +
    layer('captions', 'fill="#1c2224"', filled(page.letters)) +
    layer('crop-marks', `${line} stroke="#000000"`, crops) +
    layer('cut', `${line} stroke="${CUT_COLOUR}"`, filled(page.cuts)) +
    '</svg>\n'
  );
}
