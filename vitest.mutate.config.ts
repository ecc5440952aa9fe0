import { defineConfig } from 'vitest/config'
import base from './vitest.config'

/** The tests that are to catch the mutants: those of the folders named in stryker.config.json, and of the evaluation. */
export default defineConfig({
  ...base,
  test: {
    ...base.test,
    include: [
      'core/{angle,clamping,rig,dial,uncertainty,sides,gauge,stone,evaluation,hold,ledger,log,goniometer,goniometerPhoto,instrument,bevelCheck}/**/*.test.ts',
    ],
  },
})
