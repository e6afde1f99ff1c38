import type { DeliveredFile } from '@/server/services';
import { fileSize } from '../shared/words';
import { FindingMark } from '../shared/finding-mark';

/** A delivered file's picture, small, on squares that show what is transparent. */
export const FilePicture = ({ delivery, file }: { readonly delivery: number; readonly file: DeliveredFile }) => (
  // The server makes it; it is no picture of the application's own.
  // oxlint-disable-next-line nextjs/no-img-element
  <img
    className="ground"
    data-ground="grid"
    src={`/api/deliveries/${delivery}/files/${file.id}`}
    alt=""
    loading="lazy"
  />
);

/** Size, bytes, and how it came about. */
export function FileWords({ file }: { readonly file: DeliveredFile }) {
  const { width, height, bytes, quality, isTaken } = file;
  const words = [
    `${width} × ${height} px`,
    fileSize(bytes),
    ...(quality === null ? [] : [`quality ${quality}`]),
    ...(isTaken ? ['as before'] : []),
  ];
  return <span className="muted small-text">{words.join(', ')}</span>;
}

/** One file: its picture, name, size, and what there is to say about it. */
export function FileRow({ delivery, file }: { readonly delivery: number; readonly file: DeliveredFile }) {
  const said = file.findings.map(({ message }) => message).join('; ');
  return (
    <>
      <FilePicture delivery={delivery} file={file} />
      <div className="name-line">
        <strong title={`${file.file}\nSHA-256 ${file.sha256}`}>{file.file}</strong>
        <br />
        <FileWords file={file} />
      </div>
      <span className="small-text clamp" title={said}>
        {said && (
          <>
            <FindingMark />
            {said}
          </>
        )}
      </span>
    </>
  );
}
