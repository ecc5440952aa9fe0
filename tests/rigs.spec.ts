import { readFile } from 'node:fs/promises'
import type { APIRequestContext, Page } from '@playwright/test'
import reference from '../core/geometry/contact/fixtures/edge-angle.json' with { type: 'json' }
import type { BladeRecord, RigRecord, JobRecord, StoneRecord } from '../core/records/storage/kinds'
import { degrees, expect, ledger, measure, openJob, saved, test } from './bench'

const refCase = (name: string) => reference.cases.find((one) => one.name === name)!

/**
 * A job on the bench with a blade that has the edge of a reference case, at a place that case computed, and its stone.
 */
async function jobFor(request: APIRequestContext, name: string, bevels: 'both' | 'A' = 'both') {
  const { edge, mount, faceOffset } = refCase(name)
  const [blades, rigs, stones] = (await Promise.all(
    ['blades', 'rigs', 'stones'].map(
      async (kind) => ((await (await request.get(`/api/${kind}`)).json()) as { records: unknown[] }).records,
    ),
  )) as [BladeRecord[], RigRecord[], StoneRecord[]]
  const post = async <T>(kind: string, data: object) =>
    (await (await request.post(`/api/${kind}`, { data })).json()) as T
  const [, from, to] = edge[0] as unknown as [string, [number, number], [number, number]]
  const { id: _blade, ...bladeBefore } = blades[0]!
  const { id: _stone, ...stoneBefore } = stones[0]!
  const blade = await post<BladeRecord>('blades', {
    ...bladeBefore,
    name: `Blade of “${name}”`,
    bevels,
    edge: [{ type: 'line', from, to }],
    spine: null,
  })
  const stone = await post<StoneRecord>('stones', {
    ...stoneBefore,
    name: `Stone of “${name}”`,
    faceOffsetMm: faceOffset,
    faceOffsetEnds: null,
  })
  return post<JobRecord>('jobs', {
    name: `Job of “${name}”`,
    rigId: rigs.find((rig) => rig.name === 'Window-bench turner')!.id,
    bladeId: blade.id,
    stoneId: stone.id,
    hold: { bladeXMm: mount.bladeX, bladeYMm: mount.bladeY, turnDeg: 0 },
    dialled: { A: { by: 'turns', turns: 16 }, B: { by: 'turns', turns: 16 }, linked: true },
    wanted: { deg: { A: 20, B: 20 }, linked: true },
  })
}

async function fill(page: Page, figures: Record<string, string>) {
  for (const [label, text] of Object.entries(figures)) await page.getByLabel(label, { exact: true }).fill(text)
}
const next = (page: Page) => page.getByRole('button', { name: /^Next: / }).click()
const form = (page: Page) => page.getByRole('form', { name: 'Rig' })
async function newRig(page: Page, job: JobRecord, kind: string, name: string) {
  await page.goto(`/jobs/${job.id}/rig`)
  await page.getByRole('button', { name: 'New rig' }).click()
  await form(page).getByText(kind, { exact: true }).click()
  await fill(page, { Name: name })
  await next(page)
}
const jaws = { Name: 'Wide', 'Width along the edge': '30', 'Half-thickness at the front': '4', Depth: '20' }
async function keepAndSet(page: Page, heightMm: number) {
  await next(page)
  await page.getByRole('button', { name: 'Save this rig' }).click()
  await page.getByRole('button', { name: 'Use it' }).click()
  await expect(page.getByRole('heading', { name: 'Which rig?' })).toBeVisible()
  await page
    .getByRole('navigation', { name: 'The way through this job' })
    .getByRole('link', { name: /^Clamp/ })
    .click()
  await measure(page, heightMm === 62 ? 'Arm pivot, to the side' : 'Pivot height').fill(String(heightMm))
  await page.keyboard.press('Enter')
}
const agrees = async (page: Page, name: string) => {
  const { edgeAngleDeg } = refCase(name).stations[0]!
  await expect.poll(async () => Math.abs((await degrees(ledger(page, 'set', 'A'))) - edgeAngleDeg)).toBeLessThan(0.0501)
}

test('a new turning clamp with a millimetre scale gives the angle of the reference', async ({ page, request }) => {
  const name = 'straight edge, stone face 7.5 below the rod'
  await newRig(page, await jobFor(request, name), 'Turning clamp with post', 'Spring post')
  await fill(page, { Setback: '95' })
  await next(page)
  await fill(page, {
    'Height at mark 0': '15',
    'From mark to mark': '0.5',
    'Lowest pivot height': '20',
    'Highest pivot height': '90',
  })
  await next(page)
  await fill(page, jaws)
  await next(page)
  await fill(page, { 'Rod length from the pivot': '320' })
  await keepAndSet(page, 60)
  await agrees(page, name)
})

test('a new plate with slots, its pivot off to one side, gives the angle of the reference', async ({
  page,
  request,
}) => {
  const name = 'pivot off to one side of the jaws'
  await newRig(page, await jobFor(request, name), 'Plate with slots', 'Spring plate')
  await fill(page, { Setback: '95', 'Off the middle': '25' })
  await next(page)
  const slot = (i: number) => page.getByRole('group', { name: `slot ${i}` })
  await slot(1).getByLabel('Height', { exact: true }).fill('45')
  await slot(2).getByLabel('Height', { exact: true }).fill('4')
  await page.getByRole('button', { name: 'Add a slot' }).click()
  await page.keyboard.type('high')
  await slot(3).getByLabel('Height', { exact: true }).fill('60')
  await next(page)
  await fill(page, jaws)
  await next(page)
  await fill(page, { 'Rod length from the pivot': '320' })
  await next(page)
  // A slot in which no stone can come down is refused at its field, and nothing typed is lost.
  await page.getByRole('button', { name: 'Save this rig' }).click()
  await expect(page.getByText(/^Slot 2 stands no higher than the face of the thinnest stone/)).toBeVisible()
  await slot(2).getByLabel('Height', { exact: true }).fill('52')
  for (let i = 0; i < 2; i++) await next(page)
  await keepAndSet(page, 60)
  await expect(page.getByText('slot high; a step is one slot')).toBeVisible()
  await agrees(page, name)
})

test('a new upright with two arms gives the angle of the reference', async ({ page, request }) => {
  const name = 'upright clamp, arm pivot beside and below the edge'
  await newRig(page, await jobFor(request, name), 'Upright with two arms', 'Spring upright')
  await fill(page, { 'Setback of arm A': '120', 'Setback of arm B': '120' })
  await next(page)
  await page.getByText('a scale of lengths', { exact: true }).click()
  await fill(page, { 'Height at mark 0': '0', 'Lowest pivot height': '30', 'Highest pivot height': '110' })
  await next(page)
  await fill(page, jaws)
  await next(page)
  await fill(page, { 'Rod length from the pivot': '330' })
  await keepAndSet(page, 62)
  await agrees(page, name)
})

test('a new table with post gives the angle of the reference to a blade lying on its flat back', async ({
  page,
  request,
}) => {
  const name = 'straight edge, stone face 7.5 below the rod'
  await newRig(page, await jobFor(request, name, 'A'), 'Table with post', 'Spring table')
  await fill(page, { Setback: '95' })
  await next(page)
  await fill(page, { 'Height at mark 0': '0', 'Lowest pivot height': '20', 'Highest pivot height': '110' })
  await next(page)
  await next(page)
  await fill(page, { 'Rod length from the pivot': '340' })
  await keepAndSet(page, 60)
  // A new hold on the table: the blade lies with its spine on the line, as the case has it.
  await measure(page, 'Blade height').fill('30')
  await page.keyboard.press('Enter')
  await agrees(page, name)
})

test('what a printed scale was drawn for is worked out from two of its marks', async ({ page }) => {
  await openJob(page, 'Vine hooks')
  await page.keyboard.press('1')
  await page.getByRole('button', { name: 'Measure Corner upright again' }).click()
  await page.getByRole('button', { name: /^3: / }).click()
  const worked = page.getByRole('region', { name: 'Worked out from marks' })
  const height = (deg: number) => (112 + 31) * Math.tan((deg * Math.PI) / 180) + 7.5 / Math.cos((deg * Math.PI) / 180)
  await worked.getByRole('button', { name: 'Work them out' }).click()
  await expect(worked.getByRole('alert')).toHaveText('Enter a mark and the height measured at it in each line.')
  for (const [i, deg] of [12, 28].entries()) {
    await worked.getByLabel('Mark, °').nth(i).fill(String(deg))
    await worked.getByLabel('Pivot height there, mm').nth(i).fill(height(deg).toFixed(2))
  }
  await worked.getByRole('button', { name: 'Work them out' }).click()
  await expect(worked.getByTestId('drawn-for')).toHaveText('A blade 31.0 mm out, a stone of 7.5 mm.')
  await expect(page.getByRole('textbox', { name: 'Drawn for a blade height of' })).toHaveValue('31')
  await expect(page.getByRole('textbox', { name: 'Drawn for a face offset of' })).toHaveValue('7.5')
})

test('impossible measures are refused with the reason, odd ones are kept, and what is typed outlives a reload', async ({
  page,
  request,
}) => {
  await newRig(page, await jobFor(request, 'straight edge, centred pivot'), 'Turning clamp with post', 'Odd one')
  await fill(page, { Setback: '0' })
  await expect(form(page).getByText('The pivot must stand behind the jaws: a setback above 0.')).toBeVisible()
  await fill(page, { Setback: '15' })
  await next(page)
  await fill(page, { 'Height at mark 0': '0', 'Lowest pivot height': '0', 'Highest pivot height': '40' })
  await next(page)
  await fill(page, { ...jaws, 'Half-thickness at the front': '-2' })
  await expect(form(page).getByText('At least 0 mm.')).toBeVisible()
  await fill(page, { 'Half-thickness at the front': '4' })
  await next(page)
  await fill(page, { 'Rod length from the pivot': '320' })
  await page.getByRole('button', { name: /^2: / }).click()
  await expect(form(page).getByText(/The pivot would stand in the jaws/)).toBeVisible()

  await page.reload()
  await expect(page.getByText('You began this earlier; it stands as you left it.')).toBeVisible()
  await page.getByRole('button', { name: /^2: / }).click()
  await expect(page.getByLabel('Setback', { exact: true })).toHaveValue('15')
  await fill(page, { Setback: '32' })
  await expect(form(page).getByText(/Saved, but unusual: A setback of 32 mm is unusual/)).toBeVisible()
  await page.getByRole('button', { name: /^6: / }).click()
  await page.getByRole('button', { name: 'Save this rig' }).click()
  await page.getByRole('button', { name: 'Leave the job as it is' }).click()
  await expect(
    page
      .getByRole('radio', { name: /Odd one/ })
      .or(page.getByText('Odd one', { exact: true }))
      .first(),
  ).toBeVisible()
})

test('a rig that is measured anew keeps its old measures for the jobs done with it; it can be copied and put away', async ({
  page,
  request,
}) => {
  const [one, other] = [
    await jobFor(request, 'straight edge, centred pivot'),
    await jobFor(request, 'straight edge, centred pivot'),
  ]
  await page.goto(`/jobs/${one.id}/rig`)
  await page.getByRole('button', { name: 'Duplicate Window-bench turner' }).click()
  await fill(page, { Name: 'Back-room turner' })
  await page.getByRole('button', { name: /^6: / }).click()
  await page.getByRole('button', { name: 'Save this rig' }).click()
  await page.getByRole('button', { name: 'Use it' }).click()
  await expect(page.getByRole('heading', { name: 'Which rig?' })).toBeVisible()
  await page.goto(`/jobs/${other.id}/rig`)
  await page.getByText('Back-room turner', { exact: true }).click()
  await saved(page)
  const set = await ledger(page, 'set', 'A').textContent()

  await page.goto(`/jobs/${one.id}/rig`)
  await page.getByRole('button', { name: 'Measure Back-room turner again' }).click()
  await page.getByRole('button', { name: /^2: / }).click()
  await fill(page, { Setback: '158' })
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Use them' }).click()
  await expect(page.getByText('Pivot 158.0 mm behind the jaws')).toBeVisible()
  await expect
    .poll(async () => Math.abs((await degrees(ledger(page, 'set', 'A'))) - Number.parseFloat(set!)))
    .toBeGreaterThan(1)

  await page.goto(`/jobs/${other.id}/rig`)
  await expect(ledger(page, 'set', 'A')).toHaveText(set!)
  await page.getByRole('button', { name: 'Take the new measures' }).click()
  await expect(ledger(page, 'set', 'A')).not.toHaveText(set!)
  await page.getByRole('button', { name: /^Undo: rig/ }).click()
  await expect(ledger(page, 'set', 'A')).toHaveText(set!)

  await page.getByRole('button', { name: 'Archive Back-room turner' }).click()
  await page
    .getByText(/^Archived: \d/)
    .first()
    .click()
  await page.getByRole('button', { name: 'Unarchive Back-room turner' }).click()
  await expect(page.getByRole('button', { name: 'Archive Back-room turner' })).toBeVisible()
})

test('rigs and stones go out as files and come in again; a wrong file says its line and field and changes nothing', async ({
  page,
  request,
}) => {
  const job = await jobFor(request, 'straight edge, centred pivot')
  await page.goto(`/jobs/${job.id}/rig`)
  const take = async (name: string) => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name, exact: true }).click(),
    ])
    return readFile(await download.path(), 'utf8')
  }
  const bring = (name: string, content: string) =>
    page.getByLabel('File to import').setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(content) })
  const tools = await take('Rigs and stones')
  await bring('tools.json', tools)
  await expect(page.getByText(/^0 added, \d+ were here already\.$/)).toBeVisible()

  const table = (await take('Stones as a table')).split('\r\n')
  await bring('stones.csv', [table[0], table[1]!.replace('Plain No. 1', 'From the other club')].join('\r\n'))
  await expect(page.getByText('1 added.')).toBeVisible()
  await expect(page.getByText('From the other club', { exact: true })).toBeVisible()

  const before = await (await request.get('/api/tools')).text()
  await bring(
    'stones.csv',
    [table[0], table[1]!.replace('Plain No. 1', 'Not to be kept'), table[2]!.replace('150', 'long')].join('\r\n'),
  )
  await expect(page.getByRole('alert')).toContainText('Line 3, lengthMm: “long” is not a number.')
  const wrong = tools.replace('"setbackMm": 92', '"setbackMm": -92')
  await bring('tools.json', wrong)
  const line = wrong.split('\n').findIndex((row) => row.includes('"setbackMm": -92')) + 1
  await expect(page.getByRole('alert')).toContainText(
    `Line ${line}, rigs.0.pivot.setbackMm: The pivot must stand behind the jaws`,
  )
  expect(await (await request.get('/api/tools')).text()).toBe(before)
  const schema = (await (await request.get('/schema/jaw-tilt-tools.schema.json')).json()) as { properties: object }
  expect(Object.keys(schema.properties)).toEqual(['format', 'version', 'rigs', 'stones'])
})
