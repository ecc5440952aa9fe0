/** A field of an error; what is thrown need not be an Error: PGlite's file system throws objects of its own. */
const field = (error: unknown, name: 'code' | 'errno' | 'message' | 'cause'): unknown =>
  error instanceof Object ? Reflect.get(error, name) : undefined

/** The code of a system error, such as ENOENT; empty where it has none. */
export function errorCode(error: unknown): string {
  const code = field(error, 'code')
  return typeof code === 'string' ? code : ''
}

/** The number of an error of PGlite's file system; null where it has none. */
export function errorNumber(error: unknown): number | null {
  const errno = field(error, 'errno')
  return typeof errno === 'number' ? errno : null
}

/** Whether an error, or what caused it, is so. */
export function isCausedBy(error: unknown, is: (one: { code: string; message: string }) => boolean): boolean {
  if (!(error instanceof Object)) return false
  const message = field(error, 'message')
  return (
    is({ code: errorCode(error), message: typeof message === 'string' ? message : '' }) ||
    isCausedBy(field(error, 'cause'), is)
  )
}
