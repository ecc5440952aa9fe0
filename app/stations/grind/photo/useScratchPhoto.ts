import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import type { Span } from '#core/observe/marker/exposed'
import type { ScratchPartRead } from '#core/photo/scratches/readScratchPhoto'
import type { Vec2 } from '#core/math/vector/vec2'
import { bladePhoto } from '#core/records/storage/bladePhoto'
import { useForm } from '~/forms/useForm'
import { useJob } from '~/job/useJob'
import { smallPicture } from '~/photographs/smallPicture'
import { usePhotograph } from '~/photographs/usePhotograph'
import { ask } from '~/saving/api'
import { usePreferences } from '~/stores/preferences'
import { useWords } from '~/words/useWords'
import type { ScratchLine, ScratchPhotoReader } from '~/workers/scratchPhoto.worker'

/** What is tapped in the picture: both lines of the face, and along one scratch of either stone. */
export type Tapped = 'edge' | 'shoulder' | 'old' | 'new'
const THIRDS: readonly Span[] = [
  [0, 1 / 3],
  [1 / 3, 2 / 3],
  [2 / 3, 1],
]

const MOST_CAPTION = 120

/** A close-up of a bevel between two stones: what was tapped in it, and what is read, third by third. */
export function useScratchPhoto() {
  const words = useWords()
  const preferences = usePreferences()
  const job = useJob()
  const keptAs = `scratch-photo:${job.keptAs}`
  const { form, beginAnew } = useForm<Record<Tapped, Vec2[]> & { zoom: { times: number; x: number; y: number } }>(
    keptAs,
    () => ({ edge: [], shoulder: [], old: [], new: [], zoom: { times: 1, x: 0.5, y: 0.5 } }),
  )
  const tapping = ref<Tapped>('edge')
  const { photo, busy, failure, reader, open, keep, kept, takeUp, stop, putAway } = usePhotograph<ScratchPhotoReader>(
    keptAs,
    () => new Worker(new URL('~/workers/scratchPhoto.worker.ts', import.meta.url), { type: 'module' }),
  )
  const parts = shallowRef<readonly ScratchPartRead[]>([])
  onMounted(async () => {
    if ((await takeUp()) && ready.value) await read()
  })

  const plain = (taps: readonly Vec2[]): Vec2[] => taps.map(([x, y]) => [x, y])
  function lineOf(taps: readonly Vec2[]): ScratchLine | null {
    const [one, other] = plain(taps.slice(-2))
    return one && other ? [one, other] : null
  }
  const ready = computed(
    () =>
      form.value.edge.length >= 2 &&
      form.value.shoulder.length >= 2 &&
      form.value.old.length >= 2 &&
      form.value.new.length >= 2,
  )
  function touched() {
    parts.value = []
    failure.value = ''
  }
  async function take(picture: File) {
    if (!(await open(picture))) return
    Object.assign(form.value, { edge: [], shoulder: [], old: [], new: [], zoom: { times: 1, x: 0.5, y: 0.5 } })
    tapping.value = 'edge'
    touched()
    await keep(picture)
  }
  function tap(at: Vec2) {
    const isLine = tapping.value === 'old' || tapping.value === 'new'
    const before = form.value[tapping.value]
    // A third tap along a scratch begins another one.
    form.value[tapping.value] = isLine && before.length >= 2 ? [at] : [...before, at]
    touched()
  }
  function moveTap(group: Tapped, i: number, to: Vec2) {
    form.value[group] = form.value[group].map((one, j) => (j === i ? to : one))
    touched()
  }
  function takeBack() {
    form.value[tapping.value] = form.value[tapping.value].slice(0, -1)
    touched()
  }
  async function read() {
    touched()
    const [oldLine, newLine] = [lineOf(form.value.old), lineOf(form.value.new)]
    if (!ready.value || !oldLine || !newLine) return void (failure.value = words.problem({ code: 'few-scratch-taps' }))
    busy.value = true
    const { edge, shoulder } = form.value
    const found = await reader().read({ edge: plain(edge), shoulder: plain(shoulder), oldLine, newLine, parts: THIRDS })
    busy.value = false
    if (!found) return
    if (!found.ok) return void (failure.value = words.problem(found))
    parts.value = found.parts
  }
  /** Whether what was read is in the log. */
  const recorded = ref(false)
  watch(parts, () => (recorded.value = false))
  /** Records what was read, for the side and the stone of now, and keeps the picture with the blade's. */
  async function record() {
    const thirds = parts.value.map((part) => (part.ok ? { oldLeft: part.oldLeft, unreached: part.unreached } : null))
    const about = { ...job.newEntry(), kind: 'scratches' as const, side: job.side.value, thirds }
    job.session.record('scratches in a picture', [about])
    recorded.value = true
    // A practice leaves nothing with the blade.
    const picture = job.practising ? undefined : await kept()
    const image = picture && (await smallPicture(picture))
    if (!image?.ok) return
    const caption = `${about.at.slice(0, 10)}, ${preferences.current.sideNames[about.side]} after ${job.stone.value.name}`
    const added = { bladeId: job.content.value.bladeId, caption: caption.slice(0, MOST_CAPTION), image: image.address }
    const answer = await ask(bladePhoto, '/api/blade-photos', 'POST', added)
    if (!answer.ok) failure.value = `${words.problem(answer.problem)} What it shows is recorded all the same.`
  }
  /** Takes a picture that a stand-in made, with its lines as they are. */
  async function takeMade(picture: File, taps: Readonly<Record<Tapped, Vec2[]>>) {
    await take(picture)
    Object.assign(form.value, taps)
    tapping.value = 'new'
  }
  async function forget() {
    touched()
    await Promise.all([beginAnew(), putAway()])
  }
  return {
    form,
    photo,
    busy,
    failure,
    tapping,
    ready,
    parts,
    take,
    recorded,
    record,
    takeMade,
    tap,
    moveTap,
    takeBack,
    read,
    stop,
    forget,
  }
}
