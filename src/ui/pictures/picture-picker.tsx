'use client';
import { useQueryClient } from '@tanstack/react-query';
import { useId, useRef, useState } from 'react';
import { Alert, Button, Modal } from 'react-bootstrap';
import { useDropzone } from 'react-dropzone';
import type { KeptPicture } from '@/server/services';
import { anew } from '../shared/anew';
import { api } from '../shared/api';
import { FileInput } from '../shared/file-input';
import { plural } from '../shared/words';
import { BatchPictures, useBatchHere } from './batch-pictures';
import { pictureAddress, usePictures } from './use-pictures';

type PicturePickerProps = { readonly onPick: (sha256: string) => void; readonly onHide: () => void };

const usesWords = ({ uses }: KeptPicture) =>
  uses === 0 ? 'not used' : uses === 1 ? 'used once' : `used ${plural(uses, 'time')}`;

/** Pictures that were kept, and files to bring in. */
export function PicturePicker({ onPick, onHide }: PicturePickerProps) {
  const id = useId();
  const batchId = useBatchHere();
  const client = useQueryClient();
  const { data } = usePictures();
  const [failure, setFailure] = useState<string | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const telling = (work: Promise<unknown>) => void work.catch((error: Error) => setFailure(error.message));
  const keep = async (body: unknown) => {
    const { pictures } = await api<{ pictures: { sha256: string }[] }>('/api/pictures', 'POST', body);
    await anew(client, ['pictures']);
    onPick(pictures[0]!.sha256);
  };
  const take = (given: File) => {
    const body = new FormData();
    body.append('picture', given, given.name);
    setFailure(null);
    telling(keep(body));
  };
  const { getRootProps, isDragActive } = useDropzone({
    onDrop: ([given]) => given && take(given),
    multiple: false,
    noClick: true,
    noKeyboard: true,
  });
  const forget = async ({ sha256 }: KeptPicture) => {
    await api(pictureAddress(sha256), 'DELETE');
    await anew(client, ['pictures']);
  };
  return (
    <Modal show size="lg" onHide={onHide} aria-labelledby={`${id}-title`}>
      <Modal.Header closeButton>
        <Modal.Title as="h2" id={`${id}-title`}>
          Choose a picture
        </Modal.Title>
      </Modal.Header>
      <Modal.Body {...getRootProps()} className={isDragActive ? 'dropping' : ''}>
        {failure && <Alert variant="danger">{failure}</Alert>}
        <ul className="picture-list" aria-label="Kept pictures">
          {data?.pictures.map((picture) => (
            <li key={picture.sha256}>
              <button type="button" className="picture-choice" onClick={() => onPick(picture.sha256)}>
                {/* eslint-disable-next-line @next/next/no-img-element -- a file of our own server, as it is */}
                <img src={pictureAddress(picture.sha256)} alt="" loading="lazy" />
                <strong className="name-line">{picture.name}</strong>
                <span className="muted small-text">
                  {picture.width} × {picture.height} px, {usesWords(picture)}
                </span>
              </button>
              {picture.uses === 0 && (
                <Button variant="quiet" size="sm" onClick={() => telling(forget(picture))}>
                  Delete {picture.name}
                </Button>
              )}
            </li>
          ))}
        </ul>
        {data?.pictures.length === 0 && (
          <p className="muted">
            No pictures yet. Drop one here: PNG, WebP and other photo formats are taken; transparency stays.
          </p>
        )}
        {batchId !== null && <BatchPictures batchId={batchId} onPick={(photo) => telling(keep({ photo }))} />}
      </Modal.Body>
      <Modal.Footer>
        <FileInput
          ref={file}
          label="Picture to bring in"
          accept="image/png,image/jpeg,image/webp,image/avif,image/heic,.heic,image/tiff,image/gif"
          onFile={take}
        />
        <Button onClick={() => file.current?.click()}>Bring a file in…</Button>
      </Modal.Footer>
    </Modal>
  );
}
