/**
 * The queue of work that outlives the process, behind an interface small enough for an
 * engine on several machines to stand in its place.
 */
import { and, asc, eq, inArray, notExists, sql } from 'drizzle-orm';
import { tables, type Database, type Transaction, type Write } from '../db';

/** What jobs are about: rows of these tables. */
export type JobKind = 'delivery' | 'upload';

export type Job = { readonly id: number; readonly subject: number };

export type JobQueue = {
  /** Puts a job at the end, as part of the transaction that makes what it is about; one that is there already stays as it is. */
  readonly add: (kind: JobKind, subject: number, tx: Transaction) => Promise<void>;
  /** The oldest waiting job of a kind, now marked as running; null where there is none. */
  readonly take: (kind: JobKind) => Promise<Job | null>;
  /** The job is over, well or badly. */
  readonly finish: (id: number) => Promise<void>;
  /** Jobs of a kind that a killed process left running wait again, and rows that have lost theirs get one. */
  readonly recover: (kind: JobKind) => Promise<void>;
};

const { deliveries, jobs, uploads } = tables;

/** The rows that jobs are about. */
const SUBJECTS = { delivery: deliveries, upload: uploads } as const;

/** Rows that wait for a job that is not there get it. */
async function addLost(tx: Transaction, kind: JobKind, table: (typeof SUBJECTS)[JobKind]): Promise<void> {
  const itsJob = tx
    .select({ one: sql`1` })
    .from(jobs)
    .where(and(eq(jobs.kind, kind), eq(jobs.subject, table.id)));
  const lost = await tx
    .select({ id: table.id })
    .from(table)
    .where(and(inArray(table.state, ['waiting', 'running']), notExists(itsJob)));
  for (const { id } of lost) await tx.insert(jobs).values({ kind, subject: id });
}

/** The queue in a workspace's own database, for one process. */
export const embeddedQueue = (db: Database, write: Write): JobQueue => ({
  add: async (kind, subject, tx) => {
    await tx.insert(jobs).values({ kind, subject }).onConflictDoNothing();
  },
  take: async (kind) => {
    // A look before the transaction keeps the idle loop from writing.
    const [waiting] = await db
      .select()
      .from(jobs)
      .where(and(eq(jobs.state, 'waiting'), eq(jobs.kind, kind)))
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
  recover: (kind) =>
    write(async (tx) => {
      await tx
        .update(jobs)
        .set({ state: 'waiting' })
        .where(and(eq(jobs.state, 'running'), eq(jobs.kind, kind)));
      await addLost(tx, kind, SUBJECTS[kind]);
    }),
});
