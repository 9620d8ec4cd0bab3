import { defineConfig } from 'vitest/config';

// A database for each worker: its files run one after the other, each from empty tables.
export default defineConfig({
  test: {
    include: ['test/**/*.test.ts'],
    environment: 'node',
    pool: 'forks',
    maxWorkers: Number(process.env['TEST_WORKERS'] ?? 1),
    hookTimeout: 60_000,
    testTimeout: 20_000,
  },
});
