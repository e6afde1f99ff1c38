/**
 * Who needs kept files and who collects the unneeded ones keep out of each other's way: between finding a file and
 * noting that it is needed nothing may be taken away.
 */
type Waiting = { readonly isAlone: boolean; readonly go: () => void };

export type Keeping = {
  /** Work that finds kept files and notes that it needs them. */
  readonly whileKept: <T>(work: () => Promise<T>) => Promise<T>;
  /** Work that takes unneeded files away: while nobody finds any. Not to be called within `whileKept`. */
  readonly whileNobodyFinds: <T>(work: () => Promise<T>) => Promise<T>;
};

/** The turns at one workspace's kept files. */
export function createKeeping(): Keeping {
  const waiting: Waiting[] = [];
  let [users, someoneIsAlone] = [0, false];

  /** Lets in whoever may be: many who use, or one alone; in their order, so that nobody waits for ever. */
  function letIn(): void {
    for (let next = waiting[0]; next; next = waiting[0]) {
      if (someoneIsAlone || (next.isAlone && users > 0)) return;
      waiting.shift();
      if (next.isAlone) someoneIsAlone = true;
      else users++;
      next.go();
    }
  }

  async function inTurn<T>(isAlone: boolean, work: () => Promise<T>): Promise<T> {
    await new Promise<void>((go) => {
      waiting.push({ isAlone, go });
      letIn();
    });
    try {
      return await work();
    } finally {
      if (isAlone) someoneIsAlone = false;
      else users--;
      letIn();
    }
  }

  return { whileKept: (work) => inTurn(false, work), whileNobodyFinds: (work) => inTurn(true, work) };
}
