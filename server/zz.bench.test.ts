import { it } from 'vitest'
import { sql } from 'drizzle-orm'
import { openDatabase } from './store/database'
import { pageOfBlades } from './repositories/bladeLists'
import { askedJobs, pageOfJobs } from './repositories/jobLists'
import { askedPart } from './repositories/partOfList'
import { readToday } from './repositories/today'
it('x', async () => {
  const { db, close } = await openDatabase(process.env.FOLDER!)
  const jobs = (query: object) => pageOfJobs(db, askedJobs.parse(query))
  const all: Record<string, () => Promise<unknown>> = {
    today: () => readToday(db, new Date().toISOString()),
    jobs: () => jobs({}),
    account: () => jobs({ search: 'account 17' }),
    own: () => jobs({ search: 'job 1234' }),
    ready: () => jobs({ standing: 'ready' }),
    owner: () => jobs({ owner: 'Account 17' }),
    blades: () => pageOfBlades(db, askedPart.parse({ search: 'knife 39' })),
    bladesAll: () => pageOfBlades(db, askedPart.parse({})),
  }
  for (const [name, f] of Object.entries(all)) {
    const times = []
    for (let i = 0; i < 5; i++) {
      const s = performance.now()
      await f()
      times.push((performance.now() - s).toFixed(0))
    }
    console.log(name, times.join(' '))
  }
  if (process.env.EXPLAIN) {
    const r = await db.execute(sql.raw('explain analyze ' + process.env.EXPLAIN))
    console.log(r.rows.map((x) => Object.values(x)[0]).join('\n'))
  }
  await close()
}, 600000)
