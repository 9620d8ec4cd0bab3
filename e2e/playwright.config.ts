import { defineConfig } from '@playwright/test';
import { CHROMIUM, ZONE } from './browser';

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  // Each worker has a product and a database of its own, with fresh demo data for every file.
  workers: (process.env['BASE_URLS'] ?? '').split(',').length,
  fullyParallel: false,
  timeout: 120_000,
  expect: { timeout: 10_000 },
  reporter: process.env['E2E_JSON'] ? [['list'], ['json', { outputFile: process.env['E2E_JSON'] }]] : [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: ZONE,
    trace: 'retain-on-failure',
    launchOptions: CHROMIUM,
  },
});
