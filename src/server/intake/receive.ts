/** Files out of an upload's stream, straight to the disk. */
import busboy from 'busboy';
import { createHash, randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import PQueue from 'p-queue';
import { WobrelError } from '../../core/errors';
import { MAX_FILE_BYTES } from '../config';
import { asWriteError } from '../store';
import type { Here } from '../workspace';

/** A file that arrived; `path` is ours to move or delete. */
export type Arrival = {
  readonly name: string;
  readonly path: string;
  readonly sha256: string;
  readonly bytes: number;
  /** True where it was cut off at the size limit. */
  readonly tooLarge: boolean;
};

/** Where an arrived photo is developed that can't be worked with as it is. */
export const developedPath = ({ path }: Arrival): string => `${path}.developed`;

/** Clears up behind an arrived file, wherever it was moved from. */
export async function removeArrival(arrival: Arrival): Promise<void> {
  await rm(arrival.path, { force: true });
  await rm(developedPath(arrival), { force: true });
}

async function receiveFile(
  here: Pick<Here, 'files'>,
  stream: Readable & { truncated?: boolean },
  name: string,
): Promise<Arrival> {
  const path = join(here.files.arrivals(), randomUUID());
  const hash = createHash('sha256');
  let bytes = 0;
  const counting = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      hash.update(chunk);
      bytes += chunk.length;
      done(null, chunk);
    },
  });
  try {
    await pipeline(stream, counting, createWriteStream(path, { flags: 'wx' }));
  } catch (error) {
    await rm(path, { force: true });
    throw asWriteError(error, path);
  }
  return { name, path, sha256: hash.digest('hex'), bytes, tooLarge: stream.truncated ?? false };
}

/** Files of one request. */
const MOST = 10_000;

const noMultipart = () => new WobrelError('invalid', 'Files are sent as multipart/form-data, with a boundary.');

/** @throws WobrelError `invalid` */
function parserFor(headers: Headers) {
  try {
    return busboy({
      headers: Object.fromEntries(headers),
      defParamCharset: 'utf8',
      limits: { fileSize: MAX_FILE_BYTES, files: MOST, fields: 10 },
    });
  } catch {
    throw noMultipart();
  }
}

/** By what busboy says: of a connection that ended it says something else. */
const asBroken = (error: Error): WobrelError =>
  error.message.startsWith('Malformed')
    ? new WobrelError('invalid', 'The upload is no valid multipart/form-data: files after the fault were not taken.')
    : new WobrelError('upload-broken', 'The upload broke off before it was complete.');

/**
 * Reads a multipart body (RFC 7578) and hands over each file as soon as it is whole. Files that
 * were whole when the sender broke off are kept; the one in progress is deleted.
 *
 * @throws WobrelError `upload-broken`, `cannot-write`, or `invalid` where it is none, or has no file or too many
 */
export async function receiveFiles(
  here: Pick<Here, 'files'>,
  { headers, body }: Pick<Request, 'headers' | 'body'>,
  onFile: (arrival: Arrival) => Promise<void>,
): Promise<void> {
  if (!body || !headers.get('content-type')?.startsWith('multipart/form-data')) throw noMultipart();
  const parser = parserFor(headers);
  await mkdir(here.files.arrivals(), { recursive: true }).catch((error: unknown) => {
    throw asWriteError(error, join(here.files.arrivals(), 'x'));
  });
  const files: Promise<void>[] = [];
  let wasTooMany = false;
  parser.on('filesLimit', () => (wasTooMany = true));
  // Arrived files wait on the disk: a request of thousands never decodes more than two at a time.
  const taking = new PQueue({ concurrency: 2 });
  parser.on('file', (_field, stream, { filename }) => {
    const file = receiveFile(here, stream, filename || 'unnamed').then((arrival) => taking.add(() => onFile(arrival)));
    file.catch(() => stream.resume());
    files.push(file);
  });
  const parsed = pipeline(Readable.fromWeb(body as Parameters<typeof Readable.fromWeb>[0]), parser);
  const broken = await parsed.then(
    () => null,
    (error: Error) => asBroken(error),
  );
  const outcomes = await Promise.allSettled(files);
  const failed = outcomes.find((outcome) => outcome.status === 'rejected');
  if (failed && failed.reason instanceof WobrelError) throw failed.reason;
  if (broken) throw broken;
  if (failed) throw failed.reason;
  if (wasTooMany)
    throw new WobrelError('invalid', `Of more than ${MOST} files at once the first ones were taken only.`);
  if (files.length === 0) throw new WobrelError('invalid', 'The upload holds no file: each is a part with a filename.');
}
