import { computed, onMounted } from 'vue'
import { pictureWidth } from '#core/observe/bevelWidth/pictureWidth'
import { parseLengthMm } from '#core/math/units/length'
import type { Vec2 } from '#core/math/vector/vec2'
import { useForm } from '~/forms/useForm'
import { usePhotograph } from '~/photographs/usePhotograph'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'

/** What can be marked in a close-up of a bevel, in the order it is asked for. */
export const MARKED = ['scale', 'edge', 'shoulder'] as const
export type Marked = (typeof MARKED)[number]
const MOST_MARKS = { scale: 2, edge: 8, shoulder: 8 }

interface BevelPictureForm extends Record<Marked, Vec2[]> {
  /** Between the two marks of the scale. */
  scaleLength: string
  marking: Marked
  zoom: { times: number; x: number; y: number }
}

/** A close-up of the bevel with something of known length in it: picture and marks are kept until they are used. */
export function useBevelPicture() {
  const job = useJob()
  const preferences = usePreferences()
  const keptAs = `bevel-photo:${job.id}`
  const { form, beginAnew } = useForm<BevelPictureForm>(keptAs, () => ({
    scale: [],
    edge: [],
    shoulder: [],
    scaleLength: '',
    marking: 'scale',
    zoom: { times: 1, x: 0.5, y: 0.5 },
  }))
  const { photo, busy, failure, open, keep, takeUp, putAway } = usePhotograph(keptAs)
  onMounted(() => void takeUp())

  async function take(picture: File) {
    if (!(await open(picture))) return
    Object.assign(form.value, { scale: [], edge: [], shoulder: [], marking: 'scale' })
    form.value.zoom = { times: 1, x: 0.5, y: 0.5 }
    await keep(picture)
  }
  function add(at: Vec2) {
    const { marking } = form.value
    if (form.value[marking].length >= MOST_MARKS[marking]) return
    form.value[marking] = [...form.value[marking], at]
    if (marking === 'scale' && form.value.scale.length === MOST_MARKS.scale) form.value.marking = 'edge'
  }
  function move(marked: Marked, i: number, to: Vec2) {
    form.value[marked] = form.value[marked].map((one, j) => (j === i ? to : one))
  }
  function takeBack() {
    const { marking } = form.value
    form.value[marking] = form.value[marking].slice(0, -1)
  }
  const width = computed(() => {
    const length = parseLengthMm(form.value.scaleLength, preferences.unit)
    return pictureWidth({ ...form.value, scaleMm: length.ok ? length.value : 0 })
  })
  const forget = () => Promise.all([beginAnew(), putAway()])
  return { form, photo, busy, failure, width, take, add, move, takeBack, forget }
}
