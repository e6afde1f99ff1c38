export { alikeIn, type ExampleFile } from './alike';
export { isEnough, lookAt, lookAtDecoded, pictureOf } from './look-at';
export { pointAt } from './point-at';
