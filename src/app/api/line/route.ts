import { openRoutes } from '@/server/http';

/** Answers, and that is all: pages ask it whether the line is back. */
export const { GET, POST, PUT, PATCH, DELETE } = openRoutes({ GET: async () => undefined });
