import { cpSync, readdirSync, readFileSync, realpathSync, symlinkSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

/** A built server that is a version later, in a new folder: the same with one migration more. */
export function laterVersion(folder: string): string {
  cpSync('.output/server/migrations', join(folder, 'server/migrations'), { recursive: true })
  for (const name of readdirSync('.output/server'))
    if (name !== 'migrations')
      cpSync(join('.output/server', name), join(folder, 'server', name), { recursive: true, verbatimSymlinks: true })
  symlinkSync(realpathSync('.output/public'), join(folder, 'public'))
  const journal = join(folder, 'server/migrations/meta/_journal.json')
  const { entries, ...rest } = JSON.parse(readFileSync(journal, 'utf8')) as { entries: { idx: number; when: number }[] }
  const last = entries.at(-1)!
  const more = { ...last, idx: last.idx + 1, when: last.when + 1000, tag: '9999_more' }
  writeFileSync(journal, JSON.stringify({ ...rest, entries: [...entries, more] }))
  writeFileSync(join(folder, 'server/migrations/9999_more.sql'), 'ALTER TABLE "things" ADD COLUMN "shelf" text;')
  return folder
}
