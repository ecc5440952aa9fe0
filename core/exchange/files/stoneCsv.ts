import Papa from 'papaparse'
import { isOneOf } from '../../schema/keys'
import { checked, invalid, MOST_PROBLEMS } from '../../schema/problem'
import { grainSize, GRIT_STANDARDS } from '../../records/stone/grit'
import { middleOffsetMm } from '../../records/stone/taper'
import { stone, type Stone } from '../../records/stone/stone'
import { parseDecimal } from '../../math/units/length'
import { FORMULA } from './csvFormula'
import { lineAt, type FileProblem, type ReadFile } from './fileProblem'
import { MOST_STONES } from './toolFile'

/** The columns of a table of stones, in the order they are written. Lengths in mm, grains in micrometres. */
const STONE_COLUMNS = [
  'name',
  'kind',
  'gritStandard',
  'gritNumber',
  'grainUm',
  'faceOffsetNearMm',
  'faceOffsetFarMm',
  'faceOffsetToleranceMm',
  'lengthMm',
  'widthMm',
  'lubricant',
  'dishMm',
  'wornOutAtMm',
  'notes',
] as const
type Column = (typeof STONE_COLUMNS)[number]
const REQUIRED: readonly Column[] = ['name', 'kind', 'faceOffsetNearMm', 'lengthMm', 'widthMm']

/** A cell as it was before a quote kept a spreadsheet from running it. */
const unquoted = (cell: string): string => (cell.startsWith("'") && FORMULA.test(cell) ? cell.slice(1) : cell)

/** Stones as CSV (RFC 4180). Their wear logs are left out: the JSON file carries them. */
export function writeStoneCsv(stones: readonly Stone[]): string {
  const rows = stones.map((of): Record<Column, string | number | null> => ({
    name: of.name,
    kind: of.kind,
    gritStandard: of.grit?.standard ?? null,
    gritNumber: of.grit?.number ?? null,
    grainUm: of.grainUm,
    faceOffsetNearMm: of.faceOffsetEnds?.nearMm ?? of.faceOffsetMm,
    faceOffsetFarMm: of.faceOffsetEnds?.farMm ?? of.faceOffsetMm,
    faceOffsetToleranceMm: of.faceOffsetToleranceMm,
    lengthMm: of.lengthMm,
    widthMm: of.widthMm,
    lubricant: of.lubricant,
    dishMm: of.dishMm,
    wornOutAtMm: of.wornOutAtMm,
    notes: of.notes,
  }))
  return `${Papa.unparse(rows, { columns: [...STONE_COLUMNS], newline: '\r\n', escapeFormulae: FORMULA })}\r\n`
}

/**
 * Reads stones from CSV: comma, semicolon or tab between the fields, decimal point or comma. Columns may stand in any
 * order and optional ones may be missing. What is wrong is told by line and column, and then no stone is taken.
 */
export function readStoneCsv(text: string): ReadFile<Stone[]> {
  const plain = text.replace(/^\uFEFF/, '')
  const problems: FileProblem[] = []
  const rows: { line: number; cells: string[] }[] = []
  let [start, line] = [0, 1]
  Papa.parse<string[]>(plain, {
    delimitersToGuess: [',', ';', '\t'],
    step({ data, errors, meta }, parser) {
      if (rows.length > MOST_STONES) {
        problems.push({ line, field: '', code: 'too-many', figures: { most: MOST_STONES } })
        return parser.abort()
      }
      for (const error of errors)
        if (error.type === 'Quotes') problems.push({ line, field: '', code: 'unclosed-quote' })
      if (data.some((cell) => cell.trim() !== '')) rows.push({ line, cells: data })
      line += lineAt(plain.slice(start, meta.cursor), Infinity) - 1
      start = meta.cursor
    },
  })
  const [head, ...body] = rows
  if (problems.length > 0) return invalid(problems)
  if (!head || body.length === 0) return invalid<FileProblem>([{ line: 1, field: '', code: 'no-stones' }])
  const columns = head.cells.map((cell) => cell.trim())
  for (const column of REQUIRED)
    if (!columns.includes(column))
      problems.push({ line: head.line, field: column, code: 'column-missing', figures: { column } })
  for (const column of columns)
    if (!isOneOf(STONE_COLUMNS, column))
      problems.push({
        line: head.line,
        field: column,
        code: 'column-unknown',
        figures: { column, known: STONE_COLUMNS.join(', ') },
      })
  if (problems.length > 0) return invalid(problems)
  const known = columns.filter((column) => isOneOf(STONE_COLUMNS, column))
  const stones = body.flatMap(({ line, cells }) => {
    const read = readRow(known, cells)
    problems.push(...read.problems.map((problem) => ({ line, ...problem })))
    return read.stone ?? []
  })
  return problems.length > 0 ? invalid(problems.slice(0, MOST_PROBLEMS)) : { ok: true, content: stones }
}

type CellProblem = Omit<FileProblem, 'line'>

function readRow(
  columns: readonly Column[],
  cells: readonly string[],
): { stone: Stone | null; problems: CellProblem[] } {
  const problems: CellProblem[] = []
  const text = (column: Column): string => unquoted(cells[columns.indexOf(column)]?.trim() ?? '')
  const number = (column: Column): number | undefined => {
    if (text(column) === '') return undefined
    const parsed = parseDecimal(text(column))
    if (parsed.ok) return parsed.value
    problems.push({ field: column, code: 'not-a-number', figures: { text: text(column) } })
    return undefined
  }
  if (cells.length > columns.length)
    problems.push({ field: '', code: 'fields-for-columns', figures: { fields: cells.length, columns: columns.length } })
  const gritNumber = number('gritNumber')
  const standard = GRIT_STANDARDS.find((one) => one === text('gritStandard'))
  const grit = gritNumber === undefined ? null : { standard: standard ?? text('gritStandard'), number: gritNumber }
  if (!standard && text('gritStandard') !== '')
    problems.push({ field: 'gritStandard', code: 'not-one-of-these', figures: { these: GRIT_STANDARDS.join(', ') } })
  if (standard && text('gritNumber') === '') problems.push({ field: 'gritNumber', code: 'missing' })
  const size = standard && gritNumber !== undefined ? grainSize({ standard, number: gritNumber }) : null
  if (size && !size.ok) problems.push({ field: 'gritNumber', code: size.code, figures: size.figures })
  const [nearMm, toleranceMm] = [number('faceOffsetNearMm'), number('faceOffsetToleranceMm')]
  const farMm = number('faceOffsetFarMm') ?? nearMm
  const optional = { dishMm: number('dishMm'), wornOutAtMm: number('wornOutAtMm') }
  const parsed = checked(stone, {
    name: text('name'),
    kind: text('kind'),
    notes: text('notes'),
    lubricant: text('lubricant'),
    grit,
    grainUm: number('grainUm') ?? (size?.ok ? size.um : undefined),
    faceOffsetMm: middleOffsetMm(nearMm ?? NaN, farMm ?? NaN, number('dishMm') ?? 0),
    faceOffsetEnds: { nearMm, farMm },
    faceOffsetToleranceMm: toleranceMm ?? 0.1,
    lengthMm: number('lengthMm'),
    widthMm: number('widthMm'),
    ...optional,
  })
  if (!parsed.ok)
    problems.push(
      ...parsed.problems.flatMap((one) =>
        COLUMN_OF[one.field] === null ? [] : { ...one, field: COLUMN_OF[one.field] ?? one.field },
      ),
    )
  const seen = new Set<string>()
  const first = problems.filter(({ field }) => !seen.has(field) && seen.add(field))
  return { stone: parsed.ok && first.length === 0 ? parsed.value : null, problems: first }
}

/** The column that a field of a stone is read from; null: it is worked out from others, which are told themselves. */
const COLUMN_OF: Readonly<Record<string, Column | null>> = {
  'grit.standard': 'gritStandard',
  'grit.number': 'gritNumber',
  'faceOffsetEnds.nearMm': 'faceOffsetNearMm',
  'faceOffsetEnds.farMm': 'faceOffsetFarMm',
  faceOffsetMm: null,
}
