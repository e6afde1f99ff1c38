/** What stands in `{…}` in names of files and in captions. */

/** A photo as they speak of it. */
export type PhotoWords = {
  /** Its file's name, with or without folders. */
  readonly photo: string;
  /** What stands for the file's name without its ending, where it is not that: the name of a group. */
  readonly stem?: string;
  /** The batch's name; empty on the command line. */
  readonly batch: string;
  /** Place in the batch, from 1. */
  readonly index: number;
};

export type FieldParts = PhotoWords & {
  readonly template: string;
  readonly output: string;
  /** Pixels of the output. */
  readonly width: number;
  readonly height: number;
};

/** A map: names such as toString are no fields. */
export type Fields = ReadonlyMap<string, string>;

/** A photo's name without folder and extension. */
export function stemOf(fileName: string): string {
  const name = fileName.split(/[/\\]/).pop()!;
  const dot = name.lastIndexOf('.');
  return dot > 0 ? name.slice(0, dot) : name;
}

export const fieldsOf = ({
  photo,
  stem = stemOf(photo),
  batch,
  index,
  template,
  output,
  width,
  height,
}: FieldParts): Fields =>
  new Map([
    ['photo', stem],
    ['output', output],
    ['batch', batch],
    ['template', template],
    ['index', String(index).padStart(4, '0')],
    ['width', String(width)],
    ['height', String(height)],
  ]);

/** The text with every field that is known; what is not stays as it stands. */
export const filled = (text: string, fields: Fields): string =>
  text.replace(/\{(\w+)\}/g, (whole, key: string) => fields.get(key) ?? whole);
