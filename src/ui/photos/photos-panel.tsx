'use client';
import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Button, ProgressBar } from 'react-bootstrap';
import { useDropzone } from 'react-dropzone';
import type { BatchDetail, PhotoRow, Received } from '@/server/services';
import { useActions } from '../keys/use-keys';
import { anew } from '../shared/anew';
import { api } from '../shared/api';
import { MiddleName } from '../shared/middle-name';
import { amount, plural } from '../shared/words';
import { forgetLeft, useLeftBehind } from './expected';
import { isMeant } from './meant';
import { withArrived, type PhotoPages } from './photo-pages';
import { forgetFailed, isArriving, sendFailedAgain, sendFiles, useTransfers } from './upload';
import { FindingMark } from '../shared/finding-mark';
import { ShowAll } from '../shared/show-all';
import { MayButton } from '../people/may-button';

/** Refused files that are told before all are asked for. */
const FIRST = 6;

/** Transfers listed one by one. */
const LISTED = 12;

/** Arrived photos are shown together after so long, ms; longer where there are many to check anew. */
const gatheredFor = (photos: number) => Math.max(500, photos / 2);

/** Sends dropped or picked files to the batch and keeps its lists up to date meanwhile. */
export function useIntake(batchId: number) {
  const client = useQueryClient();
  const arrived = useRef<PhotoRow[]>([]);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const key = ['photos', batchId];
  const show = () => {
    timer.current = null;
    const pages = withArrived(client.getQueryData<PhotoPages>(key), arrived.current);
    arrived.current = [];
    void anew(client, ['batch', batchId]);
    // The server has the last word once all have arrived.
    if (pages && isArriving(batchId) && client.isFetching({ queryKey: key }) === 0) client.setQueryData(key, pages);
    else void anew(client, key);
  };
  const onArrived = (received: readonly Received[]) => {
    for (const one of received) if (one.outcome === 'kept') arrived.current.push(one.photo);
    const total = client.getQueryData<PhotoPages>(key)?.pages[0]?.total ?? 0;
    timer.current ??= setTimeout(show, gatheredFor(total));
  };
  return {
    intake: (files: readonly File[]): void => {
      const meant = files.filter(isMeant);
      if (meant.length > 0) sendFiles(batchId, meant, onArrived);
    },
    again: (): void => sendFailedAgain(batchId, onArrived),
  };
}

function Progress({ batchId, onAgain }: { batchId: number; onAgain: () => void }) {
  const { list, begun, over } = useTransfers();
  const mine = list.filter((t) => t.batchId === batchId);
  if (mine.length === 0) return null;
  const moving = mine.filter((t) => t.error === null);
  const failed = mine.filter((t) => t.error !== null);
  const isHeld = moving.some((t) => t.isHeld);
  return (
    <div className="side-block" aria-live="polite">
      {moving.length > 0 && (
        <>
          <div className="d-flex justify-content-between">
            <strong>{isHeld ? 'Waiting for the line' : 'Arriving'}</strong>
            <span className="muted">
              {over} of {begun}
            </span>
          </div>
          <ProgressBar now={over} max={begun} className="my-2" aria-label="Photos that have arrived" />
          <ul className="list-plain small-text">
            {moving.slice(0, LISTED).map((t) => (
              <li key={t.key} className="d-flex justify-content-between gap-2">
                <MiddleName name={t.name} />
                <span className="muted text-nowrap">
                  {t.isHeld
                    ? 'goes again by itself'
                    : t.sent === 0
                      ? 'waits'
                      : t.sent < 1
                        ? `${Math.round(t.sent * 100)} %`
                        : 'being read'}
                </span>
              </li>
            ))}
            {moving.length > LISTED && <li className="muted">and {moving.length - LISTED} more</li>}
          </ul>
        </>
      )}
      {failed.length > 0 && (
        <>
          <strong>Did not arrive</strong>
          <ul className="list-plain small-text">
            {failed.slice(0, LISTED).map((t) => (
              <li key={t.key}>
                {t.name}: {t.error}
              </li>
            ))}
          </ul>
          {failed.length > LISTED && <p className="muted small-text mb-1">and {failed.length - LISTED} more</p>}
          <Button variant="plain" className="me-2" onClick={onAgain}>
            Try again
          </Button>
          <Button variant="quiet" onClick={() => forgetFailed(batchId)}>
            Clear this list
          </Button>
        </>
      )}
    </div>
  );
}

/** Files that were on their way when the page was left, and have not come. */
function NotArrived({ batchId, photos }: { batchId: number; photos: readonly PhotoRow[] }) {
  const expected = useLeftBehind(batchId);
  const { list } = useTransfers();
  const here = new Set([...photos, ...list].map(({ name }) => name));
  const lost = expected.filter((name) => !here.has(name));
  if (lost.length === 0) return null;
  return (
    <div className="side-block">
      <strong>
        <FindingMark />
        {plural(lost.length, 'file')} did not arrive
      </strong>
      <p className="muted small-text mb-1">The page was left while they were on their way. Bring them in again.</p>
      <ul className="list-plain small-text">
        {lost.slice(0, LISTED).map((name, i) => (
          <li key={`${i} ${name}`}>
            <MiddleName name={name} />
          </li>
        ))}
        {lost.length > LISTED && <li className="muted">and {lost.length - LISTED} more</li>}
      </ul>
      <Button variant="quiet" onClick={() => void forgetLeft(batchId)}>
        Clear this list
      </Button>
    </div>
  );
}

/** Bringing photos in, and what was not taken. */
export function PhotosPanel({ batch, photos }: { batch: BatchDetail; photos: readonly PhotoRow[] }) {
  const { intake, again } = useIntake(batch.id);
  const client = useQueryClient();
  const folder = useRef<HTMLInputElement>(null);
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    onDrop: intake,
    noClick: true,
    noKeyboard: true,
  });
  useActions('page', { pickPhotos: open, pickFolder: () => folder.current?.click() });
  const [all, setAll] = useState(false);
  const clear = async () => {
    await api(`/api/batches/${batch.id}/refusals`, 'DELETE');
    await anew(client, ['batch', batch.id]);
  };
  return (
    <>
      <div className="side-block">
        <div {...getRootProps({ className: 'drop' })} data-over={isDragActive}>
          <input {...getInputProps({ 'aria-label': 'Photos to bring in' })} />
          <p className="mb-2">Drop a folder or photos here</p>
          <div className="d-flex gap-2 justify-content-center">
            <MayButton least="artist" className="px-2 text-nowrap" onClick={open}>
              Pick photos…
            </MayButton>
            <MayButton
              least="artist"
              variant="plain"
              className="px-2 text-nowrap"
              onClick={() => folder.current?.click()}
            >
              Pick a folder…
            </MayButton>
          </div>
          <input
            ref={folder}
            type="file"
            hidden
            multiple
            aria-label="Folder to bring in"
            {...{ webkitdirectory: '' }}
            onChange={(event) => {
              intake([...(event.target.files ?? [])]);
              event.target.value = '';
            }}
          />
        </div>
        <p className="muted small-text mb-0 mt-2">
          JPEG, PNG, WebP, AVIF, HEIC, TIFF or GIF, up to 100 megapixels; copied ones can be pasted. The files
          themselves are never changed.
        </p>
      </div>
      <Progress batchId={batch.id} onAgain={again} />
      <NotArrived batchId={batch.id} photos={photos} />
      {batch.refusalCount > 0 && (
        <div className="side-block">
          <div className="d-flex justify-content-between align-items-baseline">
            <strong>
              <span className="refusal-mark" aria-hidden>
                ✕{' '}
              </span>
              {plural(batch.refusalCount, 'file')} not taken
            </strong>
            <Button variant="quiet" onClick={() => void clear()}>
              Clear list
            </Button>
          </div>
          <ul className="list-plain small-text">
            {batch.refusals.slice(0, all ? undefined : FIRST).map((refusal) => (
              <li key={refusal.id}>
                <strong>{refusal.name}</strong>
                <br />
                {refusal.message}
              </li>
            ))}
          </ul>
          {batch.refusals.length > FIRST && (
            <ShowAll isAll={all} onChange={setAll}>
              Show all {amount(batch.refusalCount)}
            </ShowAll>
          )}
          {all && batch.refusalCount > batch.refusals.length && (
            <p className="muted small-text mb-0">and {amount(batch.refusalCount - batch.refusals.length)} more</p>
          )}
        </div>
      )}
    </>
  );
}
