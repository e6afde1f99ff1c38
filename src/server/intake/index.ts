export { asBroken, inspectPhoto, isHeic, type PhotoFacts } from './inspect';
export { OPEN_OPTIONS, openPhoto, openPhotoIn, type ColourSpace } from './open';
export { makeProxies } from './proxies';
export { developedPath, receiveFiles, removeArrival, type Arrival } from './receive';
export { sniff, sniffHeic, SNIFF_BYTES } from './sniff';
