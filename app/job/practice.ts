import { computed, onScopeDispose, shallowRef, watch, type ComputedRef, type Ref, type ShallowRef } from 'vue'
import { logEntry, type LogEntry } from '#core/log/entry'
import { activeEntries } from '#core/log/activeEntries'
import { job as jobSchema, type Job } from '#core/records/job/job'
import { rawListOf, rawOf, type Migration } from '#core/schema/versioned'
import type { Side } from '#core/records/common/side'
import type { PracticeOutcome } from '#core/simulation/practice/outcome'
import type { Score } from '#core/simulation/practice/score'
import type { HiddenBladeAsk } from '#core/simulation/standIn/hiddenBlade'
import { useForm } from '~/forms/useForm'
import { memoryStorage } from '~/saving/memoryStorage'
import { jobSession, type JobSession } from './session'

/** A practice that was begun. */
interface PracticeBegun {
  /** Its hidden blade, as it was asked for. */
  readonly blade: HiddenBladeAsk
  /** The job as it is set in the practice. */
  readonly content: Job
}

interface PracticeForm {
  begun: PracticeBegun[]
  /** What happened in it; none of it gets into the log. */
  entries: LogEntry[]
  /** Light passes that were made. */
  passes: number
  /** Which of the passes each marker test tells of, by the test's id. */
  passOf: Record<string, number>
  /** What an earlier version, whose practice dialled the job itself, is to dial again. */
  dialBefore: Job['dialled'][]
}

/** What a practice came to: its score, and what the advice dials on the same blade, test by test, for each side. */
export interface PracticeResult extends PracticeOutcome, Score {
  readonly passes: number
  readonly advised: readonly { readonly side: Side; readonly setDeg: readonly number[] }[]
}

/** A practice on a copy of a job: nothing of it reaches the job, its log or the server. */
export interface Practice {
  /** Its hidden blade; null where none goes on. */
  readonly blade: ComputedRef<HiddenBladeAsk | null>
  readonly form: Ref<PracticeForm>
  /** The copy that is worked on; null where no practice goes on. */
  readonly session: Readonly<ShallowRef<JobSession | null>>
  /** What happened in it, oldest first. */
  readonly entries: ComputedRef<readonly LogEntry[]>
  /** Of the one that was ended last. */
  readonly result: ShallowRef<PracticeResult | null>
  begin(blade: HiddenBladeAsk): Promise<void>
  end(): Promise<void>
}

/** Up to the second version a practice was on the job itself: it ends, and what was dialled before it is dialled. */
const endIt: Migration = ({ begun }) => ({ dialBefore: rawListOf(begun).map((one) => rawOf(one).dialled) })
const asItWas: Migration = (form) => form

/** The practice of an open job. It is kept over a reload until it is ended, and lives as long as the scope. */
export function jobPractice(of: JobSession): Practice {
  const nothing = (): PracticeForm => ({ begun: [], entries: [], passes: 0, passOf: {}, dialBefore: [] })
  const { form, beginAnew } = useForm<PracticeForm>(`practice:${of.id}`, nothing, undefined, [asItWas, asItWas, endIt])
  const begun = computed(() => form.value.begun[0] ?? null)
  const session = shallowRef<JobSession | null>(null)
  const result = shallowRef<PracticeResult | null>(null)

  const [before] = form.value.dialBefore
  if (before) {
    of.change('dial as before the practice', { dialled: before })
    void beginAnew()
  }

  /** A session on the copy: what it would send and append is kept in the form. */
  function onCopy(content: Job): JobSession {
    const at = new Date().toISOString()
    const kept = { ...content, id: of.id, revision: 1, createdAt: at, updatedAt: at, archivedAt: null }
    let practised = kept
    return jobSession(kept, {
      local: memoryStorage(),
      session: memoryStorage(),
      now: () => new Date(),
      async fetch() {
        return { ok: true, value: practised }
      },
      async send(changed, revision) {
        practised = { ...practised, ...changed, revision: revision + 1 }
        form.value.begun = form.value.begun.map((one) => ({ ...one, content: changed }))
        return { ok: true, value: practised }
      },
      append(entries) {
        form.value.entries = [...form.value.entries, ...entries]
        for (const { id, kind } of entries) if (kind === 'ink-look') form.value.passOf[id] = form.value.passes
      },
    })
  }
  watch(
    () => begun.value?.blade.seed,
    () => {
      const content = jobSchema.safeParse(begun.value?.content)
      session.value = content.success ? onCopy(content.data) : null
      // A copy that cannot be read any more is no practice.
      if (begun.value && !content.success) void beginAnew()
    },
    { immediate: true, flush: 'sync' },
  )
  onScopeDispose(() => void session.value?.close())

  return {
    blade: computed(() => begun.value?.blade ?? null),
    form,
    session,
    entries: computed(() => activeEntries(form.value.entries.filter((entry) => logEntry.safeParse(entry).success))),
    result,
    async begin(blade) {
      await beginAnew()
      result.value = null
      form.value.begun = [{ blade, content: of.content.value }]
    },
    end: beginAnew,
  }
}
