import { routes } from '@/server/http';
import { templates } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async () => ({ templates: await templates.listTemplates() }),
});
