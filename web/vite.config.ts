import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

const server = `http://127.0.0.1:${process.env['PORT'] ?? '4310'}`;

/** What public/letGo.js gives the service worker. */
declare const self: { canBeLetGo: (request: Request) => Request };

/** The application's own files stay on the device; what the server says never does, so that nothing stale is shown as true. */
const offline = VitePWA({
  // A new version waits until the old one is closed: a page never meets files of another version.
  registerType: 'prompt',
  injectRegister: null,
  manifest: {
    name: 'Dewpond',
    short_name: 'Dewpond',
    description: 'Plans recurring care for each dog a groomer looks after.',
    display: 'standalone',
    background_color: '#f4f1e8',
    theme_color: '#125b60',
    icons: [{ src: '/pond.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
  },
  workbox: {
    globPatterns: ['**/*.{js,css,html,svg,woff2}'],
    navigateFallback: '/index.html',
    // The owner's page is not of this application.
    navigateFallbackDenylist: [/^\/api\//, /^\/owner$/],
    cleanupOutdatedCaches: true,
    importScripts: ['/letGo.js'],
    // Pictures of dogs never change under their address; they are forgotten at sign-out (data/prefetch.ts names the cache).
    runtimeCaching: [
      {
        urlPattern: /\/api\/photos\//,
        handler: 'CacheFirst',
        options: {
          cacheName: 'dewpond-pictures',
          expiration: { maxEntries: 300, maxAgeSeconds: 7 * 86_400 },
          cacheableResponse: { statuses: [200] },
          // Written into the worker as it stands.
          plugins: [{ requestWillFetch: ({ request }) => Promise.resolve(self.canBeLetGo(request)) }],
        },
      },
    ],
  },
});

/**
 * What is there before anything is chosen comes in one piece, and the small things that most screens use in another: over
 * a slow network each file costs a journey there and back.
 */
const CHUNKS = [
  { name: 'first', tags: ['$initial' as const], priority: 1 },
  {
    name: 'common',
    minShareCount: 15,
    maxModuleSize: 6000,
    // Not what opens over a screen: lists and dialogs bring much along, and Today has none.
    test: /web.src.(ui.(?!SelectField|Dialog)|data|browser|api)|core.src.(units|provenance|places)|uuid|tanstack/,
  },
];

/** While one works on it, the owner's page stands where the server has it. */
const ownersPage: Plugin = {
  name: 'owners-page',
  configureServer: ({ middlewares }) =>
    void middlewares.use((request, _response, next) => {
      if (request.url === '/owner') request.url = '/owner.html';
      next();
    }),
};

export default defineConfig({
  plugins: [react(), tailwindcss(), offline, ownersPage],
  build: {
    target: 'es2023',
    sourcemap: true,
    assetsInlineLimit: 0,
    manifest: true,
    rolldownOptions: { output: { codeSplitting: { groups: CHUNKS } } },
  },
  server: { port: Number(process.env['WEB_PORT'] ?? 4311), strictPort: true, proxy: { '/api': server } },
});
