export { ANYONE, demand, ITSELF, nameOf, ROLES, type Role } from './actor';
export { note } from './doings';
export { come, othersAt, type Other } from './presence';
export { announce, listen } from './signals';
export { FIRST_WORKSPACE, hereIn, oncePerWorkspace, type Here } from './workspace';
