import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: {
    alias: {
      '~': fileURLToPath(new URL('./app', import.meta.url)),
      '#core': fileURLToPath(new URL('./core', import.meta.url)),
    },
  },
  test: {
    projects: [
      {
        extends: true,
        test: { name: 'core', include: ['core/**/*.test.ts'], benchmark: { include: ['core/**/*.bench.ts'] } },
      },
      // Stubbed globals and modules are each file's own.
      {
        extends: true,
        test: {
          name: 'app',
          include: ['app/**/*.test.ts', 'bin/**/*.test.ts'],
          benchmark: { include: [] },
          isolate: true,
        },
      },
      {
        extends: true,
        test: {
          name: 'server',
          include: ['server/**/*.test.ts'],
          benchmark: { include: ['server/**/*.bench.ts'] },
          globalSetup: 'server/store/dumps.fixture.ts',
          // As in tests/builtServer: databases that live for seconds.
          execArgv: process.argv.includes('bench') ? [] : ['--liftoff-only'],
        },
      },
    ],
    // Modules are loaded once, not for each file anew.
    isolate: false,
    // A test takes seconds; on a busy machine far longer.
    testTimeout: 60_000,
    // One for each core of the machine that checks each change.
    maxWorkers: 2,
  },
})
