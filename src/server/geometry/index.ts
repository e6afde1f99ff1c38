export { outlinesOf } from './geometry';
