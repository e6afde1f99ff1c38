/**
 * Who needs kept files and who collects the unneeded ones keep out of each other's way: between finding a file and
 * noting that it is needed nothing may be taken away.
 */
import { oncePerProcess } from '../once';

type Waiting = { readonly isAlone: boolean; readonly go: () => void };
type State = { users: number; isAlone: boolean; readonly waiting: Waiting[] };
const state = () => oncePerProcess<State>('keeping', () => ({ users: 0, isAlone: false, waiting: [] }));

/** Lets in whoever may be: many who use, or one alone; in their order, so that nobody waits for ever. */
function letIn(): void {
  const now = state();
  for (let next = now.waiting[0]; next; next = now.waiting[0]) {
    if (now.isAlone || (next.isAlone && now.users > 0)) return;
    now.waiting.shift();
    if (next.isAlone) now.isAlone = true;
    else now.users++;
    next.go();
  }
}

async function inTurn<T>(isAlone: boolean, work: () => Promise<T>): Promise<T> {
  await new Promise<void>((go) => {
    state().waiting.push({ isAlone, go });
    letIn();
  });
  try {
    return await work();
  } finally {
    if (isAlone) state().isAlone = false;
    else state().users--;
    letIn();
  }
}

/** Work that finds kept files and notes that it needs them. */
export const whileKept = <T>(work: () => Promise<T>): Promise<T> => inTurn(false, work);

/** Work that takes unneeded files away: while nobody finds any. Not to be called within `whileKept`. */
export const whileNobodyFinds = <T>(work: () => Promise<T>): Promise<T> => inTurn(true, work);
