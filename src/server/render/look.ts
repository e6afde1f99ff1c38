import { hexInDisplayP3 } from '../../core/paint';
import { isDisplayP3, type Output } from '../../core/template';

/** What of an output its plate goes by. */
export type Look = {
  /** Pixels. */
  readonly width: number;
  /** The colour laid under it, in its own numbers: only where its format has no alpha. */
  readonly matte: string | null;
  /** Whether its numbers are those of Display P3. */
  readonly isWide: boolean;
};

export function lookOf(output: Output): Look {
  const isWide = isDisplayP3(output);
  const matte = output.format === 'jpeg' ? output.matte : null;
  return { width: output.width, matte: isWide && matte ? hexInDisplayP3(matte) : matte, isWide };
}
