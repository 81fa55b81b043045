import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'tests/stories',
  timeout: 180_000,
  expect: { timeout: 15_000 },
  workers: 1,
  reporter: [['list'], ['json', { outputFile: '.test/playwright.json' }]],
  outputDir: '.test/playwright',
});
