import { computed, shallowRef, type Ref } from 'vue'
import { nth } from '#core/math/list'
import { isGoniometer, zeroOnSideDeg } from '#core/records/instrument/instrument'
import type { Side } from '#core/records/common/side'
import type { InstrumentRecord } from '#core/records/storage/kinds'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'
import { useCollections } from '~/stores/collections'
import { useLog } from '~/stores/log'

/** What a level gauge, or a goniometer, is read for. */
export type ReadFor = 'reading' | 'proof'

/** What a person reads off an instrument that nobody described, to a tenth of a degree, degrees. */
export const UNDESCRIBED_UNCERTAINTY_DEG = 0.1

export interface ChosenInstrument {
  /** Those there are of the kind. */
  readonly there: Readonly<Ref<readonly InstrumentRecord[]>>
  /** The one readings are taken with; null: one that is not described. */
  readonly instrument: Readonly<Ref<InstrumentRecord | null>>
  readonly uncertaintyDeg: Readonly<Ref<number>>
  choose(id: string | null): void
  /** What it shows too much on a side, degrees. */
  zeroDeg(side: Side): number
}

/** The level gauge and the goniometer in use: the ones chosen here, else those last read with, else the only ones. */
export const useInstrument = (of: ReadFor): ChosenInstrument => useJob().share(instruments)[of]

function instruments({ content: _content }: JobView): Record<ReadFor, ChosenInstrument> {
  return { reading: chosenOf('reading'), proof: chosenOf('proof') }
}

function chosenOf(of: ReadFor): ChosenInstrument {
  const collections = useCollections()
  const log = useLog()
  const chosen = shallowRef<string | null>()
  const there = computed(() =>
    collections.instruments.filter((one) => one.archivedAt === null && isGoniometer(one.kind) === (of === 'proof')),
  )
  const usual = computed(() => {
    const last = log.ofKind(of).findLast((entry) => of === 'reading' || entry.instrumentId !== null)
    return last ? last.instrumentId : there.value.length === 1 ? nth(there.value, 0).id : null
  })
  const instrument = computed(() => {
    const id = chosen.value === undefined ? usual.value : chosen.value
    return there.value.find((one) => one.id === id) ?? null
  })
  return {
    there,
    instrument,
    uncertaintyDeg: computed(() => instrument.value?.uncertaintyDeg ?? UNDESCRIBED_UNCERTAINTY_DEG),
    choose: (id) => (chosen.value = id),
    zeroDeg: (side) => (instrument.value ? zeroOnSideDeg(instrument.value, side) : 0),
  }
}
