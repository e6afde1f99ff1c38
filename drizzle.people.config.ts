import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'sqlite',
  schema: './src/server/people/schema.ts',
  out: './src/server/people/migrations',
});
