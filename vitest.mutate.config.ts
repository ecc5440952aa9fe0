import { defineConfig, mergeConfig } from 'vitest/config'
import base from './vitest.config'

/** The tests of core alone, for the mutants of core. */
export default defineConfig(() => {
  const config = mergeConfig(base, {})
  return { ...config, test: { ...config.test, include: ['core/**/*.test.ts'] } }
})
