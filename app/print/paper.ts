import { keysOf } from '#core/schema/keys'
import type { Vec2 } from '#core/math/vector/vec2'

/** Sheets of paper, lying, mm. */
export const PAPERS = { A4: { width: 297, height: 210 }, 'US Letter': { width: 279.4, height: 215.9 } } as const
export type Paper = keyof typeof PAPERS
export const PAPER_NAMES = keysOf(PAPERS)

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
