/** What the page and its findings worker say to each other. */
import type { FindingsChange, WatchedPhoto } from '../core/checks';
import type { Template } from '../core/template';

export type FindingsMessage = {
  readonly ticket: number;
  /** Null where it is the one of before. */
  readonly template: Template | null;
  /** Photos that are new or have changed. */
  readonly changed: readonly WatchedPhoto[];
  /** All photos in their order; null where they are those of before. */
  readonly order: readonly number[] | null;
};

export type FindingsAnswer =
  | { readonly ticket: number; readonly change: FindingsChange }
  | { readonly ticket: number; readonly error: string };
