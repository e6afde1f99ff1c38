/** A template at one size into a plate. */
import type { GroundPaint, PaintBox } from '../paint';
import { bandsOf, narrowBandsOf, type PixelWindow } from '../raster';
import type { Shadow } from '../layers';
import { difference, union, type Polygon, type Rectangle } from '../shape';
import { hasSlots, outputHeight, pictureOf, type Template } from '../template';
import { bandOf } from './band';
import type { Coat } from './coat';
import type { Cutout } from './cutout';
import { cutoutMaker } from './cutouts';
import { echoBands } from './echoes';
import { fadeOutline, featherSigma } from './feather';
import { floorMask } from './floor-shadow';
import type { Ground } from './ground';
import { borderBand, isFree, thrownShadows, sourceOver, visibleBorders, withOpacity } from './layers';
import { windowOfBoth } from './lettering';
import { mirrorIn, mirrorOf } from './mirror';
import { mixedBefore, mixedBehind, NOTHING_MIXED, type MixScene } from './mixed';
import { paintRows, type PaintGround } from './paints';
import { photoFinish, type PhotoFinish } from './photo-finish';
import type { Plate, WithBare } from './plate';
import { sceneForBorders, sceneOf, type Scene, type SceneFor } from './scene';
import { compileSheet } from './sheet';
import { shadowMask, type Caster, type ShadowMask } from './shadow';
import { withFadeSided } from './sided';
import { partOf, type StackPart } from './stack-part';
import { plateOf, type Stack } from './stack';

type PictureGround = PaintGround & { readonly frame: PaintBox };

/** What throws a shadow where there is no photo. */
const bandCasters = ({ borders }: Template, sceneFor: SceneFor, echoes: readonly Polygon[]): Caster[] => [
  {
    polygons: union([...visibleBorders(borders).flatMap((border) => bandOf(border, sceneFor(border))), ...echoes]),
    sigma: 0,
  },
];

/** What throws a shadow: the outline, the borders that reach out of it, and their echoes; a feathered photo softer than its borders. */
function castersOf(template: Template, scene: Scene, sceneFor: SceneFor, echoes: readonly Polygon[]): Caster[] {
  const { edge } = template;
  const { outline, scale } = scene;
  const borders = visibleBorders(template.borders);
  if (edge.feather === 0) {
    const own = borders.filter((border) => isFree(border) || borderBand(border)[0] > 0).flatMap((b) => bandOf(b, sceneFor(b))); // prettier-ignore
    const bands = [...own, ...echoes];
    return [{ polygons: bands.length === 0 ? outline : union([...outline, ...bands]), sigma: 0 }];
  }
  const bands = union([...borders.flatMap((border) => bandOf(border, sceneFor(border))), ...echoes]);
  const photo = { polygons: difference(fadeOutline(outline, edge, scale), bands), sigma: featherSigma(edge) * scale };
  return bands.length === 0 ? [photo] : [photo, { polygons: bands, sigma: 0 }];
}

/** Where there may be something whose shadow or reflection falls on the picture; what echoes cover beyond is left out, as each may be twice as large as the one before. */
function shadowRoom({ width, height }: PaintBox, shadows: readonly Shadow[], scale: number): Rectangle {
  const reach = Math.max(0, ...shadows.map(({ x, y, blur, spread }) => Math.hypot(x, y) + 2 * blur + Math.abs(spread)));
  const room = Math.max(width, height) + reach * scale;
  return [-room, -room, width + room, height + room];
}

/** Matte, backdrop, layers behind, and mat. A mat without a paint of its own shows what is behind. */
function groundOf(
  { mat: { paint: matPaint }, backdrop }: Pick<Template, 'mat' | 'backdrop'>,
  matte: string | null,
  behind: readonly Coat[],
  { box, frame, ...ground }: PictureGround,
): Ground {
  const none = [0, 0, 0, 0] as const;
  const bare = matte ? sourceOver(none, withOpacity(matte, 1)) : none;
  const mat = box.width > frame.width || box.height > frame.height ? matPaint : null;
  const coat = (paint: GroundPaint, within: PaintBox): Coat => ({
    ...paintRows(paint, 1, { ...ground, box: within }),
    dash: null,
  });
  const { left, top, width, height } = frame;
  const colour = mat === null && typeof backdrop === 'string' ? backdrop : null;
  return {
    even: colour === null ? bare : sourceOver(bare, withOpacity(colour, 1)),
    coats: [...(backdrop === null || colour !== null ? [] : [coat(backdrop, frame)]), ...behind],
    mat: mat === null ? null : { coat: coat(mat, box), frame: [left, top, left + width, top + height] },
  };
}

/**
 * Compiles the template for pictures `width` pixels wide.
 *
 * @param matte colour laid under everything, for formats without alpha
 * @throws WobrelError `shape-intricate`
 */
export function compile(
  template: Template,
  width: number,
  matte: string | null = null,
  withBare: WithBare = false,
): Plate {
  return hasSlots(template)
    ? compileSheet(template, width, matte, withBare, { whole: compileOne, bare: compileBare })
    : compileOne(template, width, matte, withBare);
}

function compileOne(template: Template, width: number, matte: string | null, withBare: WithBare): Plate {
  const plate = compilePlain(template, width, matte, withBare);
  return { ...plate, finish: finishOf(template, plate) };
}

/** The picture without its photo, and nothing else. */
const compileBare = (template: Template, width: number, matte: string | null): Plate =>
  compilePlain(template, width, matte, 'only');

/** One part of a template without slots, as a plate of the whole picture. */
export function compilePart(template: Template, width: number, part: StackPart, withBare: WithBare): Plate {
  const plate = compilePlain(template, width, null, withBare, part);
  return { ...plate, finish: finishOf(template, plate) };
}

/** What becomes of the photo's own pixels on a plate of the template. */
export function finishOf(template: Template, { width, photoWindow }: Plate): PhotoFinish | null {
  return photoFinish(template, sceneOf(template, width), photoWindow);
}

/** The same with the photo left as it is; or one part of it alone. */
export function compilePlain(
  given: Template,
  width: number,
  matte: string | null,
  withBare: WithBare | 'only',
  part: StackPart | null = null,
): Plate {
  const template = withFadeSided(given);
  const height = outputHeight(pictureOf(template), width);
  const scene = sceneOf(template, width);
  const { outline, scale, picks, origin, corner } = scene;
  const { frame } = template;
  const box = { left: 0, top: 0, width, height };
  const inner = { left: corner[0], top: corner[1], width: frame.width * scale, height: frame.height * scale }; // prettier-ignore
  // A photo around a window stands on nothing.
  const stands = template.mode === 'cutout';
  const casting = thrownShadows(template)
    .filter(({ kind }) => stands || kind !== 'ground')
    .map((shadow) => ({ shadow, colour: withOpacity(shadow.color, shadow.opacity) }))
    .filter(({ colour }) => colour.alpha > 0);
  const sceneFor = sceneForBorders(template, width, scene);
  const isCasting = casting.length > 0 || template.reflection?.on === true;
  const echoed = isCasting ? echoBands(template.borders, sceneFor, shadowRoom(box, casting.map(({ shadow }) => shadow), scale)) : []; // prettier-ignore
  const casters = isCasting ? castersOf(template, scene, sceneFor, echoed) : [];
  const standing = casters.flatMap(({ polygons }) => polygons);
  const place = stands ? mirrorOf(template.reflection, standing, scale) : null;
  // A mat with a paint of its own leaves what is behind the frame; what is before may lie on it.
  const area = template.mat.paint === null ? box : inner;
  const shadowsOf = (of: readonly Caster[]) => {
    const whole = of.flatMap(({ polygons }) => polygons);
    const makers = casting.map(({ shadow, colour }) => ({ colour, make: shadow.kind === 'ground' ? floorMask(whole, shadow, scale) : shadowMask(of, shadow, scale) })); // prettier-ignore
    return (...asked: Parameters<ShadowMask>): Stack['shadows'] =>
      makers.map(({ colour, make }) => ({ colour, mask: make(...asked) }));
  };
  const shadows = shadowsOf(casters);
  const alone = withBare === 'alone' && casting.length > 0 ? shadowsOf(bandCasters(template, sceneFor, echoed)) : null;
  const roomIn = (window: PixelWindow) => ({ outline, scale, picks, window, corner, box, frame: inner });
  const mixScene: MixScene = { width, height, scale, origin, corner, outline, picks, behind: scene.behind, area };
  // Of one part alone nothing else is worked out.
  const low =
    part === null || part === 'ground'
      ? mixedBehind(template, mixScene, (window) => groundOf({ ...template, mat: NO_MAT }, null, [], roomIn(window)))
      : NOTHING_MIXED;
  const top =
    part === null || part === 'front' || part === 'opaque front'
      ? mixedBefore(template, { ...mixScene, area: box }, low.made.length)
      : NOTHING_MIXED;
  const made = [...low.made, ...top.made];
  const others = { ...scene.others, made: made.length };
  const cutoutIn = cutoutMaker(template, { ...scene, others }, sceneFor);
  // What is mixed with the cutout does not see what that is laid on in the end.
  const under = top.over.length > 0 ? null : matte;
  const grounded = { mat: template.mat, backdrop: low.hasBackdrop ? null : template.backdrop };
  /** What is the same for all narrow bands of one. */
  const stackIn = (wide: PixelWindow): ((window: PixelWindow) => Stack) => {
    const band = cutoutIn(wide);
    const imaged = place && mirrorIn(place, wide, cutoutIn);
    const ground = groundOf(grounded, under, [...low.coats(wide), ...band.behind], roomIn(wide));
    const front = top.coats(wide);
    return (window) => {
      const cutout = band.at(window);
      return {
        ...cutout,
        ground,
        before: [...band.before(window, cutout), ...front],
        // The photo hides what falls on the ground behind it, unless the same shadows are asked for without it.
        shadows: shadows(window, part || withBare ? null : hiddenBy(cutout)),
        mirrored: imaged && imaged(window),
      };
    };
  };
  const mirror = place?.sum ?? -1;
  const plate = withBare === 'only' ? null : plateOf(width, height, mirror);
  const bare = withBare ? plateOf(width, height, mirror) : null;
  for (const wide of bandsOf(box)) {
    const stackAt = stackIn(wide);
    for (const window of narrowBandsOf(wide)) {
      const whole = stackAt(window);
      const band = part ? partOf(whole, part) : whole;
      plate?.add(band);
      bare?.add(unseen(alone && band.shadows.length > 0 ? { ...band, shadows: alone(window) } : band));
    }
  }
  const captions = template.captions.filter(({ on }) => on);
  const rest = {
    bare: null,
    scale,
    origin,
    picks,
    behind: scene.behind,
    made,
    over: top.over,
    matte: under === matte ? null : withOpacity(matte!, 1),
    finish: null,
    sheet: null,
    captions,
  };
  const done = (made: ReturnType<ReturnType<typeof plateOf>['done']>): Plate => {
    const inked = rest.matte ? box : top.over.map((one) => one.plate.inked).reduce(windowOfBoth, made.inked);
    return { ...made, inked, ...rest };
  };
  const bareDone = bare && done(bare.done());
  return plate ? { ...done(plate.done()), bare: bareDone } : bareDone!;
}

const NO_MAT: Template['mat'] = { top: 0, right: 0, bottom: 0, left: 0, paint: null };

/** Where a cutout's photo lets nothing of what is behind through, as far as one of its levels says it. */
function hiddenBy({ rings, levels, feather }: Cutout): Float32Array | null {
  return feather === null && rings.at(-1)!.photo ? levels.at(-1)! : null;
}

const withoutPhoto = <C extends Cutout>(cutout: C): C => ({
  ...cutout,
  feather: null,
  rings: cutout.rings.map((ring) => ({ ...ring, photo: false })),
});

/** A band of the picture without any photo. */
const unseen = ({ mirrored: image, ...band }: Stack): Stack => ({
  ...withoutPhoto(band),
  mirrored: image && { ...image, cutout: withoutPhoto(image.cutout) },
});
