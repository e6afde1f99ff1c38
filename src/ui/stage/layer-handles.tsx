'use client';
import { useDrag } from '@use-gesture/react';
import { useMemo } from 'react';
import { captionHandles, layerKind, maskOf, paintHandle, placeHandles, shadowHandle, type LayerHandle } from '@/core/layers'; // prettier-ignore
import { borderBand } from '@/core/plate';
import { boundsOfOutline, type Point } from '@/core/shape';
import { graspIn, pictureOf, templateOutline, type Template, type Unit } from '@/core/template';
import { replaced } from '../layers/lists';
import type { TemplateStore } from '../template/store';
import { arrowStep } from './keys';
import type { HeldLayer } from './stage-state';
import { onScreen, type View } from './view';

type Change = (template: Template) => Template;

/** The handles of what lies under everything. */
function groundHandles(template: Template, list: 'backdrop' | 'mat'): LayerHandle<Change>[] {
  const { frame, backdrop, mat } = template;
  const { left, top, width, height } = list === 'mat' ? pictureOf(template) : { left: 0, top: 0, ...frame };
  const paint = list === 'mat' ? mat.paint : backdrop;
  const handle = paint && paintHandle(paint, { left, top, width, height });
  if (!handle) return [];
  return [
    {
      ...handle,
      pull: (to, steps) => {
        const next = handle.pull(to, steps) as Template['backdrop'];
        return (t) => (list === 'mat' ? { ...t, mat: { ...t.mat, paint: next } } : { ...t, backdrop: next });
      },
    },
  ];
}

/** The handles of a layer on the picture, whatever its list. */
function handlesOf(template: Template, held: HeldLayer): LayerHandle<Change>[] {
  if (held.list === 'backdrop' || held.list === 'mat') return groundHandles(template, held.list);
  const { list, i } = held;
  const grasp = graspIn(template.frame);
  const [left, top, right, bottom] = boundsOfOutline(templateOutline(template));
  const around = (by: number) => ({ left: left - by, top: top - by, width: right - left + 2 * by, height: bottom - top + 2 * by }); // prettier-ignore
  const asChange = <T,>(handle: LayerHandle<T> | null, fields: (next: T) => object): LayerHandle<Change>[] =>
    handle
      ? [
          {
            ...handle,
            pull: (to: Point, steps: boolean): Change => {
              const next = fields(handle.pull(to, steps));
              return (t) => ({ ...t, [list]: replaced(t[list] as readonly object[], i, next) });
            },
          },
        ]
      : [];
  if (list === 'shadows') {
    const shadow = template.shadows[i];
    return shadow?.on ? asChange(shadowHandle(shadow, around(0), grasp), (next) => next) : [];
  }
  if (list === 'behind' || list === 'before') {
    const layer = template[list][i];
    if (!layer?.on) return [];
    if (layer.place && (layer.show === 'picture' || (list === 'before' && layer.show === 'photo')))
      return placeHandles(layer.place, grasp).flatMap((handle) => asChange(handle, (place) => ({ place })));
    const shape = maskOf(layer);
    if (!shape) return [];
    const { cx, cy, width, height } = shape.box;
    return placeHandles({ cx, cy, width, height }, grasp).flatMap((handle) =>
      asChange(handle, (box) => ({ shape: { ...shape, box: { ...shape.box, ...box } } })),
    );
  }
  if (list === 'captions') {
    const caption = template.captions[i];
    return caption?.on ? captionHandles(caption, grasp).flatMap((handle) => asChange(handle, (next) => next)) : [];
  }
  const layer = template[list][i];
  if (!layer?.on || typeof layer.paint === 'string') return [];
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

type OneHandleProps = Omit<LayerHandlesProps, 'template' | 'held'> & {
  readonly handle: LayerHandle<Change>;
  /** Which layer it is of. */
  readonly title: string;
  readonly unit: Unit;
};

function OneHandle({ handle, title, unit, store, view, pointAt, onDrag }: OneHandleProps) {
  const bind = useDrag(
    ({ xy, first, last, shiftKey, event }) => {
      event.stopPropagation();
      if (first) onDrag(true);
      store.change(handle.pull(pointAt(xy), shiftKey));
      if (last) onDrag(false);
    },
    { pointer: { keys: false } },
  );
  const [from, at] = [onScreen(view, handle.from), onScreen(view, handle.at)];
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
          const step = arrowStep(event, unit);
          if (step) store.change(handle.pull([handle.at[0] + step[0], handle.at[1] + step[1]], false));
        }}
      >
        <title>{`${title}: ${handle.label.toLowerCase()}`}</title>
      </circle>
    </>
  );
}

/** What it is called; null where there is no such layer, or it is locked. */
function titleOf(template: Template, held: HeldLayer): string | null {
  if (held.list === 'backdrop') return 'Backdrop';
  if (held.list === 'mat') return 'Mat';
  const layer = template[held.list][held.i];
  if (!layer || layer.locked) return null;
  return `${layerKind(held.list).title(layer)} ${held.i + 1}`;
}

/** On the stage: where the layer that is worked on is held: a gradient's direction, a shadow's offset, a picture's corners. */
export function LayerHandles({ template, held, ...common }: LayerHandlesProps) {
  const handles = useMemo(() => handlesOf(template, held), [template, held]);
  const title = titleOf(template, held);
  if (title === null) return null;
  return handles.map((handle) => (
    <OneHandle key={handle.label} handle={handle} title={title} unit={template.frame.unit} {...common} />
  ));
}
