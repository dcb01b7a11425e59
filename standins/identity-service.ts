import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { json } from 'node:stream/consumers'
import { z } from 'zod'

const askedSchema = z.object({
  values: z.record(z.string(), z.string()),
  picture: z.string().min(1),
})

/** Values that every identity paper says, whatever they are called, by what the service knows them as. */
const NEEDED = ['document_number', 'date_of_birth', 'expiry_date'] as const

/**
 * A service that says whether an identity paper can be real, by what it is told of it alone: a made-up one for the demo.
 * Numbers that end in 0 are of papers that it has on a list.
 */
export function judgeIdentity(
  values: Record<string, string>,
  today: string,
): { verdict: 'valid' | 'not valid' | 'cannot tell'; reasons: string[] } {
  const lacking = NEEDED.filter((name) => !values[name])
  if (lacking.length > 0)
    return {
      verdict: 'cannot tell',
      reasons: lacking.map((name) => `no ${name.replaceAll('_', ' ')} is readable`),
    }
  const reasons = [
    ...(values.expiry_date < today ? ['it ran out'] : []),
    ...(values.date_of_birth > today ? ['the date of birth lies ahead'] : []),
    ...(values.document_number.endsWith('0') ? ['the number is on the list of lost papers'] : []),
  ]
  return { verdict: reasons.length > 0 ? 'not valid' : 'valid', reasons }
}

/** Serves it on loopback: `POST /` of `{type, values, picture}`. */
export function startIdentityService(): Promise<{ url: string; stop: () => Promise<void> }> {
  const server = createServer((request, response) => {
    void json(request).then(
      (body) => {
        const asked = askedSchema.safeParse(body)
        response.writeHead(asked.success ? 200 : 400, { 'Content-Type': 'application/json' })
        response.end(
          JSON.stringify(
            asked.success
              ? judgeIdentity(asked.data.values, new Date().toISOString().slice(0, 10))
              : { problem: 'values and a picture are needed' },
          ),
        )
      },
      () => response.writeHead(400).end(),
    )
  })
  return new Promise((done) =>
    server.listen(0, '127.0.0.1', () =>
      done({
        url: `http://127.0.0.1:${(server.address() as AddressInfo).port}/`,
        stop: () =>
          new Promise((ended) => {
            server.close(() => ended())
            server.closeAllConnections()
          }),
      }),
    ),
  )
}
