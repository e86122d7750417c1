import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const at = (folder: string): string => fileURLToPath(new URL(folder, import.meta.url));
const alias = [
  { find: /^@core$/, replacement: at('./core/index.ts') },
  { find: /^@core\//, replacement: at('./core/') },
  { find: /^@formats$/, replacement: at('./formats/index.ts') },
  { find: /^@formats\//, replacement: at('./formats/') },
  { find: /^@server\//, replacement: at('./server/') },
  { find: /^@web\//, replacement: at('./web/') },
  { find: /^@demo\//, replacement: at('./demo/') },
];

// The limits are far above what anything takes: a test fails for what it finds, never for a slow machine.
const patient = { testTimeout: 600_000, hookTimeout: 600_000 };

export default defineConfig({
  resolve: { alias },
  test: {
    projects: [
      {
        resolve: { alias },
        test: {
          ...patient,
          name: 'unit',
          include: ['core/**/*.test.ts', 'formats/**/*.test.ts', 'web/**/*.test.{ts,tsx}', 'demo/**/*.test.ts', 'scripts/**/*.test.ts'],
        },
      },
      {
        resolve: { alias },
        test: { ...patient, name: 'server', include: ['server/**/*.test.ts'], globalSetup: ['server/tests/globalSetup.ts'], fileParallelism: false },
      },
      {
        resolve: { alias },
        test: {
          name: 'e2e',
          testTimeout: 1_500_000,
          hookTimeout: 1_500_000,
          include: ['tests/e2e/**/*.test.ts'],
          globalSetup: ['tests/e2e/globalSetup.ts'],
          fileParallelism: false,
          bail: 0,
          // A browser on a busy machine may lose a click; what fails twice has failed, and what was tried twice is listed as such.
          retry: 2,
        },
      },
    ],
  },
});
