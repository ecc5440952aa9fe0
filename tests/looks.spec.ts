import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type axeCore from 'axe-core'
import type { Locator, Page } from '@playwright/test'
import { MOST_TABS, ROOMS, sheetPath, STATIONS, tabsOf, type SheetKey } from '../app/navigation/stations'
import { expect, openJob, openSheet, test } from './bench'

declare const axe: typeof axeCore

const WCAG = ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa', 'best-practice']

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

interface Part {
  /** This part of the page alone; the whole page without it. */
  readonly within?: string
  /** What is covered by something, and is not looked at. */
  readonly covered?: string
}

/** Axe is put into a page once. By night only the colours are others. */
async function accessible(page: Page, what: string, { within, covered }: Part = {}) {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(AXE)
  for (const [theme, runOnly] of [
    ['dark', { type: 'rule', values: ['color-contrast'] }],
    ['light', { type: 'tag', values: WCAG }],
  ] as const) {
    await page.emulateMedia({ colorScheme: theme })
    await expect(page.locator('html')).toContainClass(theme)
    const violations = await page.evaluate(
      async ([only, include, exclude]) => {
        const where: axeCore.ElementContext = include ? [include] : exclude ? { exclude: [exclude] } : document
        const { violations: found } = await axe.run(where, {
          runOnly: { type: only.type, values: [...only.values] },
          resultTypes: ['violations'],
        })
        return found.map((one) => `${one.id}: ${one.nodes.map(({ target }) => target.join(' ')).join(', ')}`)
      },
      [runOnly, within, covered] as const,
    )
    expect(violations.map((one) => `${what}, ${theme}: ${one}`)).toEqual([])
  }
}

/** Until nothing moves any more: what fades in has no contrast yet. */
const atRest = (page: Page) =>
  page.waitForFunction(() =>
    document
      .getAnimations()
      .every((one) => one.playState !== 'running' || one.effect?.getComputedTiming().iterations === Infinity),
  )

test('every view passes axe, by day and by night', async ({ page }) => {
  test.slow()
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'On the bench' })).toBeVisible()
  await accessible(page, 'jobs')
  await page.getByRole('link', { name: 'The shelf' }).click()
  await expect(page.getByRole('heading', { name: 'Stones' })).toBeVisible()
  await accessible(page, 'the shelf')
  await page.goto('/start')
  await expect(page.getByRole('button', { name: /^Grafting knife/ })).toBeVisible()
  await accessible(page, 'a new job')
  await openJob(page, 'Pocket knife from the gate')
  // What stands around the sheets of a station is the same for all of them.
  const sheet = { within: '#work' }
  for (const room of ROOMS)
    for (const [i, { id }] of tabsOf(room).entries()) {
      const key = `${room.id}/${id}` as SheetKey
      await openSheet(page, key)
      await atRest(page)
      await accessible(page, key, i === 0 ? {} : sheet)
    }
  await page.keyboard.press('1')
  await page.getByRole('button', { name: 'New rig' }).click()
  for (let i = 1; i <= 6; i++) {
    await page.getByRole('button', { name: new RegExp(`^${i}: `) }).click()
    await accessible(page, `describing a rig, step ${i}`, sheet)
  }
  await page
    .getByRole('navigation', { name: 'The way through this job' })
    .getByRole('link', { name: /^Blade/ })
    .click()
  await page.getByRole('button', { name: 'New blade' }).click()
  for (const step of ['Thickness', 'What it is for', 'The edge']) {
    await page.getByRole('button', { name: step, exact: true }).click()
    await accessible(page, `describing a blade: ${step}`, sheet)
  }
  await page.getByRole('navigation', { name: 'The way through this job' }).getByRole('link', { name: /^Rig/ }).click()
  const halfCovered = { covered: 'nav[aria-label^="Sheets"]' }
  const opened = async (what: string, panel: Locator, open: () => Promise<void>) => {
    await open()
    await expect(panel).toBeVisible()
    await atRest(page)
    // What a panel half covers is to be pressed once it is closed.
    await accessible(page, what, halfCovered)
    await page.keyboard.press('Escape')
    await expect(panel).toBeHidden()
  }
  const press = (name: string) => () => page.getByRole('button', { name }).click()
  await opened('wear log', page.getByRole('form', { name: 'New line of the log' }), press('Wear log'))
  await opened('stone', page.getByRole('form', { name: 'Stone' }), press('New stone'))
  await expect(page.getByRole('button', { name: 'New stone' })).toBeFocused()
  const howSure = page.getByRole('region', { name: 'How sure is the set angle' })
  await opened('how sure', howSure, () => page.keyboard.press('e'))
  await expect(howSure).toBeHidden()
  await page.keyboard.press('w')
  await expect(page.getByTestId('wanted-A')).toBeFocused()
  await accessible(page, 'wanted angle', halfCovered)
  await page.keyboard.press('Escape')
  await opened('preferences', page.getByRole('dialog', { name: 'Preferences' }), press('Preferences'))
  await opened('commands', page.getByPlaceholder('What do you want to do?'), () => page.keyboard.press('Control+k'))
  await opened('keys', page.getByRole('dialog', { name: 'Keys' }), () => page.keyboard.press('?'))
})

/** What a person would find cut or over the side: figures in their fields, words on buttons and in cells. */
function cutOff(): string[] {
  const pen = document.createElement('canvas').getContext('2d')!
  const isCut = (one: HTMLElement): boolean => {
    if (!(one instanceof HTMLInputElement))
      return [one, ...one.querySelectorAll<HTMLElement>('*')].some(
        (part) =>
          part.scrollWidth > part.clientWidth + 1 &&
          getComputedStyle(part).overflowX !== 'visible' &&
          !part.matches('.sr-only'),
      )
    const { font, paddingLeft, paddingRight } = getComputedStyle(one)
    pen.font = font
    const room = one.clientWidth - Number.parseFloat(paddingLeft) - Number.parseFloat(paddingRight)
    return pen.measureText(one.value).width > room + 1
  }
  const all = [...document.querySelectorAll<HTMLElement>('input[inputmode], button, td, th')]
  const { scrollWidth, clientWidth } = document.documentElement
  return [
    ...(scrollWidth > clientWidth ? [`the page is ${scrollWidth - clientWidth} px too wide`] : []),
    ...all.flatMap((one) => (one.offsetParent && isCut(one) ? [`${one.tagName} ${one.id} ${one.innerText}`] : [])),
  ]
}

test('nothing is cut or runs over the side from a small phone to a large screen, and the ledger stays in sight', async ({
  page,
}) => {
  test.slow()
  await openJob(page, 'Vine hooks')
  const jobId = new URL(page.url()).pathname.split('/')[2]!
  const ledger = page.getByRole('region', { name: 'The four angles' })
  for (const [room, sheet] of ROOMS.flatMap((one) => one.sheets.map((sheet) => [one, sheet] as const))) {
    if (tabsOf(room).includes(sheet)) await openSheet(page, `${room.id}/${sheet.id}` as SheetKey)
    else await page.goto(sheetPath(jobId, room.id, sheet.id))
    await expect(ledger).toBeVisible()
    for (const width of [360, 390, 768, 1024, 1112, 1180, 1280, 1920]) {
      await page.setViewportSize({ width, height: 800 })
      await expect.poll(() => page.evaluate(cutOff), `${room.id} ${sheet.id} at ${width}`).toEqual([])
      if (width !== 390 && width !== 1280) continue
      await page.mouse.wheel(0, 3000)
      await expect(ledger).toBeInViewport()
    }
  }
})

test('what to dial and its button are on the first screen of a phone and a tablet, large enough for wet hands', async ({
  page,
}) => {
  await openJob(page, 'Packing-room cutter')
  const panel = page.getByRole('region', { name: 'What to dial' })
  for (const [width, height] of [
    [390, 844],
    [768, 1024],
  ] as const) {
    await page.setViewportSize({ width, height })
    await expect(panel.getByTestId('dial')).toBeInViewport({ ratio: 1 })
    const pressed = [
      panel.getByRole('button', { name: 'I have dialled it' }),
      panel.getByText('both sides alike'),
      page.getByRole('button', { name: 'Blade height: more' }),
      page.getByRole('button', { name: 'B', exact: true }),
    ]
    await expect(pressed[0]!).toBeInViewport({ ratio: 1 })
    for (const target of pressed) {
      const box = (await target.boundingBox())!
      expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(44)
    }
    const [caution, stones] = await Promise.all(
      [page.getByText('Gloves on while clamping'), page.getByRole('region', { name: 'The stones of the box' })].map(
        async (one) => (await one.boundingBox())!.y,
      ),
    )
    expect(caution).toBeLessThan(stones!)
  }
})

test('seven stations are in sight at every width, each with its state; the sheet at hand is in sight too', async ({
  page,
}) => {
  await openJob(page, 'Vine hooks')
  const way = page.getByRole('navigation', { name: 'The way through this job' })
  for (const width of [1280, 1024, 390]) {
    await page.setViewportSize({ width, height: 844 })
    for (const station of STATIONS) {
      const stop = way.getByRole('listitem').filter({ hasText: new RegExp(`^${station.word}`) })
      await expect(stop, `${station.word} at ${width}`).toBeInViewport({ ratio: 1 })
      await expect(stop).toContainText(/next|done|not begun|under way|not needed|out of date|left out/)
    }
    for (const room of ROOMS) {
      expect(tabsOf(room).length).toBeLessThanOrEqual(MOST_TABS)
      const last = tabsOf(room).at(-1)
      if (!last) continue
      await openSheet(page, `${room.id}/${last.id}` as SheetKey)
      if (tabsOf(room).length > 1)
        await expect(page.getByRole('link', { name: last.word, exact: true })).toBeInViewport({ ratio: 0.95 })
    }
  }
})

test('the next step is the same on every sheet and in the list of jobs; old addresses lead to where things are', async ({
  page,
}) => {
  await page.goto('/')
  const row = page.getByRole('listitem').filter({ hasText: 'Vine hooks' })
  await expect(row.getByTestId('next-step')).toContainText('Next: ')
  const step = (await row.getByTestId('next-step').textContent())!.replace(/^\s*Next: /, '').trim()
  await openJob(page, 'Vine hooks')
  for (const key of ['rig/', 'blade/', 'clamp/even', 'grind/', 'prove/', 'uncertainty/sides'] as const) {
    await openSheet(page, key)
    await expect(page.getByTestId('go-to-step').locator('b')).toHaveText(step)
  }
  const jobId = new URL(page.url()).pathname.split('/')[2]!
  for (const [before, now] of [
    ['clamp/sure', 'uncertainty'],
    ['clamp/parts', 'clamp/even'],
    ['rig/order', 'grind'],
    ['clamp/no-such-sheet', 'clamp'],
  ]) {
    await page.goto(`/jobs/${jobId}/${before}`)
    await expect(page).toHaveURL(new RegExp(`/jobs/${jobId}/${now}$`))
  }
})

test('every icon is drawn from what ships with the application', async ({ page }) => {
  const asked: string[] = []
  page.on('request', (request) => asked.push(request.url()))
  await openJob(page, 'Vine hooks')
  await page.keyboard.press('Control+k')
  await expect(page.getByPlaceholder('What do you want to do?')).toBeVisible()
  const empty = await page
    .locator('.iconify')
    .evaluateAll((icons) =>
      icons
        .filter(
          (icon) => getComputedStyle(icon).maskImage === 'none' && getComputedStyle(icon).backgroundImage === 'none',
        )
        .map((icon) => icon.className),
    )
  expect(empty).toEqual([])
  expect(asked.filter((url) => !url.startsWith('http://127.0.0.1') && !url.startsWith('data:'))).toEqual([])
})
