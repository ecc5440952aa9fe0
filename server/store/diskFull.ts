/** ENOSPC from the file system, or PostgreSQL's own disk_full, anywhere in the chain of causes. */
export function isDiskFull(error: unknown): boolean {
  for (
    let at = error as { code?: string; message?: string; cause?: unknown } | undefined;
    at;
    at = at.cause as typeof at
  ) {
    if (at.code === 'ENOSPC' || at.code === '53100' || /no space left/i.test(at.message ?? '')) return true
  }
  return false
}
