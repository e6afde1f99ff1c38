import { routes } from '@/server/http';

/** Answers, and that is all: pages ask it whether the line is back. */
export const { GET, POST, PUT, PATCH, DELETE } = routes({ GET: async () => undefined });
