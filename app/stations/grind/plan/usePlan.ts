import { computed } from 'vue'
import equal from 'fast-deep-equal'
import { ofKind } from '#core/log/activeEntries'
import { recordedBevel } from '#core/log/foundBevel'
import type { FoundFace } from '#core/observe/marker/findBevel'
import { flatFace, toGrind, type SideBefore } from '#core/process/decision/toGrind'
import {
  finisher,
  FINISH_UM,
  ordersFor,
  stoneOrder,
  type OrderAsk,
  type OrderKind,
  type WantedFinish,
} from '#core/steel/stones/orders'
import { zoneMiddleMm } from '#core/records/blade/zones'
import type { Side } from '#core/records/common/side'
import type { StoneRecord } from '#core/records/storage/kinds'
import { isOneOf, keysOf } from '#core/schema/keys'
import { useInk } from '~/composables/useInk'
import { useStoneRates } from '~/composables/useStoneRates'
import { useForm } from '~/forms/useForm'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'

export const FINISHES_WANTED = keysOf(FINISH_UM)
/** Where what is known of the bevel comes from. */
export type BevelFrom = 'tests' | 'proof' | 'found' | 'assumed'
/** What is known best comes first. */
const KNOWN_FROM = ['tests', 'proof', 'found'] as const
/** A way to the finish: one that is offered, or the one that was chosen. */
export type Way = OrderKind | 'chosen'

/** The stones for what is there and what is wanted: ways to the finish, each in full, and the one that is chosen. */
export function usePlan() {
  return useJob().share(plan)
}

function plan(job: JobView) {
  const ink = useInk()
  const rateOf = useStoneRates()
  const { form } = useForm<{ finish: WantedFinish }>(`plan:${job.keptAs}`, () => ({ finish: 'kitchen' }))
  // A draft of another version may name a finish that there is no more.
  const finish = computed(() => (isOneOf(FINISHES_WANTED, form.value.finish) ? form.value.finish : 'kitchen'))
  const box = computed(() => job.stones.value.filter(({ archivedAt }) => archivedAt === null))
  const chosen = computed(() =>
    job.content.value.progression.flatMap((id) => job.stones.value.find((stone) => stone.id === id) ?? []),
  )

  const before = computed((): { from: BevelFrom; sides: SideBefore[] } => {
    const { wanted } = job.content.value
    const log = job.entriesOfBlade.value
    const lastGround = ofKind(log, 'strokes').at(-1)?.at ?? ''
    const each = job.sides.value.map((side) => {
      const known = job.proved.value[side]
      const proved = ofKind(log, 'proof').findLast((one) => one.side === side)
      return {
        side,
        wantedDeg: wanted.deg[side],
        tests: allOf(ink.foundOn(side)),
        found: allOf(recordedFaces(side)),
        // What was proved and ground since is no more.
        proof:
          known && proved && proved.at > lastGround ? { deg: known.deg, uncertaintyDeg: known.uncertaintyDeg } : null,
      }
    })
    const from = KNOWN_FROM.find((one) => each.every((side) => side[one] !== null)) ?? 'assumed'
    const sides = each.map(({ side, wantedDeg, ...known }): SideBefore => ({
      side,
      wantedDeg,
      there: (from !== 'assumed' && known[from]) || { deg: wantedDeg, uncertaintyDeg: 0 },
    }))
    return { from, sides }
  })
  const allOf = (faces: readonly (FoundFace | null)[]): FoundFace[] | null => {
    const known = faces.filter((face) => face !== null)
    return known.length === ink.zones.value.length ? known : null
  }
  /** The bevel that was recorded before it was ground, zone by zone. */
  const recordedFaces = (side: Side): (FoundFace | null)[] => {
    const zones = recordedBevel(job.entriesOfBlade.value, side)?.entry.zones ?? []
    return ink.zones.value.map((zone) => {
      const middleMm = zoneMiddleMm(zone)
      const there = zones.find(({ fromMm, toMm }) => middleMm >= fromMm && middleMm <= toMm)
      return there ? flatFace(there.deg, there.uncertaintyDeg) : null
    })
  }
  /** The steel and the face of each side; or why a side cannot be ground. */
  const ground = computed(() =>
    toGrind({
      setup: job.setup.value,
      edgePoint: job.dialFor.value.edgePoint,
      zones: ink.zones.value,
      sides: before.value.sides,
    }),
  )
  const ask = computed((): OrderAsk<StoneRecord> | null =>
    ground.value.ok ? { sides: ground.value.sides, rateOf, box: box.value } : null,
  )

  const ways = computed(() => {
    const asked = ask.value
    if (!asked) return []
    const offered: { kind: Way; order: readonly StoneRecord[] }[] = ordersFor(asked, finish.value)
    const ids = (order: readonly StoneRecord[]) => order.map(({ id }) => id)
    const own = chosen.value
    const isOffered = offered.some(({ order }) => equal(ids(order), ids(own)))
    const all = own.length > 0 && !isOffered ? [...offered, { kind: 'chosen' as const, order: own }] : offered
    return all.map(({ kind, order }) => ({
      kind,
      ...stoneOrder(order, asked),
      isChosen: equal(ids(order), ids(own)),
    }))
  })
  /** What the stones of the job come to, whatever finish is asked for; null where none are chosen. */
  const current = computed(() => (ask.value && chosen.value.length > 0 ? stoneOrder(chosen.value, ask.value) : null))
  const last = computed(() => finisher(box.value, finish.value))
  const fineEnough = computed(() => last.value !== null && last.value.grainUm <= FINISH_UM[finish.value])

  const take = (order: readonly StoneRecord[]) =>
    job.change(`stones: ${order.map(({ name }) => name).join(', ')}`, { progression: order.map(({ id }) => id) })
  return { form, finish, box, chosen, before, ground, ways, current, last, fineEnough, rateOf, take }
}
