/** Scenes of the demo generator whose subjects' boxes are known, and how far off a cutout lies that is centred by what was seen: for tests and measurements. */
import { readFileSync } from 'node:fs';
import { inFrame, placer, seenAgain } from '../../core/placement';
import type { Sight } from '../../core/sight';
import { parseTemplate } from '../../core/template';

type Sides = [left: number, top: number, right: number, bottom: number];
/** Pixels; `body` is a pot's box without its handle. */
type Known = { file: string; plain: boolean; width: number; height: number; box: Sides; body?: Sides };

export const readKnown = (path: string) => JSON.parse(readFileSync(path, 'utf8')) as Known[];

/** The finder's constants were set on the first two; the others were only measured, once they were. */
export type SceneSet = 'plain' | 'busy' | 'plain, unseen' | 'busy, unseen' | 'busy, unseen, further';

export type Scene = { readonly known: Known; readonly path: string; readonly set: SceneSet };

/** Scenes by their number: plain ones from the first of these on are unseen, busy ones from the second on. */
const [PLAIN_UNSEEN, BUSY_UNSEEN] = [181, 321];

function setOf({ file, plain }: Known): SceneSet {
  const number = Number(/^scene-(\d+)/.exec(file)?.[1] ?? 0);
  if (plain) return number >= PLAIN_UNSEEN ? 'plain, unseen' : 'plain';
  return number >= BUSY_UNSEEN ? 'busy, unseen' : 'busy';
}

export const knownScenes = (): Scene[] =>
  [
    ...readKnown('demo/subjects.json')
      .filter(({ file }) => file.startsWith('products/'))
      .map((known) => ({ known, path: `demo/photos/${known.file}` })),
    ...readKnown('test-photos/scenes.json').map((known) => ({ known, path: `test-photos/scenes/${known.file}` })),
  ].map((scene) => ({ ...scene, set: setOf(scene.known) }));

/** More of the busy ones on which nothing was set: how seldom a mistake is made shows on many only. Tests do without. */
export const furtherScenes = (): Scene[] =>
  readKnown('test-photos/further.json').map((known) => ({
    known,
    path: `test-photos/further/${known.file}`,
    set: 'busy, unseen, further',
  }));

const template = parseTemplate({ wobrel: 1, name: 'T', centring: { rule: 'subject', size: 0.6, gap: 'extend' } });
const place = placer(template);

const placedBy = Object.fromEntries(
  (['box', 'body'] as const).map((middle) => [
    middle,
    placer(parseTemplate({ wobrel: 1, name: 'T', centring: { rule: 'subject', size: 0.6, gap: 'extend', middle } })),
  ]),
) as Record<'box' | 'body', ReturnType<typeof placer>>;

/** A pot whose body is known without its handle. */
export type Handled = Known & { readonly body: Sides };
export const isHandled = (known: Known): known is Handled => known.body !== undefined;

/** How far the middle of a pot's body lies from the spot across, as a share of the shape, by what of it is centred. */
export function bodyOff({ width, height, body: [l, , r] }: Handled, sight: Sight, middle: 'box' | 'body'): number {
  const photo = { width, height, sight };
  return Math.abs(inFrame(placedBy[middle](photo), photo, [(l + r) / 2, height / 2])[0] - 540) / 960;
}

/** Subjects trusted less than this are a finding. */
export const UNSURE = template.limits.confidence;

export type Miss = { readonly off: number; readonly size: number; readonly confidence: number };

/** How far the known subject's centre lies from the spot, and its size from the wanted one, both as shares of the shape. */
export function missOf({ width, height, box: [l, t, r, b] }: Known, sight: Sight): Miss {
  const photo = { width, height, sight };
  const placed = place(photo);
  const [x, y] = inFrame(placed, photo, [(l + r) / 2, (t + b) / 2]);
  return {
    off: Math.hypot(x - 540, y - 540) / 960,
    size: Math.abs((Math.max(r - l, b - t) * placed.scale) / 960 - 0.6),
    confidence: sight.subject?.confidence ?? 0,
  };
}

/** How far the second look is from the first, as shares of the shape, and whether that is a finding. */
export type Apart = { readonly off: number; readonly size: number; readonly finding: boolean };

export function apartOf({ width, height }: Known, sight: Sight): Apart {
  const photo = { width, height, sight };
  const again = seenAgain(photo, place(photo), template);
  // No subject, or none the second time: as far as can be.
  if (!again || again === 'unseen') return { off: 1, size: 1, finding: true };
  const { off, size } = again.apart;
  return { off, size, finding: Math.max(off, size / 2) > template.limits.apart };
}

/** The least value that a share of the values do not exceed (nearest rank). */
export const percentile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.max(0, Math.ceil(share * values.length) - 1)]!;
