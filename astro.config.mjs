import { fileURLToPath } from 'node:url';
import node from '@astrojs/node';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'astro/config';

const at = (path) => fileURLToPath(new URL(path, import.meta.url));

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
        { find: /^@web\//, replacement: at('./web/') },
      ],
    },
    plugins: [tailwindcss()],
    worker: { format: 'es' },
    ssr: { external: ['knex', 'mysql2', '@node-rs/argon2'] },
    build: { chunkSizeWarningLimit: 1500 },
  },
});
