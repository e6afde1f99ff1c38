import { bodyOf, routes } from '@/server/http';
import { renameWorkspace, workspaceSchema } from '@/server/people';
import { makeWorkspace } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  POST: async ({ here, request }) => makeWorkspace(here, (await bodyOf(request, workspaceSchema)).name),
  /** Renames the one that one is in. */
  PATCH: async ({ here, request }) => renameWorkspace(here, (await bodyOf(request, workspaceSchema)).name),
});
