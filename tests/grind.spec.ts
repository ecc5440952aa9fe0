import { join } from 'node:path'
import type { Page } from '@playwright/test'
import reference from '../core/photo/scratches/fixtures/scratch-photos/photos.json' with { type: 'json' }
import { expect, openJob, test } from './bench'

/** A bench that scrubs to and fro, in place of a microphone. */
const SCRUB = join(import.meta.dirname, '../core/sound/strokes/fixtures/strokes/02-quiet-scrub.wav')
const PHOTOS = join(import.meta.dirname, '../core/photo/scratches/fixtures/scratch-photos')
test.use({
  launchOptions: [
    async ({ launchOptions }, use) => {
      const fake = [
        '--use-fake-device-for-media-stream',
        '--use-fake-ui-for-media-stream',
        `--use-file-for-fake-audio-capture=${SCRUB}`,
      ]
      await use({ ...launchOptions, args: [...(launchOptions.args ?? []), ...fake] })
    },
    { scope: 'worker' },
  ],
})

const count = (page: Page) => page.getByTestId('bench-count')
const balance = (page: Page) => page.getByTestId('bench-balance')
/** Each test has a job of its own: what one counts, another would find. */
async function toTheStone(page: Page, job: string, stone: string) {
  await openJob(page, job)
  await page.getByRole('link', { name: 'Grind' }).click()
  await page.getByRole('link', { name: 'At the stone', exact: true }).click()
  await expect(page.getByTestId('bench-stone')).toHaveText(stone)
}

test('a plan says what each stone has to do, and another finish asks for other stones', async ({ page }) => {
  await openJob(page, 'Chef’s knife, weekly')
  await page.getByRole('link', { name: 'Grind' }).click()
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await expect(page.getByTestId('plan-from')).toContainText('Nothing is known of the bevel')
  await expect(page.getByTestId('way-chosen')).toHaveAttribute('aria-pressed', 'true')
  const works = page.getByTestId('plan-works').getByRole('listitem')
  await expect(works).toHaveCount(5)
  await expect(works.first()).toContainText('Shape the bevel to the apex')
  // For an edge that is only worn the coarse stones cost more than they bring.
  await expect(works.first().getByTestId('order-remark')).toContainText('strokes fewer in all')
  await page.getByRole('radio', { name: 'Toothy working edge' }).click()
  await page.getByTestId('way-quickest').click()
  await expect(page.getByTestId('way-quickest')).toHaveAttribute('aria-pressed', 'true')
  await expect(works).toHaveCount(2)
  await expect(works.first()).toContainText('14 µm')
  await expect(works.last()).toContainText('Edge trailing only')
  await page.keyboard.press('Control+z')
  await expect(works).toHaveCount(5)
  // A chip asks for steel, and what is no depth is said at its field.
  const depth = page.getByRole('textbox', { name: 'Deepest chip' })
  await depth.fill('deep')
  await depth.press('Enter')
  await expect(page.getByText('“deep” is not a length.')).toBeVisible()
  await depth.fill('0.6')
  await depth.press('Enter')
  await page.getByRole('radio', { name: /^Now: .* of steel in all$/ }).click()
  const strokes = async () =>
    Number(
      /A:about (\d+)/.exec(
        await works
          .first()
          .innerText()
          .then((text) => text.replaceAll('\n', '')),
      )?.[1],
    )
  const atOnce = await strokes()
  await page.getByRole('radio', { name: /^Over three sharpenings/ }).click()
  await expect.poll(strokes).toBeLessThan(atOnce / 3)
  // It is kept with the job, as the finish is.
  await page.reload()
  await expect(page.getByRole('radio', { name: /^Over three sharpenings/ })).toBeChecked()
  await depth.fill('0')
  await depth.press('Enter')
  await expect(page.getByTestId('chip-over')).toHaveCount(0)
})

test('strokes are counted by keys, taken back, survive a page that ends, and are there once', async ({ page }) => {
  await toTheStone(page, 'Chef’s knife, weekly', 'Plain No. 4')
  await expect(count(page)).toBeDisabled()
  await page.getByTestId('bench-dialled').click()
  await expect(count(page)).toBeFocused()
  for (const key of ['Space', 'PageDown', 'ArrowRight', 'x', 'Backspace']) await page.keyboard.press(key)
  await expect(balance(page)).toHaveText('A 12 · B 0')
  const kept = await page.evaluate(() => Object.entries(localStorage).find(([key]) => key.includes('strokes:')))
  // The page ends in the middle of counting: what was counted is in the log when it is back, and there once, even if it
  // ended after it was sent and before it was forgotten.
  await page.reload()
  await expect(balance(page)).toHaveText('A 12 · B 0')
  await page.evaluate(([key, value]) => localStorage.setItem(key, value), kept!)
  await page.reload()
  await expect(balance(page)).toHaveText('A 12 · B 0')
  await page.keyboard.press('Backspace')
  await expect(balance(page)).toHaveText('A 11 · B 0')
  await page.getByRole('button', { name: 'Other side' }).click()
  await expect(page.getByRole('heading', { name: /^B/ })).toBeVisible()
  await page.keyboard.press('Space')
  await expect(balance(page)).toHaveText('A 11 · B 1')
  await page.keyboard.press('Control+z')
  await expect(balance(page)).toHaveText('A 11 · B 0')
})

test('another tab that opens takes up what is counted in this one, and nothing is lost or counted twice', async ({
  page,
  context,
}) => {
  const job = ['Pocket knife, second owner', 'Plain No. 4'] as const
  await toTheStone(page, ...job)
  await expect(balance(page)).toHaveText('A 30, done · B 30, done')
  for (let i = 0; i < 3; i++) await page.keyboard.press('Space')
  const other = await context.newPage()
  await toTheStone(other, ...job)
  await expect(balance(other)).toHaveText('A 33, done · B 30, done')
  await page.keyboard.press('Space')
  await expect(balance(page)).toHaveText('A 34, done · B 30, done')
  await expect(balance(other)).toHaveText('A 34, done · B 30, done')
})

test('a stone that is done goes to its record, and the next one is dialled before it counts', async ({ page }) => {
  await toTheStone(page, 'Harvest knife, before the vintage', 'Plain No. 2')
  await expect(balance(page)).toHaveText('A 120, done · B 110')
  // Strokes alone do not say that B is ground: somebody has to.
  await expect(page.getByTestId('next-step')).toContainText('Turn over to B: grind B with Plain No. 2: 110')
  await page.getByTestId('bench-turn').click()
  await page.getByTestId('bench-finish').click()
  await expect(page.getByTestId('bench-stone')).toHaveText('Plain No. 4')
  await expect(count(page)).toBeDisabled()
  await expect(count(page)).toContainText('Dial it first')
  await page.getByTestId('bench-dialled').click()
  await page.keyboard.press('x')
  await expect(balance(page)).toHaveText('A 0 · B 10')
  await page.getByTestId('bench-finish').click()
  await page.keyboard.press('x')
  await expect(balance(page)).toHaveText('A 10 · B 10, done')
  await page.keyboard.press('s')
  await page.getByTestId('bench-not-done').click()
  await expect(balance(page)).toHaveText('A 10 · B 10')
  await page.getByTestId('bench-finish').click()
  await expect(balance(page)).toHaveText('A 10 · B 10, done')
  await page.getByTestId('bench-finish').click()
  // All stones are done: the burr is what is left to look for.
  await expect(page.getByTestId('next-step')).toContainText('Remove the burr')
  await page.getByRole('button', { name: 'No burr left' }).click()
  await expect(page.getByTestId('bench-after')).toHaveText('Prove A')
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  const works = page.getByTestId('plan-works').getByRole('listitem')
  await expect(works.filter({ hasText: 'Plain No. 4' })).toContainText('from 3 jobs of its own')
  // The first one shaped a bevel that nobody knew: that says nothing of the stone.
  await expect(works.filter({ hasText: 'Plain No. 2' })).toContainText('by its grain alone')
})

test('strokes are counted by ear, and the count can be corrected', async ({ page }) => {
  await toTheStone(page, 'Paring knife, tea room', 'Plain No. 4')
  await expect(balance(page)).toHaveText('A 60, done · B 60, done')
  await page.getByRole('button', { name: 'Count by ear' }).click()
  await expect(page.getByTestId('ear')).toContainText('Heard 12 strokes, to and fro')
  await page.getByRole('button', { name: 'Stop listening' }).click()
  const heard = Number(/\d+/.exec(await count(page).innerText())![0])
  expect(heard).toBeGreaterThanOrEqual(72)
  await page.getByRole('button', { name: 'Take one back' }).click()
  await expect(count(page)).toContainText(String(heard - 1))
})

test('local strokes are owed full ones, and a burr is looked for zone by zone', async ({ page }) => {
  await toTheStone(page, 'Paring knife, tea room', 'Plain No. 4')
  await page.getByTestId('where-tip').click()
  for (let i = 0; i < 4; i++) await page.keyboard.press('Space')
  await expect(count(page)).toHaveText(/^4on the tip alone/)
  await expect(page.getByTestId('edge-owed')).toHaveText('12 full strokes still to blend the local ones, 3 for each.')
  await page.getByTestId('where-all').click()
  await page.keyboard.press('x')
  await expect(page.getByTestId('edge-owed')).toHaveText(/^2 full strokes/)
  await page.keyboard.press('x')
  await expect(page.getByTestId('edge-owed')).toHaveCount(0)
  await page.getByTestId('burr-tip').click()
  await expect(page.getByTestId('burr-missing')).toHaveText(
    'No burr yet at the heel, the middle and the belly: grind there.',
  )
  // A press by mistake says nothing: neither that there is a burr nor that there is none.
  await page.getByTestId('burr-tip').click()
  await expect(page.getByTestId('burr-tip')).toContainText('gone')
  await page.keyboard.press('v')
  await expect(page.getByTestId('burr-missing')).toContainText('A burr all along B')
  await page.getByRole('button', { name: 'No burr left' }).click()
  await expect(page.getByTestId('burr-tip')).toContainText('gone')
})

test('how one works is kept for every blade, or for this one alone', async ({ page }) => {
  await toTheStone(page, 'Packing-room cutter', 'Plain No. 2')
  await expect(page.getByTestId('bench-habits')).toContainText('Stay on this side')
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await page.getByTestId('habits-of-blade').click()
  await page.getByTestId('habit-burr').click()
  await page.getByRole('option', { name: 'Alternate from the start' }).click()
  await page.getByRole('link', { name: 'At the stone', exact: true }).click()
  await expect(page.getByTestId('bench-habits')).toContainText('Turn over after every ten strokes.')
  await page.reload()
  await expect(page.getByTestId('bench-habits')).toContainText('Turn over after every ten strokes.')
  await toTheStone(page, 'Vine hooks', 'Plain No. 6')
  await expect(page.getByTestId('bench-habits')).toContainText('Stay on this side')
})

test('a micro-bevel and a strop have settings of their own, and strokes at the micro-bevel count apart', async ({
  page,
}) => {
  await openJob(page, 'Pocket knife, second owner')
  await page.getByRole('link', { name: 'Grind' }).click()
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  const choose = async (habit: string, name: string) => {
    await page.getByTestId(habit).click()
    await page.getByRole('option', { name, exact: true }).click()
  }
  await page.getByTestId('habits-of-blade').click()
  await choose('habit-micro-bevel', '3° steeper')
  await choose('habit-strop', '1.5° flatter')
  const micro = page
    .getByTestId('plan-works')
    .getByRole('listitem')
    .filter({ has: page.getByTestId('micro-bevel') })
  await expect(micro).toContainText('About 0.07 mm wide at 23.0°; the bevel behind it stays at 20.0°')
  await page.getByRole('link', { name: 'Stones in order', exact: true }).click()
  const rows = page.getByTestId('swaps').locator('tbody tr')
  await rows.filter({ hasText: 'micro-bevel, 3° steeper' }).getByRole('button').click()
  await page.getByRole('link', { name: 'At the stone', exact: true }).click()
  await expect(page.getByTestId('bench-other-angle')).toHaveText('Micro-bevel, 3° steeper.')
  await expect(balance(page)).toHaveText('A 0 · B 0')
  await expect(count(page)).toBeDisabled()
  await page.getByTestId('bench-dialled').click()
  await page.keyboard.press('x')
  await expect(balance(page)).toHaveText('A 10 · B 0')
  await page.reload()
  await expect(balance(page)).toHaveText('A 10 · B 0')
})

test('the blade’s life says what is left behind the edge, and when to thin it', async ({ page }) => {
  await openJob(page, 'Pocket knife from the gate')
  await page.getByRole('link', { name: 'Grind' }).click()
  await page.getByRole('link', { name: 'Blade’s life' }).click()
  await expect(page.getByTestId('life-due')).toHaveText(/^Thinning comes due after about \d+ sharpenings$/)
  const rows = page.getByTestId('life-stages').getByRole('row')
  await expect(rows.nth(1)).toContainText('now')
  // Eleven sharpenings of 0.02 mm each.
  await expect(rows.nth(3).getByRole('cell').last()).toHaveText('0.22')
})

test('a close-up between two stones says what is left of the old scratches, and where', async ({ page }) => {
  await openJob(page, 'Chef’s knife, weekly')
  await page.getByRole('link', { name: 'Grind' }).click()
  await page.getByRole('link', { name: 'Scratches' }).click()
  const [taken] = reference.photos.filter(({ what }) => what === 'heel not reached, old left')
  await page.getByLabel('Photograph of the scratches').setInputFiles(join(PHOTOS, taken!.file))
  const picture = page.locator('svg image').first()
  await expect(picture).toBeVisible()
  await page.getByRole('button', { name: 'Read the picture' }).click()
  await expect(page.getByRole('alert')).toContainText('twice along one old scratch')
  const tap = async (places: readonly (readonly number[])[]) => {
    const box = (await picture.boundingBox())!
    for (const [x, y] of places)
      await page.mouse.click(box.x + (x! * box.width) / 1200, box.y + (y! * box.height) / 700)
  }
  await tap(taken!.edgeTapped)
  await page.getByLabel('the shoulder').click()
  await tap(taken!.shoulderTapped)
  /** From a place so far down along a scratch that leans so many degrees. */
  const along = (x: number, deg: number) => [
    [x, 300],
    [x - 120 * Math.tan((deg * Math.PI) / 180), 420],
  ]
  await page.getByLabel('along an old scratch').click()
  await tap(along(500, taken!.oldDeg))
  await page.getByLabel('along a new one').click()
  await tap(along(700, taken!.newDeg))
  // Picture and taps outlive the page, and are read again.
  await page.reload()
  const parts = page.getByTestId('scratch-parts')
  await expect(page.getByTestId('scratch-verdict')).toHaveText('Not yet')
  await expect(parts).toContainText(/Left third.*old scratches left; 3[05] % of the width at the edge not reached/)
  await expect(parts).toContainText(/Right thirdabout \d+ % of the old scratches left$/)
  // What it shows is recorded for the stone, and the picture is kept with the blade.
  await page.getByTestId('scratch-record').click()
  await page.getByRole('link', { name: 'Back to the stone' }).click()
  await expect(page.getByTestId('bench-scratches')).toContainText(/of the old ones left; up to 3[05] % of the width/)
  await page.getByRole('link', { name: /^Blade(?!’s)/ }).click()
  await expect(page.getByRole('region', { name: 'Pictures of this blade' }).getByRole('img')).toHaveCount(1)
  await page.getByRole('link', { name: 'Grind' }).click()
  await page.getByRole('link', { name: 'Scratches', exact: true }).click()
  await page.getByRole('button', { name: 'Remove the picture' }).click()
  await expect(parts).toBeHidden()
  // Without a loupe a made-up bevel can be photographed, its lines tapped already.
  await page.getByRole('button', { name: 'Photograph the simulated bevel' }).click()
  await page.getByRole('button', { name: 'Read the picture' }).click()
  await expect(page.getByTestId('scratch-verdict')).toBeVisible()
})

test('on a phone both sides are ground by touch in full screen, and the count stays in sight', async ({
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({ baseURL, hasTouch: true, viewport: { width: 390, height: 844 } })
  const page = await context.newPage()
  const press = (name: string | RegExp) => page.getByRole('button', { name, exact: true }).tap()
  await toTheStone(page, 'Paring knife, café', 'Plain No. 4')
  await press('Full screen')
  for (const target of [
    count(page),
    page.getByRole('button', { name: 'Ten strokes' }),
    page.getByTestId('bench-finish'),
  ])
    await expect(target).toBeInViewport({ ratio: 1 })
  for (let i = 0; i < 3; i++) await count(page).tap()
  await press('Ten strokes')
  await press('Take one back')
  await expect(balance(page)).toHaveText('A 12 · B 0')
  await press('Done on A: turn over to B')
  await expect(page.getByTestId('bench-side')).toHaveText('B')
  await press('Ten strokes')
  await press('Done on B: last stone')
  await expect(balance(page)).toHaveText('A 12, done · B 10, done')
  await press('Leave full screen')
  await expect(page.getByTestId('next-step')).toBeVisible()
  await context.close()
})
