export { asBroken, brokenPhoto, inspectPhoto, type PhotoFacts } from './inspect';
export { OPEN_OPTIONS, openPhoto, openPhotoIn, type ColourSpace } from './open';
export { makeProxies } from './proxies';
export { receiveFiles, type Arrival } from './receive';
export { sniff, SNIFF_BYTES } from './sniff';
