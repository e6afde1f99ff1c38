export { fieldsOf, filled, stemOf, type Fields, type PhotoWords } from './fields';
