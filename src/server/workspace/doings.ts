/** Who did what: one line a change, kept whatever becomes of what was changed. */
import { and, desc, eq, gt, isNull, sql } from 'drizzle-orm';
import { tables, type Transaction } from '../db';
import { oncePerProcess } from '../once';
import type { Actor } from './actor';
import type { Signal } from './signals';

const { doings } = tables;

type Doing = Pick<typeof doings.$inferInsert, 'verb' | 'kind' | 'name' | 'words'> & {
  /** Of what was changed, where it has a number. */
  readonly subject?: number;
  /** How many at once: of the photos of a batch, say. */
  readonly times?: number;
  /** The photos of a batch that are other than before, or new. */
  readonly photos?: readonly number[];
};

type Told = { readonly topic: string; readonly signal: Signal };
const told = () => oncePerProcess('told', () => new WeakMap<Transaction, Told[]>());

/** What is to be told once a transaction has been kept. */
export const toTell = (tx: Transaction): readonly Told[] => told().get(tx) ?? [];

/** What goes on and on is one line, as long as no pause between is longer than this, ms. */
const PAUSE = 30 * 60 * 1000;

const GOES_ON: ReadonlySet<Doing['verb']> = new Set(['worked', 'added-photos', 'changed-photos', 'removed-photos']);

/** Notes a change as part of the transaction that makes it; whoever looks at the same is told once it is kept. */
export async function note(tx: Transaction, { actor }: { readonly actor: Actor }, doing: Doing): Promise<void> {
  const { subject = null, times = 1, verb, kind, name, words = null, photos } = doing;
  if (subject !== null) {
    const signal = { by: actor.window ?? null, ...(photos ? { photos } : { isMore: true }) };
    told().set(tx, [...toTell(tx), { topic: `${kind} ${subject}`, signal }]);
  }
  const now = Date.now();
  if (GOES_ON.has(verb)) {
    const same = and(eq(doings.verb, verb), actor.person === null ? isNull(doings.person) : eq(doings.person, actor.person)); // prettier-ignore
    const [last] = await tx
      .select({ id: doings.id })
      .from(doings)
      .where(and(eq(doings.kind, kind), eq(doings.subject, subject!), same, gt(doings.at, now - PAUSE)))
      .orderBy(desc(doings.id))
      .limit(1);
    if (last) {
      await tx.update(doings).set({ at: now, name, times: sql`${doings.times} + ${times}` }).where(eq(doings.id, last.id)); // prettier-ignore
      return;
    }
  }
  await tx.insert(doings).values({ at: now, person: actor.person, who: actor.name, verb, kind, subject, name, words, times }); // prettier-ignore
}
