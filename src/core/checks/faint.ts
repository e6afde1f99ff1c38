import { coloursOf, contrastRatio, parseColour, type LinePaint } from '../paint';
import { borderBand, thrownShadows, sourceOver } from '../plate';
import type { Template } from '../template';
import { defineCheck, type CheckInput } from './check';

export type SetOff = { readonly what: 'border' | 'shadow'; readonly ratio: number };

/** Contrast of a colour laid on what is behind with what is behind. */
function against(behind: string, colour: string, opacity: number): number {
  const { r, g, b } = parseColour(behind);
  const top = parseColour(colour);
  const [x, y, z] = sourceOver([r, g, b, 1], { ...top, alpha: top.alpha * opacity });
  return contrastRatio({ r: x, g: y, b: z, alpha: 1 }, { r, g, b, alpha: 1 });
}

/** A ratio as it is said: rounded down, so that what falls short of a limit never reads as the limit itself. */
export const ratioWords = (ratio: number): string => `${(Math.floor(ratio * 100 + 1e-6) / 100).toFixed(2)} : 1`;

/** A gradient by its worst part, on what is behind by its. */
const faintest = (
  behind: readonly string[],
  colours: readonly (readonly [colour: string, opacity: number])[],
): number =>
  Math.min(...behind.flatMap((ground) => colours.map(([colour, opacity]) => against(ground, colour, opacity))));

/** What sets the cutout off from what is behind it: the fainter of the borders along its edge or beyond; without any, its strongest shadow where that is at its darkest. */
export function setOff(
  template: Template,
  behind: readonly string[],
  coloursIn: (paint: LinePaint) => readonly string[] = coloursOf,
): SetOff | null {
  const [borders, shadows] = [template.borders.filter(({ on }) => on), thrownShadows(template)];
  const along = borders.filter((border) => border.width > 0 && borderBand(border)[0] >= 0);
  if (along.length > 0)
    return {
      what: 'border',
      ratio: faintest(
        behind,
        along.flatMap(({ paint, opacity }) => coloursIn(paint).map((c) => [c, opacity])),
      ),
    };
  if (shadows.length === 0) return null;
  return { what: 'shadow', ratio: Math.max(...shadows.map((s) => faintest(behind, [[s.color, s.opacity]]))) };
}

function seen({ template, output }: CheckInput): SetOff | null {
  // What a photo behind shows along the rim is not known here.
  if (template.behind.some(({ on }) => on)) return null;
  const behind = template.backdrop ?? output.matte;
  return behind ? setOff(template, coloursOf(behind)) : null;
}

/** How much the contrast falls short of the limit (WCAG 2.2 §1.4.11). Nothing to compare where the backdrop is transparent. */
export const faint = defineCheck({
  id: 'faint',
  label: 'Border or shadow too faint on the backdrop',
  about: 'output',
  measure: (input) => {
    const found = seen(input);
    return found && input.template.limits.contrast - found.ratio;
  },
  limit: () => 0,
  brief: (_, input) => `faint ${seen(input)!.what}`,
  explain: (short, input) => {
    const { contrast } = input.template.limits;
    return `the ${seen(input)!.what} has a contrast of ${ratioWords(contrast - short)} with what lies behind it in output ${input.output.name}, the limit is ${contrast} : 1`;
  },
  mend: (input) =>
    seen(input)!.what === 'border'
      ? 'choose a darker or lighter border, or another backdrop'
      : 'make the shadow stronger, add a border, or choose another backdrop',
});
