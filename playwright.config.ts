import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { defineConfig } from '@playwright/test'

const port = Number(process.env.JAW_TILT_TEST_PORT || 4757)
// Workers read this file again: the folder is made once and handed on.
process.env.JAW_TILT_TEST_DATA ||= mkdtempSync(join(tmpdir(), 'jaw-tilt-browser-'))

export default defineConfig({
  testDir: 'tests',
  testMatch: '**/*.spec.ts',
  workers: 1,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  reporter: [['list']],
  forbidOnly: !!process.env.CI,
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    trace: 'retain-on-failure',
    launchOptions: {
      executablePath: process.env.CHROMIUM_PATH || '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update', '--disable-sync', '--no-first-run'],
    },
  },
  webServer: {
    command: 'node .output/server/index.mjs',
    url: `http://127.0.0.1:${port}/api/health`,
    timeout: 90_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5000 },
    env: { JAW_TILT_DATA: process.env.JAW_TILT_TEST_DATA, JAW_TILT_DEMO: '1', PORT: String(port) },
  },
})
