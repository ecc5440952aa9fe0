import { onMounted, ref } from 'vue'
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { z } from 'zod'
import { ask } from '~/saving/api'

const AGAIN_MS = 15_000
const health = z.object({ ok: z.literal(true) })

/**
 * Whether the server is away, so that what stands on the screen is what was opened last. Asked at the start, and again
 * for as long as it is; `back` is called when it answers again.
 */
export function useServerAway(back: () => void) {
  const away = ref(false)
  const again = useIntervalFn(() => void look(), AGAIN_MS, { immediate: false })
  async function look() {
    const before = away.value
    const answer = await ask(health, '/api/health')
    away.value = !answer.ok && answer.status === 0
    if (away.value) return again.resume()
    again.pause()
    if (before) back()
  }
  onMounted(look)
  useEventListener('online', () => void look())
  useEventListener('offline', () => void look())
  return away
}
