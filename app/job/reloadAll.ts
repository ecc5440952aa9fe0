import { useCollections } from '~/stores/collections'
import { useLog } from '~/stores/log'
import { useOpenJob } from './openJob'
import { usePreferences } from '~/stores/preferences'

/** Fetches everything anew, after it was changed as a whole; the job that is open is opened again. */
export function useReloadAll() {
  const [collections, log, open, preferences] = [useCollections(), useLog(), useOpenJob(), usePreferences()]
  return async () => {
    await Promise.all([collections.load(), log.loadAnew(), preferences.load()])
    if (open.session) await open.open(open.session.id)
  }
}
