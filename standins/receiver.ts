import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { text } from 'node:stream/consumers'

/** What somebody posted, as whoever asks is shown it. */
export interface Received {
  event: string | null
  body: unknown
  files: string[]
  at: string
  signatureValid: boolean | null
}

const parsed = (said: string): unknown => {
  try {
    return JSON.parse(said) as unknown
  } catch {
    return said
  }
}

/** A receiving system for a demo and for tests: takes whatever is posted to it, and lists it, the newest first. */
export function startReceiver(
  port = 0,
): Promise<{ url: string; received: () => readonly Received[]; stop: () => Promise<void> }> {
  const kept: Received[] = []
  const server = createServer((request, response) => {
    if (request.method === 'GET') {
      response.writeHead(200, { 'Content-Type': 'application/json' })
      return void response.end(JSON.stringify(kept))
    }
    void text(request).then((said) => {
      const body = parsed(said)
      const event = typeof body === 'object' && body !== null && 'type' in body ? String(body.type) : null
      kept.unshift({ event, body, files: [], at: new Date().toISOString(), signatureValid: null })
      response.writeHead(200, { 'Content-Type': 'application/json' }).end('{}')
    })
  })
  return new Promise((done) =>
    server.listen(port, '127.0.0.1', () =>
      done({
        url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
        received: () => kept,
        stop: () =>
          new Promise((ended) => {
            server.close(() => ended())
            server.closeAllConnections()
          }),
      }),
    ),
  )
}
