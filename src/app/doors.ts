/** Who may speak to this program, and from where. */

const OWN_MACHINE = ['localhost', '127.0.0.1', '[::1]']
const READS = new Set(['GET', 'HEAD'])

/** Names this program answers to: this machine's own, the one it listens on, and what the shop has named. */
function allowedHosts(): readonly string[] {
  const named = (process.env.KALIBROS_HOSTS ?? '')
    .split(',')
    .map((name) => name.trim().toLowerCase())
    .filter(Boolean)
  const listening = process.env.HOST && !['0.0.0.0', '::'].includes(process.env.HOST) ? [process.env.HOST.toLowerCase()] : []
  return [...OWN_MACHINE, ...listening, ...named]
}

/** Whether a Host header names this program, whatever the port. */
export function isAllowedHost(host: string | null): boolean {
  if (host === null) return false
  const name = host.toLowerCase().replace(/:\d+$/, '')
  return allowedHosts().includes(name)
}

/**
 * Whether a write, or a look that is no visit, comes from a page of this very address. A browser says where it comes from; a gauge or
 * a script says nothing and is no page. Over plain http only `Origin` tells, and a sub-domain is another site. A page of this
 * program may be visited from anywhere: a link in a mail is no send.
 */
export function isOwnOrigin(method: string, headers: Pick<Headers, 'get'>): boolean {
  if (READS.has(method) && headers.get('sec-fetch-mode') === 'navigate') return true
  const site = headers.get('sec-fetch-site')
  if (site !== null && site !== 'same-origin' && site !== 'none') return false
  const origin = headers.get('origin')
  if (origin === null) return true
  try {
    return new URL(origin).host === headers.get('host')
  } catch {
    return false
  }
}
