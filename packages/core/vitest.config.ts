import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['src/**/*.spec.ts'],
    environment: 'node',
    // Nothing here waits for anything: a busy machine is no fault, and a hang is one.
    testTimeout: 120_000,
    coverage: { provider: 'v8', include: ['src/**/*.ts'], exclude: ['src/**/*.spec.ts', 'src/index.ts'] },
  },
});
