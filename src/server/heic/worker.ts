/** The thread that develops HEIC photos. */
import sharp from 'sharp';
import { outcomeOf, type Outcome } from '../threads/outcome';
import { developHeic } from './develop';

sharp.concurrency(1);
sharp.cache(false);

export const develop = ({ path, to }: { path: string; to: string }): Promise<Outcome<void>> =>
  outcomeOf(() => developHeic(path, to));
