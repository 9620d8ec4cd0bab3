import { defineConfig } from 'vitest/config';

// One database for all files: they run one after the other, each starts from empty tables.
export default defineConfig({
  test: {
    include: ['test/**/*.test.ts'],
    environment: 'node',
    pool: 'forks',
    fileParallelism: false,
    hookTimeout: 60_000,
    testTimeout: 20_000,
  },
});
