import jpeg from 'jpeg-js'
import { ROOMS, sheetPath, tabsOf, type SheetKey } from '../app/navigation/stations'
import { expect, openJob, openSheet, test } from './bench'

/** Names that would run, break out of what they stand in, turn the line about, or never end. */
const PAYLOADS = [
  '<img src=x onerror="window.ran=1">',
  '"><script>window.ran=1</script>',
  '{{constructor.constructor("window.ran=1")()}}',
  '\u202eesrever \u200b\u0301\u0301\u0301 =HYPERLINK("javascript:window.ran=1")',
]

test('names that would be code are words on every sheet, on the card and in the report', async ({ page }) => {
  const get = async (path: string) => (await (await page.request.get(`/api/${path}`)).json()) as Record<string, unknown>
  const { records: jobs } = (await get('jobs')) as {
    records: { id: string; name: string; rigId: string; bladeId: string; stoneId: string }[]
  }
  const job = jobs.find(({ name }) => name === 'Pocket knife from the gate')!
  const called: string[] = []
  for (const [i, [kind, id]] of (
    [
      ['rigs', job.rigId],
      ['blades', job.bladeId],
      ['stones', job.stoneId],
      ['jobs', job.id],
    ] as const
  ).entries()) {
    const { id: _, createdAt, updatedAt, archivedAt, ...content } = await get(`${kind}/${id}`)
    void [createdAt, updatedAt, archivedAt]
    const name = PAYLOADS[i]!.slice(0, 60)
    const data = { ...content, name, ...(kind === 'jobs' ? { notes: PAYLOADS.join(' ') } : {}) }
    expect((await page.request.put(`/api/${kind}/${id}`, { data })).status(), kind).toBe(200)
    called.push(name)
  }
  const harmless = async (where: string) => {
    const found = await page.evaluate(() => [
      'ran' in window,
      document.querySelectorAll('img[src="x"], a[href^="javascript:"]').length,
      [...document.scripts].filter(({ textContent }) => textContent.includes('window.ran')).length,
    ])
    expect(found, where).toEqual([false, 0, 0])
  }
  await page.goto('/')
  await expect(page.getByText(called[1]!).first()).toBeVisible()
  await harmless('jobs')
  await page.goto(sheetPath(job.id, 'clamp', ''))
  for (const room of ROOMS)
    for (const sheet of room.sheets) {
      if (tabsOf(room).includes(sheet)) await openSheet(page, `${room.id}/${sheet.id}` as SheetKey)
      else await page.goto(sheetPath(job.id, room.id, sheet.id))
      await expect(page.getByRole('region', { name: 'The four angles' })).toBeVisible()
      await expect(page.locator('#work h1, #work h2').first()).toBeAttached()
      await harmless(`${room.id}/${sheet.id}`)
    }
  await page.goto(sheetPath(job.id, 'clamp', 'card'))
  await expect(page.getByRole('img', { name: 'The clamp card' }).first()).toContainText(called[1]!.slice(0, 20))
  await page.goto('/shelf')
  await expect(page.getByText(called[0]!).first()).toBeVisible()
  await harmless('shelf')
})

test('a picture with hostile EXIF is taken as what it shows, and none of that is kept', async ({ page }) => {
  const [width, height] = [60, 20]
  const { data } = jpeg.encode({ data: Buffer.alloc(width * height * 4, 200), width, height }, 90)
  const app1 = (body: Buffer) => {
    const head = Buffer.from([0xff, 0xe1, 0, 0])
    head.writeUInt16BE(body.length + 2, 2)
    return Buffer.concat([head, body])
  }
  /** A directory of entries of 12 bytes: tag, type, count, value; then where the next one is. */
  const exif = (next: number, ...entries: [tag: number, type: number, count: number, value: number][]) => {
    const body = Buffer.alloc(14 + 2 + 12 * entries.length + 4)
    body.write('Exif\0\0II*\0', 0, 'latin1')
    body.writeUInt32LE(8, 10)
    body.writeUInt16LE(entries.length, 14)
    entries.forEach(([tag, type, count, value], i) => {
      body.writeUInt16LE(tag, 16 + 12 * i)
      body.writeUInt16LE(type, 18 + 12 * i)
      body.writeUInt32LE(count, 20 + 12 * i)
      body.writeUInt32LE(value, 24 + 12 * i)
    })
    body.writeUInt32LE(next, body.length - 4)
    return app1(body)
  }
  const withExif = (...segments: Buffer[]) => Buffer.concat([data.subarray(0, 2), ...segments, data.subarray(2)])
  const hostile: Record<string, Buffer> = {
    // Its directory is its own next one.
    'loop.jpg': withExif(exif(8, [0x0112, 3, 1, 6])),
    // A description of four gigabytes, far outside; a turn that there is not.
    'long.jpg': withExif(exif(0, [0x010e, 2, 0xffffffff, 0xfffffff0], [0x0112, 3, 1, 99])),
    'script.jpg': withExif(app1(Buffer.from('Exif\0\0<script>window.ran=1</script>', 'latin1'))),
  }
  await openJob(page, 'Grafting knife, spring')
  await page.keyboard.press('2')
  const pictures = page.getByRole('region', { name: 'Pictures of this blade' })
  const [, bladeId] = /blade=([^&]+)/.exec((await page.waitForResponse(/blade-photos\?blade=/)).url())!
  for (const [i, [name, buffer]] of Object.entries(hostile).entries()) {
    await pictures.getByLabel('Picture of the blade').setInputFiles({ name, mimeType: 'image/jpeg', buffer })
    await expect(pictures.getByRole('img')).toHaveCount(i + 1)
  }
  const kept = (await (await page.request.get(`/api/blade-photos?blade=${bladeId}`)).json()) as { image: string }[]
  const bytes = kept.map(({ image }) => Buffer.from(image.split(',')[1]!, 'base64').toString('latin1'))
  expect(bytes).toHaveLength(3)
  for (const one of bytes) expect(one).not.toMatch(/Exif|script/)
  // Turned as it says, where it says a turn that there is.
  const shapes = await pictures
    .getByRole('img')
    .evaluateAll((all) =>
      all.map((one) => (one as HTMLImageElement).naturalWidth > (one as HTMLImageElement).naturalHeight),
    )
  expect(shapes).toEqual([false, true, true])
})
