/** Under which names this server may be asked: any other name is somebody else's page that was pointed here. */
import { hostname, networkInterfaces } from 'node:os'

const LOCAL = ['localhost', '127.0.0.1', '[::1]', '0.0.0.0']

/** A name without its port; an address of version 6 keeps its brackets. */
const nameOf = (host: string): string => {
  const [name] = /^\[[^\]]*\]|^[^:]*/.exec(host.trim().toLowerCase()) ?? ['']
  return name.replace(/\.$/, '')
}

function urlName(text: string): string | null {
  try {
    return nameOf(new URL(text).host)
  } catch {
    return null
  }
}

const ofMachine = (): string[] => {
  const addresses = Object.values(networkInterfaces()).flatMap((all) => all ?? [])
  const [short] = hostname().split('.')
  return [
    ...addresses.map(({ address, family }) => (family === 'IPv6' ? `[${address.toLowerCase()}]` : address)),
    ...[hostname(), short, `${short}.local`].map((name) => name.toLowerCase()),
  ]
}

/** @param env `BOULDER_URL`, the address people use, and `BOULDER_HOSTS`, further names parted by commas */
export function knownHosts(env: Readonly<Record<string, string | undefined>>): ReadonlySet<string> {
  const own = env.BOULDER_URL ? urlName(env.BOULDER_URL) : null
  const more = (env.BOULDER_HOSTS ?? '').split(',').map(nameOf)
  return new Set([...LOCAL, ...ofMachine(), ...more, ...(own ? [own] : [])].filter(Boolean))
}

export const isKnownHost = (host: string | null, known: ReadonlySet<string>): boolean => host !== null && known.has(nameOf(host))

const portOf = (host: string): string => /:(\d+)$/.exec(host.replace(/^\[[^\]]*\]/, ''))?.[1] ?? ''

/**
 * Whether a request comes from one of our own pages, or from no page at all. Another program on the same machine has
 * another port, and is another page.
 * @param host that was asked; @param own the address people use, where a proxy stands before this server
 */
export function isOwnOrigin(origin: string | null, host: string, own: string | undefined): boolean {
  if (origin === null) return true
  if (own && URL.canParse(own) && new URL(own).origin === origin) return true
  if (!URL.canParse(origin)) return false
  const from = new URL(origin).host
  return nameOf(from) === nameOf(host) && portOf(from) === portOf(host)
}
