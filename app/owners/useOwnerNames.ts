import { onMounted, ref, shallowRef } from 'vue'
import { z } from 'zod'
import { ownerName, type OwnerName } from '#core/exchange/api/owners'
import type { Problem } from '#core/schema/problem'
import { ask } from '~/saving/api'

/** The owners that stand on blades, and on how many: there may be no record of them. */
export function useOwnerNames() {
  const names = shallowRef<readonly OwnerName[]>([])
  const problem = shallowRef<Problem | null>(null)
  const asked = ref(false)
  async function load() {
    const answer = await ask(z.array(ownerName), '/api/owner-names')
    problem.value = answer.ok ? null : answer.problem
    if (answer.ok) names.value = answer.value
    asked.value = true
  }
  onMounted(load)
  return { names, problem, asked, load }
}
