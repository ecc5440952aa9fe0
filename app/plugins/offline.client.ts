/** The page comes first: what it shows is fetched and drawn before anything is fetched to be kept. */
const AFTER_LOAD_MS = 4000

/**
 * Has the service worker keep what is opened, so that it is there without a network. What the first page fetched
 * before the worker was there is given to it afterwards. Where the browser has none, or the page comes neither by https
 * nor from this machine, there is none.
 */
export default defineNuxtPlugin(() => {
  if (!('serviceWorker' in navigator) || import.meta.dev) return
  const fetchedBefore = navigator.serviceWorker.controller === null
  const begin = () => setTimeout(() => void register(fetchedBefore), AFTER_LOAD_MS)
  if (document.readyState === 'complete') begin()
  else addEventListener('load', begin, { once: true })
})

async function register(fetchedBefore: boolean) {
  try {
    await navigator.serviceWorker.register('/sw.js')
    if (!fetchedBefore) return
    await navigator.serviceWorker.ready
    if (!navigator.serviceWorker.controller)
      await new Promise((resolve) =>
        navigator.serviceWorker.addEventListener('controllerchange', resolve, { once: true }),
      )
    const own = performance
      .getEntriesByType('resource')
      .map(({ name }) => name)
      .filter((name) => name.startsWith(location.origin) && !name.endsWith('/api/health'))
    // Asked for again, through the worker, they are kept; the browser's own store answers for most of them.
    await Promise.allSettled([...new Set(['/', location.href, ...own])].map((address) => fetch(address)))
  } catch {
    // Without a worker all is as before: it only needs the network.
  }
}
