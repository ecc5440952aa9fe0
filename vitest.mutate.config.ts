import { defineConfig } from 'vitest/config'
import base from './vitest.config'

/** The tests that are to catch the mutants: those of the folders named in stryker.config.json, and of the evaluation. */
export default defineConfig({
  ...base,
  test: {
    ...base.test,
    projects: undefined,
    include: [
      'core/{geometry,observe/{bevelWidth,gauge,goniometer,ledger},photo/goniometer,process,records,steel,log,uncertainty}/**/*.test.ts',
    ],
    // Slow, and its many ways at once say little of where a mutant is.
    exclude: ['core/process/steps/robot.test.ts'],
  },
})
