/** All names of an export before it begins, and what may be odd about them. */
import { outputHeight, outputsOf, pictureOf, type Template } from '../template';
import type { PhotoWords } from '../fields';
import { namer, plainNameOf } from './names';

export type FileName = {
  /** What its photo or group is called. */
  readonly of: string;
  readonly output: string;
  readonly file: string;
  /** True where another file has the name that its pattern says, so that it got a number. */
  readonly isNumbered: boolean;
  /** True where it has characters that shops and servers may refuse (common practice). */
  readonly isOdd: boolean;
};

/** Letters, digits and marks that every server takes. */
const PLAIN = /^[A-Za-z0-9._/-]+$/;

/** @param cutouts as texts speak of them, in the order in which they are exported */
export function fileNames(
  template: Pick<Template, 'name' | 'frame' | 'mat' | 'outputs'>,
  cutouts: readonly PhotoWords[],
): FileName[] {
  const nameFile = namer();
  const picture = pictureOf(template);
  return cutouts.flatMap((words, i) =>
    outputsOf(template.outputs, i).map(({ output }) => {
      const height = outputHeight(picture, output.width);
      const parts = { ...words, index: i + 1, template: template.name, height };
      const file = nameFile(output, parts);
      return {
        of: words.stem ?? words.photo,
        output: output.name,
        file,
        isNumbered: file !== plainNameOf(output, parts),
        isOdd: !PLAIN.test(file),
      };
    }),
  );
}
