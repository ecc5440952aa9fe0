import { refusal } from '../http/refusal'
import { useData } from '../store/store'

/** What is sent to be kept is refused before anything is begun while there is no room on the disk for it. */
export default defineEventHandler(async (event) => {
  if (event.method === 'GET' || event.method === 'HEAD' || !event.path.startsWith('/api/')) return
  if (!(await useData()).hasRoom()) throw refusal(507, 'disk-full')
})
