import { z } from 'zod';
import { fieldListSchema } from '@/core/table';
import { bodyOf, numberOf, routes } from '@/server/http';
import { batches } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** The fields of the batch's photo data, in the order of their columns. */
  PUT: async ({ here, request, id }) => {
    const { fields, was } = await bodyOf(
      request,
      z.strictObject({ fields: fieldListSchema, was: fieldListSchema.nullable().default(null) }),
    );
    await batches.setFields(here, numberOf(id), fields, was);
  },
});
