export { lettersPath, openFont } from './reader';
