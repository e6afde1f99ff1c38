export { migratePeople } from './database';
export { emailSchema, passwordSchema, personNameSchema } from './passwords';
export {
  addPerson,
  endSessions,
  giveRole,
  linkFor,
  listOutbox,
  listPeople,
  makeLink,
  removeEverybody,
  removePerson,
  rosterOf,
  turnOn,
  type Person,
} from './people';
export { PLACE_HEADER } from './place';
export {
  changePassword,
  enterWorkspace,
  signIn,
  signOut,
  signOutElsewhere,
  choosePassword,
  whoIsHere,
  type WhoIsHere,
} from './sign-in';
export { endToken, listTokens, makeToken, tokenSchema, type Token } from './tokens';
export { signInIsOn, whoAsks } from './who-asks';
export { addWorkspace, renameWorkspace, workspaceKeys, workspaceSchema } from './workspaces';
