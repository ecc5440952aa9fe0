/** Figures and names that go with a code. A key that ends in Mm or Deg is a length in mm or an angle in degrees. */
export type Figures = Readonly<Record<string, number | string>>

/** What could not be computed, read or done: a code, and the figures that go with it. The words are the interface's. */
export interface Failure<Code extends string = string> {
  readonly ok: false
  readonly code: Code
  readonly figures?: Figures
}

/** What was computed, read or done, or why not. */
export type Result<Value extends object, Code extends string = string> = ({ readonly ok: true } & Value) | Failure<Code>

/** A failure with its code; the figures are left out where there are none. */
export const failed = <Code extends string>(code: Code, figures?: Figures): Failure<Code> =>
  figures === undefined ? { ok: false, code } : { ok: false, code, figures }
