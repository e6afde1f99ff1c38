/** What services refuse alike. */
import { WobrelError } from '../../core/errors';

export function notFound(what: string): WobrelError {
  return new WobrelError('not-found', `There is no such ${what}.`);
}

export const changedElsewhere = () =>
  new WobrelError('conflict', 'This batch’s template was changed in another window.');
