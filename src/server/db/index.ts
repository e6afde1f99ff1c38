export { database, migrateDatabase, write } from './client';
export * as tables from './schema';
export type { DeliveryState, Review } from './schema';
