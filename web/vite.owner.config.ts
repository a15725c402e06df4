import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/** The owner's page, built by itself: it shares no file with the salon's application, and fetches none of it. */
export default defineConfig({
  base: '/of-owner/',
  publicDir: 'ownerPublic',
  plugins: [react(), tailwindcss()],
  build: {
    outDir: 'dist/of-owner',
    target: 'es2020',
    sourcemap: true,
    assetsInlineLimit: 0,
    manifest: true,
    rolldownOptions: { input: 'owner.html' },
  },
});
