/** What may be missing or odd in photo data: fields that texts ask for, and alternative text. */
import { fieldKey, fieldsOf, stemOf, type Fields } from '../fields';
import { metadataFor } from '../metadata';
import { outputHeight, pictureOf, wantedFields, type WantedField } from '../template';
import { defineCheck, type CheckInput } from './check';

/** One that lies in the cutout of another is spoken of there. */
const isSpokenOf = ({ words, slot, group }: CheckInput['photo']) => words !== undefined && (group !== undefined || slot === undefined); // prettier-ignore

function fieldsFor({ template, output, photo }: CheckInput): Fields {
  const height = outputHeight(pictureOf(template), output.width);
  return fieldsOf({ ...photo.words!, template: template.name, output: output.name, width: output.width, height });
}

/** Fields that the template's texts ask for, and that say nothing of this photo. */
function lacking(input: CheckInput): readonly WantedField[] {
  if (!isSpokenOf(input.photo)) return [];
  const { template, output } = input;
  const wanted = wantedFields({ ...template, outputs: [output] });
  if (wanted.length === 0) return [];
  const fields = fieldsFor(input);
  return wanted.filter(({ name }) => (fields.get(fieldKey(name)) ?? '').trim() === '');
}

/** How many fields that texts ask for are empty. */
export const fieldMissing = defineCheck({
  id: 'field-missing',
  label: 'Photo data missing',
  about: 'photo',
  measure: (input) => lacking(input).length,
  limit: () => 0,
  brief: (_, input) => `no ${lacking(input)[0]!.name}`,
  explain: (_, input) => lacking(input).map(({ name, by }) => `${name} says nothing, and is asked for by ${by}`).join('; '), // prettier-ignore
  mend: () => 'fill it in in the table of photo data, on the step Photos',
});

/** The alternative text of a photo; null where none is wanted, or there is none. */
function altOf(input: CheckInput): string | null {
  const { metadata } = input.template;
  if (metadata.alt === '' || !isSpokenOf(input.photo)) return null;
  return metadataFor(metadata, fieldsFor(input)).alt ?? null;
}

/** Most letters of an alternative text that is heard at once (common practice). */
const MOST_LETTERS = 125;

/** Letters of the alternative text. */
export const altLong = defineCheck({
  id: 'alt-long',
  label: 'Alternative text too long',
  about: 'photo',
  measure: (input) => altOf(input)?.length ?? null,
  limit: () => MOST_LETTERS,
  brief: () => 'long text',
  explain: (letters) => `the alternative text has ${letters} letters; above ${MOST_LETTERS} it is tiring to listen to`,
  mend: () => 'shorten it in the table of photo data',
});

const plain = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '');

/** 1 where the alternative text is only the file's name. */
export const altName = defineCheck({
  id: 'alt-name',
  label: 'Alternative text is the file’s name',
  about: 'photo',
  measure: (input) => {
    const alt = altOf(input);
    if (alt === null) return null;
    const { photo, stem = stemOf(photo) } = input.photo.words!;
    return [stem, photo, stemOf(photo)].map(plain).includes(plain(alt)) ? 1 : 0;
  },
  limit: () => 0,
  brief: () => 'text is the name',
  explain: () => 'the alternative text is only the file’s name: it tells nobody what the picture shows',
  mend: () => 'say in the table of photo data what the picture shows',
});
