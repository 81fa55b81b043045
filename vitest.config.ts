import path from 'node:path';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': path.resolve(import.meta.dirname, 'src') } },
  test: {
    testTimeout: 60_000,
    maxWorkers: 2,
    projects: [
      {
        extends: true,
        test: {
          name: 'units',
          include: ['src/**/*.test.ts', 'tests/{boundaries,contracts,reference,use-cases}/**/*.test.{ts,tsx}'],
          globalSetup: './tests/drivers/workers.ts',
          // One process a core keeps the modules it has read; no test may change one.
          isolate: false,
        },
      },
      {
        extends: true,
        // Parts of screens in a document without a browser; what they ask of the server is answered by the test.
        test: { name: 'screens', include: ['tests/screens/**/*.test.{ts,tsx}'], environment: 'happy-dom' },
      },
    ],
  },
});
