export { developHeic } from './develop';
export { developInThread } from './pool';
export { readable } from './readable';
