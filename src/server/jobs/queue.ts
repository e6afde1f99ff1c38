/**
 * The queue of work that outlives the process, behind an interface small enough for an
 * engine on several machines to stand in its place.
 */
import { and, asc, eq, inArray, notExists, sql } from 'drizzle-orm';
import { database, tables, write, type Transaction } from '../db';

export type Job = { readonly id: number; readonly kind: string; readonly subject: number };

export type JobQueue = {
  /** Puts a job at the end, as part of the transaction that makes what it is about; one that is there already stays as it is. */
  readonly add: (kind: string, subject: number, tx: Transaction) => Promise<void>;
  /** The oldest waiting job, now marked as running; null where there is none. */
  readonly take: () => Promise<Job | null>;
  /** The job is over, well or badly. */
  readonly finish: (id: number) => Promise<void>;
  /** Jobs that a killed process left running wait again, and deliveries that have lost theirs get one. */
  readonly recover: () => Promise<void>;
};

const { deliveries, jobs } = tables;

/** The queue in the application's own database, for one process. */
export const embeddedQueue: JobQueue = {
  add: async (kind, subject, tx) => {
    await tx.insert(jobs).values({ kind, subject }).onConflictDoNothing();
  },
  take: async () => {
    // A look before the transaction keeps the idle loop from writing.
    const [waiting] = await database()
      .select()
      .from(jobs)
      .where(eq(jobs.state, 'waiting'))
      .orderBy(asc(jobs.id))
      .limit(1);
    if (!waiting) return null;
    await write(async (tx) => {
      await tx.update(jobs).set({ state: 'running' }).where(eq(jobs.id, waiting.id));
    });
    return waiting;
  },
  finish: (id) =>
    write(async (tx) => {
      await tx.delete(jobs).where(eq(jobs.id, id));
    }),
  recover: () =>
    write(async (tx) => {
      await tx.update(jobs).set({ state: 'waiting' }).where(eq(jobs.state, 'running'));
      const itsJob = tx
        .select({ one: sql`1` })
        .from(jobs)
        .where(and(eq(jobs.kind, 'delivery'), eq(jobs.subject, deliveries.id)));
      const lost = await tx
        .select({ id: deliveries.id })
        .from(deliveries)
        .where(and(inArray(deliveries.state, ['waiting', 'running']), notExists(itsJob)));
      for (const { id } of lost) await tx.insert(jobs).values({ kind: 'delivery', subject: id });
    }),
};
