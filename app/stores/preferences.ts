import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watchEffect } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import { nth } from '#core/math/list'
import { keptPreferences, preferences as schema, type Preferences } from '#core/records/preferences/preferences'
import { checked, type FieldProblem } from '#core/schema/problem'
import { ask } from '~/saving/api'
import { inchesAsFractions } from './inchesAsFractions'

/** How the user likes figures shown, kept with the data; single keys and make-believe are this device's own choice. */
export const usePreferences = defineStore('preferences', () => {
  const current = ref(schema.parse({}))
  const revision = ref(0)
  const problem = shallowRef<FieldProblem | null>(null)
  const singleKeys = useLocalStorage('jaw-tilt-single-keys', true)
  const simulated = useLocalStorage('jaw-tilt-simulated', false)

  async function load() {
    const answer = await ask(keptPreferences, '/api/preferences')
    if (answer.ok) adopt(answer.value)
  }

  function adopt({ revision: at, ...rest }: Preferences & { revision: number }) {
    current.value = rest
    revision.value = at
  }

  /** Applies at once and keeps it; a name the schema refuses is told and not applied. */
  async function change(patch: Partial<Preferences>) {
    const wanted = checked(schema, { ...current.value, ...patch })
    problem.value = wanted.ok ? null : nth(wanted.problems, 0)
    if (!wanted.ok) return
    current.value = wanted.value
    // One after the other: the next one starts from the revision that this one makes.
    sending = sending.then(() => keep(wanted.value))
    await sending
  }
  let sending = Promise.resolve()

  async function keep(chosen: Preferences) {
    const send = () => ask(keptPreferences, '/api/preferences', 'PUT', { ...chosen, revision: revision.value })
    let answer = await send()
    if (!answer.ok && answer.status === 409) {
      // Another tab changed something: its revision is taken, this choice stands.
      const stored = keptPreferences.safeParse(answer.problem.current)
      if (stored.success) revision.value = stored.data.revision
      answer = await send()
    }
    if (answer.ok) revision.value = answer.value.revision
    else problem.value = { field: '', ...answer.problem }
  }

  const unit = computed(() => current.value.unit)
  watchEffect(() => (inchesAsFractions.value = current.value.inches === 'fractions'), { flush: 'sync' })
  const included = computed(() => current.value.angles === 'included')
  return { current, unit, included, problem, singleKeys, simulated, load, change }
})
