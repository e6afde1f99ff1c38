'use client';
import type { Other } from '@/core/outline';
import { boundsOfOutline, pathData } from '@/core/shape';
import { slotTemplate, templateOutline, type Template } from '@/core/template';
import { setStage } from './stage-state';
import type { View } from './view';

type OtherSlotsProps = {
  readonly template: Template;
  /** The slot in hand, which has handles of its own. */
  readonly slot: number;
  readonly view: View;
};

/** Bounds of the slots' outlines that are not worked on. */
export const outlinesBeside = (template: Template, slot: number | null): readonly Other[] =>
  slot === null
    ? []
    : template.slots.flatMap((_, i) => (i === slot ? [] : [boundsOfOutline(templateOutline(slotTemplate(template, i)))])); // prettier-ignore

/** The outlines of the slots that are not worked on; a click takes one in hand. */
export function OtherSlots({ template, slot, view }: OtherSlotsProps) {
  const take = (i: number) => setStage({ slot: i, part: null, layer: null });
  return template.slots.map(
    ({ name }, i) =>
      i !== slot && (
        <path
          key={name}
          className="stage-slot"
          d={pathData(templateOutline(slotTemplate(template, i)), 3)}
          transform={`matrix(${view.k} 0 0 ${view.k} ${view.x} ${view.y})`}
          role="button"
          tabIndex={0}
          aria-label={`Take slot ${name} in hand`}
          onPointerDown={(event) => {
            event.stopPropagation();
            take(i);
          }}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' && event.key !== ' ') return;
            event.preventDefault();
            take(i);
          }}
        >
          <title>{name}</title>
        </path>
      ),
  );
}
