import { computed } from 'vue'
import { runsOffDeg, UNEVEN_DEG } from '#core/uncertainty/evaluate'
import { perSide, SIDES, type PerSide, type Side } from '#core/records/common/side'
import { zoneAt } from '#core/records/blade/zones'
import { ANGLES, type AngleId } from '~/navigation/stations'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText, steepnessText, sumText, type SureAngle } from '~/words/angleText'
import { GAUGE_ZERO_WORD } from '~/words/measureText'
import { lengthText } from '~/words/lengthText'
import { momentText } from '~/words/momentText'
import { otherUseText } from '~/words/steeperText'
import { useAgainst } from './useAgainst'
import { useGauge } from './useGauge'
import { useInk } from './useInk'

export interface LedgerLine {
  id: AngleId
  word: string
  means: string
  /** Per side as shown; null while unknown. */
  sides: { side: Side; name: string; text: string | null; byInk: boolean }[]
  included: string | null
  /** What it is against the others, or how to get it. */
  note: string
  /** The other half of the note, where there is room. */
  more: string
  editable: boolean
}

/** Uncertainty of figures a person reads off an instrument with a tenth of a degree. */
const READ_UNCERTAINTY = 0.1

/** The four angles as the ledger shows them: each per side and included, and what to make of it. */
export function useLedger() {
  const job = useJob()
  const preferences = usePreferences()
  const { expected } = useGauge()
  const against = useAgainst()
  const ink = useInk()

  /** What was proved of a side; where nothing was noted, what the ink says at the place that the dial is for. */
  const proved = computed(() =>
    perSide((side) => {
      const noted = job.proved.value[side]
      if (noted) return noted && { ...noted, at: null }
      const face = ink.foundOn(side)[zoneAt(job.zones.value, job.dialFor.value.edgePoint.fromHeelMm)]
      if (!face) return null
      const { fromDeg, middleDeg, toDeg } = face.angle
      const { at } = ink.counted.value.findLast((look) => look.side === side)!
      return { deg: middleDeg, uncertaintyDeg: (toDeg - fromDeg) / 2, of: [], at }
    }),
  )

  const values = computed((): Record<AngleId, PerSide<number | null>> => {
    const { sides } = job.evaluation.value
    const setOf = (side: Side) => {
      const set = sides[side]
      return set.ok ? set.contact.edgeAngleDeg : null
    }
    return {
      wanted: job.content.value.wanted.deg,
      set: perSide(setOf),
      read: perSide((side) => job.read.value[side]?.deg ?? null),
      proved: perSide((side) => proved.value[side]?.deg ?? null),
    }
  })

  const byInk = (side: Side): boolean =>
    !!proved.value[side]?.of.every((entry) => entry.kind === 'proof' && entry.by === 'ink')

  function setNote(): [string, string] {
    const set = job.up.value
    if (!set.ok) return [job.trouble.value, '']
    // An edge that runs far off elsewhere is not on its angle for being so here.
    const here = runsOffDeg(set) > UNEVEN_DEG ? ' here' : ''
    const forWhat = otherUseText(job.content.value, job.stone.value)
    const off = steepnessText(set.contact.edgeAngleDeg - job.toSetDeg.value, set.uncertaintyDeg, forWhat) + here
    return [
      `± ${angleText(set.uncertaintyDeg, set.uncertaintyDeg)}; ${off}`,
      `${job.setup.value.worked ? 'In this position' : 'Heel to tip'} ${angleText(set.lowestDeg, set.uncertaintyDeg)} to ${angleText(set.highestDeg, set.uncertaintyDeg)}`,
    ]
  }

  /** Where something was found, if that is not the place looked at. */
  function elsewhere(placeMm: number): string {
    const lookedAtMm = job.evaluation.value.edgePoint.fromHeelMm
    return Math.abs(placeMm - lookedAtMm) <= 1 ? '' : `At ${lengthText(placeMm, preferences.unit)} from the heel`
  }

  function readNote(uncertainty: number): [string, string] {
    const mustRead = expected.value[job.side.value]
    if (mustRead === null) return ['No angle is set, so the gauge has nothing to show.', '']
    const read = against.read.value[job.side.value]
    if (!read || read.differsDeg === null)
      return [
        `Should show ${angleText(mustRead, uncertainty)} here.`,
        `Zero on ${GAUGE_ZERO_WORD[job.content.value.gaugeZero]} first.`,
      ]
    const differs = differenceText(read.differsDeg, Math.max(uncertainty, READ_UNCERTAINTY))
    const had = read.set ? 'it should show' : 'it should show then'
    const past = read.set ? '' : 'The rig is set otherwise now'
    const more = [past, ofSeveral(read.amount.of.length, 'readings'), elsewhere(read.placeMm)]
    return [`${differs} against the ${angleText(read.mustDeg!, uncertainty)} ${had}`, more.filter(Boolean).join('. ')]
  }

  function provedNote(uncertainty: number): [string, string] {
    const one = proved.value[job.side.value]
    if (!one) return ['Not proved: ink, then two passes.', 'Then the goniometer.']
    const noted = against.proved.value[job.side.value]
    const sure = `± ${angleText(one.uncertaintyDeg, one.uncertaintyDeg)}`
    const of = one.at ? `Last looked at ${momentText(one.at)}` : ofSeveral(one.of.length, 'proofs')
    const more = [sure, of, noted && elsewhere(noted.placeMm)].filter(Boolean).join('. ')
    const isInk = !noted || byInk(job.side.value)
    if (noted ? noted.found : !job.cutWith(job.side.value, null))
      return [`Found${isInk ? ' by ink' : ''}, before any grinding`, more]
    const set = job.dialFor.value.sides[job.side.value]
    const off = noted ? noted.differsDeg : set.ok ? one.deg - set.contact.edgeAngleDeg : null
    if (off === null) return ['No set angle to compare with.', '']
    const differs = differenceText(off, Math.max(uncertainty, one.uncertaintyDeg))
    const then = noted && !noted.asSetNow ? 'what was set then' : 'set'
    return [`${byInk(job.side.value) ? 'By ink: ' : ''}${differs} against ${then}`, more]
  }

  return computed<LedgerLine[]>(() => {
    const { wanted } = job.content.value
    const { includedUncertaintyDeg } = job.evaluation.value
    const oneBevel = job.blade.value.bevels === 'A'
    const uncertainty = job.up.value.ok ? job.up.value.uncertaintyDeg : READ_UNCERTAINTY
    const notes: Record<AngleId, [string, string]> = {
      wanted: [wanted.why || 'Say what this edge should have, and why.', ''],
      set: setNote(),
      read: readNote(uncertainty),
      proved: provedNote(uncertainty),
    }
    return ANGLES.map(({ id, word, means }) => {
      const known = { wanted: null, set: null, read: job.read.value, proved: proved.value }[id]
      const uncertaintyOn = (side: Side): number =>
        id === 'set' ? uncertainty : (known?.[side]?.uncertaintyDeg ?? READ_UNCERTAINTY)
      const sumUncertainty =
        id === 'set' ? (includedUncertaintyDeg ?? READ_UNCERTAINTY) : Math.max(...SIDES.map(uncertaintyOn))
      const value = values.value[id]
      const counted = (oneBevel ? (['A'] as const) : SIDES).map((side) => ({
        deg: value[side],
        uncertaintyDeg: uncertaintyOn(side),
      }))
      const isKnown = (one: (typeof counted)[number]): one is SureAngle => one.deg !== null
      const text = (side: Side): string | null => {
        if (oneBevel && side === 'B') return 'flat'
        return value[side] === null ? null : angleText(value[side], uncertaintyOn(side))
      }
      return {
        id,
        word,
        means,
        sides: SIDES.map((side) => ({
          side,
          name: preferences.current.sideNames[side],
          text: text(side),
          byInk: id === 'proved' && byInk(side),
        })),
        included: counted.every(isKnown) ? sumText(counted, sumUncertainty) : null,
        note: notes[id][0],
        more: notes[id][1],
        editable: id !== 'set',
      }
    })
  })
}

const ofSeveral = (count: number, of: string): string => (count > 1 ? `Mean of ${count} ${of}` : '')
