import type { Server } from 'node:http'
import { endStreams } from '../streams.ts'
import { log } from '../log.ts'

/** Milliseconds that requests have to be answered in once the process is to end: an upload of a large file may. */
const GRACE = 25_000

/** Ends a web process: nothing new is taken, event streams are closed, what is being answered is answered. */
export async function drain(server: Server): Promise<void> {
  const closed = new Promise<void>((done) => server.close(() => done()))
  endStreams()
  // A browser keeps its line open for the next request, which must find another process.
  const idle = setInterval(() => server.closeIdleConnections(), 200)
  server.closeIdleConnections()
  const late = setTimeout(() => {
    log.warn('requests are broken off: they took too long to end')
    server.closeAllConnections()
  }, GRACE)
  await closed
  clearInterval(idle)
  clearTimeout(late)
}
