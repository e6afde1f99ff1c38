export { readSvg } from './read';
export { clipPath, writeSvg } from './write';
