export { lookAt, pictureOf } from './look-at';
export { pointAt } from './point-at';
