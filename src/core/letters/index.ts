export { lettersPath } from './set';
