'use client';
import { useDrag } from '@use-gesture/react';
import { useMemo } from 'react';
import { LAYER_LISTS, paintHandle, shadowHandle, type LayerHandle } from '@/core/layers';
import { borderBand } from '@/core/plate';
import { boundsOfOutline, type Point } from '@/core/shape';
import { templateOutline, type Template } from '@/core/template';
import { replaced } from '../layers/lists';
import type { TemplateStore } from '../template/store';
import { arrowStep } from './keys';
import type { HeldLayer } from './stage-state';
import { onScreen, type View } from './view';

type Change = (template: Template) => Template;

/** The handle of a layer on the picture, whatever its list; null where it has none. */
function handleOf(template: Template, { list, i }: HeldLayer): LayerHandle<Change> | null {
  const [left, top, right, bottom] = boundsOfOutline(templateOutline(template));
  const around = (by: number) => ({ left: left - by, top: top - by, width: right - left + 2 * by, height: bottom - top + 2 * by }); // prettier-ignore
  const asChange = <T,>(handle: LayerHandle<T> | null, fields: (next: T) => object) =>
    handle && {
      ...handle,
      pull: (to: Point, steps: boolean): Change => {
        const next = fields(handle.pull(to, steps));
        return (t) => ({ ...t, [list]: replaced(t[list] as readonly object[], i, next) });
      },
    };
  if (list === 'shadows') {
    const shadow = template.shadows[i];
    return shadow?.on ? asChange(shadowHandle(shadow, around(0)), (next) => next) : null;
  }
  const layer = template[list][i];
  if (!layer?.on || typeof layer.paint === 'string' || list === 'captions' || list === 'behind' || list === 'before')
    return null;
  const box = around(list === 'borders' ? borderBand(template.borders[i]!)[0] : 0);
  return asChange(paintHandle(layer.paint, box), (paint) => ({ paint }));
}

type LayerHandlesProps = {
  readonly template: Template;
  readonly store: TemplateStore;
  readonly view: View;
  readonly held: HeldLayer;
  readonly pointAt: (client: readonly [number, number]) => Point;
  readonly onDrag: (active: boolean) => void;
};

/** On the stage: the direction or middle of the gradient that is worked on, or the offset of the shadow. */
export function LayerHandles({ template, store, view, held, pointAt, onDrag }: LayerHandlesProps) {
  const handle = useMemo(() => handleOf(template, held), [template, held]);
  const bind = useDrag(
    ({ xy, first, last, shiftKey, event }) => {
      event.stopPropagation();
      if (first) onDrag(true);
      if (handle) store.change(handle.pull(pointAt(xy), shiftKey));
      if (last) onDrag(false);
    },
    { pointer: { keys: false } },
  );
  if (!handle) return null;
  const [from, at] = [onScreen(view, handle.from), onScreen(view, handle.at)];
  const layer = template[held.list][held.i]!;
  const title = `${(LAYER_LISTS[held.list].title as (l: object) => string)(layer)} ${held.i + 1}`;
  return (
    <>
      <line className="stage-box" x1={from[0]} y1={from[1]} x2={at[0]} y2={at[1]} />
      <circle
        {...bind()}
        className="stage-handle"
        cx={at[0]}
        cy={at[1]}
        r={7}
        tabIndex={0}
        role="button"
        aria-label={`${handle.label}, ${title}: drag it, or move it with the arrow keys`}
        onKeyDown={(event) => {
          const step = arrowStep(event);
          if (step) store.change(handle.pull([handle.at[0] + step[0], handle.at[1] + step[1]], false));
        }}
      >
        <title>{`${title}: ${handle.label.toLowerCase()}`}</title>
      </circle>
    </>
  );
}
