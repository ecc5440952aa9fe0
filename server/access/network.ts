import { networkInterfaces } from 'node:os'

/** The addresses of this machine that another one can reach, IPv4 first. */
export const ownAddresses = (): string[] =>
  Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter(({ internal, address }) => !internal && !address.startsWith('fe80:'))
    .sort((a, b) => a.family.localeCompare(b.family))
    .map(({ address, family }) => (family === 'IPv6' ? `[${address}]` : address))
