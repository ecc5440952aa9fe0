import { chromium } from '@playwright/test'
import { spawn } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
const port = 4799
const data = process.env.SHOT_DATA || mkdtempSync('/tmp/jt-shot-')
const server = spawn('node', ['/work/main/.output/server/index.mjs'], { env: { ...process.env, PORT: String(port), JAW_TILT_DATA: data, JAW_TILT_DEMO: '1' }, stdio: ['ignore', 'ignore', 'inherit'] })
for (let i = 0; i < 200; i++) { try { if ((await fetch(`http://127.0.0.1:${port}/api/health`)).ok) break } catch {} await new Promise((r) => setTimeout(r, 200)) }
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update', '--disable-sync', '--no-first-run'] })
export async function shots(run, { width = 1280, height = 800, dark = false } = {}) {
  const page = await browser.newPage({ viewport: { width, height }, colorScheme: dark ? 'dark' : 'light' })
  page.on('console', (m) => ['error', 'warning'].includes(m.type()) && console.log('CONSOLE', m.text()))
  page.on('pageerror', (e) => console.log('PAGEERROR', e.message))
  page.setDefaultTimeout(8000)
  const open = async (name, path = '') => {
    await page.goto(`http://127.0.0.1:${port}/`)
    await page.getByRole('link', { name }).click()
    await page.getByRole('region', { name: 'The bench, drawn to scale' }).waitFor()
    if (path) { await page.goto(page.url().replace(/\/clamp$/, `/${path}`)) }
    await page.waitForTimeout(900)
  }
  const shot = (name) => page.screenshot({ path: `/tmp/shots/${name}.png` })
  try { await run({ page, open, shot }) } finally { await page.close() }
}
export async function done() { await browser.close(); server.kill('SIGTERM') }
