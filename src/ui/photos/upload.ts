'use client';
import PQueue from 'p-queue';
import { create } from 'zustand';
import type { Received } from '@/server/services';

/** One file on its way; gone from the list once it is kept. */
export type Transfer = {
  readonly key: number;
  readonly batchId: number;
  readonly name: string;
  /** Share that has been sent, 0…1. */
  readonly sent: number;
  readonly error: string | null;
};

type Transfers = { readonly list: readonly Transfer[]; readonly begun: number; readonly over: number };

export const useTransfers = create<Transfers>(() => ({ list: [], begun: 0, over: 0 }));

const queue = new PQueue({ concurrency: 3 });
let nextKey = 1;

const update = (key: number, fields: Partial<Transfer>) =>
  useTransfers.setState(({ list }) => ({ list: list.map((t) => (t.key === key ? { ...t, ...fields } : t)) }));

/** Sends one file; fetch can't report how much has been sent, XMLHttpRequest can. */
function send(batchId: number, file: File, onSent: (share: number) => void): Promise<Received[]> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open('POST', `/api/batches/${batchId}/photos`);
    request.responseType = 'json';
    request.upload.onprogress = ({ loaded, total }) => onSent(total > 0 ? loaded / total : 0);
    request.onerror = () => reject(new Error('The server can’t be reached.'));
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

/** Sends files to a batch, three at a time; `onArrived` is called after each with what became of it, nothing where it did not arrive. */
export function sendFiles(
  batchId: number,
  files: readonly File[],
  onArrived: (received: readonly Received[]) => void,
): void {
  const transfers = files.map((file) => ({
    file,
    transfer: { key: nextKey++, batchId, name: file.name, sent: 0, error: null },
  }));
  useTransfers.setState((state) => {
    const fresh = state.list.length === 0;
    return {
      list: [...state.list, ...transfers.map((t) => t.transfer)],
      begun: (fresh ? 0 : state.begun) + files.length,
      over: fresh ? 0 : state.over,
    };
  });
  for (const { file, transfer } of transfers)
    void queue.add(async () => {
      let received: readonly Received[] = [];
      try {
        received = await send(batchId, file, (sent) => update(transfer.key, { sent }));
        useTransfers.setState(({ list, over }) => ({
          list: list.filter((t) => t.key !== transfer.key),
          over: over + 1,
        }));
      } catch (error) {
        update(transfer.key, { error: (error as Error).message });
        useTransfers.setState(({ over }) => ({ over: over + 1 }));
      }
      onArrived(received);
    });
}

/** Takes failed transfers off the list. */
export const forgetFailed = () => useTransfers.setState(({ list }) => ({ list: list.filter((t) => t.error === null) }));

/** True while files of a batch are still on their way. */
export const isArriving = (batchId: number) =>
  useTransfers.getState().list.some((t) => t.batchId === batchId && t.error === null);
