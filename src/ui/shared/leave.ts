/** Goes to another page with a load of its own: nothing of this one is kept, neither what it has read nor what can be undone. */
export const leaveFor = (path: string): void => window.location.assign(path);
