import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { defineConfig } from '@playwright/test'
import { chromiumPath } from './bin/lib/setUp.mjs'

// Workers read this file again: the folder is made once and handed on.
process.env.JAW_TILT_TEST_DATA ||= mkdtempSync(join(tmpdir(), 'jaw-tilt-demo-'))

export default defineConfig({
  testDir: 'tests',
  testMatch: '**/*.spec.ts',
  globalSetup: './tests/demoData.ts',
  // One more than the cores of the machine that checks each change: a test also waits.
  workers: 3,
  // A test takes seconds; on a busy machine with three of them running it may take far longer.
  timeout: 180_000,
  expect: { timeout: 25_000 },
  reporter: [['list']],
  forbidOnly: !!process.env.CI,
  use: {
    // What is not there to be pressed by then is not there at all.
    actionTimeout: 40_000,
    viewport: { width: 1280, height: 800 },
    contextOptions: { reducedMotion: 'reduce' },
    // What a test does to requests is done to the page's own; the test of the worker lets it.
    serviceWorkers: 'block',
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: chromiumPath(),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
        // One process for all pages of a test file: starting another takes half a second.
        '--renderer-process-limit=1',
        '--disable-site-isolation-trials',
      ],
    },
  },
})
