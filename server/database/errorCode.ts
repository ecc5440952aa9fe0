/** The code of a system error, such as ENOENT; null where it is another error. */
export const errorCode = (error: unknown): string | null =>
  error instanceof Error && 'code' in error && typeof error.code === 'string' ? error.code : null
