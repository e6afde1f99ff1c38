import { roughReach, thinnestPart } from '../shape';
import { borderBand } from '../plate';
import { featherShift, templateOutline, type Template } from '../template';
import { defineCheck, type CheckInput } from './check';

const number = (v: number) => String(Math.round(v * 100) / 100);
type Thin = NonNullable<ReturnType<typeof thinnestPart>>;
type Shaped = Pick<Template, 'shape' | 'edge'>;
type Known = Pick<Template['edge'], 'rounding' | 'pins'> & { readonly thin: Thin | null; readonly upTo: number };
const thinOf = new WeakMap<object, Known>();

/** Without its waves; kept with the shape, as it takes a moment: a border that changes leaves the shape as it is. */
function smoothThin({ shape, edge }: Shaped, upTo: number): Thin | null {
  const known = thinOf.get(shape);
  const { rounding, pins, rough } = edge;
  if (known?.rounding === rounding && known.pins === pins && (known.thin || known.upTo >= upTo)) return known.thin;
  // A border that grows soon asks for a little more.
  const asked = 2 * upTo;
  const thin = thinnestPart(templateOutline({ shape, edge: rough ? { ...edge, rough: null } : edge }), asked);
  thinOf.set(shape, { rounding, pins, thin, upTo: asked });
  return thin;
}

/**
 * A template's thinnest part; by a rough edge as narrow as that makes it at most. Null where the shape is too intricate to tell.
 *
 * @param upTo frame units; may be null where no part is narrower, which is told sooner
 */
export function thinnest(template: Shaped, upTo = Infinity): Thin | null {
  const { rough } = template.edge;
  const waves = rough ? 2 * roughReach(rough) : 0;
  const thin = smoothThin(template, upTo + waves);
  return thin && { ...thin, width: Math.max(0, thin.width - waves) };
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
export function tooThin(template: Template) {
  const { what, depth } = deepest(template);
  // Around a window there is nothing that could be too thin.
  if (depth === 0 || template.mode === 'window') return null;
  const thin = thinnest(template, 2 * depth);
  return thin && { what, ...thin, short: 2 * depth - thin.width };
}

const WORDS = {
  border: ['the border fills', 'make the border narrower or lay it outside'],
  feather: ['the feather washes out', 'make the feather shorter or lay it outside'],
} as const;

const found = ({ template }: CheckInput) => tooThin(template)!;

/** By how much the shape's thinnest part is narrower than what its border or feather takes up; frame units. */
export const fine = defineCheck({
  id: 'fine',
  label: 'Shape too fine for its border or feather',
  about: 'output',
  measure: ({ template }) => tooThin(template)?.short ?? null,
  limit: () => 0,
  brief: () => 'too fine',
  explain: (_, input) => {
    const { what, width, at } = found(input);
    const { frame } = input.template;
    return `${WORDS[what][0]} the shape’s thinnest part, ${number(width)} ${frame.unit} wide at ${number(at[0])}, ${number(at[1])}`;
  },
  mend: (input) => WORDS[found(input).what][1],
});
