/** What the schema alone can't say about the shapes that layers show in. */
import { completeShape } from '../shape';
import type { TemplateDocument } from './schema';

type Masked = Pick<TemplateDocument, 'frame' | 'behind' | 'before'>;

/**
 * Refuses shapes that can't be read, have no area or are too intricate.
 *
 * @throws WobrelError as `completeShape`, with the path of the layer's shape
 */
export function refuseMasks({ frame, ...layers }: Masked): void {
  for (const list of ['behind', 'before'] as const)
    for (const [i, { shape }] of layers[list].entries()) if (shape) completeShape(shape, frame, `${list}[${i}].shape`);
}
