import { route } from '@/server/http';
import { templates } from '@/server/services';

export const GET = route(async () => ({ templates: await templates.listTemplates() }));
