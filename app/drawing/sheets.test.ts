import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { contactsAlong } from '#core/geometry/contact/contact'
import { evenEdgePoints } from '#core/math/curve/edgePoints'
import { equalAngleLines } from '#core/geometry/dial/equalAngles'
import { rodPoseAt } from '#core/geometry/setup/setup'
import { sampleSetup } from '#core/geometry/setup/sampleSetup.fixture'
import { cardPage } from '~/stations/clamp/card/cardPage'
import { PAPER_NAMES, PAPERS } from '~/print/paper'
import { boxOf, overlap } from '~/print/freePlace'
import { widthMm } from '~/print/lettering'
import type { DrawnSide } from '~/stations/prove/anglesAlong'
import { cardPdf } from '~/print/cardPdf'
import { reportPage, type ReportContent } from '~/stations/prove/report/reportPage'
import { gaugeView } from '~/stations/clamp/gauge/gaugeView'
import { mapView } from '~/stations/clamp/even/mapView'
import { ribbonView } from '~/stations/clamp/even/ribbonView'
import { rigDimensions, rigSheet } from '~/shelf/rig/sheet/rigSheet'
import { unrolledView } from '~/stations/clamp/even/unrolledView'
import { whatIfRange, whatIfView } from '~/stations/uncertainty/whatIf/whatIfView'

const edgePoints = evenEdgePoints(sampleSetup.blade.edge, 200)
const along = contactsAlong(edgePoints, sampleSetup.hold, rodPoseAt(sampleSetup, 'A', 55))
const viewport = { scale: 2, originX: 200, originY: 150 }
const size = { width: 800, height: 400 }

describe('the deviation as a band along the edge', () => {
  const view = ribbonView(sampleSetup, along, edgePoints, 21, viewport)

  it('says where it is worst, and tells steeper from flatter', () => {
    const worst = Math.max(...along.map((contact) => (contact.ok ? Math.abs(contact.edgeAngleDeg - 21) : 0)))
    expect(Math.abs(view.worst!.deg)).toBeCloseTo(worst, 9)
    const all = new Set(view.bands.map((band) => band.steeper))
    const steeper = along.some((contact) => contact.ok && contact.edgeAngleDeg > 21.05)
    const flatter = along.some((contact) => contact.ok && contact.edgeAngleDeg < 20.95)
    expect([all.has(true), all.has(false)]).toEqual([steeper, flatter])
  })

  it('an even edge has no band', () => {
    const arc = {
      ...sampleSetup.blade,
      edge: [{ type: 'arc' as const, centre: [40, -95] as [number, number], radiusMm: 125, startDeg: 110, endDeg: 70 }],
    }
    const even = evenEdgePoints(arc.edge, 50)
    const setup = { ...sampleSetup, blade: arc }
    const contacts = contactsAlong(even, setup.hold, rodPoseAt(setup, 'A', 55))
    const first = contacts[0]!
    const wanted = first.ok ? first.edgeAngleDeg : 0
    expect(ribbonView(setup, contacts, even, wanted, viewport).bands).toEqual([])
  })
})

describe('the edge unrolled', () => {
  const places = along.map((contact, i) => ({
    fromHeelMm: edgePoints[i]!.fromHeelMm,
    edgeAngleDeg: contact.ok ? contact.edgeAngleDeg : null,
  }))

  it('runs from border to border, and a place on it is found again', () => {
    const view = unrolledView(places, [], [{ kind: 'heel', fromMm: 0, toMm: 98.2 }], 20, size, 'mm')
    const { x, width } = view.angle.frame
    expect([view.at(0), view.at(places.at(-1)!.fromHeelMm)]).toEqual([x, x + width])
    expect(view.lengthAt(view.at(40))).toBeCloseTo(40, 9)
    expect(view.lengthAt(-50)).toBe(0)
    expect(view.angle.lines).toHaveLength(1)
  })

  it('is broken where there is no angle', () => {
    const broken = places.map((place, i) => (i > 80 && i < 100 ? { ...place, edgeAngleDeg: null } : place))
    expect(unrolledView(broken, [], [], 20, size, 'mm').angle.lines).toHaveLength(2)
    const gauge = gaugeView(
      broken.map((place) => ({ ...place, readingDeg: place.edgeAngleDeg })),
      [{ fromMm: 10, toMm: 10 }],
      size,
      'in',
    )
    expect([gauge.edge.length, gauge.reading.length, gauge.square.length]).toEqual([2, 2, 1])
  })
})

describe('what if', () => {
  it('the present point lies on the line of its own angle', () => {
    const range = whatIfRange(28, 55, { lowestMm: 20, highestMm: 90 })
    const now = along[80]!
    if (!now.ok) throw new Error(now.code)
    const lines = equalAngleLines(sampleSetup, 'A', edgePoints[80]!, [now.edgeAngleDeg], {
      fromMm: range.blade[0],
      toMm: range.blade[1],
      steps: 48,
    })
    const view = whatIfView(range, lines, { bladeHeightMm: 28, pivotHeightMm: 55 }, [0, 40], size, 'mm')
    const near = view.lines[0]!.points.split(' ')
      .map((pair) => pair.split(',').map(Number))
      .map(([x, y]) => Math.hypot(x! - view.point[0], y! - view.point[1]))
    expect(Math.min(...near)).toBeLessThan(8)
  })

  it('bars what the jaws would not hold', () => {
    const range = whatIfRange(28, 55, { lowestMm: 20, highestMm: 90 })
    const barred = (held: readonly [number, number] | null) => {
      const view = whatIfView(range, [], { bladeHeightMm: 28, pivotHeightMm: 55 }, held, size, 'mm')
      const mm = (px: number) => px / view.perMm[0]
      return view.barred.map(({ x, width }) => [mm(x - view.frame.x) + range.blade[0], mm(width)])
    }
    expect(barred([10, 40])).toEqual([
      [expect.closeTo(4, 6), expect.closeTo(6, 6)],
      [expect.closeTo(40, 6), expect.closeTo(12, 6)],
    ])
    expect(barred([-Infinity, Infinity])).toEqual([])
    expect(barred(null)).toEqual([[expect.closeTo(4, 6), expect.closeTo(48, 6)]])
  })

  it('keeps what is shown within the rig and out of the jaws', () => {
    expect(whatIfRange(5, 88, { lowestMm: 20, highestMm: 90 })).toEqual({ blade: [2, 50], pivot: [38, 90] })
  })
})

describe('a rig being measured', () => {
  const figures: Record<string, number> = { 'pivot.setbackMm': 110, 'height.lowestMm': 30, 'height.highestMm': 80 }
  const sheet = (kind: 'turning-post' | 'two-arm') =>
    rigSheet({ kind, figure: (path) => figures[path] ?? null, slots: [], by: 'millimetres' }, [], [])

  it('draws a measure as long as it is, also where the picture stands upright', () => {
    for (const kind of ['turning-post', 'two-arm'] as const) {
      const [setback] = rigDimensions(sheet(kind), 'side', (path) => path === 'pivot.setbackMm', viewport)
      const { from, to } = setback!.dimension
      expect(Math.hypot(from[0] - to[0], from[1] - to[1])).toBeCloseTo(220, 6)
    }
  })

  it('an upright rig has two arms', () => {
    expect([sheet('turning-post').side.posts.length, sheet('two-arm').side.posts.length]).toEqual([1, 2])
  })
})

describe('the map of holds', () => {
  it('shades the best palest and crosses out what cannot be held', () => {
    const map = {
      bladeXMm: [10, 20, 30],
      turnDeg: [-5, 5],
      depthMm: 6,
      cost: [
        [1, 2, null],
        [3, 0.5, 4],
      ],
    }
    const view = mapView(
      map,
      { ...sampleSetup.hold, bladeXMm: 20, turnDeg: 5 },
      { ...sampleSetup.hold, bladeXMm: 90 },
      'mm',
    )
    expect(
      view.cells.map((cell) => cell.shade).indexOf(Math.min(...view.cells.flatMap((cell) => cell.shade ?? []))),
    ).toBe(4)
    expect(view.cells[2]!.shade).toBeNull()
    expect([view.best !== null, view.now]).toEqual([true, null])
  })
})

describe('the report', () => {
  const long = 'A name as long as any that somebody would ever write on a label of a box, and then some more of it'
  const many = (count: number, what: string) => Array.from({ length: count }, (_, i) => `${what} ${i + 1}`)
  const side = (name: 'A' | 'B'): ReportContent['sides'][number] => ({
    side: name,
    name,
    angles: [
      {
        angle: 'set',
        line: [
          [0, 20],
          [90, 20],
        ],
      },
    ],
    findings: [{ angle: 'proved', word: 'proved', fromMm: 10, toMm: 20, deg: 20.4, uncertaintyDeg: 0.2 }],
  })
  const report = (rows: number, paper: 'A4' | 'US Letter', sides: readonly DrawnSide[] = [side('A'), side('B')]) =>
    reportPage(
      {
        title: long,
        subtitle: long,
        why: long.repeat(3),
        angles: {
          columns: ['A', 'B', 'included'],
          rows: many(4, 'angle').map((word) => [word, '20.0°', '20.0°', '40.0°']),
        },
        zones: {
          columns: ['before', 'wanted', 'set', 'read', 'proved'],
          rows: many(rows, 'zone').map((word) => [word, '21.0°', '20.0°', '20.2°', '20.1°', '20.4° ± 0.2°']),
        },
        readings: many(rows, 'reading'),
        sharpness: many(rows, 'test'),
        stones: many(rows, 'stone'),
        sides,
        edgeMm: 90,
        edgeText: 'tip, 90.0 mm',
        sections: [],
        note: 'The note at the foot.',
      },
      paper,
    )

  it.each(PAPER_NAMES)('keeps to its %s page however much was found, and says how much it leaves out', (paper) => {
    const { texts, height, width } = report(30, paper)
    const note = texts.find(({ text }) => text.startsWith('The note'))!
    expect(texts.filter((one) => one !== note).every(({ y }) => y < note.y - 3 && y > 0)).toBe(true)
    expect(texts.every(({ x, text, size: letters, bold }) => x + widthMm(text, letters, bold) < width)).toBe(true)
    expect(note.y).toBeLessThan(height)
    expect(texts.filter(({ text }) => /^and \d+ more$/.test(text)).length).toBeGreaterThan(1)
  })

  it('no text lies over another, whatever was read and proved where', () => {
    const deg = fc.double({ min: 15, max: 25, noNaN: true })
    const finding = fc.record({
      angle: fc.constantFrom('read' as const, 'proved' as const),
      fromMm: fc.double({ min: 0, max: 80, noNaN: true }),
      deg,
      uncertaintyDeg: fc.double({ min: 0.1, max: 1, noNaN: true }),
    })
    const found = fc.array(finding, { maxLength: 8 })
    const line = fc.tuple(deg, deg, deg)
    fc.assert(
      fc.property(line, deg, found, (set, wanted, all) => {
        const angles: DrawnSide['angles'] = [
          { angle: 'wanted', line: [0, 90].map((mm) => [mm, wanted]) },
          { angle: 'set', line: set.map((one, i) => [45 * i, one]) },
        ]
        const findings = all.map((one) => ({ ...one, word: one.angle, toMm: one.fromMm + 10 }))
        const sides = [side('A'), side('B')].map((one) => ({ ...one, angles, findings }))
        const { texts } = report(4, 'A4', sides)
        const boxes = texts.map(boxOf)
        const over = texts.flatMap((one, i) =>
          texts.slice(i + 1).filter((_, k) => overlap(boxes[i]!, boxes[i + 1 + k]!)),
        )
        expect(over.map(({ text }) => text)).toEqual([])
        // Both lines have room for their words unless findings crowd the drawing.
        if (all.length < 3) expect(texts.filter(({ text }) => text === 'set')).toHaveLength(3)
      }),
    )
  })

  it('leaves nothing out of a job that has little', () => {
    const words = report(4, 'A4').texts.map(({ text }) => text)
    for (const what of ['zone', 'reading', 'stone', 'test'])
      expect(words).toEqual(expect.arrayContaining(many(4, what)))
    expect(words.some((text) => /^and \d+ more$/.test(text))).toBe(false)
  })
})

describe('the clamp card', () => {
  const files = '../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next'
  const lettersOf = (weight: number) =>
    ['latin', 'latin-ext'].map((part) =>
      readFileSync(new URL(`${files}-${part}-${weight}-normal.woff`, import.meta.url)),
    )

  const content = {
    title: 'Žluťoučký nůž − 5°',
    subtitle: '',
    alarm: '',
    facts: [['Turn', 'none']] as const,
    dialledIn: 'slots',
    stones: [],
    sideNames: ['A', 'B'] as const,
    notes: [],
    checkText: '100 mm',
    checkMm: 100,
  }

  it('draws the blade at 1:1 and a check line of 100 mm', () => {
    const page = cardPage(sampleSetup, content)
    const edge = page.lines[0]!.points
    expect(edge.at(-1)![0] - edge[0]![0]).toBeCloseTo(edgePoints.at(-1)!.point[0], 6)
    const check = page.lines.find(
      (line) =>
        line.points.length === 2 &&
        line.points[0]![1] === line.points[1]![1] &&
        line.points[1]![0] - line.points[0]![0] === 100,
    )
    expect(check).toBeDefined()
  })

  it('draws the marks of the jaws, and the landmark that lies on one under its tick', () => {
    const marked = {
      ...sampleSetup,
      rig: {
        ...sampleSetup.rig,
        positionMarks: [
          { name: 'a', alongMm: -5 },
          { name: 'b', alongMm: 5 },
        ],
      },
      blade: { ...sampleSetup.blade, landmark: { what: 'stud', alongMm: 45 } },
    }
    const page = cardPage(marked, content)
    const name = page.texts.find((text) => text.text === 'b')!
    const landmark = page.lines.find(
      (line) => line.dashed && line.points.length === 2 && Math.abs(line.points[0]![0] - name.x + 0.6) < 1e-6,
    )
    expect(landmark!.points[1]![0]).toBeCloseTo(landmark!.points[0]![0], 6)
    expect(cardPage(sampleSetup, content).lines.length).toBe(page.lines.length - 3)
  })

  it('nothing runs off or overlaps, with the longest names and a whole box of stones, on either paper', () => {
    const long = 'Wide workshop mower blade of the western orchard, for Mondays'
    const stone = [long, '12.345 mm', '112 + 11', 'not possible'] as const
    const crowded = {
      ...content,
      title: long,
      subtitle: [long, long, long].join(' · '),
      alarm: `No hold: ${long}`,
      facts: Array.from({ length: 12 }, () => [long, `${long} 112.2 mm / 112.2 mm`] as const),
      stones: Array.from({ length: 14 }, () => stone),
      sideNames: [long, long] as const,
      notes: [long, `${long} ${long} ${long}`],
    }
    for (const paper of PAPER_NAMES) {
      const page = cardPage(sampleSetup, crowded, paper)
      expect([page.width, page.height]).toEqual([PAPERS[paper].width, PAPERS[paper].height])
      const drawnFrom = Math.min(...page.lines.flatMap((line) => line.points.map(([, y]) => y)))
      const written = page.texts.filter((text) => text.y < drawnFrom)
      const boxes = written.map(({ x, y, size, bold, text }) => ({
        text,
        left: x,
        right: x + widthMm(text, size, bold),
        top: y - 0.75 * size,
        bottom: y + 0.2 * size,
      }))
      for (const [i, a] of boxes.entries()) {
        expect(a.right, a.text).toBeLessThanOrEqual(page.width - 12 + 1e-6)
        for (const b of boxes.slice(i + 1)) {
          const apart = a.right <= b.left || b.right <= a.left || a.bottom <= b.top || b.bottom <= a.top
          expect(apart, `${a.text} | ${b.text}`).toBe(true)
        }
      }
      expect(written.some(({ text }) => text === 'and 1 more')).toBe(true)
    }
  })

  it('no text lies over another or runs off, whatever the blade, its marks and its words', () => {
    const word = fc.string({ minLength: 1, maxLength: 40, unit: fc.constantFrom(...'abc MWi1°−é') })
    const words = fc.array(word, { maxLength: 6 })
    const marks = fc.array(fc.record({ name: word, alongMm: fc.double({ min: -40, max: 40, noNaN: true }) }), {
      maxLength: 8,
    })
    const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true })
    fc.assert(
      fc.property(
        mm(30, 360),
        mm(8, 160),
        marks,
        words,
        words,
        fc.constantFrom(...PAPER_NAMES),
        (length, width, positionMarks, some, notes, paper) => {
          const edge = [
            { type: 'line' as const, from: [0, width] as [number, number], to: [length, width] as [number, number] },
          ]
          const setup = {
            ...sampleSetup,
            rig: { ...sampleSetup.rig, positionMarks },
            blade: { ...sampleSetup.blade, edge, widthMm: width },
            hold: { ...sampleSetup.hold, bladeXMm: length / 3, bladeYMm: width / 3 },
          }
          const facts = some.map((one) => [one, one] as const)
          const stones = some.map((one) => [one, '12.3 mm', one, one] as const)
          const of = { ...content, title: some.join(' '), subtitle: some.join(' '), facts, stones, notes }
          const page = cardPage(setup, of, paper)
          const boxes = page.texts.map(boxOf)
          for (const [i, one] of boxes.entries()) {
            expect([one.left >= 0, one.right <= page.width, one.bottom <= page.height]).toEqual([true, true, true])
            for (const other of boxes.slice(i + 1)) expect(overlap(one, other)).toBe(false)
          }
          const checkTop = page.height - 18
          for (const { points } of page.lines.slice(0, 2)) expect(points.every(([, y]) => y <= checkTop)).toBe(true)
        },
      ),
    )
  })

  it('no letter of the shipped font is wider than is reckoned with: on screen, printed and as a PDF', async () => {
    const { default: fontkit } = await import('@cantoo/fontkit')
    for (const weight of [400, 700])
      for (const letters of lettersOf(weight)) {
        const font = fontkit.create(letters)
        if (!('layout' in font)) throw new Error('a collection of fonts')
        const wider = font.characterSet
          .map((code) => String.fromCodePoint(code))
          .filter((letter) => font.layout(letter).advanceWidth / font.unitsPerEm > widthMm(letter, 1, weight === 700))
        expect(wider).toEqual([])
      }
  })

  it('says so when the blade is longer than the page', () => {
    const long = {
      ...sampleSetup,
      blade: {
        ...sampleSetup.blade,
        edge: [{ type: 'line' as const, from: [0, 30] as [number, number], to: [330, 30] as [number, number] }],
      },
    }
    expect(cardPage(long, content).texts.some((text) => text.text.startsWith('Drawn as far as the page goes'))).toBe(
      true,
    )
  })

  it('becomes a PDF of one A4 page that carries its letters, in whatever script a name is written', async () => {
    const { PDFDocument } = await import('@cantoo/pdf-lib')
    const pictured: string[] = []
    const dot = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg=='
    const names = { ...content, title: 'Łódź, tępy nóż', subtitle: '小刀 18°' }
    const pdf = await cardPdf([cardPage(sampleSetup, names), cardPage(sampleSetup, names)], names.title, {
      regular: lettersOf(400),
      bold: lettersOf(700),
      picture: async (text) => {
        pictured.push(text)
        return { png: Buffer.from(dot, 'base64'), widthMm: 20, heightMm: 6, baselineMm: 5 }
      },
    })
    const document = await PDFDocument.load(pdf)
    expect(document.getTitle()).toBe('Łódź, tępy nóż')
    expect(pictured).toEqual(['小刀 18°', '小刀 18°'])
    expect(document.getPageCount()).toBe(2)
    const { width, height } = document.getPage(0).getSize()
    expect([width, height].map((points) => Math.round((points * 25.4) / 72))).toEqual([297, 210])
  })
})
