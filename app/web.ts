import { serve } from '@hono/node-server'
import type { Server } from 'node:http'
import { createRequestHandler, type ServerBuild } from 'react-router'
import { API } from '../server/api/address.ts'
import { api } from '../server/api/app.ts'
import { listenForMail } from '../server/arrivals/hand-in.ts'
import { closeDatabase } from '../server/database/connection.ts'
import { endReaders } from '../server/jobs/readers.ts'
import { log } from '../server/log.ts'
import { UPLOAD_HOURS } from '../server/packages/intake.ts'
import { settings } from '../server/settings.ts'
import { hasSession } from '../server/access/auth.ts'
import { serverEntry } from '../server/web/entry.ts'
import { drain } from '../server/web/drain.ts'
import { publicRoutes } from '../server/web/public-routes.ts'
import { CHANGES, count } from '../server/web/rate-limits.ts'

declare module 'react-router' {
  interface AppLoadContext {
    /** Marks the scripts that the page itself brings. */
    nonce: string
  }
}

/** Minutes after which a line on which nothing moves is closed; a large package is cut for some before it flows. */
const SILENT_MINUTES = 15

/** The web process: what is built for browsers as files, all else by the routes. */

const { PORT, HOST, BASE_URL, TRUSTED_PROXIES, METRICS_KEY, OPENID, MAIL_LISTEN } = settings()
const routes = createRequestHandler(
  () => import('virtual:react-router/server-build') as Promise<unknown> as Promise<ServerBuild>,
  'production',
)
const web = serverEntry({
  baseUrl: BASE_URL,
  proxies: TRUSTED_PROXIES,
  formTargets: Object.values(OPENID).map(({ issuer }) => new URL(issuer).origin),
  open: publicRoutes(METRICS_KEY).route(API, api()),
  hasSession,
  rate: (client) => count(CHANGES, client),
  handle: (request, nonce) => routes(request, { nonce }),
})
const server = serve({ fetch: web.fetch, port: PORT, hostname: HOST }) as Server
server.on('error', (error: NodeJS.ErrnoException) => {
  log.fatal({ code: error.code, port: PORT, host: HOST }, 'the web process cannot listen')
  process.exit(1)
})

const mail = MAIL_LISTEN ? listenForMail(MAIL_LISTEN) : null
mail?.catch((error: NodeJS.ErrnoException) => {
  log.fatal({ code: error.code, ...MAIL_LISTEN }, 'the web process cannot listen for mail')
  process.exit(1)
})

// Node.js gives a request five minutes to be there whole, which a large file on a slow line is not.
server.requestTimeout = UPLOAD_HOURS * 3_600_000
server.timeout = SILENT_MINUTES * 60_000

let ending = false
process.on('SIGTERM', () => {
  if (ending) return
  ending = true
  void Promise.all([drain(server), mail?.then(({ stop }) => stop())])
    .then(endReaders)
    .then(closeDatabase)
    .finally(() => process.exit(0))
})
