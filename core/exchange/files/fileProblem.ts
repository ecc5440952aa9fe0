import type { FieldProblem, Invalid } from '../../schema/problem'

/** What is wrong with a file: on which line (from 1), at which field. */
export interface FileProblem extends FieldProblem {
  readonly line: number
}

export type ReadFile<T> = { readonly ok: true; readonly content: T } | Invalid<FileProblem>

/** The line that a place in a text is on, from 1. */
export function lineAt(text: string, offset: number): number {
  let line = 1
  for (let i = text.indexOf('\n'); i >= 0 && i < offset; i = text.indexOf('\n', i + 1)) line++
  return line
}
