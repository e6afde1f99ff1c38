export { changesOf } from './changes';
export { pathWords } from './field-words';
export { valueWords } from './value-words';
