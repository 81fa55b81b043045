import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'tests',
  testMatch: ['stories/*.spec.ts', 'attack/*.spec.ts'],
  timeout: 400_000,
  expect: { timeout: 30_000 },
  workers: 2,
  globalSetup: './tests/drivers/prepare.ts',
  reporter: [['list'], ['json', { outputFile: '.test/playwright.json' }]],
  outputDir: '.test/playwright',
});
