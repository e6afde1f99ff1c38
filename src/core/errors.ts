/** Why something was refused: for people a sentence, for programs a code, and the place at fault. */
export class WobrelError extends Error {
  /**
   * A bundler may keep this class twice in one process: pages and what runs behind them have a copy each, and what
   * one makes the other has to know.
   */
  static override [Symbol.hasInstance](value: unknown): boolean {
    // Classes that are made from this one know their own as usual.
    if (this !== WobrelError) return Function.prototype[Symbol.hasInstance].call(this, value);
    return value instanceof Error && value.name === NAME;
  }

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
    this.name = NAME;
  }
}

const NAME = 'WobrelError';
