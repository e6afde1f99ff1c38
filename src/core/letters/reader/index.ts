export { fontName, lettersPath, openFont } from './reader';
