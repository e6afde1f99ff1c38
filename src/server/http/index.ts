export { guard } from './guard';
export { bodyOf, numberOf, proxySizeOf, route } from './route';
