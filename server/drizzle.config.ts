import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'postgresql',
  schema: ['./src/db/schema/index.ts', './src/db/authSchema.ts'],
  out: './drizzle',
  schemaFilter: ['dewpond', 'auth'],
  entities: { roles: false },
});
