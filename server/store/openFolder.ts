import { chmodSync, existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import { errorCode } from '../database/errors'
import { putInPlace } from '../repositories/backupRepository'
import { CannotMigrate, LaterVersion, newestMigration, openDatabase, type OpenDatabase } from './database'
import { isDiskFull } from '../database/databaseErrors'
import { CannotOpen, type OpenData } from './openData'
import { freeBytes, Reserve, RESERVE_BYTES } from './reserve'
import { keepSnapshots, type KeptSnapshots } from './keepSnapshots'
import { clearUnfinished, listSnapshots, readSnapshot } from './snapshots'
import { sync, syncTree, type DiskWatch } from '../database/syncedFolder'

/** What opening an empty folder takes, beside the reserve. */
const LEAST_BYTES = 100 * 2 ** 20
/** The write-ahead log is folded into the tables after so much of it. */
const CHECKPOINT_BYTES = 48 * 2 ** 20

/**
 * Opens the data folder: its database, made when it is missing, set aside and built anew from the newest snapshot when
 * it cannot be read. Throws CannotOpen, with all as it was, where nothing else is left. `say`: one line for who reads
 * the server's words. Source: docs/reliability.md.
 */
export async function openFolder(folder: string, say: (line: string) => void): Promise<OpenData> {
  chmodSync(folder, 0o700)
  const [path, making] = [join(folder, 'postgres'), join(folder, 'postgres.making')]
  refuseLater(folder)
  rmSync(making, { recursive: true, force: true })
  clearUnfinished(folder)
  const reserve = new Reserve(folder)
  const there = existsSync(path) && readdirSync(path).length > 0
  if (!reserve.keep() && (!there || freeBytes(folder) < RESERVE_BYTES)) throw new CannotOpen(fullText(folder))
  if (!there && freeBytes(folder) < LEAST_BYTES) throw new CannotOpen(fullText(folder))

  let [logged, checkpointing, full] = [0, false, false]
  let keeping: KeptSnapshots | null = null
  const watch: DiskWatch = {
    logged(bytes) {
      logged += bytes
      keeping?.changed()
      if (logged > CHECKPOINT_BYTES && !checkpointing) setImmediate(checkpoint)
    },
    makeRoom() {
      full = true
      return reserve.give()
    },
  }
  const database = await openOrMend(folder, path, making, watch, there, say)
  noteVersion(folder)

  /** Folds the log into the tables, so that it does not grow without end. */
  function checkpoint() {
    checkpointing = true
    void database.db
      .execute(sql`checkpoint`)
      .catch(() => undefined)
      .finally(() => {
        logged = 0
        checkpointing = false
      })
  }
  keeping = keepSnapshots(database.db, folder, say)

  return {
    db: database.db,
    hasRoom: () => {
      if (full) full = !reserve.keep()
      return !full
    },
    ...keeping.given,
    async close() {
      await keeping?.end()
      await database.close()
    },
  }
}

async function openOrMend(
  folder: string,
  path: string,
  making: string,
  watch: DiskWatch,
  there: boolean,
  say: (line: string) => void,
): Promise<OpenDatabase> {
  if (!there) {
    if (listSnapshots(folder).length > 0) await buildFromSnapshot(folder, path, making, say, 'was not there')
    else await make(path, making)
    return openDatabase(path, watch)
  }
  try {
    if (!existsSync(join(path, 'PG_VERSION'))) throw new Error('There is no PG_VERSION.')
    const database = await openDatabase(path, watch)
    try {
      await readThrough(database)
    } catch (error) {
      await database.close().catch(() => undefined)
      throw error
    }
    return database
  } catch (error) {
    if (error instanceof LaterVersion) throw new CannotOpen(laterText(folder))
    // What this version has brought up before needs no bringing up: that it does is harm.
    if (error instanceof CannotMigrate && versionSeen(folder) !== newestMigration())
      throw new CannotOpen(
        `The data in ${folder} could not be brought to this version (${error.message}). Nothing was changed: go on with the version before, and tell its makers.`,
      )
    if (isDiskFull(error)) throw new CannotOpen(fullText(folder))
    if (['EACCES', 'EPERM', 'EROFS'].includes(errorCode(error)))
      throw new CannotOpen(
        `The files in ${folder} may not be written by this user. Give them to it, or choose another folder with JAW_TILT_DATA.`,
      )
    await buildFromSnapshot(folder, path, making, say, 'could not be read')
    return openDatabase(path, watch)
  }
}

/** A new database, whole and on the disk before it has its name. */
async function make(path: string, making: string, fill?: (database: OpenDatabase) => Promise<void>): Promise<void> {
  mkdirSync(making, { recursive: true })
  const database = await openDatabase(making)
  await fill?.(database)
  await database.close()
  syncTree(making)
  if (existsSync(path)) rmSync(path, { recursive: true })
  renameSync(making, path)
  sync(join(path, '..'))
}

/** Sets aside what is there, if anything is, and builds the database from the newest snapshot that reads. */
async function buildFromSnapshot(
  folder: string,
  path: string,
  making: string,
  say: (line: string) => void,
  why: string,
): Promise<void> {
  for (const { name, at } of listSnapshots(folder)) {
    const read = await readSnapshot(folder, name)
    if (!read) continue
    const aside = `${path}.set-aside-${new Date().toISOString().slice(0, 19).replaceAll(':', '-')}`
    const was = existsSync(path)
    say(`The database in ${folder} ${why}: it is being built anew from a snapshot, which can take some minutes.`)
    if (was) renameSync(path, aside)
    let skipped = read.skipped.count
    try {
      await make(path, making, async ({ db }) => {
        skipped += (await putInPlace(db, read.backup, read.pictures)).skipped.count
      })
    } catch (error) {
      if (was && !existsSync(path)) renameSync(aside, path)
      if (isDiskFull(error)) throw new CannotOpen(fullText(folder))
      // One that cannot be brought back is passed over, as one that cannot be read is.
      rmSync(making, { recursive: true, force: true })
      continue
    } finally {
      read.close()
    }
    const left = was ? ` What was there is now ${aside}.` : ''
    const rows = skipped > 0 ? ` ${skipped} of its rows are damaged and were skipped.` : ''
    say(
      `The database in ${folder} ${why}: it was built anew from the snapshot of ${at.toISOString()}; what came after it is not in it.${rows}${left}`,
    )
    return
  }
  throw new CannotOpen(unreadableText(folder, path))
}

/**
 * Reads every row twice, by its table and by its key: throws where one cannot be read, and where a key leads to a row
 * that is gone with the end of its file.
 */
async function readThrough({ db }: OpenDatabase): Promise<void> {
  await db.transaction(async (tx) => {
    for (const table of Object.keys(KEYS)) await tx.execute(sql.raw(`select count(t::text) from "${table}" t`))
    for (const way of ['seqscan', 'bitmapscan', 'sort', 'indexonlyscan'])
      await tx.execute(sql.raw(`set local enable_${way} = off`))
    for (const [table, key] of Object.entries(KEYS))
      await tx.execute(sql.raw(`select count(*) from (select * from "${table}" order by ${key}) t`))
  })
}
const KEYS = {
  things: 'id',
  thing_versions: 'thing_id, revision',
  log: 'received',
  photos: 'id',
  settings: 'id',
} as const

/** The newest migration that this folder's data has seen: a later version is known before anything is opened. */
const versionFile = (folder: string): string => join(folder, 'data-version')
const versionSeen = (folder: string): number =>
  existsSync(versionFile(folder)) ? Number(readFileSync(versionFile(folder), 'utf8')) : 0
function refuseLater(folder: string): void {
  if (versionSeen(folder) > newestMigration()) throw new CannotOpen(laterText(folder))
}
function noteVersion(folder: string): void {
  const file = versionFile(folder)
  const text = `${newestMigration()}\n`
  if (existsSync(file) && readFileSync(file, 'utf8') === text) return
  writeFileSync(`${file}.new`, text, { mode: 0o600 })
  sync(`${file}.new`)
  renameSync(`${file}.new`, file)
  sync(folder)
}

const megabytes = (bytes: number): number => Math.ceil(bytes / 2 ** 20)
const fullText = (folder: string): string =>
  `The disk of ${folder} is full: ${megabytes(freeBytes(folder))} MB are left, ${megabytes(LEAST_BYTES + RESERVE_BYTES)} MB are needed. Make room and start again; nothing was changed.`
const laterText = (folder: string): string =>
  `The data in ${folder} was written by a later version. Start that one, or choose another folder with JAW_TILT_DATA; nothing was changed.`
const unreadableText = (folder: string, path: string): string =>
  `The database in ${path} cannot be read, and ${folder} has no snapshot that it can be built from. Move ${path} away to start empty, then bring a backup back in Preferences; nothing was changed.`
