import { ref } from 'vue'
import { z } from 'zod'
import { ask } from '~/saving/api'
import type { Known } from './known'

/** The samples: laid out beside what is there, and taken away together. `load`: fetches all anew. */
export function sampleRoom({ problem }: Known, load: () => Promise<void>) {
  /** How many of what is here are samples. */
  const samples = ref(0)
  async function plantSamples(): Promise<void> {
    const answer = await ask(z.object({ ok: z.literal(true) }), '/api/samples', 'POST', {})
    await load()
    if (!answer.ok) problem.value = answer.problem
  }
  /** Takes all away that no own job goes on with; answers how to bring them back, null where it failed. */
  async function removeSamples(): Promise<(() => Promise<void>) | null> {
    // Seldom asked for: not every page carries what reads it.
    const { backup, broughtBack } = await import('#core/exchange/backup/backup')
    const answer = await ask(backup, '/api/samples', 'DELETE')
    await load()
    if (!answer.ok) {
      problem.value = answer.problem
      return null
    }
    return async () => {
      const back = await ask(broughtBack, '/api/backup', 'POST', answer.value)
      await load()
      if (!back.ok) problem.value = back.problem
    }
  }
  return { samples, plantSamples, removeSamples }
}
