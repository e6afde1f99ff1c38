/** Waits, in tests, until something holds: by asking again and again, never for a time that ought to be enough. */
export async function until(isSo: () => boolean | Promise<boolean>): Promise<void> {
  while (!(await isSo())) await new Promise((go) => setTimeout(go, 1));
}
