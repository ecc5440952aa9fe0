/** A stroke, or a knock for one, that was heard, in seconds from the beginning of the sound. */
export interface HeardStroke {
  readonly fromS: number
  readonly toS: number
  /** How loud it was at its loudest, dB of full scale. */
  readonly levelDb: number
}

/** What is counted: the strokes themselves, or knocks on the bench, one for each. */
export type HeardThing = 'strokes' | 'knocks'

/** What stands in the way of counting by ear. */
type HearingTrouble = 'too-loud-around' | 'nothing-heard'

export interface Hearing {
  readonly strokes: readonly HeardStroke[]
  /** The stone rubs to and fro, each way a stroke; null as long as too few were heard. */
  readonly bothWays: boolean | null
  /** How likely a stroke is counted once and nothing else is, from 0 to 1. */
  readonly confidence: number
  readonly trouble: HearingTrouble | null
}
