export { pagesPdf, type PagePicture } from './pdf';
