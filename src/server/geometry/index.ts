export { outlinesOf, type KeptTemplate } from './geometry';
