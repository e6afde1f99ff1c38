/** A template at one size into a plate. */
import { bandsOf, coverage, dashField, type PixelWindow } from '../raster';
import { difference, flatten, offset, union, type Polygon } from '../shape';
import { outputHeight, templateOutline, type Border, type Template } from '../template';
import { fadeOutline, featherMask, featherSigma } from './feather';
import { floorMask } from './floor-shadow';
import { borderBand, thrownShadows, layersOf, sourceOver, visibleBorders, withOpacity, type Ring } from './layers';
import { boxOf, paintRows } from './paints';
import { photoFinish, type PhotoFinish } from './photo-finish';
import type { Plate } from './plate';
import { shadowMask, type Caster } from './shadow';
import { plateOf, type Coat, type Stack } from './stack';

/** Everything that a border covers. */
function bandOf(border: Border, outline: readonly Polygon[], scale: number): Polygon[] {
  const [outer, inner] = borderBand(border);
  const hole = offset(outline, inner * scale, border.join).map((polygon) => [...polygon].reverse());
  return [...offset(outline, outer * scale, border.join), ...hole];
}

/** What throws a shadow: the outline and the borders that reach out of it; a feathered photo softer than its borders. */
function castersOf(outline: readonly Polygon[], template: Template, scale: number): Caster[] {
  const { edge } = template;
  const borders = visibleBorders(template.borders);
  if (edge.feather === 0) {
    const bands = borders.filter((border) => borderBand(border)[0] > 0).flatMap((b) => bandOf(b, outline, scale));
    return [{ polygons: bands.length === 0 ? outline : union([...outline, ...bands]), sigma: 0 }];
  }
  const bands = union(borders.flatMap((border) => bandOf(border, outline, scale)));
  const photo = { polygons: difference(fadeOutline(outline, edge, scale), bands), sigma: featherSigma(edge) * scale };
  return bands.length === 0 ? [photo] : [photo, { polygons: bands, sigma: 0 }];
}

/** Matte, then a backdrop of one colour on it. */
function floorOf(matte: string | null, backdrop: Template['backdrop']): Stack['floor'] {
  let floor: Stack['floor'] = [0, 0, 0, 0];
  for (const colour of [matte, backdrop])
    if (typeof colour === 'string') floor = sourceOver(floor, withOpacity(colour, 1));
  return floor;
}

/** Pixels that a border may touch beyond its edges. */
const RIM = 2;

/** A border's paint and dashes, for one band of the picture after the other. */
function coatMaker(border: Border, outline: readonly Polygon[], scale: number): (window: PixelWindow) => Coat {
  const { paint, opacity, join, width, dash, dashCap: cap, dashFit: fit } = border;
  const [outer, inner] = borderBand(border);
  const edgeAt = (distance: number) => offset(outline, distance, join);
  const hole = edgeAt(inner * scale - RIM).map((polygon) => [...polygon].reverse());
  const line = {
    outline: edgeAt(((outer + inner) / 2) * scale),
    reach: (width / 2) * scale + RIM,
    within: [...edgeAt(outer * scale + RIM), ...hole],
  };
  const box = boxOf(edgeAt(outer * scale));
  const dashes = dash && { lengths: dash.map((v) => v * scale), cap, fit, width: width * scale };
  return (window) => ({
    ...paintRows(paint, opacity, { outline, line, box, scale, window }),
    dash: dashes && { kind: 'field', field: { ...window, values: dashField(line, dashes, window) } },
  });
}

/** The coats of every ring that is not the same all round; a border that lies in several is made once a band. */
function coatsOf(rings: readonly Ring[], outline: readonly Polygon[], scale: number) {
  const makers = new Map<Border, (window: PixelWindow) => Coat>();
  for (const border of rings.flatMap(({ varying }) => varying ?? []))
    if (!makers.has(border)) makers.set(border, coatMaker(border, outline, scale));
  return (window: PixelWindow): Stack['coats'] => {
    const made = new Map([...makers].map(([border, make]) => [border, make(window)]));
    return rings.map(({ varying }) => varying && varying.map((border) => made.get(border)!));
  };
}

/**
 * Compiles the template for pictures `width` pixels wide.
 *
 * @param matte colour laid under everything, for formats without alpha
 * @param withBare also the picture without photo, for photos that don't reach everywhere
 * @throws WobrelError `shape-intricate`
 */
export function compile(template: Template, width: number, matte: string | null = null, withBare = false): Plate {
  const plate = compilePlain(template, width, matte, withBare);
  return { ...plate, finish: finishOf(template, plate) };
}

/** What becomes of the photo's own pixels on a plate of the template. */
export const finishOf = (template: Template, { scale, photoWindow }: Plate): PhotoFinish | null =>
  photoFinish(template, flatten(templateOutline(template), scale), scale, photoWindow);

/** The same with the photo left as it is. */
export function compilePlain(template: Template, width: number, matte: string | null, withBare: boolean): Plate {
  const height = outputHeight(template.frame, width);
  const scale = width / template.frame.width;
  const outline = flatten(templateOutline(template), scale);
  const { levels, rings } = layersOf(template);
  const casting = thrownShadows(template)
    .map((shadow) => ({ shadow, colour: withOpacity(shadow.color, shadow.opacity) }))
    .filter(({ colour }) => colour.alpha > 0);
  const casters = casting.length > 0 ? castersOf(outline, template, scale) : [];
  const standing = casters.flatMap(({ polygons }) => polygons);
  const edges = levels.map(({ distance, join }) => offset(outline, distance * scale, join));
  const floor = floorOf(matte, template.backdrop);
  const { backdrop } = template;
  const box = { left: 0, top: 0, width, height };
  const behind = (window: PixelWindow) =>
    backdrop && typeof backdrop !== 'string' ? paintRows(backdrop, 1, { outline, box, scale, window }) : null;
  const coats = coatsOf(rings, outline, scale);
  const bandAt = (window: PixelWindow): Stack => ({
    ...window,
    floor,
    backdrop: behind(window),
    coats: coats(window),
    shadows: casting.map(({ shadow, colour }) => ({
      colour,
      mask:
        shadow.kind === 'ground'
          ? floorMask(standing, shadow, scale, window)
          : shadowMask(casters, shadow, scale, window),
    })),
    feather: template.edge.feather > 0 ? featherMask(outline, template.edge, scale, window) : null,
    rings,
    levels: edges.map((edge) => coverage(edge, window)),
  });
  const unseen = rings.map((ring) => ({ ...ring, photo: false }));
  const plate = plateOf(width, height);
  const bare = withBare ? plateOf(width, height) : null;
  for (const window of bandsOf(box)) {
    const band = bandAt(window);
    plate.add(band);
    bare?.add({ ...band, feather: null, rings: unseen });
  }
  return { ...plate.done(), bare: bare?.done().blank ?? null, scale, finish: null };
}
