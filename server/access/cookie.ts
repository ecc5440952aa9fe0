/** The value of a cookie in a Cookie header; null where it is not there. */
export const cookieOf = (header: string, name: string): string | null =>
  header
    .split(/;\s*/)
    .find((one) => one.startsWith(`${name}=`))
    ?.slice(name.length + 1) ?? null
