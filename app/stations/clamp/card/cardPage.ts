import { nth } from '#core/math/list'
import { clampFrame, toClampFrame } from '#core/geometry/clamping/clampFrame'
import { evenEdgePoints } from '#core/math/curve/edgePoints'
import type { Setup } from '#core/geometry/setup/setup'
import type { Vec2 } from '#core/math/vector/vec2'
import { landmarkLine } from '~/drawing/jawMarks'
import { freePlaces } from '~/print/freePlace'
import { fitted, widthMm, wrapped } from '~/print/lettering'
import { PAPERS, type CardLine, type CardPage, type CardText, type Paper } from '~/print/paper'

/** The words and figures of a card. */
export interface CardContent {
  readonly title: string
  readonly subtitle: string
  /** What stands against setting up like this; empty where nothing does. */
  readonly alarm: string
  /** Word and figure, the figure large. */
  readonly facts: readonly (readonly [word: string, figure: string])[]
  /** What stands at the marks of the dial: "turns + marks". */
  readonly dialledIn: string
  /** A stone, how far its face stands off the rod, and what to dial on A and on B. */
  readonly stones: readonly (readonly [stone: string, faceOffset: string, a: string, b: string])[]
  readonly sideNames: readonly [string, string]
  readonly notes: readonly string[]
  /** A line to lay a rule on: what it says, and how long it is. */
  readonly checkText: string
  readonly checkMm: number
}

const MARGIN = 12
const DRAWING_TOP = 120
const FACTS = { top: 36, inRow: 4, rowMm: 15 } as const
const STONES = { width: 105, rowMm: 5.2, columns: [0, 37, 55, 80] } as const
const MOST_STONES = 13
const GAP = 3
/** What stands at the foot of the page has so much of it. */
const BELOW_DRAWING = 18
const OUTLINE_PLACES = 160
/** How long a mark of the jaws is drawn. */
const MARK_MM = 2.5
/** How far the line of the heel goes beyond the blade. */
const HEEL_LINE_MM = 6

/** The clamp card as a page: what to set, and the blade in its jaws at 1:1 to lay it on. */
export function cardPage(setup: Setup, content: CardContent, paper: Paper = 'A4'): CardPage {
  const page = PAPERS[paper]
  const stonesX = page.width - MARGIN - STONES.width
  const left = stonesX - MARGIN - GAP
  const texts: CardText[] = [
    ...fitted(content.title, { x: MARGIN, y: 20, size: 7, bold: true }, page.width - 2 * MARGIN),
    ...fitted(content.subtitle, { x: MARGIN, y: 27, size: 4, bold: false }, page.width - 2 * MARGIN),
  ]
  const cell = left / FACTS.inRow
  content.facts.forEach(([word, figure], i) => {
    const x = MARGIN + (i % FACTS.inRow) * cell
    const y = FACTS.top + Math.floor(i / FACTS.inRow) * FACTS.rowMm
    texts.push(
      ...fitted(word, { x, y, size: 3.4, bold: false }, cell - GAP),
      ...fitted(figure, { x, y: y + 6.5, size: 6, bold: true }, cell - GAP),
    )
  })
  const inColumn = (column: number, text: string, y: number, size: number, bold = false) => {
    const from = nth(STONES.columns, column)
    const width = (STONES.columns[column + 1] ?? STONES.width) - from - 2
    texts.push(...fitted(text, { x: stonesX + from, y, size, bold }, width))
  }
  inColumn(0, `Stone; dial in ${content.dialledIn}`, FACTS.top, 3.4)
  inColumn(1, 'Rod to face', FACTS.top, 3.4)
  content.sideNames.forEach((name, i) => inColumn(2 + i, `Dial, ${name}`, FACTS.top, 3.4))
  content.stones.slice(0, MOST_STONES).forEach((row, i) => {
    const y = FACTS.top + 6 + i * STONES.rowMm
    row.forEach((text, column) => inColumn(column, text, y, column > 1 ? 4.2 : 3.8, column > 1))
  })
  const more = content.stones.length - MOST_STONES
  if (more > 0) inColumn(0, `and ${more} more`, FACTS.top + 6 + MOST_STONES * STONES.rowMm, 3.4)
  const notesTop = FACTS.top + Math.ceil(content.facts.length / FACTS.inRow) * FACTS.rowMm + 1
  const notes = content.alarm ? [content.alarm, ...content.notes] : content.notes
  let y = notesTop
  for (const [i, note] of notes.entries())
    for (const text of wrapped(note, 3.6, left)) {
      if (y > DRAWING_TOP - 3) break
      texts.push({ x: MARGIN, y, size: 3.6, bold: content.alarm !== '' && i === 0, text })
      y += 4.8
    }

  const { lines, names, truncated } = drawing(setup, page)
  if (truncated) {
    const text = 'Drawn as far as the page goes: lay the heel on it.'
    texts.push({ x: MARGIN, y: page.height - 13.5, size: 3.4, bold: false, text })
  }
  const [checkX, checkY] = [page.width - MARGIN - content.checkMm, page.height - 10]
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
  const room = freePlaces([])
  texts.forEach(room.take)
  for (const { at, text, bold } of names) {
    const name = { text, bold, size: NAME_SIZE }
    const width = widthMm(text, NAME_SIZE, bold)
    const besides = [at[0] + NAME_GAP_MM, at[0] - NAME_GAP_MM - width]
    const places = [0, 1, 2].flatMap((row) => besides.map((x): Vec2 => [x, at[1] + row * NAME_SIZE * 1.1]))
    const inside = places.filter(([x]) => x >= 0 && x + width <= page.width)
    const placed = room.put(name, inside)
    if (placed) texts.push(placed)
  }
  return { ...page, texts, lines }
}
/** The names beside the lines of the drawing, and how far they stand off. */
const NAME_SIZE = 2.6
const NAME_GAP_MM = 0.6

const extent = (points: readonly Vec2[], axis: 0 | 1): [least: number, most: number] => {
  const along = points.map((point) => point[axis])
  return [Math.min(...along), Math.max(...along)]
}

/** What is named in the drawing, and the point that the name stands beside. */
interface Named {
  readonly at: Vec2
  readonly text: string
  readonly bold: boolean
}

/** The blade in its jaws at 1:1, its heel at the left margin where it is longer than the page. */
function drawing(
  { blade, hold, rig }: Setup,
  page: { readonly width: number; readonly height: number },
): { lines: CardLine[]; names: Named[]; truncated: boolean } {
  const frame = clampFrame(hold)
  const inClamp = (points: readonly Vec2[]) => points.map((point) => toClampFrame(point, frame))
  const edge = inClamp(evenEdgePoints(blade.edge, OUTLINE_PLACES).map((edgePoint) => edgePoint.point))
  const spine = inClamp(
    blade.spine
      ? evenEdgePoints(blade.spine, OUTLINE_PLACES).map((edgePoint) => edgePoint.point)
      : [
          [0, 0],
          [nth(evenEdgePoints(blade.edge, 2), 1).point[0], 0],
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
  const [[minX, maxX], [minY, maxY]] = [extent(all, 0), extent(all, 1)]
  const room = page.width - 2 * MARGIN
  const lowest = page.height - BELOW_DRAWING
  const shift = maxX - minX <= room ? MARGIN + (room - (maxX - minX)) / 2 - minX : MARGIN - minX
  const limit = page.width - MARGIN
  const onPage = (points: readonly Vec2[]) =>
    points.map(([u, v]): Vec2 => [u + shift, DRAWING_TOP + maxY - v]).filter(([x, y]) => x <= limit && y <= lowest)
  const centre = onPage([
    [0, maxY + 3],
    [0, Math.min(...jaws.map((p) => p[1])) - 3],
  ])
  // Square to the spine at the heel, as far as a hand can see it beside the blade.
  const heelX = nth(evenEdgePoints(blade.edge, 2), 0).point[0]
  const heel = onPage(
    inClamp([
      [heelX, -HEEL_LINE_MM],
      [heelX, blade.widthMm + HEEL_LINE_MM],
    ]),
  )
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
    names: [
      ...heel.slice(1).map((): Named => ({ at: nth(heel, 0), text: 'heel', bold: false })),
      ...ticks.map(({ points, name }): Named => ({ at: nth(points, 1), text: name, bold: true })),
    ],
    truncated: maxX - minX > room || DRAWING_TOP + maxY - minY > lowest,
    lines: [
      { points: onPage(edge), width: 0.5 },
      { points: onPage(spine), width: 0.25 },
      { points: onPage(jaws), width: 0.3, closed: rig.jaws !== null },
      {
        points: onPage([
          [nth(jaws, 0)[0] - 8, 0],
          [-nth(jaws, 0)[0] + 8, 0],
        ]),
        width: 0.25,
        dashed: true,
      },
      { points: centre, width: 0.2, dashed: true },
      { points: heel, width: 0.2, dashed: true },
      ...ticks.map(({ points }): CardLine => ({ points, width: 0.4 })),
      ...(landmark && ticks.length > 0 ? [{ points: onPage(inClamp(landmark)), width: 0.3, dashed: true }] : []),
    ],
  }
}
