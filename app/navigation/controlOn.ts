import type { RouteLocationRaw, Router } from 'vue-router'

/** A control by its data-focus name: at once where its page is open, else when it is there; null where it never is. */
export async function controlOn(router: Router, to: RouteLocationRaw, name: string): Promise<HTMLElement | null> {
  const find = () => document.querySelector<HTMLElement>(`[data-focus="${name}"]`)
  if (router.currentRoute.value.fullPath === router.resolve(to).fullPath && find()) return find()
  await router.push(to)
  for (let tries = 0; tries < 60 && !find(); tries++) await new Promise((resolve) => setTimeout(resolve, 50))
  return find()
}
