export { brokenPhoto, inspectPhoto, OPEN_OPTIONS, type PhotoFacts } from './inspect';
export { openPhoto, openPhotoIn, type ColourSpace } from './open';
export { makeProxies } from './proxies';
export { receiveFiles, type Arrival } from './receive';
export { sniff, SNIFF_BYTES } from './sniff';
