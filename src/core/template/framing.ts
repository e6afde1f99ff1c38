/** A framing: what a template has round its photo, apart from its shape; it goes on any. */
import { z } from 'zod';
import { border, edgeRelief, grown, light, rough, shadow, type Growth } from '../layers';
import { tidyLengthIn } from './units';
import type { Template } from './template';

/** The frame's shorter side that its lengths are for. */
const FRAME = 1080;

/** As it is kept and sent. */
export const framingDocument = z.strictObject({
  light: light.schema.prefault({}),
  borders: z.array(border.schema).max(16).default([]),
  shadows: z.array(shadow.schema).max(16).default([]),
  edge: z
    .strictObject({ rough: rough.schema.nullable().default(null), relief: edgeRelief.schema.nullable().default(null) })
    .prefault({}),
});
export type Framing = z.infer<typeof framingDocument>;

function grownFraming({ light: lit, borders, shadows, edge }: Framing, growth: Growth): Framing {
  return {
    light: lit,
    borders: borders.map((layer) => grown(border, layer, growth)),
    shadows: shadows.map((layer) => grown(shadow, layer, growth)),
    edge: {
      rough: edge.rough && grown(rough, edge.rough, growth),
      relief: edge.relief && grown(edgeRelief, edge.relief, growth),
    },
  };
}

/** All lengths `k` times as long, as people would have written them. */
const timesLong = (k: number, unit: Template['frame']['unit']): Growth => {
  const tidy = tidyLengthIn(unit);
  return { length: (v) => tidy(v * k), place: ([x, y]) => [x * k, y * k] };
};

const side = ({ frame }: Pick<Template, 'frame'>): number => Math.min(frame.width, frame.height);

/** The template with another framing; all else of its finish stays. */
export function withFraming(template: Template, framing: Framing): Template {
  const { edge, ...rest } = grownFraming(framing, timesLong(side(template) / FRAME, template.frame.unit));
  return { ...template, ...rest, edge: { ...template.edge, ...edge } };
}

/** The framing that a template has. */
export const framingOf = (template: Template): Framing => {
  const { light: lit, borders, shadows, edge } = template;
  const { rough: ragged, relief } = edge;
  return grownFraming({ light: lit, borders, shadows, edge: { rough: ragged, relief } }, timesLong(FRAME / side(template), 'px')); // prettier-ignore
};
