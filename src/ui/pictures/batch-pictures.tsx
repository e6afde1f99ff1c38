'use client';
import { useParams, usePathname } from 'next/navigation';
import { usePhotos } from '../wall/use-photos';
import { PictureChoices } from './picture-choices';

/** The batch that the page is about; null on other pages. */
export function useBatchHere(): number | null {
  const { id } = useParams<{ id?: string }>();
  return usePathname().startsWith('/batches/') && id ? Number(id) : null;
}

type BatchPicturesProps = { readonly batchId: number; readonly onPick: (photo: number) => void };

/** The batch's own photos, to be kept as pictures. */
export function BatchPictures({ batchId, onPick }: BatchPicturesProps) {
  const { photos } = usePhotos(batchId);
  if (photos.length === 0) return null;
  return (
    <details className="mt-3">
      <summary className="mb-2">Photos of this batch</summary>
      <PictureChoices
        label="Photos of this batch"
        noun="photo"
        choices={photos.map(({ id, name, sha256 }) => ({
          key: String(id),
          name,
          address: `/api/photos/${sha256}/proxy/512`,
          onPick: () => onPick(id),
        }))}
      />
    </details>
  );
}
