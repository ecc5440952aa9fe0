import { computed, onMounted, ref, watch } from 'vue'
import { useWords } from '~/words/useWords'
import { nth } from '#core/math/list'
import type { Side } from '#core/records/common/side'
import {
  besideDeg,
  placedOn,
  shownSides,
  type MarkKind,
  type ScreenMark,
} from '#core/photo/goniometer/readGoniometerPhoto'
import { scaleOf, type Tick } from '#core/photo/goniometer/ticks'
import type { Vec2 } from '#core/math/vector/vec2'
import { useGoniometer, type TypedSide } from '~/stations/prove/useGoniometer'
import { useForm } from '~/forms/useForm'
import { usePhotograph } from '~/photographs/usePhotograph'
import { useJob } from '~/job/useJob'
import type { GoniometerPhotoReader } from '~/workers/goniometerPhoto.worker'

/** Ticks that are asked for, one after the other, degrees: far apart first. */
const ASKED = [-20, 20, 0]
const MOST_TICKS = 5

interface ScreenForm {
  ticks: Tick[]
  marks: ScreenMark[]
  /** The side whose spots lie at lower degrees. */
  lower: Side
  zoom: { times: number; x: number; y: number }
}

/**
 * A photograph of a goniometer's screen: its ticks as they were tapped, and what is read along its scale. Picture,
 * ticks and marks are kept until they are taken over, or thrown away; nothing is noted before.
 */
export function useGoniometerPhoto() {
  const words = useWords()
  const job = useJob()
  const gonio = useGoniometer()
  const keptAs = `goniometer-photo:${job.id}`
  const { form, beginAnew } = useForm<ScreenForm>(keptAs, () => ({
    ticks: [],
    marks: [],
    lower: 'A',
    zoom: { times: 1, x: 0.5, y: 0.5 },
  }))
  const { photo, busy, failure, reader, open, keep, takeUp, stop, putAway } = usePhotograph<GoniometerPhotoReader>(
    keptAs,
    () => new Worker(new URL('~/workers/goniometerPhoto.worker.ts', import.meta.url), { type: 'module' }),
  )
  onMounted(() => void takeUp())

  const { screen } = gonio
  const scale = computed(() => scaleOf(form.value.ticks, screen.value))
  const read = ref(false)

  async function take(picture: File) {
    if (!(await open(picture))) return
    Object.assign(form.value, { ticks: [], marks: [], zoom: { times: 1, x: 0.5, y: 0.5 } })
    read.value = false
    await keep(picture)
  }
  /** The degrees that the next tick is taken for. */
  const next = computed(() => ASKED.find((deg) => !form.value.ticks.some((tick) => tick.deg === deg)) ?? null)
  async function tap(at: Vec2) {
    const { ticks } = form.value
    if (ticks.length >= MOST_TICKS) return
    const deg = next.value ?? Math.max(...ticks.map((tick) => tick.deg)) + 5
    const [x, y] = await reader().snap([at[0], at[1]])
    form.value.ticks = [...form.value.ticks, { at: [x, y], deg }]
    unread()
  }
  function changeTick(i: number, part: Partial<Tick>) {
    form.value.ticks = form.value.ticks.map((one, j) => (j === i ? { ...one, ...part } : one))
    unread()
  }
  function removeTick(i: number) {
    form.value.ticks = form.value.ticks.filter((_, j) => j !== i)
    unread()
  }
  /** What was read is no longer of the ticks that stand here. */
  function unread() {
    form.value.marks = []
    read.value = false
    failure.value = ''
  }
  watch(screen, (now, before) => void (JSON.stringify(now) !== JSON.stringify(before) && unread()))

  async function readIt() {
    unread()
    if (!scale.value.ok) return void (failure.value = words.problem(scale.value))
    busy.value = true
    const ask = JSON.parse(JSON.stringify({ ticks: form.value.ticks, screen: screen.value }))
    const found = await reader().read(ask)
    busy.value = false
    if (!found) return
    if (!found.ok) return void (failure.value = words.problem(found))
    form.value.marks = [...found.marks]
    read.value = true
  }
  const changeMark = (i: number, to: ScreenMark) =>
    (form.value.marks = form.value.marks.map((one, j) => (j === i ? to : one)))
  const callMark = (i: number, kind: MarkKind) => changeMark(i, { ...nth(form.value.marks, i), kind })
  /** Moves a mark, or one end of a line, to a place in the picture. */
  function moveMark(i: number, part: 'at' | 'from' | 'to', to: Vec2) {
    if (scale.value.ok) changeMark(i, placedOn(scale.value, nth(form.value.marks, i), part, to))
  }

  const shown = computed(() =>
    shownSides(form.value.marks, form.value.lower).filter(({ side }) => gonio.sides.value.includes(side)),
  )
  /** Takes what is read over into the form of the goniometer. */
  async function accept() {
    const text = (deg: number) => String(Math.round(deg * 100) / 100)
    for (const { side, finish, edgeDeg, fromDeg, toDeg, primaryDeg } of shown.value) {
      const line = finish === 'convex'
      const typed: TypedSide = {
        finish,
        edge: line ? '' : text(edgeDeg),
        from: line ? text(fromDeg) : '',
        to: line ? text(toDeg) : '',
        width: finish === 'hazy' ? text(toDeg - fromDeg) : '',
        primary: primaryDeg === null ? '' : text(primaryDeg),
      }
      gonio.put(side, typed)
    }
    const beside = besideDeg(form.value.marks, screen.value)
    Object.assign(gonio.form.value, { inLengths: false, beside: beside === null ? '' : text(beside) })
    await forget()
  }
  async function forget() {
    read.value = false
    failure.value = ''
    await Promise.all([beginAnew(), putAway()])
  }
  return {
    form,
    photo,
    busy,
    failure,
    screen,
    next,
    shown,
    full: computed(() => form.value.ticks.length >= MOST_TICKS),
    take,
    tap,
    changeTick,
    removeTick,
    read: readIt,
    stop,
    callMark,
    moveMark,
    accept,
    forget,
  }
}
