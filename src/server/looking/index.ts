export { lookAt, pictureOf } from './look-at';
