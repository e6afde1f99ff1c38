export { createSightPool } from './pool';
