export { FONTS, fontFiles, type FontName } from './fonts';
