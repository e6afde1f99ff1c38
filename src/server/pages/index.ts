export { pagesPdf, type PagePicture } from './pdf';
export { pagePicture } from './picture';
