export { ANYONE, demand, ITSELF, ROLES, type Role } from './actor';
export { note } from './doings';
export { FIRST_WORKSPACE, hereIn, oncePerWorkspace, type Here } from './workspace';
