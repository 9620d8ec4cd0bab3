import { defineConfig } from 'vitest/config';

// A database for each worker: its files run one after the other, each from empty tables.
export default defineConfig({
  test: {
    include: ['test/**/*.test.ts'],
    environment: 'node',
    pool: 'forks',
    maxWorkers: Number(process.env['TEST_WORKERS'] ?? 1),
    hookTimeout: 120_000,
    // A bound for what hangs, not for what a busy machine is slow at.
    testTimeout: 60_000,
  },
});
