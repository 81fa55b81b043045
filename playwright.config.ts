import { defineConfig } from '@playwright/test';

/** Stories that mostly wait for clocks and networks run beside the others. */
const WAITING = ['**/rough-weather.spec.ts', '**/whole-way.spec.ts', '**/attack/*.spec.ts'];

export default defineConfig({
  testDir: 'tests',
  testMatch: ['stories/*.spec.ts', 'attack/*.spec.ts'],
  timeout: 400_000,
  expect: { timeout: 30_000 },
  workers: 2,
  globalSetup: './tests/drivers/prepare.ts',
  projects: [
    { name: 'waiting', testMatch: WAITING, workers: 1 },
    { name: 'busy', testIgnore: WAITING, workers: 1 },
  ],
  reporter: [['list'], ['json', { outputFile: '.test/playwright.json' }]],
  outputDir: '.test/playwright',
});
