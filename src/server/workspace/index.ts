export { demand, ITSELF } from './actor';
export { note } from './doings';
export { FIRST_WORKSPACE, hereIn, oncePerWorkspace, type Here } from './workspace';
