export { bringCaptionFonts } from './fonts';
