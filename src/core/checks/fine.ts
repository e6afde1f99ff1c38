import { thinnestPart, type Outline } from '../shape';
import { borderBand } from '../plate';
import { featherShift, type Template } from '../template';
import { defineCheck, type CheckInput } from './check';

const number = (v: number) => String(Math.round(v * 100) / 100);
type Thin = ReturnType<typeof thinnestPart>;
type Known = Pick<Template['edge'], 'rounding' | 'pins' | 'rough'> & { readonly thin: Thin };
const thinOf = new WeakMap<object, Known>();

/** Worked out once a shape, as it takes a moment; a border that changes leaves the shape as it is. */
function thinIn({ shape, edge }: Template, outline: Outline): Thin {
  const known = thinOf.get(shape);
  const { rounding, pins, rough } = edge;
  if (known?.rounding === rounding && known.pins === pins && known.rough === rough) return known.thin;
  const thin = thinnestPart(outline);
  thinOf.set(shape, { rounding, pins, rough, thin });
  return thin;
}

/** How far from the outline a feathered photo shows by less than half, or about two thirds where its fade lies across; frame units. */
function fadeDepth({ edge }: Template): number {
  return edge.featherSide === 'centre' ? edge.feather / 2 : Math.max(0, -featherShift(edge));
}

/** What reaches furthest into the shape from its edge. */
function deepest(template: Template): { readonly what: 'border' | 'feather'; readonly depth: number } {
  const border = Math.max(0, ...template.borders.filter(({ on }) => on).map((b) => -borderBand(b)[1]));
  const feather = fadeDepth(template);
  return feather > border ? { what: 'feather', depth: feather } : { what: 'border', depth: border };
}

/** Where the shape is too thin for its border or feather, which reaches in from both sides; `short` says by how much, frame units. */
export function tooThin(template: Template, outline: Outline) {
  const { what, depth } = deepest(template);
  // Around a window there is nothing that could be too thin.
  if (depth === 0 || template.mode === 'window') return null;
  const thin = thinIn(template, outline);
  return { what, ...thin, short: 2 * depth - thin.width };
}

const WORDS = {
  border: ['the border fills', 'make the border narrower or lay it outside'],
  feather: ['the feather washes out', 'make the feather shorter or lay it outside'],
} as const;

const found = ({ template, outline }: CheckInput) => tooThin(template, outline)!;

/** By how much the shape's thinnest part is narrower than what its border or feather takes up; frame units. */
export const fine = defineCheck({
  id: 'fine',
  label: 'Shape too fine for its border or feather',
  about: 'output',
  measure: ({ template, outline }) => tooThin(template, outline)?.short ?? null,
  limit: () => 0,
  brief: () => 'too fine',
  explain: (_, input) => {
    const { what, width, at } = found(input);
    const { frame } = input.template;
    return `${WORDS[what][0]} the shape’s thinnest part, ${number(width)} ${frame.unit} wide at ${number(at[0])}, ${number(at[1])}`;
  },
  mend: (input) => WORDS[found(input).what][1],
});
