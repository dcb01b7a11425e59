import { jsonOf } from '../json.ts'

/** An answer, and no more: a service that sends without end must not fill memory. */
const MOST_BYTES = 256 * 1024

/** A service outside answered, and not as it should. */
export class BadAnswer extends Error {}

/**
 * Asks a service outside: a POST of JSON, so that what stands on applicants' papers stands in nobody's log of addresses.
 * It may not send us elsewhere.
 * @throws BadAnswer where its answer is of no use; another Error where it does not answer in time
 */
export async function postJson(address: string, body: unknown, patienceMs: number): Promise<unknown> {
  const answer = await fetch(address, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Accept: 'application/json' },
    body: JSON.stringify(body),
    redirect: 'error',
    signal: AbortSignal.timeout(patienceMs),
  })
  if (!answer.ok) throw new BadAnswer(`it answered with ${answer.status}`)
  return jsonOf(await shortText(answer))
}

async function shortText(answer: Response): Promise<string> {
  const parts: Uint8Array[] = []
  let size = 0
  for await (const part of (answer.body ?? []) as unknown as AsyncIterable<Uint8Array>) {
    size += part.length
    if (size > MOST_BYTES) throw new BadAnswer('its answer is too long')
    parts.push(part)
  }
  return Buffer.concat(parts).toString('utf8')
}
