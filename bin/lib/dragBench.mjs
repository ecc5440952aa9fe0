import { chromium } from '@playwright/test'
import { chromiumPath } from './setUp.mjs'

/**
 * Drags the blade of two demo jobs on the clamp station, and prints what a step costs in the browser: the time that its
 * main thread spends in script, style and layout, by Chromium's own trace. (Its metric ScriptDuration leaves out what
 * runs in an animation frame, which is nearly all of it.) Usage: node bin/lib/dragBench.mjs [address]
 */
const address = process.argv[2] ?? 'http://127.0.0.1:4747'
const [JOBS, STEPS, WARM] = [['Pocket knife from the gate', 'Chef’s knife, weekly'], 150, 30]
/** What is counted as what; an event within another one belongs to that. */
const COUNTED = {
  EventDispatch: 'script',
  FireAnimationFrame: 'script',
  FunctionCall: 'script',
  RunMicrotasks: 'script',
  UpdateLayoutTree: 'style',
  Layout: 'layout',
}
const NEXT = 'next step'

const browser = await chromium.launch({ executablePath: chromiumPath(), args: ['--no-sandbox', '--disable-gpu'] })
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })
/** What each step of a trace cost, ms: from one mark to the next. */
function costsOf(trace) {
  const { traceEvents } = JSON.parse(trace)
  const isMark = ({ name, args }) => name === 'TimeStamp' && args.data.message === NEXT
  const { tid, pid } = traceEvents.find(isMark)
  const events = traceEvents
    .filter((one) => one.tid === tid && one.pid === pid && (isMark(one) || (one.name in COUNTED && one.ph === 'X')))
    .sort((one, other) => one.ts - other.ts)
  const steps = []
  let end = 0
  for (const { name, ts, dur = 0 } of events) {
    if (name === 'TimeStamp') steps.push({ script: 0, style: 0, layout: 0 })
    else if (ts >= end && steps.length > 0) {
      steps.at(-1)[COUNTED[name]] += dur / 1000
      end = ts + dur
    }
  }
  return steps.slice(0, -1)
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
  for (let i = 0; i < STEPS; i++) {
    if (i === WARM) await browser.startTracing(page, { categories: ['devtools.timeline'] })
    await page.evaluate((mark) => console.timeStamp(mark), NEXT)
    await page.mouse.move(fromX + 30 * Math.sin(i / 12) + (i % 2), fromY + 12 * Math.cos(i / 9))
    await twoFrames()
  }
  const steps = costsOf(await browser.stopTracing())
  await page.mouse.up()
  const at = (share, of) => {
    const sorted = steps.map(of).sort((one, other) => one - other)
    return sorted[Math.floor(share * (sorted.length - 1))].toFixed(1)
  }
  const both = (of) => `${at(0.5, of)} / ${at(0.95, of)}`
  console.log(`${name}, ${steps.length} steps, ms at the median / at the 95th percentile:`)
  console.log(`  script ${both((s) => s.script)}, style ${both((s) => s.style)}, layout ${both((s) => s.layout)}`)
  console.log(`  together ${both((s) => s.script + s.style + s.layout)}`)
}
await browser.close()
