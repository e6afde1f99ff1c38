export { demoNames, demoPhoto } from './demo-photos';
export { guides, pictureOf, type Guide } from './guides';
