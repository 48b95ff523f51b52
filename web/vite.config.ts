import { createHash } from 'node:crypto';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

const core = fileURLToPath(new URL('../core/src', import.meta.url));

/** A mark of the computation's whole source: what was judged by another is judged anew. */
const program = readdirSync(core, { recursive: true, encoding: 'utf8' })
  .filter((f) => f.endsWith('.ts'))
  .sort()
  .reduce((sum, f) => sum.update(readFileSync(join(core, f))), createHash('sha256'))
  .digest('hex')
  .slice(0, 12);

export default defineConfig({
  define: { __PROGRAM__: JSON.stringify(program) },
  root: fileURLToPath(new URL('.', import.meta.url)),
  plugins: [
    react(),
    VitePWA({
      // a new program waits until no window has the old one open: nothing changes under a hand
      registerType: 'prompt',
      injectRegister: false,
      manifest: {
        name: 'Rough Bight',
        short_name: 'Rough Bight',
        description: 'Measures, computes and judges ridgelines, hitches and guys for tarps and hammocks.',
        start_url: '/',
        display: 'standalone',
        background_color: '#F4EEE1',
        theme_color: '#F4EEE1',
        icons: [
          { src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' },
          { src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'maskable' },
        ],
      },
      workbox: {
        // all of it: what was never opened with a signal must open without one
        globPatterns: ['**/*.{js,css,html,woff,woff2,wasm,svg}'],
        maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        runtimeCaching: [
          {
            // what was last read is shown where there is no signal; with one, what the server has
            urlPattern: ({ url, request }) => request.method === 'GET' && /^\/api\/(?!docs)/.test(url.pathname),
            handler: 'NetworkFirst',
            options: { cacheName: 'read', networkTimeoutSeconds: 8, cacheableResponse: { statuses: [200] } },
          },
        ],
      },
    }),
  ],
  resolve: { alias: [{ find: /^@rough-bight\/core\/(.*)$/, replacement: `${core}/$1/index.ts` }] },
  worker: { format: 'es' },
  build: { target: 'es2022', outDir: 'dist', emptyOutDir: true, assetsInlineLimit: 0, chunkSizeWarningLimit: 700 },
  server: { proxy: { '/api': 'http://127.0.0.1:4717' } },
});
