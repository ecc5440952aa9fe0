import { SHAPES } from '../core/records/blade/shapes'
import { crc32, deflateSync } from 'node:zlib'
import { evenEdgePoints } from '../core/math/curve/edgePoints'
import { applied, homographyOf } from '../core/photo/trace/homography'
import type { Vec2 } from '../core/math/vector/vec2'
import type { BladeRecord } from '../core/records/storage/kinds'
import { expect, openJob, test } from './bench'
import type { Page } from '@playwright/test'

const [WIDTH, HEIGHT] = [1600, 1100]
const SHEET: Vec2[] = [
  [0, 0],
  [297, 0],
  [297, 210],
  [0, 210],
]
const SEEN: Vec2[] = [
  [150, 130],
  [1450, 90],
  [1540, 1010],
  [70, 960],
]
const toPicture = homographyOf(SHEET, SEEN)!
const { edge, spine } = SHAPES['drop-point'].build({
  ...SHAPES['drop-point'].usual,
  lengthMm: 140,
  bellyFromMm: 85,
  widthMm: 28,
  heelWidthMm: 28,
})
const inPicture = ([x, y]: Vec2): Vec2 => applied(toPicture, [70 + x, 90 + y])
const points = (curve: typeof edge, count: number) =>
  evenEdgePoints(curve, count).map((edgePoint) => inPicture(edgePoint.point))

/** A picture of a dark blade on a white sheet, seen from one side. */
async function photograph(page: Page): Promise<Buffer> {
  const outline = [...points(edge, 200), ...points(spine, 200).reverse()]
  const address = await page.evaluate(
    ([width, height, sheet, blade]) => {
      const canvas = document.createElement('canvas')
      Object.assign(canvas, { width, height })
      const pen = canvas.getContext('2d')!
      const fill = (colour: string, corners: readonly (readonly number[])[]) => {
        pen.fillStyle = colour
        pen.beginPath()
        corners.forEach(([x, y], i) => (i === 0 ? pen.moveTo(x!, y!) : pen.lineTo(x!, y!)))
        pen.fill()
      }
      fill('#8d7a62', [
        [0, 0],
        [width as number, 0],
        [width as number, height as number],
        [0, height as number],
      ])
      fill('#f4f2ee', sheet as number[][])
      fill('#4a5056', blade as number[][])
      return canvas.toDataURL('image/png')
    },
    [WIDTH, HEIGHT, SEEN, outline] as unknown[],
  )
  return Buffer.from(address.split(',')[1]!, 'base64')
}

/** An all-black PNG of so many pixels: small as a file, large as a picture. */
function blackPng(width: number, height: number): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type), data])
    const [size, sum] = [Buffer.alloc(4), Buffer.alloc(4)]
    size.writeUInt32BE(data.length)
    sum.writeUInt32BE(crc32(body))
    return Buffer.concat([size, body, sum])
  }
  const header = Buffer.from([0, 0, 0, 0, 0, 0, 0, 0, 8, 0, 0, 0, 0])
  header.writeUInt32BE(width, 0)
  header.writeUInt32BE(height, 4)
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', header),
    chunk('IDAT', deflateSync(Buffer.alloc((width + 1) * height))),
    chunk('IEND', Buffer.alloc(0)),
  ])
}

test('an edge traced in a photograph: perspective taken out, snapped, and as long as it is', async ({ page }) => {
  await openJob(page, 'Grafting knife, spring')
  await page.keyboard.press('2')
  await page.getByRole('button', { name: 'New blade' }).click()
  await page.getByText('from a photograph', { exact: true }).click()
  const chooser = page.getByLabel('Photograph of the blade')
  await chooser.setInputFiles({ name: 'no.png', mimeType: 'image/png', buffer: Buffer.from('this is no picture') })
  await expect(page.getByText('no.png is not a picture that can be read. What was here is kept.')).toBeVisible()
  await chooser.setInputFiles({ name: 'blade.png', mimeType: 'image/png', buffer: await photograph(page) })
  const picture = page.locator('svg image')
  await expect(picture).toBeVisible()
  const box = (await picture.boundingBox())!
  const at = ([x, y]: Vec2) => ({ x: box.x + (x / WIDTH) * box.width, y: box.y + (y / HEIGHT) * box.height })
  const drag = async (name: string, to: Vec2) => {
    const knob = (await page.getByRole('slider', { name, exact: true }).boundingBox())!
    await page.mouse.move(knob.x + knob.width / 2, knob.y + knob.height / 2)
    await page.mouse.down()
    await page.mouse.move(at(to).x, at(to).y, { steps: 4 })
    await page.mouse.up()
  }
  // The corners of the sheet are found, to be looked at.
  await expect(page.getByTestId('proposed')).toBeVisible()
  /** How far a mark stands off a place of the picture, pixels. */
  const off = async (name: string, place: Vec2) => {
    const stands = await page.getByRole('slider', { name, exact: true }).getAttribute('aria-valuetext')
    const [x, y] = stands!.match(/\d+/g)!.map(Number)
    return Math.hypot(x! - place[0], y! - place[1])
  }
  for (const [i, corner] of SEEN.entries()) expect(await off(`Corner of the sheet ${i + 1}`, corner)).toBeLessThan(3)
  // And the blade on it, traced without a mark by hand.
  await expect(page.getByTestId('blade-found')).toBeVisible()
  await expect(page.getByTestId('traced')).toBeVisible()
  await expect(page.getByTestId('unsure')).toBeHidden()
  const heel = points(edge, 2)[0]!
  expect(await off('Point on the edge 1', heel)).toBeLessThan(6)

  // By a sheet of another size it is traced anew, as much smaller.
  const lengthMm = async () =>
    Number(/tip to ([\d.]+)/.exec(await page.getByText(/Found from its curvature/).innerText())![1])
  const whole = await lengthMm()
  const scale = page.getByRole('combobox', { name: 'The scale is in' })
  await scale.click()
  await page.getByRole('option', { name: 'an A5 sheet' }).click()
  await expect(async () => expect((await lengthMm()) / whole).toBeCloseTo(210 / 297, 1)).toPass()
  // What it took for edge or tip can be said to be the other way.
  await page.getByRole('button', { name: 'The tip is at the other end' }).click()
  await expect(async () => expect(await off('Point on the edge 1', heel)).toBeGreaterThan(300)).toPass()

  // By hand it goes as well.
  await page.getByRole('button', { name: 'Remove all' }).click()
  await expect(page.getByTestId('blade-found')).toBeHidden()
  await scale.click()
  await page.getByRole('option', { name: 'an A4 sheet' }).click()
  await drag('Point on the spine 1', inPicture([0, 0]))
  await drag('Point on the spine 2', inPicture([70, 0]))
  for (const mark of points(edge, 9)) await page.mouse.click(at(mark).x, at(mark).y - 1)
  await expect(page.getByText('9 marks')).toBeVisible()
  await page.getByRole('button', { name: 'Snap to the outline' }).click()
  await expect(page.getByTestId('traced')).toBeVisible()

  // A picture that is too large takes nothing away from what was traced.
  await chooser.setInputFiles({ name: 'huge.png', mimeType: 'image/png', buffer: blackPng(8000, 5000) })
  await expect(
    page.getByText('huge.png has 40 megapixels: make it 24 or fewer first. What was here is kept.'),
  ).toBeVisible()
  await expect(page.getByTestId('traced')).toBeVisible()

  // Closer, to the pixel: what is under the pointer stays there, a drag moves the picture and sets no mark.
  const middle = at([WIDTH * 0.8, HEIGHT * 0.3])
  await page.mouse.move(middle.x, middle.y)
  await page.mouse.wheel(0, -900)
  await expect(page.getByText(/^× 9\.\d$/)).toBeVisible()
  const mark = page.getByRole('slider', { name: 'Point on the edge 1', exact: true })
  const before = await mark.getAttribute('aria-valuetext')
  await page.mouse.down()
  await page.mouse.move(middle.x + 60, middle.y + 20, { steps: 5 })
  await page.mouse.up()
  await expect(page.getByText('9 marks')).toBeVisible()
  // A mark out of sight is brought into it by the focus, and goes pixel by pixel.
  await mark.focus()
  await page.keyboard.press('ArrowRight')
  const [x, y] = before!.match(/\d+/g)!.map(Number)
  await expect(mark).toHaveAttribute('aria-valuetext', `${x! + 1}, ${y} pixels`)
  await page.keyboard.press('ArrowLeft')
  await page.getByRole('button', { name: 'Snap to the outline' }).click()
  await expect(page.getByTestId('traced')).toBeVisible()
  // Photograph, marks and how close one looked are there after a reload.
  await page.reload()
  await expect(page.getByTestId('traced')).toBeVisible()
  await expect(page.getByText('9 marks')).toBeVisible()
  await expect(page.getByText(/^× 9\.\d$/)).toBeVisible()
  await page.getByRole('button', { name: 'The whole picture' }).click()
  await expect(page.getByText('× 1.0')).toBeVisible()
  // How well the edge's direction is known is the trace's to say, and no library shape's.
  const direction = page.getByRole('textbox', { name: 'Direction of the edge, ±' })
  await expect(direction).toHaveValue(/^0\.[4-9]$/)
  await page.getByText('from the library', { exact: true }).click()
  await expect(direction).toHaveValue('')
  await page.getByText('from a photograph', { exact: true }).click()
  await expect(direction).toHaveValue(/^0\.[4-9]$/)
  // The marks begin at the heel and show no choil.
  await expect(page.getByRole('checkbox', { name: 'A choil ends the edge at the heel' })).not.toBeChecked()

  await page.getByRole('button', { name: 'Thickness', exact: true }).click()
  for (const [label, text] of [
    ['Spine over the heel', '2.4'],
    ['Behind the edge, over the heel', '0.4'],
    ['Height of the primary grind', '14'],
  ] as const)
    await page.getByRole('textbox', { name: label, exact: true }).fill(text)
  await page.getByRole('button', { name: 'What it is for', exact: true }).click()
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Traced blade')
  // Describing goes on at the step one was at.
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Name', exact: true })).toHaveValue('Traced blade')
  await page.getByRole('button', { name: 'Save this blade' }).click()
  await page.getByRole('button', { name: 'Use it' }).click()
  await expect(page.getByRole('heading', { name: 'Traced blade' })).toBeVisible()
  const blades = ((await (await page.request.get('/api/blades')).json()) as { records: BladeRecord[] }).records
  const traced = blades.find((blade) => blade.name === 'Traced blade')!
  // The marks stand a pixel of the screen off the edge; the sheet is seen at two pixels for a millimetre or so.
  expect(Math.abs(traced.widthMm - 28)).toBeLessThan(1)
  expect(traced.edgeHeadingToleranceDeg).toBeGreaterThanOrEqual(0.4)
  expect(traced.edgeHeadingToleranceDeg).toBeLessThan(1)
  // How well it is known goes with it all along: less well at its ends.
  const { headingDeg, placeMm } = traced.edgeUncertainty!
  expect(headingDeg[0]).toBeGreaterThan(Math.min(...headingDeg) + 2)
  expect(placeMm).toBeLessThan(0.6)
  expect(Math.abs(evenEdgePoints(traced.edge, 2)[1]!.point[0] - 140)).toBeLessThan(1.5)
})
