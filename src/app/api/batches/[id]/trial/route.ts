import { numberOf, routes } from '@/server/http';
import { trials } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** How large a file of an output becomes, by the photo in the middle of the batch. */
  GET: async ({ here, request, id }) =>
    trials.trialOf(here, numberOf(id), numberOf(new URL(request.url).searchParams.get('output'), 0)),
});
