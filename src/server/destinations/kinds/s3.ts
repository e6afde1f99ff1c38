import { z } from 'zod';
import { defineDestination } from '../destination';
import { addressSchema, plainAddress, secretSchema } from '../settings-parts';

const settings = z.strictObject({
  /** Left out: Amazon's own of the region. */
  endpoint: addressSchema.optional(),
  region: z.string().min(1).default('us-east-1'),
  bucket: z.string().min(1),
  /** Before every name. */
  prefix: z.string().default(''),
  keyId: secretSchema,
  secret: secretSchema,
});

/** A bucket of a store that speaks S3. An object is there whole or not at all. */
export const s3 = defineDestination({
  kind: 's3',
  label: 'S3 bucket',
  settings,
  address: ({ endpoint, bucket, prefix }) => `${endpoint ? `${plainAddress(endpoint)}/` : ''}${bucket}/${prefix}`,
  // Its client is large: read only where there is such a destination.
  open: async (given) => (await import('./s3-way')).s3Way(given),
});
