/** The thread that looks at photos. */
import sharp from 'sharp';
import { WobrelError } from '../../core/errors';
import type { Sight } from '../../core/sight';
import { outcomeOf, type Outcome } from '../threads/outcome';
import { lookAt } from '../looking';

sharp.concurrency(1);
sharp.cache(false);

/** Whatever goes wrong with a picture is that picture's fault. */
export const see = ({ path, faces }: { path: string; faces?: boolean }): Promise<Outcome<Sight>> =>
  outcomeOf(() =>
    lookAt(path, faces).catch(() => {
      throw new WobrelError('photo-unseen', 'The photo could not be looked at.');
    }),
  );
