import { createServer } from 'node:http'
import { json } from 'node:stream/consumers'
import { z } from 'zod'
import { comparers } from '../core/matching/index.ts'
import { squeeze } from '../core/text/index.ts'

/** An entry as the register keeps it. */
export interface Vessel {
  hull_number: string
  name: string
  owner: string
}

const askedSchema = z.object({ number: z.string().nullable(), name: z.string().nullable() })

/**
 * A register of vessels over HTTP: a POST of `{"number", "name"}` finds a hull by its number exactly, else by its name.
 * Resolves once it listens on loopback.
 */
export function startVesselRegister(
  entries: () => readonly Vessel[],
  port = 0,
): Promise<{ url: string; stop: () => Promise<void> }> {
  const answer = (asked: unknown): object | null => {
    const body = askedSchema.safeParse(asked)
    if (!body.success) return null
    const { number, name } = body.data
    const vessels = entries()
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
    return { entries: found }
  }
  const server = createServer((request, response) => {
    void json(request)
      .catch(() => null)
      .then((asked) => {
        const found = answer(asked)
        response.writeHead(found ? 200 : 400, { 'Content-Type': 'application/json' })
        response.end(JSON.stringify(found ?? { title: 'number and name are needed' }))
      })
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
