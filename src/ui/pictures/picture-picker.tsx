'use client';
import { useQueryClient } from '@tanstack/react-query';
import { useId, useRef, useState } from 'react';
import { X } from 'lucide-react';
import { Alert, Button, Modal } from 'react-bootstrap';
import { useDropzone } from 'react-dropzone';
import type { KeptPicture } from '@/server/services';
import { MayButton } from '../people/may-button';
import { anew } from '../shared/anew';
import { api } from '../shared/api';
import { ask } from '../shared/ask';
import { FileInput } from '../shared/file-input';
import { plural } from '../shared/words';
import { BatchPictures, useBatchHere } from './batch-pictures';
import { PictureChoices } from './picture-choices';
import { pictureAddress, smallPictureAddress, usePictures } from './use-pictures';

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
    onDrop: (given) => (given.length === 1 ? take(given[0]!) : setFailure('One picture at a time, please.')),
    noClick: true,
    noKeyboard: true,
  });
  const forget = async ({ sha256, name }: KeptPicture) => {
    if (!(await ask({ title: `Delete ${name}?`, words: 'Nothing shows it. It can’t be brought back.', action: 'Delete' }))) return; // prettier-ignore
    await api(pictureAddress(sha256), 'DELETE');
    await anew(client, ['pictures']);
  };
  return (
    <Modal show scrollable size="lg" onHide={onHide} aria-labelledby={`${id}-title`}>
      <Modal.Header closeButton>
        <Modal.Title as="h2" id={`${id}-title`}>
          Choose a picture
        </Modal.Title>
      </Modal.Header>
      <Modal.Body {...getRootProps()} className={isDragActive ? 'dropping' : ''}>
        {failure && <Alert variant="danger">{failure}</Alert>}
        <PictureChoices
          label="Kept pictures"
          noun="picture"
          choices={(data?.pictures ?? []).map((picture) => ({
            key: picture.sha256,
            name: picture.name,
            address: smallPictureAddress(picture.sha256),
            about: `${picture.width} × ${picture.height} px, ${usesWords(picture)}`,
            beside: picture.uses === 0 && (
              <MayButton
                least="maker"
                variant="quiet"
                className="picture-remove"
                aria-label={`Delete ${picture.name}`}
                title="delete"
                onClick={() => telling(forget(picture))}
              >
                <X size={14} aria-hidden />
              </MayButton>
            ),
            onPick: () => onPick(picture.sha256),
          }))}
        />
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
