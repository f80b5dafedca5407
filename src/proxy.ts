import { NextResponse, type NextRequest } from 'next/server'
import { isAllowedHost, isOwnOrigin } from '@/app/doors'

/**
 * The first look at every request. A name this program does not go by (a foreign page that points its own name here) gets
 * nothing; a write that another site's page sends with this person's browser is refused; every page gets a policy of its own
 * for what it may run and show.
 */
export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get('host')
  if (!isAllowedHost(host))
    return refusal(421, `This program does not answer to “${host ?? ''}”. If the shop calls it so, name it in KALIBROS_HOSTS.`)
  if (!isOwnOrigin(request.method, request.headers)) return refusal(403, 'Asked for by another site. Nothing was stored.')
  const nonce = crypto.randomUUID().replaceAll('-', '')
  const policy = policyFor(nonce)
  const headers = new Headers(request.headers)
  headers.set('x-nonce', nonce)
  headers.set('content-security-policy', policy)
  const response = NextResponse.next({ request: { headers } })
  response.headers.set('content-security-policy', policy)
  return response
}

function refusal(status: number, error: string): NextResponse {
  return NextResponse.json({ error }, { status, headers: { 'content-security-policy': "default-src 'none'; frame-ancestors 'none'" } })
}

/** Style attributes stay allowed: pages come with them from the server, and they run nothing. */
function policyFor(nonce: string): string {
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    `style-src 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ')
}

/** Files whose name changes with their content carry a policy from the configuration. */
export const config = { matcher: '/((?!_next/static/).*)' }
