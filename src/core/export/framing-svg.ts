/** A framing as vectors: its bands one on the other, without any photo. */
import type { Border } from '../layers';
import { inXml } from '../metadata';
import { borderBand, roughAt, visibleBorders } from '../plate';
import { parseColour } from '../paint';
import { flatten, offset, raggedPolygons, stepMap, type Polygon } from '../shape';
import { bandBend, pictureOf, type Template } from '../template';

/** Edges are this close to the curves that they follow, frame units of a picture 1080 units wide. */
const FINE = 0.02;
const WIDE = 1080;

const number = (v: number) => String(Number(v.toFixed(3)));
const pathOf = (polygons: readonly Polygon[]): string =>
  polygons.map((polygon) => `M${polygon.map(([x, y]) => `${number(x)} ${number(y)}`).join('L')}Z`).join('');

/** Why a border can't be vectors, in a few words; null where it can. */
function pixelsOf({ paint, dash, relief, shadow, echo }: Border): string | null {
  if (echo && echo.blend !== 'normal') return 'mixed echoes';
  if (relief) return 'relief';
  if (shadow) return 'a shadow on the photo';
  if (typeof paint !== 'string') return paint.kind === 'texture' ? 'a texture' : paint.kind === 'pattern' ? 'a pattern' : paint.kind === 'picked' ? 'a colour from each photo' : 'a gradient'; // prettier-ignore
  return dash ? 'dashes' : null;
}

/** What of a template's framing is made of pixels, in a few words; null where all of it is vectors. */
export const framingPixels = ({ borders }: Pick<Template, 'borders'>): string | null =>
  visibleBorders(borders)
    .map(pixelsOf)
    .find((why) => why !== null) ?? null;

function bandPath(template: Template, border: Border, fine: number): string {
  const outline = flatten(bandBend(template, border).outline, 1, fine);
  const [outer, inner] = borderBand(border).map((distance, i) => {
    const edge = offset(outline, distance, border.join, fine);
    const rough = roughAt(border, i === 0 ? 'outer' : 'inner');
    return rough ? raggedPolygons(edge, rough) : edge;
  }) as [Polygon[], Polygon[]];
  return pathOf([...outer, ...inner]);
}

/** Mixed with another colour, as CSS writes it. */
function mixed(colour: string, into: string | null, share: number): string {
  const from = parseColour(colour);
  const to = into === null ? from : parseColour(into);
  const part = (a: number, b: number) => Math.round((a + (b - a) * share) * 255);
  return `rgb(${part(from.r, to.r)} ${part(from.g, to.g)} ${part(from.b, to.b)})`;
}

/** Null where something of it is made of pixels. */
export function framingSvg(template: Template): string | null {
  if (framingPixels(template) !== null) return null;
  const { left, top, width, height, unit } = pictureOf(template);
  const fine = (FINE * width) / WIDE;
  const { box } = template.shape;
  const bands = (border: Border, lies: 'behind' | 'before' | 'there') => {
    const colour = border.paint as string;
    const strength = border.opacity * parseColour(colour).alpha;
    const d = bandPath(template, border, fine);
    const one = (fill: string, opacity: number, transform = '') =>
      `<path d="${d}" fill="${fill}"${opacity < 1 ? ` fill-opacity="${number(opacity)}"` : ''} fill-rule="evenodd"${transform}/>`;
    if (lies === 'there') return [one(mixed(colour, null, 0), strength)];
    const { echo } = border;
    if (echo?.lies !== lies) return [];
    const copies = Array.from({ length: echo.count }, (_, k) => {
      const map = stepMap(echo, k + 1, [box.cx, box.cy])
        .map((v) => Number(v.toFixed(6)))
        .join(' ');
      return one(mixed(colour, echo.into, (k + 1) / echo.count), strength * echo.keeps ** (k + 1), ` transform="matrix(${map})"`); // prettier-ignore
    });
    return lies === 'behind' ? copies.reverse() : copies;
  };
  const all = (['behind', 'there', 'before'] as const).flatMap((lies) =>
    visibleBorders(template.borders).flatMap((border) => bands(border, lies)),
  );
  const size = unit === 'px' ? '' : unit;
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${number(width)}${size}" height="${number(height)}${size}" viewBox="${[left, top, width, height].map(number).join(' ')}">\n` +
    `<title>${inXml(template.name)}</title>\n${all.join('\n')}\n</svg>\n`
  );
}
