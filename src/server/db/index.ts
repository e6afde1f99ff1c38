export { database, migrateDatabase, write, type Transaction } from './client';
export * as tables from './schema';
export type { DeliveryState, Recipe } from './schema';
