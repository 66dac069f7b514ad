import path from 'node:path';

import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': path.join(import.meta.dirname, 'src') } },
  test: {
    include: [
      'src/**/*.test.ts',
      'tests/outside/**/*.test.ts',
      'tests/bench/**/*.test.ts',
      'cli/**/*.test.ts',
      'demo/**/*.test.ts',
    ],
    globalSetup: ['tests/help/builtJobs.ts'],
    setupFiles: ['tests/help/sameCases.ts'],
    testTimeout: 120_000,
    // Files of one worker share what they import: half the time goes into that otherwise.
    pool: 'threads',
    isolate: false,
    // Both of two cores: by itself one would be left free, which only the linter needs, and not for long.
    maxWorkers: 2,
  },
});
