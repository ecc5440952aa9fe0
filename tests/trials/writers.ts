import { randomBytes } from 'node:crypto'
import { v7 as newId } from 'uuid'

interface Stone extends Record<string, unknown> {
  id: string
  revision: number
  notes: string
}

/** Clients that write as fast as they are answered, and remember what was acknowledged. */
export class Writers {
  private readonly stones = new Map<string, Stone>()
  /** Content that was sent and whose answer was not heard: it may have been kept. */
  private readonly unheard = new Map<string, Set<string>>()
  private readonly entries = new Set<string>()
  acknowledged = 0
  /** How long each took, ms. */
  private readonly took: number[] = []
  /** Answers other than success, by status; 0: no answer. */
  readonly refused = new Map<number, number>()

  constructor(
    private readonly base: string,
    /** Of what is written, characters. */
    private readonly length = 700,
  ) {}

  private async send(path: string, method: string, body: unknown): Promise<unknown> {
    const began = performance.now()
    const answer = await fetch(`${this.base}/api/${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(20_000),
    }).catch(() => null)
    const said: unknown = await answer?.json().catch(() => null)
    if (answer?.ok && said) {
      this.acknowledged++
      this.took.push(performance.now() - began)
      return said
    }
    const status = answer?.status ?? 0
    this.refused.set(status, (this.refused.get(status) ?? 0) + 1)
    return null
  }

  /** So many clients write until they are told to stop. */
  async write(clients: number, until: AbortSignal): Promise<void> {
    await Promise.all(Array.from({ length: clients }, (_, i) => this.one(i, until)))
  }

  private async one(client: number, until: AbortSignal) {
    const mine = [...this.stones.values()].filter((_, i) => i % 4 === client % 4)
    let stone = mine[0] ?? null
    for (let n = 0; !until.aborted; n++) {
      if (!stone) {
        const id = newId()
        stone = (await this.send('stones', 'POST', { ...PLAIN, id, name: `Client ${client}` })) as Stone | null
        if (stone) this.stones.set(stone.id, stone)
      } else if (n % 3 === 0) {
        const id = newId()
        const entry = { ...ENTRY, id, at: new Date().toISOString(), stoneId: stone.id }
        const taken = (await this.send('log', 'POST', [entry])) as { taken?: string[] } | null
        if (taken?.taken?.includes(id)) this.entries.add(id)
      } else {
        const notes = `${n} ${randomBytes(Math.ceil(((n * 97) % this.length) / 2)).toString('hex')}`
        this.unheard.set(stone.id, (this.unheard.get(stone.id) ?? new Set()).add(notes))
        const kept = (await this.send(`stones/${stone.id}`, 'PUT', { ...stone, notes })) as Stone | null
        if (kept) {
          stone = kept
          this.stones.set(kept.id, kept)
          this.unheard.delete(kept.id)
        }
      }
      if (this.refused.has(0) && until.aborted) return
    }
  }

  /** Of the acknowledgements, ms. */
  get medianMs(): number {
    return [...this.took].sort((a, b) => a - b)[this.took.length >> 1] ?? NaN
  }

  /** What was acknowledged and is not there, in words; what is there goes on from what the server has. */
  async lost(): Promise<string[]> {
    const get = async (path: string) => (await fetch(`${this.base}/api/${path}`)).json() as Promise<never>
    const { records } = (await get('stones')) as { records: Stone[] }
    const lost: string[] = []
    for (const mine of this.stones.values()) {
      const theirs = records.find(({ id }) => id === mine.id)
      if (!theirs) lost.push(`stone ${mine.id} at ${mine.revision}`)
      else if (theirs.revision < mine.revision) lost.push(`stone ${mine.id}: ${theirs.revision}, not ${mine.revision}`)
      else if (theirs.revision === mine.revision && theirs.notes !== mine.notes)
        lost.push(`stone ${mine.id}: other notes`)
      else if (
        theirs.revision > mine.revision + 1 ||
        (theirs.revision > mine.revision && !this.unheard.get(mine.id)?.has(theirs.notes))
      )
        lost.push(`stone ${mine.id}: ${theirs.revision} that nobody sent`)
      if (theirs) this.stones.set(theirs.id, theirs)
    }
    const { entries } = (await get('log')) as { entries: { id: string }[] }
    const there = new Set(entries.map(({ id }) => id))
    for (const id of this.entries) if (!there.has(id)) lost.push(`entry ${id}`)
    return lost
  }
}

const PLAIN = {
  name: 'Plain',
  kind: 'diamond',
  grainUm: 30,
  faceOffsetMm: 6,
  faceOffsetToleranceMm: 0.1,
  lengthMm: 150,
  widthMm: 25,
}
const ENTRY = {
  kind: 'stone-wear',
  jobId: null,
  bladeId: null,
  instrumentId: null,
  on: '2026-05-01',
  did: 'used',
  faceOffsetMm: null,
  blades: 1,
  note: '',
}
