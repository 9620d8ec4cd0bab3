import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './browser';

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  // One product and one database for all: one after the other.
  workers: 1,
  fullyParallel: false,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  reporter: process.env['E2E_JSON'] ? [['list'], ['json', { outputFile: process.env['E2E_JSON'] }]] : [['list']],
  use: {
    baseURL: process.env['BASE_URL'] ?? 'http://127.0.0.1:4100',
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'Europe/Vienna',
    trace: 'retain-on-failure',
    launchOptions: CHROMIUM,
  },
});
