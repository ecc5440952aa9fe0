import {
  findNodeAtLocation,
  getNodeValue,
  parseTree,
  printParseErrorCode,
  type Node,
  type ParseError,
} from 'jsonc-parser'
import type { z } from 'zod'
import { checked, invalid, MOST_PROBLEMS } from '../../schema/problem'
import { lineAt, type FileProblem, type ReadFile } from './fileProblem'
import { jobFile } from './jobFile'
import { toolFile, toolFileOfToday } from './toolFile'

/** Reads a file of rigs and stones. What is wrong is told by line and field, and then nothing of it is taken. */
export const readToolFile = (text: string) => readJson(text, toolFile, toolFileOfToday)

/** The same for the record of a job. */
export const readJobFile = (text: string) => readJson(text, jobFile)

function readJson<T extends z.ZodType>(
  text: string,
  schema: T,
  ofToday = (file: unknown) => file,
): ReadFile<z.output<T>> {
  const errors: ParseError[] = []
  let tree: Node | undefined
  try {
    tree = parseTree(text, errors, { allowTrailingComma: false, disallowComments: true })
  } catch {
    // Nested so deep that there is no room to follow it.
    return invalid<FileProblem>([{ line: 1, field: '', code: 'nested-too-deep' }])
  }
  const [error] = errors
  if (error || !tree) {
    return invalid<FileProblem>([
      {
        line: lineAt(text, error?.offset ?? 0),
        field: '',
        code: 'not-json',
        figures: { error: error ? printParseErrorCode(error.error) : '' },
      },
    ])
  }
  const parsed = checked(schema, ofToday(getNodeValue(tree)))
  if (parsed.ok) return { ok: true, content: parsed.value }
  const problems = parsed.problems.slice(0, MOST_PROBLEMS).map((one): FileProblem => ({
    line: lineAt(text, nodeOf(tree, one.field).offset),
    ...one,
  }))
  return invalid(problems)
}

/**
 * The line (from 1) on which a dotted path of a JSON text stands, or what is nearest above it; 1 when the text is no
 * JSON.
 */
export function lineOfField(text: string, field: string): number {
  const tree = parseTree(text)
  return tree ? lineAt(text, nodeOf(tree, field).offset) : 1
}

/** The node of a dotted path, or the nearest there is above it. */
function nodeOf(tree: Node, field: string): Node {
  const path = field
    .split('.')
    .filter(Boolean)
    .map((part) => (/^\d+$/.test(part) ? Number(part) : part))
  for (let length = path.length; length > 0; length--) {
    const node = findNodeAtLocation(tree, path.slice(0, length))
    if (node) return node
  }
  return tree
}
