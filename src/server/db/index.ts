export { holdFolder } from './hold';
export {
  migrateDatabase,
  migrateFile,
  openDatabase,
  openFile,
  type Database,
  type Transaction,
  type Write,
} from './client';
export { othersTurn, rowsInTurns } from './turns';
export * as tables from './schema';
export type { DeliveryState, Recipe } from './schema';
