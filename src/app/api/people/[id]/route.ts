import { z } from 'zod';
import { bodyOf, personOf, routes } from '@/server/http';
import { giveRole, removePerson } from '@/server/people';
import { ROLES } from '@/server/workspace';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  PATCH: async ({ here, request, id }) => {
    const { role } = await bodyOf(request, z.strictObject({ role: z.enum(ROLES) }));
    await giveRole(here, personOf(id), role);
  },
  DELETE: async ({ here, id }) => removePerson(here, personOf(id)),
});
