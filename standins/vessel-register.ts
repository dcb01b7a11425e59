import { createServer } from 'node:http'
import { comparers } from '../core/matching/index.ts'
import { squeeze } from '../core/text/index.ts'

/** An entry as the register keeps it. */
export interface Vessel {
  hull_number: string
  name: string
  owner: string
}

/**
 * A register of vessels over HTTP: `?number=` finds a hull exactly, `?name=` by its name. Resolves once it
 * listens on loopback.
 */
export function startVesselRegister(
  entries: () => readonly Vessel[],
  port = 0,
): Promise<{ url: string; stop: () => Promise<void> }> {
  const server = createServer((request, response) => {
    const asked = new URL(request.url ?? '/', 'http://localhost').searchParams
    const vessels = entries()
    const [number, name] = [asked.get('number'), asked.get('name')]
    const exact = number ? vessels.find((v) => squeeze(v.hull_number) === squeeze(number)) : undefined
    const named = name
      ? vessels.find(
          (v) =>
            comparers.text({ value: v.name, confidence: 1 }, { value: name, confidence: 1 }).relation !==
            'different',
        )
      : undefined
    const found = exact
      ? [{ row: exact, by: 'number', score: 1 }]
      : named
        ? [{ row: named, by: 'name', score: 0.9 }]
        : []
    response.setHeader('Content-Type', 'application/json')
    response.end(JSON.stringify({ entries: found }))
  })
  return new Promise((resolve, reject) => {
    server.once('error', reject)
    server.listen(port, '127.0.0.1', () => {
      const address = server.address()
      resolve({
        url: `http://127.0.0.1:${typeof address === 'object' && address ? address.port : port}/vessels`,
        stop: () =>
          new Promise((done) => {
            server.close(() => done())
            server.closeAllConnections()
          }),
      })
    })
  })
}
