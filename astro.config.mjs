import node from '@astrojs/node';
import react from '@astrojs/react';
import { defineConfig } from 'astro/config';
import { AS_INSTALLED } from './scripts/program.mjs';

/** A window that was opened before an update tells so by it. */
const BUILD_ID = new Date().toISOString();

// Inline scripts of the islands are allowed by their hashes; style attributes carry paint colours, which are data.
export default defineConfig({
  // Beside what `scripts/program.mjs` bundles, so that neither build clears away the other.
  outDir: './dist/pages',
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [react()],
  devToolbar: { enabled: false },
  server: { host: '127.0.0.1' },
  // Our own middleware checks the origin of every write, forms and JSON alike, against the address asked for.
  security: { checkOrigin: false },
  build: { inlineStylesheets: 'never' },
  experimental: {
    csp: {
      directives: [
        "default-src 'self'",
        "img-src 'self' data:",
        "font-src 'self'",
        "connect-src 'self'",
        "worker-src 'self'",
        "object-src 'none'",
        "base-uri 'self'",
        "form-action 'self'",
        "frame-ancestors 'none'",
      ],
    },
  },
  vite: {
    define: { __NEAT_RELAY_BUILD__: JSON.stringify(BUILD_ID) },
    worker: { format: 'es' },
    css: { modules: { localsConvention: 'camelCaseOnly' } },
    // Packages of a thousand small files take longer to be read than all that is ours: they go into the bundle.
    ssr: { noExternal: true, external: AS_INSTALLED },
  },
});
