import { readFileSync } from 'node:fs'
import { connect, type Socket } from 'node:net'

/** The system's own list of connections, one for each family of addresses. */
const LISTS = ['/proc/net/tcp', '/proc/net/tcp6']
const ESTABLISHED = '01'
const read = (path: string): string => {
  try {
    return readFileSync(path, 'utf8')
  } catch {
    return ''
  }
}

/**
 * The number of the user whose process holds the other end of a connection from this machine; null where the system
 * does not tell. Source: proc_net(5) (Linux), the line whose local end is the connection's remote one.
 */
export function userOf(
  { remoteAddress = '', remotePort = 0, localAddress = '', localPort = 0 }: Partial<Socket>,
  lists: readonly string[] = LISTS.map(read),
): number | null {
  const [theirs, ours] = [endAs(remoteAddress, remotePort), endAs(localAddress, localPort)]
  for (const line of lists.flatMap((list) => list.split('\n'))) {
    const [, local, remote, state, , , , user] = line.trim().split(/\s+/)
    if (local === theirs && remote === ours && state === ESTABLISHED) return Number(user)
  }
  return null
}

/** Whether this system tells whose a connection is, tried with one of one's own to a port of this machine. */
export async function tellsUsers(port: number, host: string): Promise<boolean> {
  const mine = connect(port, host)
  const connected = await new Promise<boolean>((resolve) => {
    mine.once('connect', () => resolve(true)).once('error', () => resolve(false))
  })
  const { localAddress, localPort, remoteAddress, remotePort } = mine
  // As the other end sees it.
  const there = {
    remoteAddress: localAddress,
    remotePort: localPort,
    localAddress: remoteAddress,
    localPort: remotePort,
  }
  const tells = connected && userOf(there) === process.getuid?.()
  mine.destroy()
  return tells
}

/** An end of a connection as the list writes it: each 32 bits of the address with their last byte first. */
function endAs(address: string, port: number): string {
  const four = address.replace(/^::ffff:/, '')
  const bytes = four === '::1' ? [...Array<number>(15).fill(0), 1] : four.split('.').map(Number)
  const words = Array.from({ length: bytes.length / 4 }, (_, i) => bytes.slice(4 * i, 4 * i + 4).reverse())
  return `${words
    .flat()
    .map((byte) => hex(byte, 2))
    .join('')}:${hex(port, 4)}`
}
const hex = (figure: number, digits: number): string => figure.toString(16).toUpperCase().padStart(digits, '0')
