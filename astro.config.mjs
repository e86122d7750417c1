import { createHash } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import node from '@astrojs/node';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'astro/config';

/** The framework's own lines of script that stand in pages, as a content policy names them. */
async function scriptHashes() {
  const files = ['runtime/client/load.prebuilt.js', 'runtime/client/only.prebuilt.js', 'runtime/server/astro-island.prebuilt.js'];
  const scripts = await Promise.all(files.map((file) => import(new URL(`./node_modules/astro/dist/${file}`, import.meta.url).href)));
  return scripts.map((script) => `sha256-${createHash('sha256').update(script.default).digest('base64')}`);
}

const at = (path) => fileURLToPath(new URL(path, import.meta.url));

/** Core and formats only compute, and so do what clips polygons and what checks shapes: nothing of them is shipped to a page that does not call it. */
const treeshake = {
  moduleSideEffects: (id) => !/\/node_modules\/(clipper2-ts|zod|ts-fsrs)\//.test(id) && !id.startsWith(at('./core/')) && !id.startsWith(at('./formats/')),
};

export default defineConfig({
  srcDir: './web',
  publicDir: './web/public',
  outDir: './dist',
  output: 'server',
  adapter: node({ mode: 'standalone' }),
  integrations: [react()],
  devToolbar: { enabled: false },
  security: { checkOrigin: false },
  vite: {
    // As in tsconfig.json: workers are bundled apart and do not read it.
    resolve: {
      alias: [
        { find: /^@core$/, replacement: at('./core/index.ts') },
        { find: /^@core\//, replacement: at('./core/') },
        { find: /^@formats$/, replacement: at('./formats/index.ts') },
        { find: /^@formats\//, replacement: at('./formats/') },
        { find: /^@server\//, replacement: at('./server/') },
        { find: /^@web\//, replacement: at('./web/') },
      ],
    },
    plugins: [tailwindcss()],
    worker: { format: 'es', rollupOptions: { treeshake } },
    define: { __SCRIPT_HASHES__: JSON.stringify(await scriptHashes()) },
    ssr: { external: ['knex', 'mysql2', '@node-rs/argon2', 'piscina', 'pino', 'prom-client', 'rate-limiter-flexible'] },
    build: { chunkSizeWarningLimit: 1500, rollupOptions: { treeshake } },
  },
});
