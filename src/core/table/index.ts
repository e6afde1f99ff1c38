export {
  boundsOf,
  cellAt,
  cellsOf,
  filledDown,
  fittedBlock,
  isIn,
  movedBlock,
  nextCell,
  pastedCells,
  type Block,
  type CellChange,
} from './block';
export { changedData, dataChangeSchema, fieldListSchema, newFieldName } from './cells';
export { joinedChanges } from './joined';
export { columnOfNames, matchRows, takeTable, type Match } from './match';
export {
  decoded,
  encodingOf,
  ENCODINGS,
  MAX_TABLE_BYTES,
  readBlock,
  readTable,
  SEPARATORS,
  type Encoding,
  type Separator,
  type TableRead,
} from './read';
export { blockText, tableText } from './write';
