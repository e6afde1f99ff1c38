export {
  dataIn,
  fieldKey,
  fieldsIn,
  fieldsOf,
  filled,
  isOwnField,
  joinedData,
  stemOf,
  type Fields,
  type PhotoData,
  type PhotoWords,
} from './fields';
export { FILTERS } from './filters';
