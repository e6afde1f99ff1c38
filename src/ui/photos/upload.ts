'use client';
import PQueue from 'p-queue';
import { create } from 'zustand';
import type { Received } from '@/server/services';
import { ApiError, pageHeaders } from '../shared/api';
import { overTheLine } from '../shared/line';
import { forgetExpected, noteExpected } from './expected';

/** One file on its way; gone from the list once it is kept. */
export type Transfer = {
  readonly key: number;
  readonly batchId: number;
  readonly name: string;
  readonly file: File;
  /** Share that has been sent, 0…1. */
  readonly sent: number;
  /** True while it waits for the line. */
  readonly isHeld: boolean;
  readonly error: string | null;
};

type OnArrived = (received: readonly Received[]) => void;
type Transfers = { readonly list: readonly Transfer[]; readonly begun: number; readonly over: number };

export const useTransfers = create<Transfers>(() => ({ list: [], begun: 0, over: 0 }));

const queue = new PQueue({ concurrency: 3 });
let nextKey = 1;

const update = (key: number, fields: Partial<Transfer>) =>
  useTransfers.setState(({ list }) => ({ list: list.map((t) => (t.key === key ? { ...t, ...fields } : t)) }));

/** Why a file did not get over: the browser says no more than that it did not. */
async function breakOf(file: File): Promise<Error> {
  try {
    await file.slice(0, 1).arrayBuffer();
    return new ApiError('offline', 'The server can’t be reached.');
  } catch {
    return new Error('The file can’t be read: it has been changed, moved or taken away since it was chosen.');
  }
}

/** Sends one file; fetch can't report how much has been sent, XMLHttpRequest can. */
function send({ batchId, file }: Transfer, onSent: (share: number) => void): Promise<Received[]> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open('POST', `/api/batches/${batchId}/photos`);
    for (const [name, value] of Object.entries(pageHeaders())) request.setRequestHeader(name, value);
    request.responseType = 'json';
    request.upload.onprogress = ({ loaded, total }) => onSent(total > 0 ? loaded / total : 0);
    request.onerror = () => void breakOf(file).then(reject);
    request.onload = () => {
      const answer = request.response as { received?: Received[]; error?: { message: string } } | null;
      if (answer?.received) resolve(answer.received);
      else reject(new Error(answer?.error?.message ?? `The server answered ${request.status}.`));
    };
    const body = new FormData();
    body.append('photo', file, file.name);
    request.send(body);
  });
}

/** Sends one file over the line, however often that breaks. */
async function transfer(one: Transfer, onArrived: OnArrived): Promise<void> {
  let received: readonly Received[] = [];
  const { key, batchId, name } = one;
  try {
    received = await overTheLine(
      () => {
        update(key, { isHeld: false });
        return send(one, (sent) => update(key, { sent }));
      },
      () => update(key, { sent: 0, isHeld: true }),
    );
    forgetExpected(batchId, name);
    useTransfers.setState(({ list, over }) => ({ list: list.filter((t) => t.key !== key), over: over + 1 }));
  } catch (error) {
    update(key, { error: (error as Error).message });
    useTransfers.setState(({ over }) => ({ over: over + 1 }));
  }
  onArrived(received);
}

/** Sends files to a batch, three at a time; `onArrived` is called after each with what became of it, nothing where it did not arrive. */
export function sendFiles(batchId: number, files: readonly File[], onArrived: OnArrived): void {
  const transfers = files.map((file) => ({ key: nextKey++, batchId, name: file.name, file, sent: 0, isHeld: false, error: null })); // prettier-ignore
  noteExpected(
    batchId,
    files.map(({ name }) => name),
  );
  useTransfers.setState((state) => {
    const fresh = state.list.length === 0;
    return {
      list: [...state.list, ...transfers],
      begun: (fresh ? 0 : state.begun) + files.length,
      over: fresh ? 0 : state.over,
    };
  });
  for (const one of transfers) void queue.add(() => transfer(one, onArrived));
}

const failedOf = (batchId: number) =>
  useTransfers.getState().list.filter((t) => t.batchId === batchId && t.error !== null);

/** Takes a batch's failed transfers off the list. */
export function forgetFailed(batchId: number): void {
  const failed = new Set(failedOf(batchId));
  for (const { name } of failed) forgetExpected(batchId, name);
  useTransfers.setState(({ list }) => ({ list: list.filter((t) => !failed.has(t)) }));
}

/** Sends a batch's failed files once more. */
export function sendFailedAgain(batchId: number, onArrived: OnArrived): void {
  const files = failedOf(batchId).map(({ file }) => file);
  forgetFailed(batchId);
  sendFiles(batchId, files, onArrived);
}

/** True while files of a batch are still on their way. */
export const isArriving = (batchId: number) =>
  useTransfers.getState().list.some((t) => t.batchId === batchId && t.error === null);
