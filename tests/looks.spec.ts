import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type axeCore from 'axe-core'
import type { Locator, Page } from '@playwright/test'
import { MOST_TABS, ROOMS, sheetPath, STATIONS, tabsOf, type SheetKey } from '../app/navigation/stations'
import { expect, openJob, openSheet, test } from './bench'

declare const axe: typeof axeCore

const WCAG = ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa', 'best-practice']

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** A part of the page to be looked at, or what is left out of it. */
type Part = { include: [string] } | { exclude: [string] }
const SHEET: Part = { include: ['#work'] }

/** The ways of writing whose contrast was found to be enough, by theme. */
const enough = { dark: new Set<string>(), light: new Set<string>() }
const themes: ('dark' | 'light')[] = ['dark', 'light']

/**
 * Axe is put into a page once. The contrast, which takes longest, is asked of a few texts of each way of writing
 * (colours, size, weight), until axe could tell.
 */
async function accessible(page: Page, what: string, part?: Part) {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(AXE)
  // The one that is on comes first.
  for (const theme of themes.reverse()) {
    await page.emulateMedia({ colorScheme: theme })
    await expect(page.locator('html')).toContainClass(theme)
    const { passed, failed } = await page.evaluate(contrasts, [...enough[theme]])
    for (const way of passed) enough[theme].add(way)
    expect(failed, `${what}, ${theme}: contrast`).toEqual([])
  }
  const violations = await page.evaluate(
    async ([tags, where]) => {
      const { violations: found } = await axe.run(where ?? document, {
        runOnly: { type: 'tag', values: [...tags] },
        rules: { 'color-contrast': { enabled: false } },
        resultTypes: ['violations'],
      })
      return found.map((one) => `${one.id}: ${one.nodes.map(({ target }) => target.join(' ')).join(', ')}`)
    },
    [WCAG, part] as const,
  )
  expect(violations, what).toEqual([])
}

/** Runs in the page: the ways of writing whose contrast is enough, those that are known left out, and what fails. */
async function contrasts(known: string[]): Promise<{ passed: string[]; failed: string[] }> {
  const MOST_ASKED = 4
  const paperOf = (one: Element | null): string => {
    if (!one) return ''
    const { backgroundColor, backgroundImage } = getComputedStyle(one)
    if (backgroundImage !== 'none') return backgroundImage
    return /, 0\)$|\/ 0\)$/.test(backgroundColor) ? paperOf(one.parentElement) : backgroundColor
  }
  const fadeOf = (one: Element | null): number =>
    one ? Number(getComputedStyle(one).opacity) * fadeOf(one.parentElement) : 1
  const wayOf = (one: Element): string => {
    const { color, fontSize, fontWeight } = getComputedStyle(one)
    const idle = one.closest(':disabled, [aria-disabled="true"]') ? 'disabled' : ''
    return [color, 'on', paperOf(one), fontSize, fontWeight, fadeOf(one), idle].join(' ')
  }
  const texts = new Map<Element, string>()
  for (const one of document.body.querySelectorAll('*'))
    if (
      one.checkVisibility() &&
      (one.matches('input, select, textarea') ||
        [...one.childNodes].some((part) => part.nodeType === Node.TEXT_NODE && part.textContent?.trim()))
    ) {
      const way = wayOf(one)
      if (!known.includes(way)) texts.set(one, way)
    }
  const asked: Record<string, number> = {}
  const include = [...texts].flatMap(([one, way]) =>
    (asked[way] = (asked[way] ?? 0) + 1) > MOST_ASKED ? [] : [one as HTMLElement],
  )
  if (include.length === 0) return { passed: [], failed: [] }
  const { passes, violations } = await axe.run(include, {
    runOnly: { type: 'rule', values: ['color-contrast'] },
    elementRef: true,
  })
  const nodes = (found: axeCore.Result[]) => found.flatMap((one) => one.nodes)
  return {
    passed: [...new Set(nodes(passes).flatMap(({ element }) => texts.get(element!) ?? []))],
    failed: nodes(violations).map(({ target, element }) => `${target.join(' ')}: ${texts.get(element!)}`),
  }
}

/** Until nothing moves any more: what fades in has no contrast yet. */
const atRest = (page: Page) =>
  page.waitForFunction(() =>
    document
      .getAnimations()
      .every((one) => one.playState !== 'running' || one.effect?.getComputedTiming().iterations === Infinity),
  )

const ALL_SHEETS = ROOMS.flatMap((room) => room.sheets.map((sheet) => ({ room, sheet })))

/** A sheet of the job that is open: by the links of the way where it has one, else by its address. */
async function toSheet(page: Page, { room, sheet }: (typeof ALL_SHEETS)[number]) {
  if (tabsOf(room).includes(sheet)) await openSheet(page, `${room.id}/${sheet.id}` as SheetKey)
  else await page.goto(sheetPath(new URL(page.url()).pathname.split('/')[2]!, room.id, sheet.id))
  await expect(page.getByRole('region', { name: 'The four angles' })).toBeVisible()
  await atRest(page)
}

async function nothingCut(page: Page, what: string, widths: readonly number[]) {
  for (const width of widths) {
    await page.setViewportSize({ width, height: 800 })
    await expect.poll(() => page.evaluate(cutOff), `${what} at ${width}`).toEqual([])
  }
  await page.setViewportSize({ width: 1280, height: 800 })
}

const WIDTHS = [360, 1024, 1112, 1920, 1280]

test('every view passes axe, by day and by night, and nothing in it is cut from a small phone to a large screen', async ({
  page,
}) => {
  test.slow()
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'On the bench' })).toBeVisible()
  await accessible(page, 'jobs')
  await nothingCut(page, 'jobs', WIDTHS)
  await page.getByRole('link', { name: 'The shelf' }).click()
  await expect(page.getByRole('heading', { name: 'Stones' })).toBeVisible()
  await accessible(page, 'the shelf')
  await nothingCut(page, 'the shelf', WIDTHS)
  await page.goto('/start')
  await expect(page.getByRole('button', { name: /^Grafting knife/ })).toBeVisible()
  await accessible(page, 'a new job')
  await nothingCut(page, 'a new job', WIDTHS)
  await openJob(page, 'Vine hooks')
  for (const one of ALL_SHEETS) {
    await toSheet(page, one)
    const what = `${one.room.id}/${one.sheet.id}`
    // What stands around the sheets of a station is the same for all of them.
    await accessible(page, what, one.sheet === one.room.sheets[0] ? undefined : SHEET)
    await nothingCut(page, what, WIDTHS)
  }
})

test('in inches nothing is cut either, and no sheet speaks of millimetres; the ledger stays in sight', async ({
  page,
}) => {
  test.slow()
  await openJob(page, 'Vine hooks')
  await page.getByRole('button', { name: 'Preferences' }).click()
  await page.getByText('Inches, 1.188').click()
  await page.keyboard.press('Escape')
  for (const one of ALL_SHEETS) {
    await toSheet(page, one)
    await expect(page.locator('body')).not.toContainText(/\d mm\b/)
    await nothingCut(page, `${one.room.id}/${one.sheet.id}`, [360, 390, 768, 1024, 1180])
    for (const width of [1280, 390]) {
      await page.setViewportSize({ width, height: 800 })
      await page.mouse.wheel(0, 3000)
      await expect(page.getByRole('region', { name: 'The four angles' })).toBeInViewport()
    }
  }
})

test('what is opened over a sheet, and every step of describing, passes axe', async ({ page }) => {
  await openJob(page, 'Pocket knife from the gate')
  await page.keyboard.press('1')
  await page.getByRole('button', { name: 'New rig' }).click()
  for (let i = 1; i <= 6; i++) {
    await page.getByRole('button', { name: new RegExp(`^${i}: `) }).click()
    await accessible(page, `describing a rig, step ${i}`, SHEET)
  }
  await page
    .getByRole('navigation', { name: 'The way through this job' })
    .getByRole('link', { name: /^Blade/ })
    .click()
  await page.getByRole('button', { name: 'New blade' }).click()
  for (const step of ['Thickness', 'What it is for', 'The edge']) {
    await page.getByRole('button', { name: step, exact: true }).click()
    await accessible(page, `describing a blade: ${step}`, SHEET)
  }
  await page.getByRole('navigation', { name: 'The way through this job' }).getByRole('link', { name: /^Rig/ }).click()
  const halfCovered: Part = { exclude: ['nav[aria-label^="Sheets"]'] }
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
  const all = [...document.querySelectorAll<HTMLElement>('input[inputmode], button, #work a, td, th')]
  const { scrollWidth, clientWidth } = document.documentElement
  const overfull = [...document.querySelectorAll<HTMLElement>('.pane')].filter(
    (pane) => pane.scrollWidth > pane.clientWidth + 1 && getComputedStyle(pane).overflowX === 'visible',
  )
  return [
    ...overfull.map(
      (pane) => `${pane.innerText.slice(0, 30)} runs ${pane.scrollWidth - pane.clientWidth} px over its pane`,
    ),
    ...(scrollWidth > clientWidth ? [`the page is ${scrollWidth - clientWidth} px too wide`] : []),
    ...all.flatMap((one) => (one.offsetParent && isCut(one) ? [`${one.tagName} ${one.id} ${one.innerText}`] : [])),
  ]
}

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
  for (const nowhere of ['/nowhere', '/jobs']) {
    await page.goto(nowhere)
    await expect(page.getByRole('heading', { name: 'There is no page at this address' })).toBeVisible()
  }
  await page.goto('/shelf/nothing')
  await expect(page).toHaveURL(/\/shelf$/)
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
