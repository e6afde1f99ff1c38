/** The way to a bucket, with its client. */
import {
  GetObjectCommand,
  HeadObjectCommand,
  PutObjectCommand,
  S3Client,
  type S3ServiceException,
} from '@aws-sdk/client-s3';
import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { WobrelError } from '../../../core/errors';
import type { Way } from '../destination';
import { changedThere, lineTrouble, telling, troubleOf } from '../trouble';

/** Errors of the client, as what is to be done about them. */
function asTrouble(error: unknown): unknown {
  const { $metadata, message, $response } = error as S3ServiceException;
  const status = $metadata?.httpStatusCode;
  if (status === undefined) return lineTrouble(error);
  if (status === 409 || status === 412) return changedThere('The object');
  return troubleOf(status, message, $response?.headers['retry-after'] ?? null);
}

const call = telling(asTrouble);

type S3Settings = {
  readonly endpoint?: string | undefined;
  readonly region: string;
  readonly bucket: string;
  readonly prefix: string;
  readonly keyId: string;
  readonly secret: string;
};

export function s3Way({ endpoint, region, bucket, prefix, keyId, secret }: S3Settings): Way {
  const client = new S3Client({
    region,
    ...(endpoint !== undefined && { endpoint, forcePathStyle: true }),
    credentials: { accessKeyId: keyId, secretAccessKey: secret },
    // A stream can be sent once: whoever calls tries again with a new one.
    maxAttempts: 1,
    // What other stores than the first don't know.
    requestChecksumCalculation: 'WHEN_REQUIRED',
    responseChecksumValidation: 'WHEN_REQUIRED',
  });
  const at = (name: string) => ({ Bucket: bucket, Key: prefix + name });
  const look = (name: string, abortSignal: AbortSignal) =>
    call(() => client.send(new HeadObjectCommand(at(name)), { abortSignal })).then(
      ({ ContentLength = 0, ETag = '' }) => ({ bytes: ContentLength, version: ETag }),
      (error: unknown) => {
        // A head has no body to say why.
        if (error instanceof WobrelError && error.code === 'file-refused') return null;
        throw error;
      },
    );
  return {
    rules: async () => null,
    look,
    digest: (name, abortSignal) =>
      call(async () => {
        const { Body } = await client.send(new GetObjectCommand(at(name)), { abortSignal });
        const hash = createHash('sha256');
        for await (const chunk of Body as AsyncIterable<Buffer>) hash.update(chunk);
        return hash.digest('hex');
      }),
    put: async (name, { source, bytes, type }, over, abortSignal) => {
      // Stores that don't know the conditions below just put it: so it is looked at once more.
      if ((await look(name, abortSignal))?.version !== over?.version) throw changedThere(name);
      const condition = over ? { IfMatch: over.version } : { IfNoneMatch: '*' };
      const object = { ...at(name), Body: createReadStream(source), ContentLength: bytes, ContentType: type };
      await call(() => client.send(new PutObjectCommand({ ...object, ...condition }), { abortSignal }));
      return (await look(name, abortSignal))?.version ?? '';
    },
  };
}
