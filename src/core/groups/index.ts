export { groupsOf, patternOf, type Filling, type Group, type Groups } from './groups';
export { readPattern } from './pattern';
export { seated, type InSlot, type Leading, type Seated } from './seated';
