export { alikeIn, type ExampleFile } from './alike';
export { lookAt, pictureOf } from './look-at';
export { pointAt } from './point-at';
