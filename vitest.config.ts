import path from 'node:path';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': path.resolve(import.meta.dirname, 'src') } },
  test: {
    include: ['src/**/*.test.ts', 'tests/{boundaries,contracts,reference,use-cases}/**/*.test.{ts,tsx}'],
    testTimeout: 60_000,
    globalSetup: './tests/drivers/workers.ts',
    // One process a core keeps the modules it has read; no test may change one.
    isolate: false,
    maxWorkers: 2,
  },
});
