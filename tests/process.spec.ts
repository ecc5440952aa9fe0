import type { Locator, Page } from '@playwright/test'
import { degrees, expect, ledger, openJob, openSheet, saved, test } from './bench'

const line = (page: Page) => page.getByTestId('next-step')
const does = (page: Page) => line(page).getAttribute('data-does')

/** How a control is pressed. */
type By = 'mouse' | 'touch' | 'keyboard'
const MOST_TABS = 200
async function press(by: By, control: Locator) {
  if (by === 'mouse') return control.click()
  if (by === 'touch') return control.tap()
  await tabTo(control)
  await control.page().keyboard.press('Enter')
}
/** Goes on with the Tab key alone until a control has the focus. */
async function tabTo(control: Locator) {
  await expect(control).toBeVisible()
  const hasFocus = () => control.evaluate((one) => one === document.activeElement)
  for (let i = 0; !(await hasFocus()); i++) {
    expect(i, `${control} can be reached by Tab`).toBeLessThan(MOST_TABS)
    await control.page().keyboard.press('Tab')
  }
}
/** Chooses from a list that is open: by keyboard going down it from its top. */
async function choose(by: By, page: Page, name: string) {
  const option = page.getByRole('option', { name })
  if (by !== 'keyboard') return press(by, option)
  await expect(option).toBeVisible()
  await page.keyboard.press('Home')
  const at = await option.evaluate((one) => [...one.parentElement!.querySelectorAll('[role=option]')].indexOf(one))
  for (let i = 0; i <= at; i++) {
    if (i > 0) await page.keyboard.press('ArrowDown')
    await expect(page.getByRole('option').nth(i)).toHaveAttribute('data-highlighted')
  }
  await page.keyboard.press('Enter')
}

async function choosePurpose(page: Page, name: string) {
  await openSheet(page, 'blade/')
  // A sheet that has just been opened goes to its top, and takes an open list out of sight with it.
  await expect(async () => {
    await page.keyboard.press('Escape')
    await page.getByTestId('purpose').click()
    await page.getByRole('option', { name }).click({ timeout: 5000 })
  }).toPass()
  await saved(page)
}

/** Does what the line asks for at the control that it leads to; leaves out what takes an instrument. */
async function doNext(page: Page, what: string, by: By) {
  if (['read', 'explain-reading', 'explain-proof', 'even-angle'].includes(what))
    return press(by, page.getByTestId('leave-out'))
  await press(by, page.getByTestId('go-to-step'))
  const focused = (name: string) => expect(page.locator(`[data-focus="${name}"]`)).toBeFocused()
  const pressButton = (name: string | RegExp) => press(by, page.getByRole('button', { name }).first())
  switch (what) {
    case 'measure-height':
      await focused('height-measured')
      return page.keyboard.press('Enter')
    case 'dial':
      await focused('dial-it')
      return page.keyboard.press('Enter')
    case 'mark':
      await pressButton('Let the simulated blade show it')
      await pressButton('Record this test')
      return press(by, page.getByTestId('record-found'))
    case 'decide':
      return pressButton(/^Apply/)
    case 'choose-stones':
      return press(by, page.locator('[data-testid^="way-"]').first())
    case 'put-on':
      return
    case 'grind':
      await focused('count')
      if (by === 'touch') await pressButton('Ten strokes')
      else await page.keyboard.press('x')
      return press(by, page.getByTestId('bench-finish'))
    case 'remove-burr':
      await focused('burr')
      await page.keyboard.press('Enter')
      await choose(by, page, 'no burr')
      return pressButton('Record how sharp it is')
    case 'prove': {
      const side = (await line(page).innerText()).includes('Prove A') ? 'A' : 'B'
      const edge = page.getByTestId(`gonio-${side}-edge`)
      const deg = String(await degrees(ledger(page, 'set', side)))
      if (by === 'keyboard') {
        await tabTo(edge)
        await page.keyboard.type(deg)
      } else await edge.fill(deg)
      await press(by, page.getByLabel('Cut through to the apex'))
      await choose(by, page, 'yes, a burr came up')
      return pressButton('Record it')
    }
    case 'put-to-use':
      await focused('put-to-use')
      return page.keyboard.press('Enter')
    case 'note-outcome':
      return pressButton('Record the outcome')
    default:
      throw new Error(`nothing is known of ${what}`)
  }
}

/** Presses what the line offers until nothing is left; what it asked for, in order. */
async function toTheEnd(page: Page, by: By): Promise<string[]> {
  const done: string[] = []
  for (let what = await does(page); what && what !== 'nothing'; what = await does(page)) {
    done.push(what)
    expect(done.length, done.join(', ')).toBeLessThan(30)
    const before = await line(page).innerText()
    await doNext(page, what, by)
    await expect(line(page)).not.toHaveText(before, { useInnerText: true })
  }
  await expect(line(page)).toContainText('Nothing is left to do')
  return done
}

/** Each purpose on a sample: some that have just begun, some that are on their way. */
for (const [purpose, sample] of [
  ['Sharpen, follow the bevel', 'Packing-room cutter'],
  ['Micro-bevel', 'Grafting knife, spring'],
  ['Find the angle only', 'Vine hooks'],
  ['Thin or repair', 'Paring knife, café'],
] as const)
  test(`by pressing the line alone, “${purpose}” comes to its end`, async ({ page }) => {
    const ground = purpose !== 'Find the angle only'
    await openJob(page, sample)
    await choosePurpose(page, purpose)
    const done = await toTheEnd(page, 'mouse')
    const way = page.getByRole('navigation', { name: 'The way through this job' })
    await expect(way.getByRole('link', { name: /^Grind/ })).toHaveAttribute(
      'data-state',
      ground ? 'done' : 'not-needed',
    )
    await saved(page)
    await page.reload()
    await expect(line(page)).toContainText('Nothing is left to do')
    if (ground) expect(done).toContain('put-to-use')
    if (done.includes('grind')) expect(done.indexOf('grind')).toBeLessThan(done.indexOf('prove'))
  })

test('a whole job is done by keyboard alone on a tablet’s screen, and its micro-bevel with it', async ({ page }) => {
  await page.setViewportSize({ width: 1024, height: 768 })
  await openJob(page, 'Paring knife, tea room')
  await choosePurpose(page, 'Touch up at the same setting')
  await openSheet(page, 'grind/plan')
  await tabTo(page.getByTestId('habits-of-blade'))
  await page.keyboard.press('Space')
  await press('keyboard', page.getByTestId('habit-micro-bevel'))
  await choose('keyboard', page, '3° steeper')
  const done = await toTheEnd(page, 'keyboard')
  expect(done.filter((what) => what === 'grind').length).toBeGreaterThan(1)
  expect(done).toContain('put-to-use')
  await expect(ledger(page, 'wanted', 'A')).toHaveText(/19/)
  // The last zone that was proved has its own angle, steeper by as much.
  await expect(ledger(page, 'proved', 'A')).toHaveText(/2[23]/)
})

test('a whole job is done by touch on a phone', async ({ browser, baseURL }) => {
  const context = await browser.newContext({ baseURL, hasTouch: true, viewport: { width: 390, height: 844 } })
  const page = await context.newPage()
  await openJob(page, 'Harvest knife, before the vintage')
  await choosePurpose(page, 'New angle')
  expect(await toTheEnd(page, 'touch')).toContain('put-to-use')
  await saved(page)
  await context.close()
})

test('an old bevel that is proved sends nothing into use: it is what was found', async ({ page }) => {
  await openJob(page, 'Vine hooks')
  await choosePurpose(page, 'New angle')
  await openSheet(page, 'prove/')
  for (const side of ['A', 'B']) await page.getByTestId(`gonio-${side}-edge`).fill('22')
  await expect(page.getByText('No strokes recorded on A, B: this is the bevel as it was found.')).toBeVisible()
  await page.getByRole('button', { name: 'Record it' }).click()
  // The last zone that was proved has its own angle, steeper by as much.
  await expect(ledger(page, 'proved', 'A')).toHaveText(/2[23]/)
  await openSheet(page, 'use/')
  await expect(page.getByRole('button', { name: 'Put it to use' })).toHaveAttribute('aria-disabled', 'true')
  await expect(page.getByText(/steps are still open before it/)).toBeVisible()
  const way = page.getByRole('navigation', { name: 'The way through this job' })
  await expect(way.getByRole('link', { name: /^Grind/ })).toHaveAttribute('data-state', 'not-begun')
  await expect(way.getByRole('link', { name: /^Prove/ })).toHaveAttribute('data-state', 'not-begun')
})
