/** The one pool of threads that look at photos. */
import { oncePerProcess } from '../once';
import { createSightPool } from '../sight';

export const sightPool = () => oncePerProcess('sight', () => createSightPool());
