import { onScopeDispose } from 'vue'
import { useEventListener } from '@vueuse/core'
import { PAGE } from '~/saving/api'

/** Changes that come together are fetched once. */
const TOGETHER_MS = 150

/** Anything may have changed. */
const ANYWHERE = ''

/**
 * Calls when something was changed by another page or device, as it happens. While this page is out of sight it does
 * not listen (a browser has few lines to one server): what it missed is called for when it is seen again, and after
 * each time the line was broken. It says in which collections; an empty name is anywhere.
 */
export function useChangesElsewhere(changed: (where: ReadonlySet<string>) => void) {
  let line: EventSource | null = null
  let broken = false
  let soon: ReturnType<typeof setTimeout> | undefined
  let where = new Set<string>()
  function call(collection: string) {
    where.add(collection)
    clearTimeout(soon)
    soon = setTimeout(() => {
      changed(where)
      where = new Set()
    }, TOGETHER_MS)
  }
  function listen() {
    hangUp()
    line = new EventSource('/api/changes')
    line.onmessage = ({ data }: MessageEvent<string>) => {
      const [page, collection] = data.split(' ')
      if (page !== PAGE) call(collection ?? ANYWHERE)
    }
    line.onerror = () => (broken = true)
    line.onopen = () => {
      if (broken) call(ANYWHERE)
      broken = false
    }
  }
  function hangUp() {
    line?.close()
    line = null
  }
  const seen = () => document.visibilityState === 'visible'
  useEventListener(document, 'visibilitychange', () => {
    if (!seen()) return hangUp()
    listen()
    call(ANYWHERE)
  })
  if (seen()) listen()
  onScopeDispose(hangUp)
}
