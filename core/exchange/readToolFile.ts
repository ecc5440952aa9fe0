import {
  findNodeAtLocation,
  getNodeValue,
  parseTree,
  printParseErrorCode,
  type Node,
  type ParseError,
} from 'jsonc-parser'
import { problemFields } from '../kept/problem'
import { lineAt, type FileProblem, type ReadFile } from './fileProblem'
import { toolFile, type ToolFile } from './toolFile'

/** Reads a file of rigs and stones. What is wrong is told by line and field, and then nothing of it is taken. */
export function readToolFile(text: string): ReadFile<ToolFile> {
  const errors: ParseError[] = []
  const tree = parseTree(text, errors, { allowTrailingComma: false, disallowComments: true })
  const [error] = errors
  if (error || !tree) {
    const message = `The file is no JSON: ${error ? readable(printParseErrorCode(error.error)) : 'it is empty'}.`
    return { ok: false, problems: [{ line: lineAt(text, error?.offset ?? 0), field: '', message }] }
  }
  const parsed = toolFile.safeParse(getNodeValue(tree))
  if (parsed.success) return { ok: true, content: parsed.data }
  const problems = problemFields(parsed.error).map(({ field, message }): FileProblem => ({
    line: lineAt(text, nodeOf(tree, field).offset),
    field,
    message,
  }))
  return { ok: false, problems }
}

/**
 * The line (from 1) on which a dotted path of a JSON text stands, or what is nearest above it; 1 when the text is no
 * JSON.
 */
export function lineOfField(text: string, field: string): number {
  const tree = parseTree(text)
  return tree ? lineAt(text, nodeOf(tree, field).offset) : 1
}

/** "CommaExpected" as words: "comma expected". */
const readable = (code: string): string => code.replace(/(?<=[a-z])[A-Z]/g, (letter) => ` ${letter}`).toLowerCase()

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
