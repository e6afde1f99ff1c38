export { bodyOf, queryOf } from './body';
export { eventStream } from './event-stream';
export { refusalOf } from './front';
export { guard } from './guard';
export { pagePolicy } from './security';
export { numberOf, proxySizeOf, routes, sumOf } from './route';
