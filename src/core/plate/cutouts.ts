/** The cutout of a template, in any rows of the picture. */
import type { Border } from '../layers';
import { coverage, sameRoom, type PixelWindow } from '../raster';
import type { Template } from '../template';
import { castMaker, coatMaker, edgeOf } from './band';
import type { Coat } from './coat';
import type { Cutout } from './cutout';
import { echoMaker } from './echoes';
import { featherMask } from './feather';
import { freeBandMaker } from './free-bands';
import { layersOf, type Ring } from './layers';
import type { Scene, SceneFor } from './scene';

/** The coats of every ring that is not the same all round; a border that lies in several is made once a band. */
function coatsOf(rings: readonly Ring[], scene: Scene) {
  const makers = { band: new Map<Border, Maker>(), shadow: new Map<Border, Maker>() };
  for (const { border, as } of rings.flatMap(({ varying }) => varying ?? []))
    if (!makers[as].has(border)) makers[as].set(border, as === 'band' ? coatMaker(border, scene) : castMaker(border, scene)); // prettier-ignore
  return (window: PixelWindow): Cutout['coats'] => {
    const madeOf = (some: ReadonlyMap<Border, Maker>) =>
      new Map([...some].map(([border, make]) => [border, make(window)]));
    const made = { band: madeOf(makers.band), shadow: madeOf(makers.shadow) };
    return rings.map(({ varying }) => varying && varying.map(({ border, as }) => made[as].get(border)!));
  };
}

type Maker = (window: PixelWindow) => Coat;

/** A cutout in a band of rows. */
export type CutoutIn = {
  /** In some of them; its masks hold until others are asked for. */
  readonly at: (window: PixelWindow) => Cutout;
  /** Echoes that lie behind it. */
  readonly behind: readonly Coat[];
  /** Bands of their own and echoes that lie before it. */
  readonly before: (window: PixelWindow, cutout: Cutout) => readonly Coat[];
};

/** The cutout with what its borders lay on it and behind it, in any band. */
export function cutoutMaker(template: Template, scene: Scene, sceneFor: SceneFor): (band: PixelWindow) => CutoutIn {
  const { outline, scale, clip, others } = scene;
  const { levels, rings } = layersOf(template);
  const edges = levels.map(({ distance, join, rough }) => edgeOf(scene, distance, join, rough));
  const feathered = template.edge.feather > 0 ? featherMask(outline, template.edge, scale) : null;
  const coatsIn = coatsOf(rings, scene);
  const freeBands = freeBandMaker(template.borders, sceneFor);
  const echoesBehind = echoMaker(template.borders, 'behind', sceneFor);
  const echoesBefore = echoMaker(template.borders, 'before', sceneFor);
  return (band) => {
    // Of each band its own: a cutout and its mirror image are worked out side by side.
    const masks = edges.map((edge) => ({ edge, room: sameRoom() }));
    const coats = coatsIn(band);
    const echoes = echoesBefore(band);
    return {
      at: (window) => {
        const within = clip && coverage(clip, window);
        const clipped = (mask: Float32Array) => (within ? mask.map((v, i) => v * within[i]!) : mask);
        return {
          ...window,
          rings,
          levels: masks.map(({ edge, room }) => clipped(coverage(edge, window, room))),
          coats,
          feather: feathered && clipped(feathered(window)),
          others,
        };
      },
      behind: echoesBehind(band),
      before: (window, { levels: masks }) => [...freeBands(window, masks[0]!), ...echoes],
    };
  };
}
