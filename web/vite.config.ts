import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const server = `http://127.0.0.1:${process.env['PORT'] ?? '4310'}`;

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: { target: 'es2023', sourcemap: true, assetsInlineLimit: 0 },
  server: { port: Number(process.env['WEB_PORT'] ?? 4311), strictPort: true, proxy: { '/api': server } },
});
