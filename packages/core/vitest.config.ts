import { defineConfig } from 'vitest/config';

/** `npm run deep` tries many times as many cases of every property as `npm test`. */
const deep = Number(process.env['DEEP'] ?? 1);

export default defineConfig({
  test: {
    include: ['src/**/*.spec.ts'],
    environment: 'node',
    provide: { deep },
    setupFiles: ['src/testing/setup.ts'],
    // Nothing here waits for anything: a busy machine is no fault, and a hang is one.
    testTimeout: 120_000 * deep,
    coverage: {
      provider: 'v8',
      include: ['src/**/*.ts'],
      exclude: ['src/**/*.spec.ts', 'src/testing', 'src/index.ts'],
    },
  },
});
