import { createHash } from 'node:crypto';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

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
  plugins: [react()],
  resolve: { alias: [{ find: /^@rough-bight\/core\/(.*)$/, replacement: `${core}/$1/index.ts` }] },
  worker: { format: 'es' },
  build: { target: 'es2022', outDir: 'dist', emptyOutDir: true, assetsInlineLimit: 0, chunkSizeWarningLimit: 700 },
  server: { proxy: { '/api': 'http://127.0.0.1:4717' } },
});
