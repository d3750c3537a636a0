/** Names of this computer itself, which no other page can have. */
const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]'])
export const NOT_OUR_HOST =
  'Instant Fit does not answer under this name. Whoever runs it can allow more names in INSTANT_FIT_HOSTS, with commas between them.\n'

/** Whether a Host header names this application: this computer, or a name that was allowed, on any port. */
export function isOurHost(host: string | null): boolean {
  const [, name = ''] = /^([a-z0-9.-]{1,253}|\[[0-9a-f:.]{2,45}\])(?::\d{1,5})?$/.exec((host ?? '').toLowerCase()) ?? []
  return LOOPBACK.has(name) || allowed().has(name)
}

function allowed(): ReadonlySet<string> {
  return new Set(
    (process.env.INSTANT_FIT_HOSTS ?? '')
      .toLowerCase()
      .split(/[\s,]+/)
      .filter(Boolean),
  )
}

/**
 * Whether a change is asked for by our own pages, or by no page at all. Browsers say where a request comes from (Fetch Standard, “Origin”
 * header; W3C Fetch Metadata); what says neither is no browser.
 */
export function isOwnRequest(headers: Headers): boolean {
  const origin = headers.get('origin')
  if (origin !== null && originHost(origin) !== headers.get('host')?.toLowerCase()) return false
  const site = headers.get('sec-fetch-site')
  return site === null || site === 'same-origin' || site === 'none'
}

/** Where the application is, as the browser that asks names it. */
export function hereOf(headers: Headers): { readonly origin: string; readonly name: string } {
  const host = headers.get('host') ?? 'localhost'
  const scheme = headers.get('x-forwarded-proto') === 'https' ? 'https' : 'http'
  return { origin: headers.get('origin') ?? `${scheme}://${host}`, name: host.replace(/:\d+$/, '') }
}

function originHost(origin: string): string | null {
  try {
    return new URL(origin).host
  } catch {
    return null // “null”, which a sandboxed page or a file says.
  }
}
