'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Template } from '@/core/template';
import type { PreviewPhoto } from '@/preview';
import { paint } from '../shared/cutout-canvas';
import { previewPool } from '../shared/preview';

/** Blank canvases are filled so many at a time, so that those scrolled past meanwhile cost nothing and the others don't wait for them. */
const AT_ONCE = 12;

/**
 * Keeps the visible canvases painted with the newest template. One round is under way at
 * a time; changes that come meanwhile are joined into the next, so a fast slider never
 * builds a queue. All cutouts of a round appear in the same frame; blank ones come first.
 */
export function usePainter(template: Template, width: number, photos: readonly PreviewPhoto[]) {
  const canvases = useRef(new Map<number, HTMLCanvasElement>());
  const painted = useRef(new WeakMap<HTMLCanvasElement, { template: Template; width: number; photo: PreviewPhoto }>());
  const wanted = useRef({ template, width, photos });
  const busy = useRef(false);
  const [errors, setErrors] = useState<ReadonlyMap<number, string>>(new Map());

  const round = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    for (;;) {
      const goal = wanted.current;
      const stale = goal.photos.filter((photo) => {
        const canvas = canvases.current.get(photo.id);
        const last = canvas && painted.current.get(canvas);
        return canvas && (last?.template !== goal.template || last.width !== goal.width || last.photo !== photo);
      });
      if (stale.length === 0 || goal.width < 1) break;
      const blank = stale.filter((photo) => !painted.current.has(canvases.current.get(photo.id)!));
      const next = blank.length > 0 ? blank.slice(0, AT_ONCE) : stale;
      const drawn = await previewPool().draw(goal.template, goal.width, next);
      const failed = new Map<number, string>();
      const asked = new Map(next.map((photo) => [photo.id, photo]));
      for (const cutout of drawn) {
        const canvas = canvases.current.get(cutout.id);
        if (!canvas) continue;
        painted.current.set(canvas, { template: goal.template, width: goal.width, photo: asked.get(cutout.id)! });
        if ('pixels' in cutout) paint(canvas, cutout);
        else failed.set(cutout.id, cutout.error);
        canvas.dataset.painted = String(performance.now());
      }
      if (failed.size > 0) setErrors((before) => new Map([...before, ...failed]));
    }
    busy.current = false;
  }, []);

  useEffect(() => {
    wanted.current = { template, width, photos };
    // The state that a round sets comes after its drawing, never within this effect.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    void round();
  }, [template, width, photos, round]);

  const register = useCallback(
    (id: number) => (canvas: HTMLCanvasElement | null) => {
      if (canvas) canvases.current.set(id, canvas);
      else canvases.current.delete(id);
    },
    [],
  );
  return { register, errors };
}
