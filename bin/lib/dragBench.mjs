import { chromium } from '@playwright/test'
import { chromiumPath } from './setUp.mjs'

/**
 * Drags the blade of two demo jobs on the clamp station, and says what a step costs in the browser: the time that its
 * main thread spends in script, style and layout, by Chromium's own count. Usage: node bin/lib/dragBench.mjs [address]
 */
const address = process.argv[2] ?? 'http://127.0.0.1:4747'
const [JOBS, STEPS, WARM] = [['Pocket knife from the gate', 'Chef’s knife, weekly'], 150, 30]
const COUNTED = ['ScriptDuration', 'RecalcStyleDuration', 'LayoutDuration']

const browser = await chromium.launch({ executablePath: chromiumPath(), args: ['--no-sandbox', '--disable-gpu'] })
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })
const devtools = await page.context().newCDPSession(page)
await devtools.send('Performance.enable')
const counts = async () => {
  const { metrics } = await devtools.send('Performance.getMetrics')
  return COUNTED.map((name) => 1000 * metrics.find((one) => one.name === name).value)
}
const twoFrames = () =>
  page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))))
const { records } = await (await page.request.get(`${address}/api/jobs`)).json()
for (const name of JOBS) {
  await page.goto(`${address}/jobs/${records.find((job) => job.name === name).id}/clamp`)
  const knob = page.getByRole('slider', { name: /^Clamp position/ })
  await knob.waitFor()
  await page.waitForLoadState('networkidle')
  const { x, y, width, height } = await knob.boundingBox()
  const [fromX, fromY] = [x + width / 2, y + height / 2]
  await page.mouse.move(fromX, fromY)
  await page.mouse.down()
  const steps = []
  for (let i = 0; i < STEPS; i++) {
    const before = await counts()
    await page.mouse.move(fromX + 30 * Math.sin(i / 12) + (i % 2), fromY + 12 * Math.cos(i / 9))
    await twoFrames()
    const after = await counts()
    if (i >= WARM) steps.push(after.map((one, k) => one - before[k]))
  }
  await page.mouse.up()
  const at = (share, of) => {
    const sorted = steps.map(of).sort((one, other) => one - other)
    return sorted[Math.floor(share * (sorted.length - 1))].toFixed(1)
  }
  const both = (of) => `${at(0.5, of)} / ${at(0.95, of)}`
  console.log(`${name}, ${steps.length} steps, ms in the middle / at the 95th percentile:`)
  console.log(`  script ${both((s) => s[0])}, style ${both((s) => s[1])}, layout ${both((s) => s[2])}`)
  console.log(`  together ${both((s) => s[0] + s[1] + s[2])}`)
}
await browser.close()
