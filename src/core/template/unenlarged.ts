/** Outputs that show photos in no more than their own pixels. */
import { scaleAt } from './picture';
import type { Output, Template } from './template';

/**
 * An output as it is made of photos that lie so: smaller where one of them would be enlarged and that is not wanted.
 *
 * @param scales frame units a pixel of each photo
 */
export function unenlarged(
  template: Pick<Template, 'frame' | 'mat'>,
  output: Output,
  scales: readonly number[],
): Output {
  if (output.enlarge || output.content === 'framing') return output;
  const most = Math.max(0, ...scales) * scaleAt(template, output.width);
  return most <= 1 ? output : { ...output, width: Math.max(1, Math.floor(output.width / most)) };
}
