/** Whether a template leaves any of its picture clear. */
import { parseColour } from '../paint';
import type { Template } from '../template';

/** True where the backdrop, or something behind, leaves nothing of the ground. */
export const isFilled = ({ backdrop, behind }: Pick<Template, 'backdrop' | 'behind'>): boolean =>
  backdrop !== null ||
  behind.some(
    ({ on, opacity, shape, show, paint }) =>
      on &&
      opacity === 1 &&
      shape === null &&
      (show === 'photo' || (typeof paint === 'string' && parseColour(paint).alpha === 1)),
  );
