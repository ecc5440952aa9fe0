import { computed } from 'vue'
import { foundAt } from '#core/log/foundBevel'
import { lastOf, nth } from '#core/math/list'
import { zoneMiddleMm } from '#core/records/blade/zones'
import type { Side } from '#core/records/common/side'
import { bevelSectionOf } from '#core/steel/bevel/bevelSectionOf'
import { sectionAt } from '#core/steel/removal/plan'
import type { BevelWidth, LogEntry, Proof, Reading } from '#core/log/entry'
import { ofKind } from '#core/log/activeEntries'
import type { Vec2 } from '#core/math/vector/vec2'
import { reportPage, type ReportContent } from './reportPage'
import { strokesMade } from '#core/log/strokesMade'
import { useAgainst } from '~/composables/useAgainst'
import { useAnglesAlong } from '~/stations/prove/useAnglesAlong'
import { useInk } from '~/composables/useInk'
import { useLedger } from '~/composables/useLedger'
import { usePaper } from '~/print/usePaper'
import { useJob } from '~/job/useJob'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { widthText } from '~/words/bevelText'
import { lengthText } from '~/words/lengthText'
import { momentText } from '~/words/momentText'
import { foundText, TEST_WORD } from '~/words/sharpnessText'
import { strokesText } from '~/words/strokesText'
import { ZONE_WORD, zoneName } from '~/words/zoneText'

/** Over the shoulder a section is drawn so many times as far as to it. */
const BEYOND_SHOULDER = 3

type Measured = Reading | Proof | BevelWidth
const isMeasured = (entry: LogEntry): entry is Measured =>
  entry.kind === 'reading' || entry.kind === 'proof' || entry.kind === 'bevel-width'

/** The report of the job: one page of what was wanted, set, read and proved, and how it was done. */
export function useReport() {
  const job = useJob()
  const ink = useInk()
  const ledger = useLedger()
  const collections = useCollections()
  const preferences = usePreferences()
  const paper = usePaper()
  const names = computed(() => preferences.current.sideNames)
  const text = (mm: number) => lengthText(mm, preferences.unit)
  const { sides, blade } = job
  const against = useAgainst()
  const along = useAnglesAlong()
  const { edgeMm } = along

  /** "A 20.1° ± 0.2° proved, belly, 2026-11-02 10:00". */
  function measuredText(one: Measured): string {
    const zone = one.kind !== 'reading' && one.zone ? ZONE_WORD[one.zone] : ''
    const where = zone || (one.placeMm === null ? '' : `${text(one.placeMm)} from the heel`)
    return [`${names.value[one.side]} ${figureText(one)}`, where, momentText(one.at)].filter(Boolean).join(', ')
  }
  function figureText(one: Measured): string {
    if (one.kind === 'bevel-width') {
      const width = (mm: number) => widthText(mm, one.uncertaintyMm, preferences.unit)
      return `bevel ${width(one.widthMm)} ± ${width(one.uncertaintyMm)} wide`
    }
    const what = one.kind === 'reading' ? 'read' : 'proved'
    return `${angleText(one.deg, one.uncertaintyDeg)} ± ${angleText(one.uncertaintyDeg, one.uncertaintyDeg)} ${what}`
  }

  /** The section at the place that the dial is for, as it was (ink, or the blade's own bevel) and as it is proved. */
  function sections(): ReportContent['sections'] {
    const side: Side = 'A'
    const zone = ink.zones.value.findIndex(({ toMm }) => job.dialFor.value.edgePoint.fromHeelMm <= toMm)
    const beforeDeg = ink.foundOn(side)[zone]?.angle.middleDeg ?? blade.value.bevelDeg?.[side] ?? null
    const afterDeg = job.proved.value[side]?.deg ?? null
    if (beforeDeg === null || afterDeg === null) return []
    const half = (deg: number): Vec2[] => {
      const { shoulderMm, primaryHalfAngleDeg: primaryDeg } = bevelSectionOf(blade.value, side, deg)
      const place = {
        zone: 0,
        lengthMm: 1,
        shoulderMm,
        primaryDeg,
        heightMm: blade.value.widthMm,
        thereDeg: { apex: deg, shoulder: deg },
      }
      const section = sectionAt(place)
      const [shoulder, end] = [section.at(-2)!, lastOf(section)]
      const long = Math.min(end[0], BEYOND_SHOULDER * shoulder[0])
      const share = (long - shoulder[0]) / (end[0] - shoulder[0])
      return [...section.slice(0, -1), [long, shoulder[1] + share * (end[1] - shoulder[1])]]
    }
    return [
      { word: `before, ${angleText(beforeDeg)}`, half: half(beforeDeg), dashed: true },
      { word: `after, ${angleText(afterDeg)}`, half: half(afterDeg), dashed: false },
    ]
  }

  /** A side's bevel in a zone before it was ground: as recorded, as ink shows it, or as the blade was described. */
  function beforeText(side: Side, zone: number): string {
    const recorded = foundAt(job.entriesOfBlade.value, side, zoneMiddleMm(nth(job.zones.value, zone)))
    if (recorded) return angleText(recorded.deg, recorded.uncertaintyDeg)
    const face = job.cutWith(side, null) ? null : ink.foundOn(side)[zone]
    if (face) return angleText(face.angle.middleDeg, (face.angle.toDeg - face.angle.fromDeg) / 2)
    const described = blade.value.bevelDeg?.[side] ?? null
    return described === null ? '–' : angleText(described)
  }
  /** Zone by zone of each side: before, and the four angles after. */
  const zoneRows = computed(() =>
    sides.value.flatMap((side) =>
      against
        .zones(side)
        .map(({ set, read, proved }, i) => [
          `${zoneName(job.zones.value, i)} ${names.value[side]}`,
          beforeText(side, i),
          angleText(job.toProveDeg(side)),
          set ? angleText(set.deg, set.uncertaintyDeg) : '–',
          read ? angleText(read.amount.deg, read.amount.uncertaintyDeg) : '–',
          proved
            ? `${angleText(proved.deg, proved.uncertaintyDeg)} ± ${angleText(proved.uncertaintyDeg, proved.uncertaintyDeg)}`
            : '–',
        ]),
    ),
  )
  const strokes = computed(() => strokesMade(ofKind(job.entriesOfBlade.value, 'strokes')))
  const strokesWith = (stoneId: string): string => {
    const made = strokes.value.find((one) => one.stoneId === stoneId)
    return made ? `: ${strokesText(made, names.value)}` : ''
  }

  const content = computed((): ReportContent => {
    const { name, owner, use } = blade.value
    const { name: title, wanted, progression } = job.content.value
    const measured = job.entriesOfBlade.value.filter(isMeasured)
    const dialled = ofKind(job.entriesOfBlade.value, 'dialled').flatMap(({ stoneId }) => stoneId ?? [])
    const used = [...new Set([...dialled, ...strokes.value.flatMap(({ stoneId }) => stoneId ?? [])])]
    const stones = used.length > 0 ? used : progression
    const sharpness = ofKind(job.entriesOfBlade.value, 'sharpness')
    return {
      title,
      subtitle: [name, owner && `of ${owner}`, use, job.rig.value.name, new Date().toLocaleDateString('sv')]
        .filter(Boolean)
        .join(' · '),
      why: wanted.why,
      angles: {
        columns: [...sides.value.map((side) => `${names.value[side]}, per side`), 'included'],
        rows: ledger.value.map((line) => [
          line.word,
          ...line.sides.slice(0, sides.value.length).map((one) => `${one.text ?? '–'}${one.byInk ? ' ink' : ''}`),
          line.included ?? '–',
        ]),
      },
      readings: measured.toReversed().map(measuredText),
      zones: { columns: ['before', 'wanted', 'set', 'read', 'proved'], rows: zoneRows.value },
      stones: stones.map((id) => `${collections.nameOf(id)}${strokesWith(id)}`),
      sharpness: sharpness
        .toReversed()
        .map((one) => `${TEST_WORD[one.test]}: ${foundText(one, names.value)}, ${momentText(one.at)}`),
      sides: along.sides.value,
      edgeMm: edgeMm.value,
      edgeText: `tip, ${text(edgeMm.value)}`,
      sections: sections(),
      note: 'Angles per side from the blade’s centre plane. Set: what the rig’s geometry gives; read: what the gauge showed; proved: what is on the steel. ± holds 95 in 100.',
    }
  })
  const pages = computed(() => [reportPage(content.value, paper.value)])
  return { pages, measured: computed(() => content.value.readings.length) }
}
