import { z } from 'zod';
import { bodyOf, routes } from '@/server/http';
import { addPerson, emailSchema, listPeople, personNameSchema } from '@/server/people';
import { ROLES } from '@/server/workspace';

const newPerson = z.strictObject({ name: personNameSchema, email: emailSchema, role: z.enum(ROLES) });

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here }) => ({ people: await listPeople(here) }),
  POST: async ({ here, request }) => addPerson(here, await bodyOf(request, newPerson)),
});
