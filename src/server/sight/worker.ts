/** The thread that looks at photos. */
import sharp from 'sharp';
import { WobrelError } from '../../core/errors';
import type { FoundSubject, Pointing, Sight } from '../../core/sight';
import { outcomeOf, type Outcome } from '../threads/outcome';
import { alikeIn, lookAt, pointAt, type ExampleFile } from '../looking';

sharp.concurrency(1);
sharp.cache(false);

/** Whatever goes wrong with a picture is that picture's fault. */
const ofThePicture = <T>(work: () => Promise<T>): Promise<Outcome<T>> =>
  outcomeOf(() =>
    work().catch(() => {
      throw new WobrelError('photo-unseen', 'The photo could not be looked at.');
    }),
  );

export const see = ({ path, all }: { path: string; all?: boolean }): Promise<Outcome<Sight>> =>
  ofThePicture(() => lookAt(path, all));

export const point = ({ path, ...pointing }: { path: string } & Pointing): Promise<Outcome<FoundSubject | null>> =>
  ofThePicture(() => pointAt(path, pointing));

type Alike = { readonly path: string; readonly examples: readonly ExampleFile[] };

export const alike = ({ path, examples }: Alike): Promise<Outcome<FoundSubject | null>> =>
  ofThePicture(() => alikeIn(path, examples));
