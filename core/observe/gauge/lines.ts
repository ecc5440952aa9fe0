/** One reading as a gauge sends it. */
export interface GaugeReading {
  /** Counts up by one from line to line, from 0 to 65535 and round. */
  readonly number: number
  readonly deg: number
  /** Across what it reads; null from a gauge of one axis. */
  readonly rollDeg: number | null
}

/** What came in: a reading, with how many lines were lost before it; or a line that cannot be read. */
export type GaugeEvent =
  { readonly is: 'reading'; readonly reading: GaugeReading; readonly lost: number } | { readonly is: 'garbled' }

const NUMBERS = 65536
/** More than so many lost at once is a gauge that began anew. */
const MOST_LOST = 1000
/** A line is never longer: without an end it is noise. */
const MOST_CHARACTERS = 120
const LINE = /^#(\d{1,5}) ([+-]?\d{1,3}(?:\.\d{1,4})?)(?: ([+-]?\d{1,3}(?:\.\d{1,4})?))?\*([0-9A-Fa-f]{2})$/

/** Exclusive or of the characters between # and *, as two hexadecimal digits. */
export const checksumOf = (between: string): string =>
  [...between]
    .reduce((sum, letter) => sum ^ letter.charCodeAt(0), 0)
    .toString(16)
    .toUpperCase()
    .padStart(2, '0')

/** A reading as a line of the protocol. */
export function gaugeLine({ number, deg, rollDeg }: GaugeReading): string {
  const between = `${number} ${deg.toFixed(2)}${rollDeg === null ? '' : ` ${rollDeg.toFixed(2)}`}`
  return `#${between}*${checksumOf(between)}\n`
}

function readLine(line: string): GaugeReading | null {
  const found = LINE.exec(line)
  if (!found) return null
  const [, number, deg, roll, sum = ''] = found
  const between = line.slice(1, line.lastIndexOf('*'))
  if (checksumOf(between) !== sum.toUpperCase() || Number(number) >= NUMBERS) return null
  if (Math.abs(Number(deg)) > 180 || Math.abs(Number(roll ?? 0)) > 180) return null
  return { number: Number(number), deg: Number(deg), rollDeg: roll === undefined ? null : Number(roll) }
}

/**
 * Reads a gauge's lines out of pieces of text as they come in, however they are cut: "#17 20.35*0C" and a line feed.
 * Source: docs/gauge-protocol.md.
 */
export function gaugeLines(): (piece: string) => GaugeEvent[] {
  let rest = ''
  let last: number | null = null
  return (piece) => {
    const lines = (rest + piece).split('\n')
    rest = lines.pop()!
    const events = lines.flatMap((text): GaugeEvent[] => {
      const line = text.replace(/\r$/, '')
      if (line === '') return []
      const reading = readLine(line)
      if (!reading) return [{ is: 'garbled' }]
      const gap = last === null ? 0 : (reading.number - last - 1 + NUMBERS) % NUMBERS
      last = reading.number
      return [{ is: 'reading', reading, lost: gap > MOST_LOST ? 0 : gap }]
    })
    if (rest.length <= MOST_CHARACTERS) return events
    rest = ''
    return [...events, { is: 'garbled' }]
  }
}
