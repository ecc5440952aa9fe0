import { clampFrame, toClampFrame } from '#core/clamping/clampFrame'
import { evenStations } from '#core/curve/stations'
import type { Setup } from '#core/setup/setup'
import type { Vec2 } from '#core/vector/vec2'
import { landmarkLine } from '~/drawing/jawMarks'

/** What a printed page is made of, in millimetres from its upper left corner. */
export interface CardPage {
  readonly width: number
  readonly height: number
  readonly texts: readonly CardText[]
  readonly lines: readonly CardLine[]
}
export interface CardText {
  readonly x: number
  readonly y: number
  /** Height of the letters, mm. */
  readonly size: number
  readonly bold: boolean
  readonly text: string
}
export interface CardLine {
  readonly points: readonly Vec2[]
  readonly width: number
  readonly closed?: boolean
  readonly dashed?: boolean
}

/** The words and figures of a card. */
export interface CardContent {
  readonly title: string
  readonly subtitle: string
  /** Word and figure, the figure large. */
  readonly facts: readonly (readonly [word: string, figure: string])[]
  /** A stone, and what to dial on A and on B. */
  readonly stones: readonly (readonly [stone: string, a: string, b: string])[]
  readonly sideNames: readonly [string, string]
  readonly notes: readonly string[]
  /** A line to lay a rule on: what it says, and how long it is. */
  readonly checkText: string
  readonly checkMm: number
}

/** A4, lying. */
const PAGE = { width: 297, height: 210 } as const
const MARGIN = 12
const DRAWING_TOP = 118
const FACTS_IN_ROW = 4
const MOST_STONES = 9
const OUTLINE_PLACES = 160
/** How long a mark of the jaws is drawn. */
const MARK_MM = 2.5

/** The clamp card as a page: what to set, and the blade in its jaws at 1:1 to lay it on. */
export function cardPage(setup: Setup, content: CardContent): CardPage {
  const texts: CardText[] = [
    { x: MARGIN, y: 20, size: 7, bold: true, text: content.title },
    { x: MARGIN, y: 27, size: 4, bold: false, text: content.subtitle },
  ]
  content.facts.forEach(([word, figure], i) => {
    const x = MARGIN + (i % FACTS_IN_ROW) * 42
    const y = 38 + Math.floor(i / FACTS_IN_ROW) * 17
    texts.push({ x, y, size: 3.6, bold: false, text: word }, { x, y: y + 7, size: 6.4, bold: true, text: figure })
  })
  const stonesX = 186
  texts.push(
    { x: stonesX, y: 38, size: 3.6, bold: false, text: 'Stone' },
    { x: stonesX + 50, y: 38, size: 3.6, bold: false, text: `Dial, ${content.sideNames[0]}` },
    { x: stonesX + 77, y: 38, size: 3.6, bold: false, text: `Dial, ${content.sideNames[1]}` },
  )
  content.stones.slice(0, MOST_STONES).forEach(([stone, a, b], i) => {
    const y = 45 + i * 6.4
    texts.push(
      { x: stonesX, y, size: 4, bold: false, text: stone },
      { x: stonesX + 50, y, size: 4.4, bold: true, text: a },
      { x: stonesX + 77, y, size: 4.4, bold: true, text: b },
    )
  })
  const notesTop = 38 + Math.ceil(content.facts.length / FACTS_IN_ROW) * 17 + 3
  content.notes.forEach((note, i) =>
    texts.push({ x: MARGIN, y: notesTop + i * 5.5, size: 3.8, bold: false, text: note }),
  )

  const { lines, marks, truncated } = drawing(setup)
  texts.push(...marks)
  if (truncated)
    texts.push({
      x: MARGIN,
      y: DRAWING_TOP - 4,
      size: 3.6,
      bold: false,
      text: 'Drawn as far as the page goes: lay the heel on it.',
    })
  const [checkX, checkY] = [PAGE.width - MARGIN - content.checkMm, PAGE.height - 10]
  lines.push(
    {
      points: [
        [checkX, checkY],
        [checkX + content.checkMm, checkY],
      ],
      width: 0.3,
    },
    ...[0, content.checkMm].map((at): CardLine => ({
      points: [
        [checkX + at, checkY - 2.5],
        [checkX + at, checkY + 2.5],
      ],
      width: 0.3,
    })),
  )
  texts.push({ x: checkX, y: checkY - 3.5, size: 3.4, bold: false, text: content.checkText })
  return { ...PAGE, texts, lines }
}

/** The blade in its jaws at 1:1, its heel at the left margin where it is longer than the page. */
function drawing({ blade, hold, rig }: Setup): { lines: CardLine[]; marks: CardText[]; truncated: boolean } {
  const frame = clampFrame(hold)
  const inClamp = (points: readonly Vec2[]) => points.map((point) => toClampFrame(point, frame))
  const edge = inClamp(evenStations(blade.edge, OUTLINE_PLACES).map((station) => station.point))
  const spine = inClamp(
    blade.spine
      ? evenStations(blade.spine, OUTLINE_PLACES).map((station) => station.point)
      : [
          [0, 0],
          [evenStations(blade.edge, 2)[1]!.point[0], 0],
        ],
  )
  const jaws: Vec2[] = rig.jaws
    ? [
        [-rig.jaws.widthMm / 2, 0],
        [rig.jaws.widthMm / 2, 0],
        [rig.jaws.widthMm / 2, -rig.jaws.depthMm],
        [-rig.jaws.widthMm / 2, -rig.jaws.depthMm],
      ]
    : [
        [-60, 0],
        [60, 0],
      ]
  const all = [...edge, ...spine, ...jaws]
  const [minX, maxX, maxY] = [
    Math.min(...all.map((p) => p[0])),
    Math.max(...all.map((p) => p[0])),
    Math.max(...all.map((p) => p[1])),
  ]
  const room = PAGE.width - 2 * MARGIN
  const shift = maxX - minX <= room ? MARGIN + (room - (maxX - minX)) / 2 - minX : MARGIN - minX
  const limit = PAGE.width - MARGIN
  const onPage = (points: readonly Vec2[]) =>
    points.map(([u, v]): Vec2 => [u + shift, DRAWING_TOP + maxY - v]).filter(([x]) => x <= limit)
  const centre = onPage([
    [0, maxY + 3],
    [0, Math.min(...jaws.map((p) => p[1])) - 3],
  ])
  const landmark = landmarkLine({ blade })
  const ticks = rig.positionMarks
    .map(({ alongMm, name }) => ({
      name,
      points: onPage([
        [alongMm, 0],
        [alongMm, -MARK_MM],
      ]),
    }))
    .filter(({ points }) => points.length === 2)
  return {
    marks: ticks.map(({ points, name }): CardText => ({
      x: points[1]![0] + 0.6,
      y: points[1]![1],
      size: 2.6,
      bold: true,
      text: name,
    })),
    truncated: maxX - minX > room,
    lines: [
      { points: onPage(edge), width: 0.5 },
      { points: onPage(spine), width: 0.25 },
      { points: onPage(jaws), width: 0.3, closed: rig.jaws !== null },
      {
        points: onPage([
          [jaws[0]![0] - 8, 0],
          [-jaws[0]![0] + 8, 0],
        ]),
        width: 0.25,
        dashed: true,
      },
      { points: centre, width: 0.2, dashed: true },
      ...ticks.map(({ points }): CardLine => ({ points, width: 0.4 })),
      ...(landmark && ticks.length > 0 ? [{ points: onPage(inClamp(landmark)), width: 0.3, dashed: true }] : []),
    ],
  }
}
