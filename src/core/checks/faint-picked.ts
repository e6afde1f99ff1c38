import { coloursOf, isPicked, type LinePaint } from '../paint';
import { borderBand, pickedColour } from '../plate';
import { defineCheck, type CheckInput } from './check';
import { ratioWords, setOff, type SetOff } from './faint';

/** What sets a cutout off whose border, or what lies behind it, has a colour out of the photo itself; null where none has. */
function seen({ template, output, photo }: CheckInput): SetOff | null {
  if (template.behind.some(({ on }) => on)) return null;
  const behind = template.backdrop ?? output.matte;
  if (!behind) return null;
  const along = template.borders.filter((border) => border.on && border.width > 0 && borderBand(border)[0] >= 0);
  if (![behind, ...along.map(({ paint }) => paint)].some((paint: LinePaint) => isPicked(paint))) return null;
  const coloursIn = (paint: LinePaint): readonly string[] => {
    if (!isPicked(paint)) return coloursOf(paint);
    const colour = pickedColour(paint, photo.sight);
    return colour === null ? [] : [colour];
  };
  return setOff(template, coloursIn(behind), coloursIn);
}

/** How much the contrast falls short of the limit for this photo (WCAG 2.2 §1.4.11); nothing where it could not be looked at. */
export const faintPicked = defineCheck({
  id: 'faint-picked',
  label: 'Colour out of the photo too faint on the backdrop',
  about: 'photo',
  measure: (input) => {
    const found = seen(input);
    return found && Number.isFinite(found.ratio) ? input.template.limits.contrast - found.ratio : null;
  },
  limit: () => 0,
  brief: (_, input) => `faint ${seen(input)!.what}`,
  explain: (short, input) => {
    const { contrast } = input.template.limits;
    return `the ${seen(input)!.what} has a contrast of ${ratioWords(contrast - short)} with what lies behind it, the limit is ${contrast} : 1; its colour comes out of this photo`;
  },
  mend: () => 'take another tone or part of the photo for it, another backdrop, or leave this photo out',
});
