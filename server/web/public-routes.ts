import { serveStatic } from '@hono/node-server/serve-static'
import { sql } from 'drizzle-orm'
import { Hono } from 'hono'
import { database } from '../database/connection.ts'
import { workersAlive } from '../jobs/alive.ts'
import { sameCode } from '../keys.ts'
import { metrics } from '../metrics.ts'

const YEAR = 31_536_000
const HOUR = 3600
const FILES = 'build/client'

/** What is answered to everybody, before anybody is asked who they are: files for browsers, health, figures. */
export function publicRoutes(metricsKey: string | undefined): Hono {
  return (
    new Hono()
      // Assets carry a digest of their contents in their names.
      .use(
        '/assets/*',
        serveStatic({
          root: FILES,
          onFound: (_, c) => c.header('Cache-Control', `public, max-age=${YEAR}, immutable`),
        }),
      )
      .use(
        '/:name{[^/]+\\.[a-z0-9]+}',
        serveStatic({ root: FILES, onFound: (_, c) => c.header('Cache-Control', `public, max-age=${HOUR}`) }),
      )
      .get('/health', async (c) => {
        c.header('Cache-Control', 'no-store')
        const lacks = await lacking(c.req.query('worker') !== undefined)
        return lacks ? c.json({ state: 'away', lacks }, 503) : c.json({ state: 'here' })
      })
      .get('/metrics', async (c) => {
        if (
          !metricsKey ||
          !sameCode(Buffer.from(c.req.header('authorization') ?? ''), Buffer.from(`Bearer ${metricsKey}`))
        )
          return c.notFound()
        const { type, text } = await metrics()
        return c.body(text, 200, { 'Content-Type': type, 'Cache-Control': 'no-store' })
      })
  )
}

/** What is not there that should be; null where all is. */
async function lacking(andWorker: boolean): Promise<'database' | 'worker' | null> {
  try {
    await database().execute(sql`select 1`)
    return andWorker && (await workersAlive()) === 0 ? 'worker' : null
  } catch {
    return 'database'
  }
}
