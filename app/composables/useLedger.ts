import { computed } from 'vue'
import { SIDES, type Side } from '#core/clamping/centring'
import { ANGLES, type AngleId } from '~/stations'
import { useJob } from '~/stores/job'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText, steepnessText } from '~/words/angleText'
import { GAUGE_ZERO_WORD } from '~/words/measureText'
import { useBench } from './useBench'
import { useGauge } from './useGauge'

export interface LedgerLine {
  id: AngleId
  word: string
  means: string
  /** Per side as shown; null while unknown. */
  sides: { side: Side; name: string; text: string | null }[]
  included: string | null
  /** What it is against the others, or how to get it. */
  note: string
  /** The other half of the note, where there is room. */
  more: string
  editable: boolean
}

/** Doubt of figures a person reads off an instrument with a tenth of a degree. */
const READ_DOUBT = 0.1

/** The four angles as the ledger shows them: each per side and included, and what to make of it. */
export function useLedger() {
  const job = useJob()
  const bench = useBench()
  const preferences = usePreferences()
  const { expected } = useGauge()

  return computed<LedgerLine[]>(() => {
    const content = job.content
    const evaluation = bench.evaluation.value
    if (!content || !evaluation) return []
    const oneBevel = bench.blade.value?.bevels === 'A'
    const a = evaluation.sides.A
    const b = evaluation.sides.B
    const doubt = bench.up.value?.ok ? bench.up.value.doubtDeg : READ_DOUBT
    const setDeg = { A: a.ok ? a.contact.edgeAngleDeg : null, B: b.ok ? b.contact.edgeAngleDeg : null }
    const gauge = expected.value
    const values: Record<AngleId, { A: number | null; B: number | null }> = {
      wanted: { A: content.wanted.aDeg, B: content.wanted.bDeg },
      set: setDeg,
      read: { A: content.read.aDeg, B: content.read.bDeg },
      proved: { A: content.proved.aDeg, B: content.proved.bDeg },
    }
    const up = bench.side.value
    const notes: Record<AngleId, [string, string]> = {
      wanted: [content.wanted.why || 'Say what this edge should have, and why.', ''],
      set: setNote(),
      read: readNote(),
      proved: provedNote(),
    }

    function setNote(): [string, string] {
      const set = bench.up.value
      if (!set?.ok) return [bench.trouble.value, '']
      const off = steepnessText(set.contact.edgeAngleDeg - values.wanted[up]!, set.doubtDeg)
      return [
        `± ${angleText(set.doubtDeg, set.doubtDeg)}; ${off}`,
        `Heel to tip ${angleText(set.lowestDeg, set.doubtDeg)} to ${angleText(set.highestDeg, set.doubtDeg)}`,
      ]
    }

    function readNote(): [string, string] {
      const mustRead = gauge[up]
      if (mustRead === null) return ['No angle is set, so the gauge has nothing to show.', '']
      const shows = `The gauge should show ${angleText(mustRead, doubt)} here`
      const read = values.read[up]
      if (read === null)
        return [`${shows}.`, `Zero it on ${GAUGE_ZERO_WORD[content!.gaugeZero]}, then stand it on the stone.`]
      return [
        `${differenceText(read - mustRead, Math.max(doubt, READ_DOUBT))} against the ${angleText(mustRead, doubt)} it should show`,
        '',
      ]
    }

    function provedNote(): [string, string] {
      const proved = values.proved[up]
      if (proved === null) return ['Not proved: ink, two light passes, look.', 'Then the goniometer, left and right.']
      const set = setDeg[up]
      return set === null
        ? ['No set angle to compare with.', '']
        : [`${differenceText(proved - set, Math.max(doubt, READ_DOUBT))} against set`, '']
    }

    return ANGLES.map(({ id, word, means }) => {
      const shownDoubt = id === 'set' ? doubt : READ_DOUBT
      const value = values[id]
      const sum = oneBevel ? value.A : value.A === null || value.B === null ? null : value.A + value.B
      return {
        id,
        word,
        means,
        sides: SIDES.map((side) => ({
          side,
          name: preferences.current.sideNames[side],
          text: oneBevel && side === 'B' ? 'flat' : value[side] === null ? null : angleText(value[side], shownDoubt),
        })),
        included:
          sum === null ? null : angleText(sum, id === 'set' ? (evaluation.includedDoubtDeg ?? READ_DOUBT) : READ_DOUBT),
        note: notes[id][0],
        more: notes[id][1],
        editable: id !== 'set',
      }
    })
  })
}
