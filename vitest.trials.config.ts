import { defineConfig } from 'vitest/config'

/** The trials of docs/reliability.md, on the built server: `npm run trials`, by root on Linux, one after the other. */
export default defineConfig({
  test: {
    include: ['tests/trials/**/*.trial.ts'],
    testTimeout: 6 * 3600_000,
    fileParallelism: false,
    reporters: ['verbose'],
  },
})
