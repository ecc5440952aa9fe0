import { useEventListener } from '@vueuse/core'

/**
 * An arrow key chooses the radio button that it moves to, however short the press and however busy the page. The
 * library's own buttons look only after the focus has moved whether the key is still down.
 */
export function useRadioKeys() {
  let moving = false
  useEventListener('keydown', ({ key }) => (moving = key.startsWith('Arrow')), { capture: true })
  useEventListener('pointerdown', () => (moving = false), { capture: true })
  useEventListener('focusin', ({ target }) => {
    if (!moving || !(target instanceof HTMLElement) || target.getAttribute('role') !== 'radio') return
    moving = false
    setTimeout(() => {
      if (target.getAttribute('aria-checked') !== 'true') target.click()
    })
  })
}
