import type { PgliteDatabase } from 'drizzle-orm/pglite'

/** The database, or a transaction in it. */
export type Database = Pick<
  PgliteDatabase,
  'select' | 'selectDistinct' | 'selectDistinctOn' | 'insert' | 'update' | 'delete' | 'execute' | 'transaction'
>
