/**
 * One scheduler paints all canvases of the page, wherever they are: one round is under way
 * at a time, changes that come meanwhile are joined into the next, so a fast slider never
 * builds a queue. All cutouts of a list appear in the same frame, the shortest list's first: on
 * the stage that is the large one, which follows the hand. Blank ones come before all others.
 */
import { ratioOf, type Template } from '@/core/template';
import type { Drawn, PreviewPhoto } from '@/preview';

/** What some canvases are to show: photos through a template, so many pixels wide. */
export type Goal = {
  readonly template: Template;
  readonly width: number;
  readonly photos: readonly PreviewPhoto[];
};

/** Canvases that are painted together. */
export type PaintGroup = {
  goal: Goal;
  readonly canvases: Map<number, HTMLCanvasElement>;
  /** Photos that could not be drawn, with why; called only where that has changed. */
  readonly onErrors: (errors: ReadonlyMap<number, string>) => void;
};

export type Draw = (template: Template, width: number, photos: readonly PreviewPhoto[]) => Promise<Drawn[]>;
type Paint = (canvas: HTMLCanvasElement, drawn: Extract<Drawn, { pixels: unknown }>) => void;

/** Blank canvases are filled so many at a time, so that those scrolled past meanwhile cost nothing and the others don't wait for them. */
const AT_ONCE = 12;

type Painted = { readonly template: Template; readonly width: number; readonly photo: PreviewPhoto };
type Wanted = { readonly group: PaintGroup; readonly goal: Goal; readonly photos: readonly PreviewPhoto[] };

export function createPainting(draw: Draw, paint: Paint) {
  const groups = new Set<PaintGroup>();
  const painted = new WeakMap<HTMLCanvasElement, Painted>();
  const errors = new WeakMap<PaintGroup, ReadonlyMap<number, string>>();
  let busy = false;
  // A round that has just found nothing more is not over yet: what is asked for then would be lost.
  let again = false;

  function staleOf({ goal, canvases }: PaintGroup): readonly PreviewPhoto[] {
    if (goal.width < 1) return [];
    return goal.photos.filter((photo) => {
      const canvas = canvases.get(photo.id);
      const last = canvas && painted.get(canvas);
      return canvas && (last?.template !== goal.template || last.width !== goal.width || last.photo !== photo);
    });
  }

  /** What the next round paints of every group: what is blank, or all that is stale. */
  function wanted(): Wanted[] {
    const all = [...groups].flatMap((group) => {
      const stale = staleOf(group);
      if (stale.length === 0) return [];
      const blank = stale.filter((photo) => !painted.has(group.canvases.get(photo.id)!));
      return [{ group, goal: group.goal, photos: blank.length > 0 ? blank.slice(0, AT_ONCE) : stale }];
    });
    return all.sort((a, b) => a.photos.length - b.photos.length);
  }

  function show({ group, goal, photos }: Wanted, drawn: readonly Drawn[]): void {
    const asked = new Map(photos.map((photo) => [photo.id, photo]));
    const before = errors.get(group) ?? new Map<number, string>();
    const after = new Map(before);
    for (const cutout of drawn) {
      if ('error' in cutout) after.set(cutout.id, cutout.error);
      else after.delete(cutout.id);
      const canvas = group.canvases.get(cutout.id);
      if (!canvas) continue;
      painted.set(canvas, { template: goal.template, width: goal.width, photo: asked.get(cutout.id)! });
      if ('pixels' in cutout) paint(canvas, cutout);
      canvas.dataset.painted = String(performance.now());
    }
    if (after.size === before.size && [...after].every(([id, why]) => before.get(id) === why)) return;
    errors.set(group, after);
    group.onErrors(after);
  }

  async function rounds(): Promise<void> {
    for (let next = wanted(); next.length > 0; next = wanted()) {
      // All are asked at once: the workers keep what they compiled for one group for the others.
      const paintOne = async (want: Wanted) => show(want, await draw(want.goal.template, want.goal.width, want.photos));
      await Promise.all(next.map(paintOne));
    }
  }

  /** @param moment resolves when the first round may begin; null for at once */
  async function refresh(moment: Promise<void> | null): Promise<void> {
    again = true;
    if (busy) return;
    busy = true;
    if (moment) await moment;
    try {
      while (again) {
        again = false;
        await rounds();
      }
    } finally {
      busy = false;
    }
  }

  return {
    /** Takes part until the returned function is called. */
    join: (group: PaintGroup): (() => void) => {
      groups.add(group);
      return () => groups.delete(group);
    },
    /**
     * What shows one template goes on with another at once, before it is drawn anew itself: the workers are at it
     * meanwhile. Where the picture's proportions change, canvases get other sizes first.
     */
    goOn: (from: Template, to: Template): void => {
      if (ratioOf(from) !== ratioOf(to)) return;
      const following = [...groups].filter(({ goal }) => goal.template === from);
      for (const group of following) group.goal = { ...group.goal, template: to };
      if (following.length > 0) void refresh(null);
    },
    /** Paints what is not as it should be; what changes while a round is under way comes in the next. Lists that are changed in the same moment take part in the same round. */
    refresh: (): Promise<void> => refresh(Promise.resolve()),
  };
}
