/** The form of a kind of destination: where a delivery's files are sent. */
import { createHash } from 'node:crypto';
import type { z } from 'zod';
import type { Rules } from './rules';

/** A file that is to be sent. */
export type Sent = {
  /** Where it lies here. */
  readonly source: string;
  readonly bytes: number;
  /** Hex. */
  readonly sha256: string;
  readonly type: string;
};

/** What lies under a name at the destination; `version` is another one after every change. */
export type There = { readonly bytes: number; readonly version: string };

/** An open way to a destination. Names are its own, with slashes; every function may throw what trouble.ts lists. */
export type Way = {
  /** What its owner takes, where there are rules; null where anything goes. */
  readonly rules: (signal: AbortSignal) => Promise<Rules | null>;
  readonly look: (name: string, signal: AbortSignal) => Promise<There | null>;
  /** SHA-256, in hex, of what lies there. */
  readonly digest: (name: string, signal: AbortSignal) => Promise<string>;
  /**
   * Puts a file there, whole or not at all.
   *
   * @param over what it takes the place of; null where nothing may be there
   * @returns its version
   * @throws WobrelError `changed-there` where something else lies there by now
   */
  readonly put: (name: string, file: Sent, over: There | null, signal: AbortSignal) => Promise<string>;
};

export type DestinationKind<K extends string = string, S extends z.ZodObject = z.ZodObject> = {
  readonly kind: K;
  /** For people. */
  readonly label: string;
  /** Its settings, as the server's owner writes them. */
  readonly settings: S;
  /** Its address for people, without keys. */
  readonly address: (settings: z.output<S>) => string;
  readonly open: (settings: z.output<S>) => Way | Promise<Way>;
};

/** One kind of destination, checked against its form. */
export const defineDestination = <K extends string, S extends z.ZodObject>(kind: DestinationKind<K, S>) => kind;

/** The name under which a file comes to be whole: the same for the same file, so that what a killed run left is written over, not left beside. */
export const asideName = (name: string, sha256: string): string =>
  `.wobrel-${createHash('sha256').update(name).update(sha256).digest('hex').slice(0, 16)}.part`;
