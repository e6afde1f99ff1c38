'use client';
/** The line to the server: whether it is up, and word of when it is back. */
import { create } from 'zustand';
import { api, ApiError } from './api';

/** How long is waited before the server is asked again, ms; the browser's own word comes sooner. */
const PAUSE = 2000;

export const useLine = create<{ readonly isUp: boolean }>(() => ({ isUp: true }));

export const isOffline = (error: unknown): boolean => error instanceof ApiError && error.code === 'offline';

const pause = () =>
  new Promise<void>((resolve) => {
    const over = () => {
      clearTimeout(timer);
      window.removeEventListener('online', over);
      resolve();
    };
    const timer = setTimeout(over, PAUSE);
    window.addEventListener('online', over);
  });

async function untilBack(): Promise<void> {
  useLine.setState({ isUp: false });
  for (;;) {
    await pause();
    const answered = await api('/api/line').then(
      () => true,
      (error: unknown) => !isOffline(error),
    );
    if (answered) break;
  }
  useLine.setState({ isUp: true });
}

let waiting: Promise<void> | null = null;

/** Ends when the server answers again; all who wait ask together. */
export const lineBack = (): Promise<void> => (waiting ??= untilBack().finally(() => (waiting = null)));

/** Something that breaks off so often, the server answering each time afterwards, is itself at fault: a file that has gone, say. */
const TRIES = 4;

/** Does something again each time the line is back after it broke; any other failure, and one time too many, is thrown. */
export async function overTheLine<T>(work: () => Promise<T>, onLost: () => void = () => {}): Promise<T> {
  for (let tries = 1; ; tries++)
    try {
      return await work();
    } catch (error) {
      if (!isOffline(error) || tries === TRIES) throw error;
      onLost();
      await lineBack();
    }
}
