/** What a task came to, as plain data: errors lose their class on the way between threads. */
import { WobrelError } from '../../core/errors';

export type Outcome<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly code: string; readonly message: string; readonly at: string | null };

/** Work done in a thread; what it refuses becomes data, anything unexpected stays an exception. */
export async function outcomeOf<T>(work: () => Promise<T> | T): Promise<Outcome<T>> {
  try {
    return { ok: true, value: await work() };
  } catch (error) {
    if (error instanceof WobrelError) return { ok: false, code: error.code, message: error.message, at: error.at };
    throw error;
  }
}

/** The value, or the refusal as the error that it was. */
export function valueOf<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  throw new WobrelError(outcome.code, outcome.message, outcome.at);
}
