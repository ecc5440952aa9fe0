import { isCausedBy } from './errors'

/** ENOSPC from the file system, or PostgreSQL's own disk_full. */
export const isDiskFull = (error: unknown): boolean =>
  isCausedBy(error, ({ code, message }) => code === 'ENOSPC' || code === '53100' || /no space left/i.test(message))

/**
 * Of the way to a PostgreSQL server, and of one that ends, begins, takes no more in or lets nobody in (its classes 08,
 * 28, 57P and 53; 3D000 and 55000: a database that is not there or forbids connections).
 */
const AWAY = /^(ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT|ENOTFOUND|EAI_AGAIN|08...|28...|57P0[123]|53300|3D000|55000)$/

/** Whether the database server does not answer: it is asked again later. */
export const isDatabaseAway = (error: unknown): boolean =>
  isCausedBy(
    error,
    ({ code, message }) =>
      AWAY.test(code) ||
      /^(Connection terminated|Client has encountered a connection error|timeout exceeded when trying to connect)/.test(
        message,
      ),
  )
