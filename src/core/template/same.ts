/** Whether two values of documents say the same, whatever order their fields are in. */
import { diff } from 'jsondiffpatch';

export const saysTheSame = (a: unknown, b: unknown): boolean => a === b || diff(a, b) === undefined;
