/** Fields of photo data that a template's texts ask for. */
import { fieldKey, fieldsIn, isOwnField } from '../fields';
import type { Template } from './template';

export type WantedField = {
  /** As it is written first. */
  readonly name: string;
  /** What asks for it, in words. */
  readonly by: string;
};

/** What metadata are called. */
export const METADATA_LABELS = {
  title: 'title',
  alt: 'alternative text',
  creator: 'creator',
  copyright: 'copyright',
} as const satisfies Readonly<Record<keyof Template['metadata'], string>>;

type Texts = Pick<Template, 'captions' | 'outputs' | 'metadata'>;

/** Each once, by the first that asks for it: names of files, captions that are on, metadata. */
export function wantedFields({ captions, outputs, metadata }: Texts): readonly WantedField[] {
  const texts = [
    ...outputs.map(({ name, file }) => ({ text: file, by: `file names of ${name}` })),
    ...captions.filter(({ on }) => on).map(({ text }) => ({ text, by: 'a caption' })),
    ...Object.entries(METADATA_LABELS).map(([key, label]) => ({
      text: metadata[key as keyof typeof metadata],
      by: `the ${label} in files`,
    })),
  ];
  const wanted = new Map<string, WantedField>();
  for (const { text, by } of texts)
    for (const name of fieldsIn(text))
      if (!isOwnField(name) && !wanted.has(fieldKey(name))) wanted.set(fieldKey(name), { name, by });
  return [...wanted.values()];
}
