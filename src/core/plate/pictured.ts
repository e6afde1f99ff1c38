/** Layers behind and before the photo, laid out for one picture. */
import { kept } from '../kept';
import { cornersOf, maskOf, type Before, type Behind, type Tint } from '../layers';
import { filterPixels, flatRamp, matricesOf, mixRow, type Filters, type PaintBox, type Places } from '../paint';
import { bentPicture, cornersMoved, drawnPicture, pictureAtHand, type Corner, type Corners } from '../pictures';
import { coverage, type PixelWindow } from '../raster';
import { flatten, outlineOf, type Polygon, type Shape } from '../shape';
import type { Template } from '../template';
import { isBehind, photoBox } from './behind';
import { bothCover, type Coat } from './coat';
import { boxOf, paintRows, type LaidPaint, type PaintGround } from './paints';

/** What such layers lie in: all of it, and where the frame's corner is, pixels. */
export type Room = Omit<PaintGround, 'box'> & { readonly area: PaintBox };

const FLAT = { kind: 'flat' } as const;

/** Pictures that were drawn for a band: sliders of anything else ask for the same again. */
const drawn = kept<Uint8ClampedArray>(12);

/** The upright box that corners are of. */
const boxAt = ([[l, t], , [r, b]]: Corners): PaintBox => ({ left: l, top: t, width: r - l, height: b - t });

function pixelsOf(layer: Behind | Before, at: string, { area, corner, scale, window }: Room): Uint8ClampedArray {
  const { picture, place, fit, filters } = layer;
  const toPixels = ([x, y]: Corner): Corner => [corner[0] + x * scale, corner[1] + y * scale];
  const corners = place && cornersMoved(cornersOf(place), toPixels);
  const { left, top, width, height }: PixelWindow = window;
  const key = JSON.stringify([
    picture,
    filters,
    corners ?? area,
    fit,
    place && 'corners' in place,
    left,
    top,
    width,
    height,
  ]);
  return drawn(key, () => {
    const own = pictureAtHand(picture!, at);
    const made =
      corners && place && 'corners' in place
        ? bentPicture(own, corners, window)
        : drawnPicture(own, corners ? boxAt(corners) : area, fit, window);
    if (filters) filterPixels(filters, made, true);
    return made;
  });
}

/** A paint with its colours changed; one that each photo gives stays as that gives it. */
function filtered(paint: LaidPaint, filters: Filters | null): LaidPaint {
  if (!filters || paint.pick >= 0) return paint;
  const [ramp, row, matrices] = [paint.ramp.slice(), new Float32Array(3), matricesOf(filters)];
  for (let k = 0; k < ramp.length; k += 4) {
    row.set(ramp.subarray(k, k + 3));
    for (const matrix of matrices) mixRow(matrix, row, 1);
    ramp.set(row, k);
  }
  return { ...paint, ramp };
}

/** The shape that a layer shows in, in pixels. */
function maskIn(shape: Shape, { corner, scale }: Room): readonly Polygon[] {
  return flatten(outlineOf(shape), scale).map((polygon) =>
    polygon.map(([x, y]): Corner => [x + corner[0], y + corner[1]]),
  );
}

/** Of each pixel a share, `from` and so many times what is covered of it, as places of a coat. */
function placesOf(covers: Float32Array, from: 0 | 1, times: number, window: PixelWindow) {
  const values = new Uint16Array(covers.length);
  for (let k = 0; k < values.length; k++) values[k] = (from + covers[k]! * times) * 65535 + 0.5;
  return { kind: 'field', field: { ...window, values } } as const;
}

/** How much of each pixel a shape covers, as places of a coat. */
const coverIn = (polygons: readonly Polygon[], window: PixelWindow): Places =>
  placesOf(coverage(polygons, window), 0, 1, window);

const boxPolygon = ({ left, top, width, height }: PaintBox): Polygon =>
  [[left, top], [left + width, top], [left + width, top + height], [left, top + height]]; // prettier-ignore

/** What is left of a coat's cover beside a shape cut out of it. */
function without(cover: Places | null, mask: readonly Polygon[], opacity: number, window: PixelWindow): Places {
  const left = placesOf(coverage(mask, window), 1, -opacity, window);
  return cover ? bothCover(left, cover) : left;
}

/** What a layer is laid out in: its shape's bounds, else the whole area. */
function areaOf(
  layer: Behind | Before,
  room: Room,
): { readonly mask: readonly Polygon[] | null; readonly area: PaintBox } {
  const shape = maskOf(layer);
  const mask = shape && maskIn(shape, room);
  return { mask, area: mask ? boxOf(mask) : room.area };
}

/** A tint on a layer: it fills what the layer does, its place where it has one. */
export function layerTint(
  template: Template,
  list: 'behind' | 'before',
  i: number,
  { paint, opacity }: Tint,
  room: Room,
): Coat {
  const layer = template[list][i]!;
  const { mask, area } = areaOf(layer, room);
  const box = mask ? area : (photoBox(layer, room.scale, room.corner) ?? area);
  return { ...paintRows(paint, opacity, { ...room, outline: mask ?? room.outline, box }), dash: null };
}

/**
 * Coats in the layers' order; a photo behind is one of the other sources.
 *
 * @param only the layers that are asked for
 */
export function picturedCoats(
  template: Template,
  list: 'behind' | 'before',
  room: Room,
  only: readonly number[],
): Coat[] {
  const layers: readonly (Behind | Before)[] = template[list];
  // Those before are numbered after those behind.
  let photos = list === 'behind' ? 0 : template.behind.filter((one) => isBehind(one) && one.show === 'photo').length;
  const coats: Coat[] = [];
  /** Which coat a layer is, or cuts; none of one that is not drawn. */
  const coatOf = new Map<number, number>();
  layers.forEach((layer, i) => {
    // Counted whether it is asked for or not.
    const photo = isBehind(layer) && layer.show === 'photo' ? photos++ : 0;
    if (!only.includes(i)) return;
    const add = (coat: Coat) => coatOf.set(i, coats.push(coat) - 1);
    if (!isBehind(layer)) return;
    const { show, paint, opacity } = layer;
    // A gradient, or a picture without a place of its own, fills the shape that it shows in.
    const { mask, area } = areaOf(layer, room);
    const dash = mask && coverIn(mask, room.window);
    const clear = { ramp: flatRamp('#000000', opacity), places: FLAT, pick: -1, dash };
    switch (show) {
      case 'paint':
        add({ ...filtered(paintRows(paint, opacity, { ...room, outline: mask ?? room.outline, box: area }), layer.filters), dash }); // prettier-ignore
        return;
      case 'photo': {
        const box = list === 'before' ? photoBox(layer, room.scale, room.corner) : null;
        const within = box && coverIn([boxPolygon(box)], room.window);
        add({ ...clear, dash: within && dash ? bothCover(within, dash) : (within ?? dash), pick: room.picks.length + photo }); // prettier-ignore
        return;
      }
      case 'picture': {
        if (layer.picture === null) return;
        const data = pixelsOf(layer, `${list}[${i}].picture`, { ...room, area });
        add({ ...clear, ramp: flatRamp('#000000', 0), pixels: { window: room.window, data, opacity } });
        return;
      }
      case 'hole': {
        // A hole all over would leave nothing.
        if (!mask) return;
        if (layer.through === 'all') {
          add({ ...clear, isHole: true });
          return;
        }
        const below = coatOf.get(i - 1);
        if (below === undefined) return;
        const coat = coats[below]!;
        coats[below] = { ...coat, dash: without(coat.dash, mask, opacity, room.window) };
        coatOf.set(i, below);
      }
    }
  });
  return coats;
}
