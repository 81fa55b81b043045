import { defineConfig } from '@playwright/test';

const FILES = ['stories/*.spec.ts', 'attack/*.spec.ts'];
/** Stories that mostly wait for time to pass: one after the other beside those that work, they cost little. */
const WAITING = ['stories/rough-weather.spec.ts', 'stories/whole-way.spec.ts', 'stories/how-it-runs.spec.ts'];

export default defineConfig({
  testDir: 'tests',
  timeout: 400_000,
  expect: { timeout: 30_000 },
  workers: 4,
  projects: [
    { name: 'waiting', testMatch: WAITING, workers: 1 },
    { name: 'working', testMatch: FILES, testIgnore: WAITING, workers: 3 },
  ],
  globalSetup: './tests/drivers/prepare.ts',
  reporter: [['list'], ['json', { outputFile: '.test/playwright.json' }]],
  outputDir: '.test/playwright',
});
