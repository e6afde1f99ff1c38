/** The template's centring rule at work on one photo. */
import { centroidOf, flatten, offset, visualCentreOf, type Polygon } from '../shape';
import { featherReach, hasSlots, photoBox, photoOutline, slotTemplates, type Template } from '../template';
import { UNADJUSTED, type Adjustment } from './adjustment';
import { coverScale, covers, pinnedScale, shiftedCentre } from './cover';
import { uncoveredShare } from './gap';
import { boundsSeen, polygonsSeen } from './photo-axes';
import { axesOf, turned, type Bounds, type Placement, type Point } from './placement';
import { leanOf, photoItself, ruleFor, subjectOf, type SeenPhoto, type Subject, type SuitedRule } from './subject';
import { wantedSize } from './wanted';

export type PhotoToPlace = SeenPhoto & {
  readonly adjustment?: Adjustment | null | undefined;
  /** The slot that it lies in; null where none takes it. Of no account where the template has none. */
  readonly slot?: number | null | undefined;
};

/** What was done about places that the photo would not have reached. */
export type GapUse = 'none' | 'enlarged' | 'shifted' | 'extended' | 'left';

/** The subject as it lies in the frame. */
export type PlacedSubject = {
  readonly x: number;
  readonly y: number;
  /** Upright extents, frame units. */
  readonly width: number;
  readonly height: number;
  /** Its extent over the shape's box, as the template measures it. */
  readonly size: number;
  /** Distance of its centre from the wanted spot, as a share of the box's longer side; across and down. */
  readonly off: Point;
  readonly source: Subject['source'];
  readonly confidence: number;
  readonly count: number;
};

export type Placed = Placement & {
  /** The rule that the photo was centred by, whatever the template leaves to it. */
  readonly rule: SuitedRule;
  readonly used: GapUse;
  /** Enlarged: how many times. Shifted: how far, as a share of the box's longer side. Extended or left: the share of the shape. */
  readonly by: number;
  /** Share of the shape that the photo itself does not reach. */
  readonly gap: number;
  /** The same of all that the photo shows in: more than the shape where a feather reaches beyond it. */
  readonly fadeGap: number;
  /** Null where the rule looks for a subject and none was found. */
  readonly subject: PlacedSubject | null;
};

type Scene = {
  readonly template: Template;
  readonly polygons: readonly Polygon[];
  /** All that the photo shows in: the shape, and what a feather lets it show beyond. */
  readonly shown: readonly Polygon[];
  readonly spot: Point;
};

function sceneOf(template: Template): Scene {
  const polygons = flatten(photoOutline(template), 1);
  // Around a window nothing of the photo is wanted beyond the frame.
  const reach = template.mode === 'cutout' ? featherReach(template.edge) : 0;
  const shown = reach === 0 ? polygons : offset(polygons, reach, 'round');
  return { template, polygons, shown, spot: wantedSpot(template) };
}

/** The spot in the frame where the subject's centre is wanted. */
function wantedSpot(template: Template): Point {
  const { centring } = template;
  const { cx, cy, width, height } = photoBox(template);
  const outline = centring.centre === 'box' ? null : photoOutline(template);
  const [x, y]: Point = !outline
    ? [cx, cy]
    : centring.centre === 'area'
      ? centroidOf(outline)
      : visualCentreOf(outline).point;
  return [x + (centring.at[0] - 0.5) * width, y + (centring.at[1] - 0.5) * height];
}

function longer(template: Template): number {
  const { width, height } = photoBox(template);
  return Math.max(width, height);
}

/** The subject's extent over the shape's box at a scale, as the template measures it. */
function sizeAt(template: Template, subject: Subject, scale: number): number {
  const { centring } = template;
  const box = photoBox(template);
  const [w, h] = [(subject.width * scale) / box.width, (subject.height * scale) / box.height];
  switch (centring.measure) {
    case 'width':
      return w;
    case 'height':
      return h;
    case 'area':
      return Math.sqrt((subject.area * scale * scale) / (box.width * box.height));
    default:
      return Math.max(w, h);
  }
}

type Ruled = { readonly scale: number; readonly centre: Point; readonly used: GapUse; readonly by: number };

/** Scale and centre, in the photo's axes, by the rule and by what it does about gaps. */
function ruled(
  { template }: Scene,
  photo: SeenPhoto,
  subject: Subject,
  from: Point,
  spot: Point,
  bounds: Bounds,
  size: number | null,
): Ruled {
  const { gap } = template.centring;
  const least = coverScale(photo, bounds);
  const wanted = size === null ? null : size / sizeAt(template, subject, 1);
  const centreAt = (scale: number): Point => [spot[0] - from[0] * scale, spot[1] - from[1] * scale];
  const begin = wanted ?? least;
  if (covers(photo, begin, centreAt(begin), bounds))
    return { scale: begin, centre: centreAt(begin), used: 'none', by: 0 };
  if (gap === 'extend' || gap === 'leave')
    return { scale: begin, centre: centreAt(begin), used: gap === 'extend' ? 'extended' : 'left', by: 0 };
  const pinned = gap === 'enlarge' ? pinnedScale(photo, from, spot, bounds) : null;
  if (pinned !== null) {
    const scale = Math.max(pinned, wanted ?? 0);
    return { scale, centre: centreAt(scale), used: 'enlarged', by: scale / begin };
  }
  const scale = Math.max(begin, least);
  const centre = shiftedCentre(photo, scale, centreAt(scale), bounds);
  const [dx, dy] = [centre[0] - centreAt(scale)[0], centre[1] - centreAt(scale)[1]];
  return { scale, centre, used: 'shifted', by: Math.hypot(dx, dy) / longer(template) };
}

/** The rule's result changed by hand. */
function adjusted(
  placement: Placement,
  { x, y, scale, angle }: Adjustment,
  spot: Point,
  template: Template,
): Placement {
  const box = photoBox(template);
  const [dx, dy] = turned([(placement.x - spot[0]) * scale, (placement.y - spot[1]) * scale], angle);
  return {
    ...placement,
    scale: placement.scale * scale,
    angle: placement.angle + angle,
    x: spot[0] + dx + x * box.width,
    y: spot[1] + dy + y * box.height,
  };
}

function placedSubject(
  { template, spot }: Scene,
  photo: SeenPhoto,
  subject: Subject,
  placement: Placement,
): PlacedSubject {
  const { scale, angle, mirror } = placement;
  const across = (subject.centre[0] - photo.width / 2) * (mirror ? -1 : 1);
  const [dx, dy] = turned([across * scale, (subject.centre[1] - photo.height / 2) * scale], angle);
  const [x, y] = [placement.x + dx, placement.y + dy];
  const [w, h] = [subject.width * scale, subject.height * scale];
  const [cos, sin] = axesOf(angle).map(Math.abs) as [number, number];
  const side = longer(template);
  return {
    x,
    y,
    width: w * cos + h * sin,
    height: w * sin + h * cos,
    size: sizeAt(template, subject, scale),
    off: [(x - spot[0]) / side, (y - spot[1]) / side],
    source: subject.source,
    confidence: subject.confidence,
    count: subject.count,
  };
}

/** What the template's rule makes of a photo, whatever was changed of it by hand. */
function byRule(scene: Scene, photo: SeenPhoto) {
  const { template, spot } = scene;
  const { rule, straighten, angle: typed, mirror } = template.centring;
  const found = subjectOf(photo, template.centring);
  const subject = found ?? photoItself(photo);
  const side = mirror ? -1 : 1;
  const lean = straighten === 'eyes' ? side * leanOf(photo) : 0;
  const angle = typed - lean;
  const bounds = boundsSeen(scene.shown, angle);
  const from: Point = [side * (subject.centre[0] - photo.width / 2), subject.centre[1] - photo.height / 2];
  const suited = found ? ruleFor(photo, rule) : 'middle';
  // Where a rule found nothing, a number is still wanted of the photo itself.
  const size =
    typeof template.centring.size === 'number' ? template.centring.size : wantedSize(template.centring.size, suited);
  return { found, suited, angle, ...ruled(scene, photo, subject, from, turned(spot, -angle), bounds, size) };
}

function placeOne(scene: Scene, photo: PhotoToPlace): Placed {
  const { template, spot } = scene;
  const { found, suited, angle, scale, centre, used, by } = byRule(scene, photo);
  const [x, y] = turned(centre, angle);
  const before: Placement = { scale, angle, x, y, mirror: template.centring.mirror };
  const { adjustment } = photo;
  const placement = adjustment ? adjusted(before, adjustment, spot, template) : before;
  const gap = gapOf(scene.polygons, photo, placement);
  const fadeGap = scene.shown === scene.polygons ? gap : gapOf(scene.shown, photo, placement);
  const drawn = used === 'extended' || used === 'left';
  return {
    ...placement,
    rule: suited,
    used,
    by: drawn ? gap : by,
    gap,
    fadeGap,
    subject: found && placedSubject(scene, photo, found, placement),
  };
}

/** Share of the outline that the photo does not reach. */
function gapOf(polygons: readonly Polygon[], photo: SeenPhoto, placement: Placement): number {
  const { scale, angle, x, y } = placement;
  const centre = turned([x, y], -angle);
  if (covers(photo, scale, centre, boundsSeen(polygons, angle))) return 0;
  const [halfWidth, halfHeight] = [(photo.width * scale) / 2, (photo.height * scale) / 2];
  const rect: Bounds = [centre[0] - halfWidth, centre[1] - halfHeight, centre[0] + halfWidth, centre[1] + halfHeight];
  return uncoveredShare(polygonsSeen(polygons, angle), rect);
}

/** The least enlargement about the spot that closes every gap, as an adjustment on top of the one there is; null where none can. */
export function closingAdjustment(template: Template, photo: PhotoToPlace): Adjustment | null {
  const place = placer(template);
  const before = place(photo);
  if (before.fadeGap === 0) return photo.adjustment ?? UNADJUSTED;
  const { spot, shown } = sceneOf(template);
  const bounds = boundsSeen(shown, before.angle);
  const centre = turned([before.x, before.y], -before.angle);
  const at = turned(spot, -before.angle);
  const from: Point = [(at[0] - centre[0]) / before.scale, (at[1] - centre[1]) / before.scale];
  const pinned = pinnedScale(photo, from, at, bounds);
  const old = photo.adjustment ?? UNADJUSTED;
  if (pinned !== null) {
    const k = pinned / before.scale;
    // The offset by hand is about the spot as well: it grows with the rest.
    return { ...old, scale: old.scale * k, x: old.x * k, y: old.y * k };
  }
  const scale = Math.max(before.scale, coverScale(photo, bounds));
  const moved = turned(shiftedCentre(photo, scale, centre, bounds), before.angle);
  const k = scale / before.scale;
  const box = photoBox(template);
  const grown: Point = [spot[0] + (before.x - spot[0]) * k, spot[1] + (before.y - spot[1]) * k];
  return {
    ...old,
    scale: old.scale * k,
    x: old.x * k + (moved[0] - grown[0]) / box.width,
    y: old.y * k + (moved[1] - grown[1]) / box.height,
  };
}

export type Placer = (photo: PhotoToPlace) => Placed;

/** A function that places photos for this template; the outline is worked out once, and each photo is placed once. */
export function placer(template: Template): Placer {
  if (hasSlots(template)) {
    const each = slotTemplates(template).map(placer);
    return (photo) => each[photo.slot ?? 0]!(photo);
  }
  const scene = sceneOf(template);
  const known = new WeakMap<PhotoToPlace, Placed>();
  return (photo) => {
    const placed = known.get(photo) ?? placeOne(scene, photo);
    known.set(photo, placed);
    return placed;
  };
}

/** What a subject's size is by the rule alone, and by which rule; null where none was found. Much quicker than placing the photo. */
export type Sizer = (photo: SeenPhoto) => { readonly rule: SuitedRule; readonly size: number } | null;

/** @param template one photo's: without slots */
export function sizer(template: Template): Sizer {
  const scene = sceneOf(template);
  return (photo) => {
    const { found, suited, scale } = byRule(scene, photo);
    return found && { rule: suited, size: sizeAt(template, found, scale) };
  };
}

/** Where the template wants the subject's centre, frame units. */
export const spotOf = wantedSpot;
