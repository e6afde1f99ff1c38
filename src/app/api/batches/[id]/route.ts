import { z } from 'zod';
import { bodyOf, numberOf, route } from '@/server/http';
import { batches } from '@/server/services';

export const GET = route(async (_, { id }) => batches.batchDetail(numberOf(id)));

export const PATCH = route(async (request, { id }) => {
  const change = z.union([
    z.strictObject({ name: batches.batchNameSchema }),
    z.strictObject({ found: z.int().min(0) }),
  ]);
  const body = await bodyOf(request, change);
  if ('name' in body) await batches.renameBatch(numberOf(id), body.name);
  else await batches.noteFindings(numberOf(id), body.found);
});

export const DELETE = route(async (_, { id }) => batches.deleteBatch(numberOf(id)));
