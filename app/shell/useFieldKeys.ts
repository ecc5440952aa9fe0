import { useEventListener } from '@vueuse/core'
import { JUST_LEFT, leaveField } from '~/controls/leaveField'

/** Fields with keys of their own say so. */
const OWN = '[data-own-keys], [role="combobox"]'
const isTyped = (target: EventTarget | null): target is HTMLInputElement =>
  target instanceof HTMLInputElement && !['checkbox', 'radio', 'file', 'range'].includes(target.type)
const isFigure = (target: EventTarget | null): target is HTMLInputElement =>
  isTyped(target) && ['decimal', 'numeric'].includes(target.inputMode)

/**
 * In every field of a figure or a word: Enter takes what stands there and leaves it, Escape takes back what was typed
 * and leaves, so that single keys work again. In a form Enter sends it, and in a dialog Escape closes that. A figure is
 * selected when its field is entered, by a key or the pointer: what is typed replaces it.
 */
export function useFieldKeys() {
  let before = ''
  let pressed: EventTarget | null = null
  useEventListener(document, 'focusin', ({ target }) => {
    if (isTyped(target)) before = target.value
    if (isFigure(target)) target.select()
  })
  useEventListener(document, 'focusout', ({ target }) => {
    if (target instanceof HTMLElement && target.hasAttribute(JUST_LEFT)) {
      target.removeAttribute(JUST_LEFT)
      target.removeAttribute('tabindex')
    }
  })
  // A click that enters a field selects its figure as well, unless the pointer has selected a part of it.
  useEventListener(
    document,
    'pointerdown',
    ({ target }) => (pressed = target === document.activeElement ? null : target),
  )
  useEventListener(document, 'click', ({ target }) => {
    if (isFigure(target) && target === pressed && target.selectionStart === target.selectionEnd) target.select()
  })
  useEventListener(document, 'keydown', (event: KeyboardEvent) => {
    const { target, key } = event
    if (key === 'Tab' && !event.shiftKey && target instanceof HTMLElement && target.hasAttribute(JUST_LEFT))
      target.querySelector('input')?.focus()
    if (!isTyped(target) || target.matches(OWN) || event.isComposing) return
    if (key === 'Enter' && !target.form) leaveField(target)
    if (key !== 'Escape' || target.closest('[role="dialog"]')) return
    target.value = before
    target.dispatchEvent(new Event('input', { bubbles: true }))
    leaveField(target)
  })
}
