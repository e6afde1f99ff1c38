/** What may be wrong with captions: too small, made smaller, beyond the picture, letters missing. */
import { fieldsOf } from '../fields';
import type { Caption } from '../layers';
import { layoutCaption, type CaptionLayout } from '../plate';
import { outputHeight, pictureOf, scaleAt } from '../template';
import { defineCheck, percent, type CheckDefinition, type CheckInput } from './check';

type Laid = { readonly caption: Caption; readonly layout: CaptionLayout };

/** The captions of a photo as they lie on an output. */
function laidOn({ template, output, photo }: CheckInput): Laid[] {
  const { words } = photo;
  if (!words) return [];
  const height = outputHeight(pictureOf(template), output.width);
  const fields = fieldsOf({ ...words, template: template.name, output: output.name, width: output.width, height });
  return template.captions.flatMap((caption) => {
    const layout = caption.on ? layoutCaption(caption, fields) : null;
    return layout ? [{ caption, layout }] : [];
  });
}

/** The caption of which there is most to say, and how much. */
function worst(input: CheckInput, measure: (laid: Laid) => number): (Laid & { readonly value: number }) | null {
  return laidOn(input)
    .map((laid) => ({ ...laid, value: measure(laid) }))
    .reduce<(Laid & { readonly value: number }) | null>((a, b) => (a && a.value >= b.value ? a : b), null);
}

type About = Pick<CheckDefinition, 'id' | 'label' | 'limit'> & {
  readonly measure: (input: CheckInput) => (laid: Laid) => number;
  readonly brief: string;
  readonly explain: (laid: Laid & { readonly value: number }, input: CheckInput) => string;
  readonly mend: string;
};

const captionCheck = ({ id, label, limit, measure, brief, explain, mend }: About) =>
  defineCheck({
    id,
    label,
    about: 'photo',
    measure: (input) => worst(input, measure(input))?.value ?? null,
    limit,
    brief: () => brief,
    explain: (_, input) => explain(worst(input, measure(input))!, input),
    mend: () => mend,
  });

/** Least height of a small x that is read without effort on a screen, pixels (common practice). */
const LEAST_X = 9;

const short = ({ text }: Caption) => (text.length > 30 ? `${text.slice(0, 29)}…` : text);

/** By how many pixels the small letters of a caption are lower than can be read. */
export const captionSmall = captionCheck({
  id: 'caption-small',
  label: 'Caption too small to read',
  measure:
    ({ template, output }) =>
    ({ layout }) =>
      LEAST_X - layout.xHeight * scaleAt(template, output.width),
  limit: () => 0,
  brief: 'caption small',
  explain: ({ caption, value }, { output }) =>
    `small letters of the caption “${short(caption)}” are ${(LEAST_X - value).toFixed(1)} px high in output ${output.name}; below ${LEAST_X} px they are hard to read`,
  mend: 'make the caption larger, let it be wider, or make the output larger',
});

/** How much of its size a caption lost to fit its width, 0…1. */
export const captionCut = captionCheck({
  id: 'caption-cut',
  label: 'Caption made smaller to fit',
  measure:
    () =>
    ({ layout }) =>
      1 - layout.width / Math.max(layout.wanted, 1e-9),
  limit: () => 0,
  brief: 'caption shrunk',
  explain: ({ caption, layout, value }, { template }) =>
    `the caption “${short(caption)}” is ${Math.round(layout.wanted)} ${template.frame.unit} wide and may have ${Math.round(layout.width)}: it is made ${percent(value)} smaller`,
  mend: 'shorten the text, let the caption be wider, or make it smaller for all photos',
});

/** How far a caption's line reaches beyond the picture, frame units; letters are taken as high as they are large. */
function beyond({ template }: CheckInput): (laid: Laid) => number {
  const { left, top, width, height } = pictureOf(template);
  return ({ layout: { bounds } }) =>
    Math.max(left - bounds[0], bounds[2] - left - width, top - bounds[1], bounds[3] - top - height);
}

/** How far a caption reaches beyond the picture, frame units. */
export const captionOut = captionCheck({
  id: 'caption-out',
  label: 'Caption beyond the picture',
  measure: beyond,
  limit: () => 0,
  brief: 'caption cut off',
  explain: ({ caption, value }, { template }) =>
    `the caption “${short(caption)}” reaches ${Math.round(value)} ${template.frame.unit} beyond the picture`,
  mend: 'move the caption, give it a width that it may have at most, or make room with a mat',
});

/** How many letters of a caption its font does not have. */
export const captionLetters = captionCheck({
  id: 'caption-letters',
  label: 'Letters missing in the font',
  measure:
    () =>
    ({ layout }) =>
      layout.line.missing.length,
  limit: () => 0,
  brief: 'letters missing',
  explain: ({ caption, layout }) =>
    `the font of the caption “${short(caption)}” has no ${[...new Set(layout.line.missing)].slice(0, 5).join(' ')}`,
  mend: 'choose other letters in the template, or rename the photo',
});
