/** Why something was refused: for people a sentence, for programs a code, and the place at fault. */
export class WobrelError extends Error {
  /**
   * @param code short kebab-case name of the kind of error
   * @param message one sentence for people
   * @param at the field's path or the file's name at fault, where there is one
   */
  constructor(
    readonly code: string,
    message: string,
    readonly at: string | null = null,
  ) {
    super(message);
    this.name = 'WobrelError';
  }
}
