import { useEventListener } from '@vueuse/core'

/** Fields with keys of their own say so. */
const OWN = '[data-own-keys], [role="combobox"]'
const isTyped = (target: EventTarget | null): target is HTMLInputElement =>
  target instanceof HTMLInputElement && !['checkbox', 'radio', 'file', 'range'].includes(target.type)

/**
 * In every field of a figure or a word: Enter takes what stands there and leaves it, Escape takes back what was typed
 * and leaves, so that single keys work again. In a form Enter sends it, and in a dialog Escape closes that.
 */
export function useFieldKeys() {
  let before = ''
  useEventListener(document, 'focusin', ({ target }) => isTyped(target) && (before = target.value))
  useEventListener(document, 'keydown', (event: KeyboardEvent) => {
    const { target, key } = event
    if (!isTyped(target) || target.matches(OWN) || event.isComposing) return
    if (key === 'Enter' && !target.form) target.blur()
    if (key !== 'Escape' || target.closest('[role="dialog"]')) return
    target.value = before
    target.dispatchEvent(new Event('input', { bubbles: true }))
    target.blur()
  })
}
