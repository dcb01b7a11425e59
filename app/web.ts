import { createRequestHandler } from '@react-router/express'
import compression from 'compression'
import express from 'express'
import type { ServerBuild } from 'react-router'
import { settings } from '../server/settings.ts'

/** The web process: what is built for browsers as files, all else by the routes. */

const { PORT, HOST } = settings()
const web = express()
web.disable('x-powered-by')
web.use(compression())
// Assets carry a digest of their contents in their names.
web.use('/assets', express.static('build/client/assets', { immutable: true, maxAge: '1y' }))
web.use(express.static('build/client', { maxAge: '1h' }))
web.use(
  createRequestHandler({
    build: () => import('virtual:react-router/server-build') as unknown as Promise<ServerBuild>,
    mode: 'production',
  }),
)
const server = HOST ? web.listen(PORT, HOST) : web.listen(PORT)
// A request that is being answered is let end; event streams are closed by their clients or the process's end.
process.once('SIGTERM', () => {
  server.close(() => process.exit(0))
  server.closeIdleConnections()
})
