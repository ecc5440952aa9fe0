import { computed } from 'vue'
import { MM_PER_INCH } from '#core/math/units/length'
import { bladeHeightMm } from '#core/geometry/clamping/bladeHeight'
import type { ClampPosition } from '#core/records/job/clampPosition'
import { edgePointAt, type EdgePoint } from '#core/math/curve/edgePoints'
import { tipStop } from '#core/geometry/hold/holdChecks'
import { heldAs, positionOf, workedIn } from '#core/records/job/positions'
import { perSide, SIDES, type Side } from '#core/records/common/side'
import { markUnderLandmark } from '#core/geometry/hold/landmark'
import { contactFor, type Setup } from '#core/geometry/setup/setup'
import { adviseDial } from '#core/geometry/dial/advised'
import { gaugeUseOf } from '#core/records/job/job'
import { expectedReadingDeg } from '#core/geometry/gauge/expectedReading'
import { cardPage, type CardContent } from './cardPage'
import { usePaper } from '~/print/usePaper'
import type { StoneOn } from '~/job/state'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText } from '~/words/angleText'
import { dialFigures, figuresAre } from '~/words/dialText'
import { lengthText } from '~/words/lengthText'
import { GAUGE_ZERO_WORD } from '~/words/measureText'
import { GRIP_TEXT, middleMark, positionText, stopAt } from '~/words/placementText'
import { placeText } from '~/words/placeText'
import { RIG_WORDS } from '~/words/rigText'
import { capital } from '~/words/sentence'

/**
 * The mark that the blade's landmark lies on; else where the mark nearest to the jaws' middle stands on the blade.
 * Nothing on a rig without marks.
 */
function markFact(
  { rig, blade, hold }: Setup,
  heelToMiddleMm: number,
  text: (mm: number) => string,
): [string, string][] {
  const mark = markUnderLandmark(rig, blade, hold)
  if (mark) return [[`${capital(blade.landmark!.what)} on`, `mark ${mark.name}`]]
  const nearest = middleMark(rig)
  return nearest ? [[`Mark ${nearest.name} at, from the heel`, text(heelToMiddleMm + nearest.alongMm)]] : []
}

/** The line to lay a rule on: a round length in the user's unit. */
const CHECK = {
  mm: { checkText: 'This line must measure 100 mm on paper.', checkMm: 100 },
  in: { checkText: 'This line must measure 4 in on paper.', checkMm: 4 * MM_PER_INCH },
} as const
const NOTES = [
  'Behind a dial: what remains to the wanted angle with it.',
  'Lay the blade on the drawing: heel and spine on the lines, the dashed cross on the middle of the jaws’ front.',
  'Gloves on while clamping and wiping; hands behind the edge; no stroke past the tip.',
]

/** One way of holding the blade, with what the card says of it beside the figures. */
interface Held {
  readonly hold: ClampPosition
  readonly edgePoint: EdgePoint
  readonly dialForMm: number | null
  readonly title: string
  readonly note: string
}

/** The clamp card of the job: all that has to be set to have it the same again, a page for each way of holding. */
export function useCard() {
  const job = useJob()
  const { actions } = job
  const preferences = usePreferences()

  /** The ways of holding that the card is for: the positions that were kept; first the one at hand, if none of them. */
  const held = computed((): Held[] => {
    const { hold, dialForMm, positions } = job.content.value
    const now = { hold, edgePoint: job.dialFor.value.edgePoint, dialForMm, title: '', note: '' }
    if (!positions) return [now]
    const all = positions.each.map((one, i): Held => ({
      hold: heldAs(one, hold),
      edgePoint: edgePointAt(job.blade.value.edge, one.dialForMm),
      dialForMm: one.dialForMm,
      title: ` · position ${i + 1} of ${positions.each.length}`,
      note: positionText(one, preferences.unit),
    }))
    return positionOf(job.content.value) === null ? [now, ...all] : all
  })

  function contentOf({ hold, edgePoint, dialForMm, title, note }: Held): CardContent {
    const kept = job.content.value
    const setup = { ...job.setup.value, hold, worked: workedIn({ hold, dialForMm, positions: kept.positions }) }
    const { rig, blade } = setup
    const trouble = job.grip.value.trouble(hold)
    const text = (mm: number) => lengthText(mm, preferences.unit)
    const sides = blade.bevels === 'A' ? (['A'] as const) : SIDES
    const advised = (use: StoneOn, side: Side) =>
      adviseDial({ ...setup, stone: use.stone }, side, job.toSetOn(side, use), edgePoint)
    const dial = (use: StoneOn, side: Side) => {
      if (!sides.some((one) => one === side)) return 'flat'
      const advice = advised(use, side)
      if (!advice.ok) return 'not possible'
      const remains = Math.abs(advice.offDeg) < 0.05 ? '' : `, ${differenceText(advice.offDeg)}`
      return `${dialFigures(rig, advice.setting)}${remains}`
    }
    /** A figure of each side that is bevelled: "15.0° / 15.2°". */
    const each = (of: (side: Side) => number | null) =>
      sides.map((side) => [of(side)].map((deg) => (deg === null ? '–' : angleText(deg)))[0]).join(' / ')
    /** What the dial gives, and what the gauge then shows, with the stone that is on the rod. */
    const given = perSide((side) => {
      const advice = advised({ stone: job.stone.value, forMicroBevel: false }, side)
      const contact = advice.ok ? contactFor(setup, side, advice.setting, edgePoint) : advice
      return contact.ok ? contact : null
    })
    const gauge = (side: Side) => {
      const contact = given[side]
      return contact && expectedReadingDeg(setup, side, contact, gaugeUseOf(kept))
    }
    const names = preferences.current.sideNames
    const of = sides.map((side) => names[side]).join(' / ')
    const stop = tipStop(setup, job.edgePoints.value)
    const today = new Date().toLocaleDateString('sv')
    const restsOn = stopAt(rig, hold.bladeYMm)
    const turn = `${angleText(Math.abs(hold.turnDeg))} tip ${hold.turnDeg > 0 ? 'out' : 'in'}`
    return {
      title: kept.name + title,
      subtitle: [blade.name, rig.name, kept.jawsName ?? rig.jaws?.name, today].filter(Boolean).join(' · '),
      alarm: trouble ? `No hold: ${GRIP_TEXT[trouble]}. Hold it otherwise first.` : '',
      facts: [
        [capital(RIG_WORDS[rig.kind].heelToMiddle), text(actions.heelToMiddle(hold))],
        [restsOn ? 'Spine rests on' : 'Depth in the jaws', restsOn ?? text(hold.bladeYMm)],
        ...markFact(setup, actions.heelToMiddle(hold), text),
        ['Turn', Math.abs(hold.turnDeg) < 0.05 ? 'none' : turn],
        dialForMm === null
          ? ['The dial is for the edge', placeText(null, rig.kind, preferences.unit)]
          : ['The dial is for, from heel', text(dialForMm)],
        ['Blade height there', text(bladeHeightMm(edgePoint, hold))],
        [`Wanted, ${of}`, each((side) => kept.wanted.deg[side])],
        [`Set, ${of}`, each((side) => given[side]?.edgeAngleDeg ?? null)],
        [`Gauge shows, ${of}`, each(gauge)],
        ['Centring', `${text(hold.centreOffsetMm)}, ${angleText(hold.tiltDeg)}`],
        ['Stone’s middle stops at', text(stop.alongMm)],
        ['Its free edge then at', text(stop.freeEdgeMm)],
      ],
      dialledIn: figuresAre(rig),
      stones: job.uses.value.map((use) => {
        const name = use.forMicroBevel ? `${use.stone.name}, micro-bevel` : use.stone.name
        return [name, text(use.stone.faceOffsetMm), dial(use, 'A'), dial(use, 'B')] as const
      }),
      sideNames: [names.A, names.B],
      notes: [
        note,
        `Set and gauge: with ${setup.stone.name}, the gauge zeroed on ${GAUGE_ZERO_WORD[kept.gaugeZero]}.`,
        ...NOTES,
        kept.wanted.why,
      ].filter(Boolean),
      ...CHECK[preferences.unit],
    }
  }
  const paper = usePaper()
  const pages = computed(() =>
    held.value.map((one) => cardPage({ ...job.setup.value, hold: one.hold }, contentOf(one), paper.value)),
  )

  return { pages }
}
