/** Marks what is around a field that has just been left. */
export const JUST_LEFT = 'data-just-left'

/**
 * Leaves a field for what is around it: single keys work again, what has just been entered is seen, and Tab goes on to
 * the next field.
 */
export function leaveField(field: HTMLElement) {
  const around = field.closest<HTMLElement>('[data-field]') ?? field.parentElement
  if (!around) return field.blur()
  around.setAttribute(JUST_LEFT, '')
  around.tabIndex = -1
  around.focus({ preventScroll: true })
}
