/** Layers behind and before the photo, laid out for one picture. */
import { cornersOf, type Before, type Behind } from '../layers';
import { flatRamp, type PaintBox } from '../paint';
import { bentPicture, cornersMoved, drawnPicture, pictureAtHand, type Corner, type Corners } from '../pictures';
import type { PixelWindow } from '../raster';
import type { Template } from '../template';
import { isBehind } from './behind';
import type { Coat } from './coat';
import { paintRows, type PaintGround } from './paints';

/** What such layers lie in: all of it, and where the frame's corner is, pixels. */
export type Room = Omit<PaintGround, 'box'> & { readonly area: PaintBox; readonly corner: readonly [x: number, y: number] }; // prettier-ignore

const FLAT = { kind: 'flat' } as const;

/** Pictures that were drawn for a band: sliders of anything else ask for the same again. */
const drawn = new Map<string, Uint8ClampedArray>();
const DRAWN_KEPT = 12;

/** The upright box that corners are of. */
const boxAt = ([[l, t], , [r, b]]: Corners): PaintBox => ({ left: l, top: t, width: r - l, height: b - t });

function pixelsOf(layer: Behind | Before, at: string, { area, corner, scale, window }: Room): Uint8ClampedArray {
  const { picture, place, fit } = layer;
  const toPixels = ([x, y]: Corner): Corner => [corner[0] + x * scale, corner[1] + y * scale];
  const corners = place && cornersMoved(cornersOf(place), toPixels);
  const { left, top, width, height }: PixelWindow = window;
  const key = JSON.stringify([picture, corners ?? area, fit, place && 'corners' in place, left, top, width, height]);
  const known = drawn.get(key);
  if (known) return known;
  const own = pictureAtHand(picture!, at);
  const made =
    corners && place && 'corners' in place
      ? bentPicture(own, corners, window)
      : drawnPicture(own, corners ? boxAt(corners) : area, fit, window);
  if (drawn.size >= DRAWN_KEPT) drawn.delete(drawn.keys().next().value!);
  drawn.set(key, made);
  return made;
}

/** Coats in the layers' order; a photo behind is one of the other sources. */
export function picturedCoats(template: Template, list: 'behind' | 'before', room: Room): Coat[] {
  const layers: readonly (Behind | Before)[] = template[list];
  let photos = 0;
  return layers.flatMap((layer, i): Coat[] => {
    if (!isBehind(layer)) return [];
    const { show, paint, opacity } = layer;
    if (show === 'paint') return [{ ...paintRows(paint, opacity, { ...room, box: room.area }), dash: null }];
    if (show === 'photo') return [{ ramp: flatRamp('#000000', opacity), places: FLAT, pick: room.picks.length + photos++, dash: null }]; // prettier-ignore
    if (layer.picture === null) return [];
    const pixels = { window: room.window, data: pixelsOf(layer, `${list}[${i}].picture`, room), opacity };
    return [{ ramp: flatRamp('#000000', 0), places: FLAT, pick: -1, dash: null, pixels }];
  });
}
