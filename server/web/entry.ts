import type { HttpBindings } from '@hono/node-server'
import { Hono, type Context, type MiddlewareHandler } from 'hono'
import { compress } from 'hono/compress'
import { requestId, type RequestIdVariables } from 'hono/request-id'
import { NONCE, secureHeaders, type SecureHeadersVariables } from 'hono/secure-headers'
import proxyAddr from 'proxy-addr'
import { log } from '../log.ts'
import { observeRequest } from '../metrics.ts'
import { mayChange, originOf, originsOf } from './addresses.ts'
import { bodyLimit, counted, tooLargeSentence } from './body-limits.ts'
import { CLIENT_HEADER } from './client.ts'
import type { Verdict } from './rate-limits.ts'

export interface EntryOptions {
  baseUrl: string
  /** Addresses and networks of proxies whose `X-Forwarded-For` is believed. */
  proxies: readonly string[]
  /** Origins besides ours that a form may lead to: whoever vouches for people. */
  formTargets: readonly string[]
  /** What is answered to everybody: files, health. */
  open: Hono
  /** Whether a session cookie comes with a request; a forged one gets no further than the route. */
  hasSession: (cookies: string) => boolean
  /** Counts a request that changes something against its client. */
  rate: (client: string) => Promise<Verdict>
  /** Answers what no middleware has: the routes. */
  handle: (request: Request, nonce: string) => Promise<Response>
}

interface EntryEnv {
  Bindings: HttpBindings
  Variables: RequestIdVariables & SecureHeadersVariables & { client: string }
}

/** Applicants' data and what belongs to one person must not stay in anybody's cache. */
const NOT_STORED = 'no-store'

const SCRIPTS = ["'self'", NONCE]

/**
 * What stands between the network and the routes: who is asking and from where, how much and how often, what the
 * answer's reader may do with it, and a line in the log.
 */
export function serverEntry({
  baseUrl,
  proxies,
  formTargets,
  open,
  hasSession,
  rate,
  handle,
}: EntryOptions): Hono<EntryEnv> {
  const origins = originsOf(baseUrl)
  const trusts = proxyAddr.compile([...proxies])
  const overTls = baseUrl.startsWith('https://')
  const clientOf = (c: Context<EntryEnv>): string =>
    c.env?.incoming ? proxyAddr(c.env.incoming, trusts) : 'unknown'

  const told: MiddlewareHandler<EntryEnv> = async (c, next) => {
    const began = performance.now()
    c.set('client', clientOf(c))
    await next()
    const seconds = (performance.now() - began) / 1000
    observeRequest(c.req.method, c.res.status, seconds)
    // The path alone: what follows it names applicants and their files.
    log.info(
      {
        id: c.get('requestId'),
        client: c.get('client'),
        method: c.req.method,
        path: c.req.path,
        status: c.res.status,
        ms: Math.round(seconds * 1000),
      },
      'request',
    )
  }

  const headers = secureHeaders({
    contentSecurityPolicy: {
      defaultSrc: ["'self'"],
      scriptSrc: SCRIPTS,
      styleSrc: SCRIPTS,
      imgSrc: ["'self'", 'data:', 'blob:'],
      fontSrc: ["'self'"],
      connectSrc: ["'self'"],
      workerSrc: ["'self'", 'blob:'],
      objectSrc: ["'none'"],
      baseUri: ["'none'"],
      formAction: ["'self'", ...formTargets],
      frameAncestors: ["'none'"],
    },
    strictTransportSecurity: overTls ? 'max-age=31536000; includeSubDomains' : false,
    xFrameOptions: 'DENY',
    referrerPolicy: 'same-origin',
    permissionsPolicy: { camera: [], microphone: [], geolocation: [], payment: [], usb: [] },
  })

  const fromHere: MiddlewareHandler<EntryEnv> = async (c, next) => {
    const { method } = c.req
    const said = { method, origin: c.req.header('origin'), site: c.req.header('sec-fetch-site') }
    if (mayChange(said, origins)) return next()
    log.warn(
      { client: c.get('client'), path: c.req.path, origin: said.origin },
      'refused: from another place',
    )
    return c.text('This comes from another place than Jigsa itself; open Jigsa and do it there.', 403)
  }

  const notTooOften: MiddlewareHandler<EntryEnv> = async (c, next) => {
    if (c.req.method === 'GET' || c.req.method === 'HEAD') return next()
    const { allowed, seconds } = await rate(c.get('client'))
    if (allowed) return next()
    c.header('Retry-After', String(seconds))
    return c.text(`Too many requests come from here. Try again in ${seconds} seconds.`, 429)
  }

  const routes = async (c: Context<EntryEnv>): Promise<Response> => {
    const raw = c.req.raw
    const most = bodyLimit(c.req.path, !hasSession(c.req.header('cookie') ?? ''))
    const refuse = () => c.text(tooLargeSentence(most), 413)
    if (Number(c.req.header('content-length') ?? 0) > most) {
      // What is not listened to is not let come on the same line.
      c.header('Connection', 'close')
      return refuse()
    }
    const url = new URL(raw.url)
    const at = originOf(c.req.header('host'), origins)
    const sent = new Headers(raw.headers)
    sent.set(CLIENT_HEADER, c.get('client'))
    let large = false
    const body =
      raw.body && most < Infinity ? counted(raw.body, most, () => (large = true)) : (raw.body ?? undefined)
    const response = await handle(
      new Request(`${at}${url.pathname}${url.search}`, {
        method: raw.method,
        headers: sent,
        signal: raw.signal,
        ...(body ? { body, duplex: 'half' } : {}),
      }),
      c.get('secureHeadersNonce') ?? '',
    )
    return large ? refuse() : response
  }

  return new Hono<EntryEnv>()
    .use(requestId())
    .use(told)
    .use(headers)
    .use(compress())
    .route('/', open)
    .use(fromHere)
    .use(notTooOften)
    .all('*', async (c) => {
      const response = await routes(c)
      if (response.headers.has('Cache-Control')) return response
      const kept = new Response(response.body, response)
      kept.headers.set('Cache-Control', NOT_STORED)
      return kept
    })
}
