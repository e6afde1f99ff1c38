export { bodyOf, queryOf, windowQuery, withCookies } from './body';
export { eventStream } from './event-stream';
export { builtFiles } from './built-files';
export { refusalOf } from './front';
export { guard } from './guard';
export { pagePolicy, PATH_HEADER } from './security';
export { numberOf, openRoutes, personOf, proxySizeOf, routes, sumOf } from './route';
