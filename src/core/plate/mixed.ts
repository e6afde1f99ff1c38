/** Layers behind and before that are a picture of their own first: sets, and those with a blend mode or a tint. */
import type { Before, Behind } from '../layers';
import { flatRamp, type PaintBox, type Picked } from '../paint';
import { bandsOf, narrowBandsOf, sameRoom, type PixelWindow, type Room } from '../raster';
import type { Polygon } from '../shape';
import type { Template } from '../template';
import type { PhotoBehind } from './behind';
import type { Coat } from './coat';
import { composeAlone } from './compose';
import { BLACK, NO_GROUND, type Ground } from './ground';
import { windowOfBoth } from './lettering';
import { lotsOf, type Lot } from './lots';
import { leftBelow } from './overlay';
import { layerTint, picturedCoats } from './pictured';
import type { Overlay, Plate } from './plate';
import { plateOf, type Stack } from './stack';

/** What such pictures are made in: all of a picture, and what is told of it. */
export type MixScene = {
  readonly width: number;
  readonly height: number;
  readonly scale: number;
  readonly origin: readonly [x: number, y: number];
  readonly corner: readonly [x: number, y: number];
  readonly outline: readonly Polygon[];
  readonly picks: readonly Picked[];
  readonly behind: readonly PhotoBehind[];
  /** What layers without a place of their own fill. */
  readonly area: PaintBox;
};

type MakeCoats = (window: PixelWindow) => readonly Coat[];

/** Layers as they are laid: coats on what is below, the pictures that some of those show, and what is mixed with all that afterwards. */
export type Mixed = {
  readonly coats: MakeCoats;
  readonly made: readonly Plate[];
  readonly over: readonly Overlay[];
};

/** Rows of a picture in which no cutout is. */
const bareStack = (
  { width, height, top }: PixelWindow,
  others: Stack['others'],
  ground: Ground,
  before: readonly Coat[],
  room: Room,
): Stack => ({
  width,
  height,
  top,
  rings: [{ over: [0, 0, 0, 0], varying: null, photo: false }],
  levels: [room(width * height)],
  coats: [null],
  feather: null,
  others,
  ground,
  shadows: [],
  mirrored: null,
  before,
});

/** Coats as a plate of the whole picture. */
function plateOfCoats(
  scene: MixScene,
  coats: MakeCoats,
  made: readonly Plate[],
  over: readonly Overlay[],
  ground = (_: PixelWindow) => NO_GROUND,
): Plate {
  const { width, height, scale, origin, picks, behind } = scene;
  const others = { picks: picks.length, behind: behind.length, made: made.length };
  const plate = plateOf(width, height, -1);
  const room = sameRoom();
  for (const wide of bandsOf({ left: 0, top: 0, width, height })) {
    const [below, before] = [ground(wide), coats(wide)];
    for (const window of narrowBandsOf(wide)) plate.add(bareStack(window, others, below, before, room));
  }
  const { inked: own, ...pixels } = plate.done();
  const inked = over.map((one) => one.plate.inked).reduce(windowOfBoth, own);
  return { ...pixels, inked, bare: null, scale, origin, picks, behind, made, over, matte: null, finish: null, sheet: null, captions: [] }; // prettier-ignore
}

/** True where no photo has a part in it. */
const isFixed = ({ runs, over }: Plate): boolean => runs.length === 0 && over.every(({ plate }) => isFixed(plate));

/** Straight to premultiplied, in place. */
function premultiplied(data: Uint8ClampedArray): Uint8ClampedArray {
  for (let k = 0; k < data.length; k += 4) {
    const alpha = data[k + 3]!;
    if (alpha < 255) for (let c = k; c < k + 3; c++) data[c] = (data[c]! * alpha) / 255;
  }
  return data;
}

/**
 * A picture as a coat: its pixels where they are the same for every photo, else a source of its own.
 *
 * @param first how many such sources are numbered before those in `made`
 */
function coatOf(picture: Plate, opacity: number, scene: MixScene, made: Plate[], first: number): Coat {
  const { width, height, picks, behind } = scene;
  const window = { left: 0, top: 0, width, height };
  const places = { kind: 'flat' } as const;
  if (isFixed(picture)) {
    const data = premultiplied(composeAlone(picture, [], []).slice());
    return { ramp: flatRamp('#000000', 0), places, pick: -1, dash: null, pixels: { window, data, opacity } };
  }
  // Its alpha is the same for every photo, so any will do.
  const shown = alphasOf(picture);
  const values = new Uint16Array(width * height);
  for (let i = 0, k = 3; i < values.length; i++, k += 4) values[i] = shown[k]! * 257;
  const pick = picks.length + behind.length + first + made.push(picture) - 1;
  return { ramp: flatRamp('#000000', opacity), places, pick, dash: { kind: 'field', field: { ...window, values } } };
}

function alphasOf(picture: Plate): Uint8ClampedArray {
  const nothing = picture.behind.map(({ width, height }) => new Uint8Array(width * height * 4));
  return composeAlone(picture, nothing, picture.picks.map(() => [0, 0, 0] as const)); // prettier-ignore
}

/** What holes in coats leave of all that is below them; null where there are none. */
function keepOf(scene: MixScene, coats: MakeCoats, front: Plate, hasHoles: boolean): Uint8Array | null {
  if (!hasHoles) return null;
  return leftBelow(plateOfCoats(scene, coats, [], [], () => BLACK).blank, front.blank);
}

type PicturedList = 'behind' | 'before';

/** A template's layers behind or before, worked out as far as they are not coats that are laid straight. */
function mixedIn(template: Template, list: PicturedList, scene: MixScene) {
  const layers: readonly (Behind | Before)[] = template[list];
  const { picks, scale, corner, outline, area } = scene;
  const roomIn = (window: PixelWindow) => ({ picks, scale, corner, outline, area, window });
  const straight =
    ({ layers: own }: Lot): MakeCoats =>
    (window) =>
      picturedCoats(template, list, roomIn(window), own);

  /** What lies on a single layer. */
  const tintOver = (i: number): Overlay[] => {
    const { tint } = layers[i]!;
    if (!tint?.on || tint.opacity === 0) return [];
    const plate = plateOfCoats(scene, (window) => [layerTint(template, list, i, tint, roomIn(window))], [], []);
    return [{ plate, blend: tint.blend, opacity: 1, isAtop: true, keep: null }];
  };

  /** Holes through all that lies below them in the same picture. */
  const holesIn = (cuts: readonly number[]): Overlay[] => {
    if (cuts.length === 0) return [];
    const through = layers.map((layer, i) => (cuts.includes(i) ? { ...layer, through: 'all' as const } : layer));
    const coats: MakeCoats = (window) => picturedCoats({ ...template, [list]: through }, list, roomIn(window), cuts);
    const plate = plateOfCoats(scene, coats, [], []);
    return [{ plate, blend: 'normal', opacity: 1, isAtop: false, keep: keepOf(scene, coats, plate, true) }];
  };

  const pictureOf = (lot: Lot): Plate => {
    if (!lot.isSet) return plateOfCoats(scene, straight(lot), [], tintOver(lot.layers[0]!));
    const { coats, made, over } = laid(lotsOf(layers, [], lot.layers));
    return plateOfCoats(scene, coats, made, [...over, ...holesIn(lot.cuts)]);
  };

  const hasHoles = ({ layers: own }: Lot): boolean =>
    own.some((i) => layers[i]!.show === 'hole' && (layers[i] as Before).through === 'all');

  const overlayOf = (lot: Lot): Overlay => {
    const normal = { blend: 'normal', opacity: 1, isAtop: false } as const;
    if (lot.apart) return { plate: pictureOf(lot), ...lot.apart, isAtop: false, keep: null };
    const plate = plateOfCoats(scene, straight(lot), [], []);
    return { plate, ...normal, keep: keepOf(scene, straight(lot), plate, hasHoles(lot)) };
  };

  /** @param first how many sources that are made are numbered before these */
  const laid = (lots: readonly Lot[], first = 0): Mixed => {
    const coats: MakeCoats[] = [];
    const made: Plate[] = [];
    const over: Overlay[] = [];
    for (const lot of lots) {
      const { apart } = lot;
      if (over.length > 0 || (apart && apart.blend !== 'normal')) over.push(overlayOf(lot));
      else if (!apart) coats.push(straight(lot));
      else {
        const coat = coatOf(pictureOf(lot), apart.opacity, scene, made, first);
        coats.push(() => [coat]);
      }
    }
    return { coats: (window) => coats.flatMap((make) => make(window)), made, over };
  };

  return { laid, lots: lotsOf(layers, template.sets) };
}

/**
 * All that lies before the cutout.
 *
 * @param first how many sources that are made there are behind it
 */
export function mixedBefore(template: Template, scene: MixScene, first: number): Mixed {
  const { laid, lots } = mixedIn(template, 'before', scene);
  return laid(lots, first);
}

/**
 * All that lies behind it. Up to the highest layer that is mixed by a mode, it is one picture together with the
 * backdrop; `hasBackdrop` tells of it.
 *
 * @param backdropIn what is behind it all, in a band of rows
 */
export function mixedBehind(
  template: Template,
  scene: MixScene,
  backdropIn: (window: PixelWindow) => Ground,
): Omit<Mixed, 'over'> & { readonly hasBackdrop: boolean } {
  const { laid, lots } = mixedIn(template, 'behind', scene);
  const highest = lots.findLastIndex(({ apart }) => apart !== null && apart.blend !== 'normal');
  if (highest < 0) return { ...laid(lots), hasBackdrop: false };
  const low = laid(lots.slice(0, highest + 1));
  const picture = plateOfCoats(scene, NO_COATS, low.made, low.over, (window) => {
    const ground = backdropIn(window);
    return { ...ground, coats: [...ground.coats, ...low.coats(window)] };
  });
  const made: Plate[] = [];
  const bottom = coatOf(picture, 1, scene, made, 0);
  const high = laid(lots.slice(highest + 1), made.length);
  return {
    coats: (window) => [bottom, ...high.coats(window)],
    made: [...made, ...high.made],
    hasBackdrop: true,
  };
}

const NO_COATS: MakeCoats = () => [];

/** Where nothing of it is asked for. */
export const NOTHING_MIXED: Mixed & { readonly hasBackdrop: boolean } = { coats: NO_COATS, made: [], over: [], hasBackdrop: false }; // prettier-ignore
