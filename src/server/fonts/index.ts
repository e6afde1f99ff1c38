export { bringCaptionFonts, bringPageFont } from './fonts';
