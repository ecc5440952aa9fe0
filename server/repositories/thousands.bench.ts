import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import { bench, describe } from 'vitest'
import { plantDemo } from '../demo/plantSamples'
import { openDatabase } from '../store/database'
import { pageOfBlades } from './bladeLists'
import { askedJobs, pageOfJobs } from './jobLists'
import { askedPart } from './partOfList'
import { fillDerived } from './derived'
import { readToday } from './today'

const [JOBS, BLADES, ENTRIES_A_JOB] = [20_000, 4000, 25]

/**
 * A shop of many years: the demo's blade with a record as 4,000 blades of 200 accounts, a job with it as 20,000 jobs,
 * each with 25 entries: 500,000.
 */
async function thousands() {
  const { db } = await openDatabase(mkdtempSync(join(tmpdir(), 'jaw-tilt-thousands-')))
  await plantDemo(db)
  const run = (text: string) => db.execute(sql.raw(text))
  const id = (block: number, n: string) => `('0197b000-0000-7000-800${block}-' || lpad((${n})::text, 12, '0'))`
  await run(`create temp table template as
    select l.*, row_number() over (order by received) n, count(*) over () of from log l
    where job_id = (select id from things where name like 'Scion knife%' and kind = 'jobs' limit 1)`)
  await run(`insert into things select ${id(1, 'n')}::uuid, 'blades', 1, now(), now(), null, 'Knife ' || n, version,
    content || jsonb_build_object('name', 'Knife ' || n, 'owner', 'Account ' || n % 200)
    from generate_series(1, ${BLADES}) n, things where id = (select blade_id from template limit 1)`)
  // One in ten is on the bench, one in forty is wanted back on a day.
  await run(`insert into things
    select ${id(2, 'n')}::uuid, 'jobs', 1, now() - n * interval '1 hour', now() - n * interval '1 hour',
      case when n % 10 = 0 then null else now() end, 'Job ' || n, version, content || jsonb_build_object(
        'name', 'Job ' || n, 'bladeId', ${id(1, `1 + n % ${BLADES}`)},
        'dueOn', case when n % 40 = 0 then to_char(now() + n * interval '1 minute', 'YYYY-MM-DD') end)
    from generate_series(1, ${JOBS}) n, things where id = (select job_id from template limit 1)`)
  await run(`insert into log (id, kind, at, job_id, blade_id, stone_id, version, content)
    select e.id::uuid, kind, e.at, ${id(2, 'job')}::uuid, ${id(1, `1 + job % ${BLADES}`)}::uuid, stone_id, version,
      content || jsonb_build_object('id', e.id, 'jobId', ${id(2, 'job')}, 'bladeId', ${id(1, `1 + job % ${BLADES}`)},
        'at', to_char(e.at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'))
    from generate_series(1, ${JOBS}) job, generate_series(1, ${ENTRIES_A_JOB}) line
    join template on template.n = 1 + (line - 1) % template.of,
    lateral (select ${id(3, `job * 100 + line`)} id, now() - (job * 60 - line) * interval '1 minute' as at) e`)
  await run('delete from standings')
  await run('delete from last_edges')
  await fillDerived(db)
  await run('analyze')
  return db
}

const db = await thousands()
const now = new Date().toISOString()
await readToday(db, now)

describe(`${JOBS} jobs and ${JOBS * ENTRIES_A_JOB} entries`, () => {
  const jobs = (query: object) => pageOfJobs(db, askedJobs.parse(query))
  bench('the bench’s day', async () => void (await readToday(db, now)))
  bench('the jobs last in hand', async () => void (await jobs({})))
  bench('jobs by the name of an account', async () => void (await jobs({ search: 'account 17' })))
  bench('jobs by their own name', async () => void (await jobs({ search: 'job 1234' })))
  bench('jobs that are ready', async () => void (await jobs({ standing: 'ready' })))
  bench('jobs of an account', async () => void (await jobs({ owner: 'Account 17' })))
  bench('blades by their name', async () => void (await pageOfBlades(db, askedPart.parse({ search: 'knife 39' }))))
})
