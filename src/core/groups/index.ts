export { groupsOf, patternOf, type Filling, type Grouped } from './groups';
export { readPattern } from './pattern';
export { seated, type InSlot, type Seated } from './seated';
export { spokenOf } from './spoken';
