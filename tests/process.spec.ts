import type { Page } from '@playwright/test'
import { degrees, expect, ledger, openJob, openSheet, saved, test } from './bench'

const line = (page: Page) => page.getByTestId('next-step')
const does = (page: Page) => line(page).getAttribute('data-does')

async function choosePurpose(page: Page, name: string) {
  await openSheet(page, 'blade/')
  await page.getByTestId('purpose').click()
  await page.getByRole('option', { name }).click()
  await saved(page)
}

/** Does what the line asks for at the control that it leads to; leaves out what takes an instrument. */
async function doNext(page: Page, what: string) {
  if (['read', 'explain-reading', 'explain-proof', 'even-angle'].includes(what))
    return page.getByTestId('leave-out').click()
  await page.getByTestId('go-to-step').click()
  const focused = (name: string) => expect(page.locator(`[data-focus="${name}"]`)).toBeFocused()
  switch (what) {
    case 'measure-height':
      await focused('height-measured')
      return page.keyboard.press('Enter')
    case 'dial':
      await focused('dial-it')
      return page.keyboard.press('Enter')
    case 'mark': {
      await page.getByRole('button', { name: 'Let the simulated blade show it' }).click()
      await page.getByRole('button', { name: 'Record this test' }).click()
      return page.getByTestId('record-found').click()
    }
    case 'decide':
      return page
        .getByRole('button', { name: /^Apply/ })
        .first()
        .click()
    case 'choose-stones':
      return page.locator('[data-testid^="way-"]').first().click()
    case 'put-on':
      return
    case 'grind':
      await focused('count')
      await page.keyboard.press('x')
      return page.getByTestId('bench-finish').click()
    case 'remove-burr':
      await focused('burr')
      await page.keyboard.press('Enter')
      await page.getByRole('option', { name: 'no burr' }).click()
      return page.getByRole('button', { name: 'Record how sharp it is' }).click()
    case 'prove': {
      const side = (await line(page).innerText()).includes('Prove A') ? 'A' : 'B'
      await page.getByTestId(`gonio-${side}-edge`).fill(String(await degrees(ledger(page, 'set', side))))
      await page.getByLabel('Cut through to the apex').click()
      await page.getByRole('option', { name: 'yes, a burr came up' }).click()
      return page.getByRole('button', { name: 'Record it' }).click()
    }
    case 'put-to-use':
      await focused('put-to-use')
      return page.keyboard.press('Enter')
    case 'note-outcome':
      return page.getByRole('button', { name: 'Record the outcome' }).click()
    default:
      throw new Error(`nothing is known of ${what}`)
  }
}

/** Each purpose on a sample: some that have just begun, some that are on their way. */
for (const [purpose, sample] of [
  ['Sharpen, follow the bevel', 'Packing-room cutter'],
  ['Micro-bevel', 'Grafting knife, spring'],
  ['Find the angle only', 'Vine hooks'],
  ['New angle', 'Harvest knife, before the vintage'],
  ['Thin or repair', 'Paring knife, café'],
  ['Touch up at the same setting', 'Paring knife, tea room'],
] as const)
  test(`by pressing the line alone, “${purpose}” comes to its end`, async ({ page }) => {
    const ground = purpose !== 'Find the angle only'
    await openJob(page, sample)
    await choosePurpose(page, purpose)
    const done: string[] = []
    for (let what = await does(page); what && what !== 'nothing'; what = await does(page)) {
      done.push(what)
      expect(done.length, done.join(', ')).toBeLessThan(30)
      const before = await line(page).innerText()
      await doNext(page, what)
      await expect(line(page)).not.toHaveText(before, { useInnerText: true })
    }
    await expect(line(page)).toContainText('Nothing is left to do')
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

test('an old bevel that is proved sends nothing into use: it is what was found', async ({ page }) => {
  await openJob(page, 'Vine hooks')
  await choosePurpose(page, 'New angle')
  await openSheet(page, 'prove/')
  for (const side of ['A', 'B']) await page.getByTestId(`gonio-${side}-edge`).fill('22')
  await expect(page.getByText('No strokes recorded on A, B: this is the bevel as it was found.')).toBeVisible()
  await page.getByRole('button', { name: 'Record it' }).click()
  await expect(ledger(page, 'proved', 'A')).toHaveText(/22/)
  await openSheet(page, 'use/')
  await expect(page.getByRole('button', { name: 'Put it to use' })).toHaveAttribute('aria-disabled', 'true')
  await expect(page.getByText(/steps are still open before it/)).toBeVisible()
  const way = page.getByRole('navigation', { name: 'The way through this job' })
  await expect(way.getByRole('link', { name: /^Grind/ })).toHaveAttribute('data-state', 'not-begun')
  await expect(way.getByRole('link', { name: /^Prove/ })).toHaveAttribute('data-state', 'not-begun')
})
