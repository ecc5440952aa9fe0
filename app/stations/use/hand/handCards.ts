import { fitted } from '~/print/lettering'
import { PAPERS, type CardLine, type CardPage, type CardText, type Paper } from '~/print/paper'

/** One card: what it is for, its angle, and rows of a word, a figure and what stands beside it. */
export interface HandCard {
  readonly title: string
  readonly angle: string
  readonly rows: readonly (readonly [word: string, figure: string, beside: string])[]
  readonly foot: string
}

/** A bank card's size, mm. Source: ISO/IEC 7810, ID-1. */
const [CARD_WIDTH, CARD_HEIGHT] = [85.6, 53.98]
const INSET = 4
const MOST_ROWS = 5

/** How many cards a sheet of paper has room for. */
export const cardsOn = (paper: Paper): number =>
  Math.floor(PAPERS[paper].width / CARD_WIDTH) * Math.floor(PAPERS[paper].height / CARD_HEIGHT)

/** Cards the size of a bank card, side by side on one sheet; those that have no room are left out. */
export function handCards(cards: readonly HandCard[], paper: Paper): CardPage {
  const page = PAPERS[paper]
  const columns = Math.floor(page.width / CARD_WIDTH)
  const rows = Math.floor(page.height / CARD_HEIGHT)
  const [left, top] = [(page.width - columns * CARD_WIDTH) / 2, (page.height - rows * CARD_HEIGHT) / 2]
  const [texts, lines]: [CardText[], CardLine[]] = [[], []]
  cards.slice(0, columns * rows).forEach((card, i) => {
    const x = left + (i % columns) * CARD_WIDTH
    const y = top + Math.floor(i / columns) * CARD_HEIGHT
    const right = x + CARD_WIDTH
    lines.push({
      ...{ width: 0.2, closed: true, dashed: true },
      points: [
        [x, y],
        [right, y],
        [right, y + CARD_HEIGHT],
        [x, y + CARD_HEIGHT],
      ],
    })
    const room = CARD_WIDTH - 2 * INSET
    texts.push(
      ...fitted(card.title, { x: x + INSET, y: y + 8, size: 4, bold: true }, room - 24),
      ...fitted(card.angle, { x: right - INSET - 22, y: y + 9, size: 6.5, bold: true }, 22),
    )
    card.rows.slice(0, MOST_ROWS).forEach(([word, figure, beside], row) => {
      const at = y + 18 + row * 6.5
      texts.push(
        ...fitted(word, { x: x + INSET, y: at, size: 3.8, bold: false }, 20),
        ...fitted(figure, { x: x + INSET + 21, y: at, size: 5, bold: true }, 29),
        ...fitted(beside, { x: x + INSET + 51, y: at, size: 3.4, bold: false }, room - 51),
      )
    })
    texts.push(...fitted(card.foot, { x: x + INSET, y: y + CARD_HEIGHT - 4, size: 2.8, bold: false }, room))
  })
  return { ...page, texts, lines }
}
