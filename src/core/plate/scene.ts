/** What all layers of a template go by at one size. */
import type { Border, Light } from '../layers';
import type { Picked } from '../paint';
import type { Outline, Polygon } from '../shape';
import { bandBend, pictureOf, type Template } from '../template';
import type { Band } from './band';
import { photosBehind, type PhotoBehind } from './behind';
import type { EchoScene } from './echo-source';
import { isFree, picksOf } from './layers';
import type { Others } from './pixel';
import { sidedIn, type Sided } from './sided';

/** The outline in pixels of the picture, pixels per frame unit, and the frame's corner in frame units. */
export type Scene = Sided & {
  readonly scale: number;
  readonly picks: readonly Picked[];
  /** The photos behind. */
  readonly behind: readonly PhotoBehind[];
  readonly others: Others;
  readonly origin: readonly [x: number, y: number];
  /** The frame's corner, pixels. */
  readonly corner: readonly [x: number, y: number];
  readonly light: Light;
  readonly edges: Map<string, Polygon[]>;
  readonly bands: Map<Border, Band>;
  readonly isRagged: boolean;
};

export type SceneFor = (border: Border) => EchoScene;

/** The scene of each border: one with pins follows an outline of its own. */
export function sceneForBorders(template: Template, width: number, scene: Scene): SceneFor {
  const middle = middleOf(template, scene);
  const known = new Map<Border, EchoScene>();
  return (border) => {
    const made = known.get(border);
    if (made) return made;
    const at = (across: number) => (isFree(border) ? sceneOf(template, across, bandBend(template, border).outline) : sceneOf(template, across)); // prettier-ignore
    const next = { ...(isFree(border) ? at(width) : scene), middle, at: (times: number) => at(width * times) };
    known.set(border, next);
    return next;
  };
}

/**
 * The outline of a template in pixels of a picture so many pixels wide, and what else all layers go by.
 *
 * @param outline another one than its own
 */
export function sceneOf(template: Template, width: number, outline?: Outline): Scene {
  const picture = pictureOf(template);
  const scale = width / picture.width;
  const picks = picksOf(template);
  const behind = photosBehind(template, width);
  return {
    ...sidedIn(template, width, outline),
    scale,
    picks,
    behind,
    others: { picks: picks.length, behind: behind.length, made: 0 },
    origin: [-picture.left, -picture.top],
    corner: [-picture.left * scale, -picture.top * scale],
    light: template.light,
    edges: new Map(),
    bands: new Map(),
    isRagged: template.edge.rough !== null,
  };
}

/** The middle of the shape, pixels. */
function middleOf({ shape: { box } }: Template, { scale, corner }: Scene): readonly [x: number, y: number] {
  return [corner[0] + box.cx * scale, corner[1] + box.cy * scale];
}
