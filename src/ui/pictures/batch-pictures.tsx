'use client';
import { useParams, usePathname } from 'next/navigation';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { plural } from '../shared/words';
import { usePhotos } from '../wall/use-photos';

/** The batch that the page is about; null on other pages. */
export function useBatchHere(): number | null {
  const { id } = useParams<{ id?: string }>();
  return usePathname().startsWith('/batches/') && id ? Number(id) : null;
}

/** Photos that are shown at once: among more, names are looked for. */
const MOST = 24;

type BatchPicturesProps = { readonly batchId: number; readonly onPick: (photo: number) => void };

/** The batch's own photos, to be kept as pictures. */
export function BatchPictures({ batchId, onPick }: BatchPicturesProps) {
  const { photos } = usePhotos(batchId);
  const [search, setSearch] = useState('');
  const found = photos.filter(({ name }) => name.toLowerCase().includes(search.trim().toLowerCase()));
  if (photos.length === 0) return null;
  return (
    <details className="mt-3">
      <summary>Photos of this batch</summary>
      {photos.length > MOST && (
        <Form.Control
          type="search"
          size="sm"
          className="my-2"
          aria-label="Look for a photo"
          placeholder={`Look for one of ${plural(photos.length, 'photo')}`}
          value={search}
          onChange={(event) => setSearch(event.target.value)}
        />
      )}
      <ul className="picture-list mt-2" aria-label="Photos of this batch">
        {found.slice(0, MOST).map(({ id, name, sha256 }) => (
          <li key={id}>
            <button type="button" className="picture-choice" onClick={() => onPick(id)}>
              {/* eslint-disable-next-line @next/next/no-img-element -- a file of our own server, as it is */}
              <img src={`/api/photos/${sha256}/proxy/512`} alt="" loading="lazy" />
              <strong className="name-line">{name}</strong>
            </button>
          </li>
        ))}
      </ul>
      {found.length > MOST && <p className="muted small-text mb-0">and {found.length - MOST} more: look for a name.</p>}
    </details>
  );
}
