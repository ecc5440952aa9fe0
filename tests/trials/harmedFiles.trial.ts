import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, it, vi } from 'vitest'
import { readEdgeFile } from '../../core/exchange/edges/readEdgeFile'
import { readToolFile } from '../../core/exchange/files/jsonFile'
import { readStoneCsv } from '../../core/exchange/files/stoneCsv'
import { readBackup } from '../../core/exchange/backup/backup'

const COPIES = Number(process.env.TRIALS ?? 2000)
/** What is no drawing or table is told by then, on a slow machine too. */
const READ_WITHIN_MS = 5000

/** Blocks of a DXF drawing: each inserts others, or itself. */
const dxf = (blocks: Readonly<Record<string, readonly string[]>>, inserts: readonly string[]) => {
  const insert = (name: string) => `0\nINSERT\n8\n0\n2\n${name}\n10\n0\n20\n0`
  const line = '0\nLINE\n8\n0\n10\n0\n20\n0\n11\n80\n21\n5'
  const drawn = Object.entries(blocks).map(([name, inside]) =>
    [`0\nBLOCK\n8\n0\n2\n${name}\n70\n0\n10\n0\n20\n0`, line, ...inside.map(insert), '0\nENDBLK'].join('\n'),
  )
  const section = (name: string, body: readonly string[]) => ['0\nSECTION\n2', name, ...body, '0\nENDSEC'].join('\n')
  return [section('BLOCKS', drawn), section('ENTITIES', [line, ...inserts.map(insert)]), '0\nEOF'].join('\n')
}
/** Ten blocks, each with ten of the one before: drawn out, ten thousand million lines. */
const GROWING = Object.fromEntries(
  Array.from({ length: 11 }, (_, i) => [`B${i}`, i === 0 ? [] : new Array<string>(10).fill(`B${i - 1}`)]),
)
const WITHIN = { A: ['B'], B: ['A'], C: ['C'] }

const drawings = 'core/exchange/edges/fixtures'
const texts: readonly (readonly [name: string, text: string, read: (text: string) => unknown])[] = [
  ...readdirSync(drawings)
    .filter((name) => !name.endsWith('.ts'))
    .map((name) => {
      const text = readFileSync(join(drawings, name), 'utf8')
      return [name, text, (harmed: string) => readEdgeFile(name, harmed)] as const
    }),
  ['blocks that insert each other.dxf', dxf(WITHIN, ['A', 'C']), (t) => readEdgeFile('a.dxf', t)],
  ['blocks that grow.dxf', dxf(GROWING, ['B10']), (t) => readEdgeFile('a.dxf', t)],
  [
    'points.csv',
    Array.from({ length: 80 }, (_, i) => `${i};${20 - i / 9}`).join('\n'),
    (t) => readEdgeFile('a.csv', t),
  ],
  ['stones.csv', 'name,kind,grainUm,faceOffsetMm\n"Plain, No. 1",diamond,30,6\nFine,ceramic,5,6.5', readStoneCsv],
  ['tools.json', JSON.stringify({ format: 'jaw-tilt-tools', version: 1, rigs: [{}], stones: [{}] }), readToolFile],
  [
    'backup.json',
    readFileSync('core/exchange/backup/fixtures/backup-1.json', 'utf8'),
    (text) => {
      let file: unknown
      try {
        file = JSON.parse(text)
      } catch {
        return
      }
      readBackup(file)
    },
  ],
]

/** The same again for the same seed. */
function random(seed: number): (below: number) => number {
  let now = seed
  return (below) => ((now = (now * 1103515245 + 12345) % 2147483648) / 2147483648) * below
}

/** A copy cut short, with a piece gone or doubled, lines swapped, a figure made another, or signs put in. */
function harmed(text: string, any: (below: number) => number): string {
  const at = Math.floor(any(text.length))
  const piece = text.slice(at, at + Math.floor(any(400)))
  const lines = text.split('\n')
  const [i, j] = [Math.floor(any(lines.length)), Math.floor(any(lines.length))]
  switch (Math.floor(any(7))) {
    case 0:
      return text.slice(0, at)
    case 1:
      return text.slice(0, at) + text.slice(at + piece.length)
    case 2:
      return text.slice(0, at) + piece + text.slice(at)
    case 3:
      ;[lines[i], lines[j]] = [lines[j]!, lines[i]!]
      return lines.join('\n')
    case 4:
      return (
        text.slice(0, at) +
        text.slice(at).replace(/-?\d+(\.\d+)?/, () => ['1e308', '-0', '', 'NaN'][Math.floor(any(4))]!)
      )
    case 5:
      return text.slice(0, at) + String.fromCharCode(any(65536)).repeat(1 + any(40)) + text.slice(at)
    default:
      return lines.toSpliced(i, Math.floor(any(6))).join('\n')
  }
}

it.each(texts)(`${COPIES} harmed copies of %s are read or refused, in time, never thrown at`, (_name, text, read) => {
  vi.spyOn(console, 'log').mockImplementation(() => undefined)
  vi.spyOn(console, 'error').mockImplementation(() => undefined)
  const any = random(text.length)
  let slowest = 0
  for (let n = 0; n < COPIES; n++) {
    let copy = text
    for (let times = Math.ceil(any(3)); times > 0; times--) copy = harmed(copy, any)
    const began = performance.now()
    read(copy)
    slowest = Math.max(slowest, performance.now() - began)
  }
  expect(slowest).toBeLessThan(READ_WITHIN_MS)
})
