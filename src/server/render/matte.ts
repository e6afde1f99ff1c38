import type { Output } from '../../core/template';

/** The colour laid under an output: only where its format has no alpha. */
export const matteOf = (output: Output): string | null => (output.format === 'jpeg' ? output.matte : null);
