import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'postgresql',
  schema: ['./src/platform/db/schema/index.ts', './src/platform/db/authSchema.ts'],
  out: './drizzle',
  schemaFilter: ['dewpond', 'auth'],
  entities: { roles: false },
});
