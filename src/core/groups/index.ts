export { groupsOf, patternOf, type Filling } from './groups';
export { readPattern } from './pattern';
export { seated, type InSlot, type Seated } from './seated';
export { spokenOf } from './spoken';
