/** Names that a machine has for itself: a browser may come by any of them. */
const LOOPBACK = ['localhost', '127.0.0.1', '[::1]']

/** Whether a host is this very machine: what is sent there goes over no network. */
export const isLoopback = (hostname: string): boolean => LOOPBACK.includes(hostname)

/**
 * The origins that people open the application under, the settled one first.
 * @param baseUrl the address as it is set; one of loopback stands for all names of loopback
 */
export function originsOf(baseUrl: string): string[] {
  const url = new URL(baseUrl)
  if (!isLoopback(url.hostname)) return [url.origin]
  const port = url.port ? `:${url.port}` : ''
  return [...new Set([url.hostname, ...LOOPBACK])].map((name) => `${url.protocol}//${name}${port}`)
}

/**
 * The origin that a request was made under. A proxy that ends TLS speaks plainly to us, so that what the connection
 * says is not what the browser sees; and a `Host` that a stranger makes up must not come into links.
 */
export const originOf = (host: string | undefined, origins: readonly string[]): string =>
  origins.find((origin) => new URL(origin).host === host) ?? origins[0]

/** What a request says of where it comes from. */
export interface Provenance {
  method: string
  origin: string | undefined
  /** `Sec-Fetch-Site`, by browsers that send it. */
  site: string | undefined
}

const HARMLESS = ['GET', 'HEAD', 'OPTIONS']

/**
 * Whether a request may change something: forged ones come from pages of others, other hosts of the same domain among
 * them, and carry our cookie (OWASP, Cross-Site Request Forgery Prevention: verifying origin with standard headers).
 * What says nothing of a page comes from no browser.
 */
export function mayChange({ method, origin, site }: Provenance, origins: readonly string[]): boolean {
  if (HARMLESS.includes(method)) return true
  if (origin !== undefined) return origins.includes(origin)
  return site === undefined || site === 'same-origin' || site === 'none'
}
