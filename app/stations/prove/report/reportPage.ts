import { scaleLinear } from 'd3-scale'
import { bothOf } from '#core/math/list'
import type { Vec2 } from '#core/math/vector/vec2'
import { reachOf, type DrawnSide } from '~/stations/prove/anglesAlong'
import { PAPERS, type CardLine, type CardPage, type CardText, type Paper } from '~/print/paper'
import { freePlaces } from '~/print/freePlace'
import { fitted, widthMm, wrapped } from '~/print/lettering'

/** The words, tables and drawings of a report. */
export interface ReportContent {
  readonly title: string
  readonly subtitle: string
  readonly why: string
  /** A heading over each column; the rows' first cell is their word. */
  readonly angles: { readonly columns: readonly string[]; readonly rows: readonly (readonly string[])[] }
  /** The same zone by zone; the rows' first cell is zone and side. */
  readonly zones: { readonly columns: readonly string[]; readonly rows: readonly (readonly string[])[] }
  readonly readings: readonly string[]
  readonly sharpness: readonly string[]
  /** With what was made with each. */
  readonly stones: readonly string[]
  readonly sides: readonly DrawnSide[]
  /** What the edge's length reads as, and its ends' words. */
  readonly edgeMm: number
  readonly edgeText: string
  /** Half a section, apex at 0, mm: before and after; null where one of them is not known. */
  readonly sections: readonly { readonly word: string; readonly half: readonly Vec2[]; readonly dashed: boolean }[]
  readonly note: string
}

const MARGIN = 12
const GAP = 8
const TABLE = { rowMm: 6, wordMm: 34 } as const
const ZONE_TABLE = { rowMm: 4.8, wordMm: 18, columnMm: 12.5 } as const
interface TableLook {
  readonly rowMm: number
  readonly wordMm: number
  /** Of every column but the last; where it is not said, all are as wide. */
  readonly columnMm?: number
  readonly size: number
  readonly bold: boolean
}
const CHART_MM = 46
const SECTION_MM = 44
const MOST_READINGS = 12
const MOST_STONES = 8
const MOST_ZONES = 14
const LIST = { rowMm: 5, headMm: 3 } as const
/** Over the bottom of the paper, for the note. */
const FOOT_MM = 14
const MOST_TESTS = 4

/** So many rows at most, the last of them saying how many are left out. */
const upTo = <T>(most: number, rows: readonly T[], saying: (more: string) => T): readonly T[] =>
  rows.length <= most ? rows : [...rows.slice(0, most - 1), saying(`and ${rows.length - most + 1} more`)]

/** A finished job on one page: what was wanted, set, read and proved, along the edge, and how it was done. */
export function reportPage(content: ReportContent, paper: Paper = 'A4'): CardPage {
  const page = PAPERS[paper]
  const width = page.width - 2 * MARGIN
  const half = (width - GAP) / 2
  const right = MARGIN + half + GAP
  const texts: CardText[] = [
    ...fitted(content.title, { x: MARGIN, y: 20, size: 7, bold: true }, width),
    ...fitted(content.subtitle, { x: MARGIN, y: 27, size: 4, bold: false }, width),
  ]
  const lines: CardLine[] = []
  const foot = page.height - FOOT_MM
  const say = (text: string, x: number, y: number, most: number, bold = false, size = 3.6) =>
    texts.push(...fitted(text, { x, y, size, bold }, most))

  let y = 38
  table(content.angles, { ...TABLE, size: 4.4, bold: true })
  y += TABLE.rowMm
  for (const text of wrapped(content.why, 3.6, half).slice(0, 3)) {
    texts.push({ x: MARGIN, y, size: 3.6, bold: false, text })
    y += 4.8
  }
  /** A heading and its rows, as many as there is room for; the first ones are the ones that count. */
  const list = (heading: string, rows: readonly string[], most: number) => {
    const room = Math.min(most, Math.floor((foot - y - LIST.headMm) / LIST.rowMm))
    if (rows.length === 0 || room < 1) return
    y += 3
    say(heading, MARGIN, y, half, true, 4)
    for (const row of upTo(room, rows, (more) => more)) say(row, MARGIN, (y += LIST.rowMm), half)
    y += 4
  }
  if (content.zones.rows.length > 0) {
    y += 4
    const { columns, rows } = content.zones
    table({ columns, rows: upTo(MOST_ZONES, rows, (more) => [more]) }, { ...ZONE_TABLE, size: 3.4, bold: false })
    y += TABLE.rowMm
  }
  list('Stones', content.stones, MOST_STONES)
  list('Readings and proofs', content.readings, MOST_READINGS)
  list('How sharp', content.sharpness, MOST_TESTS)

  let top = 34
  for (const side of content.sides) {
    drawSide(side, top)
    top += CHART_MM + 10
  }
  drawSections(top + 2)
  say(content.note, MARGIN, page.height - 8, width, false, 3.2)
  return { ...page, texts, lines }

  /** A heading over each column, then the rows; the last column takes what room is left. */
  function table({ columns, rows }: ReportContent['angles'], { wordMm, rowMm, columnMm, size, bold }: TableLook): void {
    const wide = columnMm ?? (half - wordMm) / columns.length
    const place = (i: number) => MARGIN + wordMm + i * wide
    const room = (i: number) => (i === columns.length - 1 ? half - wordMm - i * wide : wide) - 1
    columns.forEach((word, i) => say(word, place(i), y, room(i), false, Math.min(3.6, size)))
    for (const [word = '', ...cells] of rows) {
      y += rowMm
      say(word, MARGIN, y, wordMm - 1, false, Math.min(3.6, size))
      cells.forEach((cell, i) => say(cell, place(i), y, room(i), bold, size))
    }
  }

  function drawSide(side: DrawnSide, from: number) {
    const { name, angles, findings } = side
    const [least, most] = reachOf(side)
    const axis = right + 10
    const place = (mm: number, deg: number): Vec2 => [
      axis + (mm / content.edgeMm) * (half - 12),
      from + CHART_MM - ((deg - least) / (most - least)) * (CHART_MM - 4),
    ]
    say(`${name}, along the edge, °`, right, from, half, true, 4)
    const drawn: CardLine[] = []
    for (const deg of [least, Math.round((least + most) / 2), most]) {
      const at = place(0, deg)
      say(String(deg), right, at[1] + 1.2, 9, false, 3.2)
      drawn.push({ points: [at, place(content.edgeMm, deg)], width: 0.1 })
    }
    say('heel', axis, from + CHART_MM + 4, 20, false, 3.2)
    say(content.edgeText, axis + half - 12 - 30, from + CHART_MM + 4, 30, false, 3.2)
    for (const { line, angle } of angles) {
      const dashed = angle === 'wanted'
      drawn.push({ points: line.map(([mm, deg]) => place(mm, deg)), width: dashed ? 0.3 : 0.5, dashed })
    }
    for (const { fromMm, toMm, deg, uncertaintyDeg } of findings) {
      const middle = (fromMm + toMm) / 2
      drawn.push(
        { points: [place(middle, deg - uncertaintyDeg), place(middle, deg + uncertaintyDeg)], width: 0.3 },
        { points: [place(fromMm, deg), place(toMm, deg)], width: 0.7 },
      )
    }
    lines.push(...drawn)
    const room = freePlaces(drawn.map(({ points }) => points))
    const WORD = { size: 3, bold: false }
    const write = (text: string, places: readonly Vec2[]) => {
      const isInside = ([x, y]: Vec2) =>
        x >= axis && x + widthMm(text, WORD.size, false) <= axis + half - 12 && y > from + 5 && y < from + CHART_MM
      const word = room.put({ ...WORD, text }, places.filter(isInside))
      if (word) texts.push(word)
    }
    // A finding's word beside its mark, a line's along it, over or under it.
    for (const { fromMm, toMm, deg, word } of findings) {
      const [x, yAt] = place((fromMm + toMm) / 2, deg)
      const wide = widthMm(word, WORD.size, false)
      const [[left], [right]] = bothOf([fromMm, toMm], (mm) => place(mm, deg))
      const rows = [-1.2, 3.6, -4.8, 7.2, -8.4, 10.8]
      write(word, [
        [right + 1, yAt + 1],
        [left - 1 - wide, yAt + 1],
        ...rows.flatMap((dy): Vec2[] => [
          [x + 1, yAt + dy],
          [x - 1 - wide, yAt + dy],
        ]),
      ])
    }
    for (const { line, angle } of angles) {
      const degAt = scaleLinear(
        line.map(([mm]) => mm),
        line.map(([, deg]) => deg),
      )
      write(
        angle,
        [0.3, 0.15, 0.45, 0.6, 0.75, 0.02, 0.9].flatMap((share): Vec2[] => {
          const mm = share * content.edgeMm
          const [x, yAt] = place(mm, degAt(mm))
          return [
            [x, yAt - 1],
            [x, yAt + 3.2],
          ]
        }),
      )
    }
  }

  function drawSections(from: number) {
    if (content.sections.length === 0 || from + 20 > foot) return
    const all = content.sections.flatMap(({ half: points }) => points)
    const [long, thick] = [Math.max(...all.map(([x]) => x)), Math.max(...all.map(([, z]) => z))]
    const height = Math.min(SECTION_MM, page.height - 20 - from)
    const scale = Math.min((half - 40) / long, height / 2 / thick)
    say('The section, before and after', right, from, half, true, 4)
    const middle = from + 4 + height / 2
    content.sections.forEach(({ half: points, dashed, word }, i) => {
      const up = points.map(([x, z]): Vec2 => [right + x * scale, middle - z * scale])
      const down = points.map(([x, z]): Vec2 => [right + x * scale, middle + z * scale])
      lines.push({ points: [...up.toReversed(), ...down], width: dashed ? 0.25 : 0.5, dashed })
      say(word, right + long * scale + 4, middle - 2 + 5 * i, 34, false, 3.4)
    })
  }
}
