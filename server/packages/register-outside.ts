import { z } from 'zod'
import type { RegisterEntry } from '../../core/dossier/index.ts'
import type { Register } from '../../core/program/index.ts'
import { jsonOf } from '../json.ts'
import { log } from '../log.ts'

/** A register outside that does not answer in this time is left out, and the log says so. */
const PATIENCE_MS = 3000
/** A register outside that did not answer is left alone for so long: whoever asks next must not wait for it again. */
const REST_MS = 30_000
/** Some entries, and no more: a register that sends without end must not fill memory. */
const MOST_BYTES = 256 * 1024

/** A register that is asked over the network does not answer, or not in its form. */
export class RegisterAway extends Error {}

const restingUntil = new Map<string, number>()

const answerSchema = z.object({
  entries: z.array(
    z.object({
      row: z.record(z.string(), z.string()),
      by: z.enum(['number', 'name']),
      score: z.number().min(0).max(1),
    }),
  ),
})

/**
 * Asks a register over HTTP: a POST of `{"number", "name"}`, so that names of applicants stand in nobody's log of
 * addresses; `{"entries": [{row, by, score}]}` comes back, the best first. It may not send us elsewhere.
 * @throws RegisterAway
 */
export async function askOutside(
  address: string,
  register: Register,
  sought: { key: string | null; name: string | null },
): Promise<RegisterEntry | null> {
  if (Date.now() < (restingUntil.get(address) ?? 0)) throw new RegisterAway('it did not answer just now')
  const answer = await fetch(address, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Accept: 'application/json' },
    body: JSON.stringify({ number: sought.key, name: sought.name }),
    redirect: 'error',
    signal: AbortSignal.timeout(PATIENCE_MS),
  }).catch((error: unknown) => {
    restingUntil.set(address, Date.now() + REST_MS)
    throw away(register, error)
  })
  try {
    if (!answer.ok) throw new Error(`it answered with ${answer.status}`)
    const [entry] = answerSchema.parse(jsonOf(await shortText(answer))).entries
    return entry ? { register, ...entry } : null
  } catch (error) {
    // It answers: what is wrong with one answer says nothing of the next.
    throw away(register, error)
  }
}

function away(register: Register, error: unknown): RegisterAway {
  // What it answered may hold anything: its text is not for the log.
  const why = error instanceof z.ZodError ? 'its answer has another form' : String(error)
  log.warn({ register: register.id, error: why.slice(0, 200) }, 'a register could not be asked')
  return new RegisterAway(why)
}

/** The text of an answer. @throws Error where it is longer than any answer is */
async function shortText(answer: Response): Promise<string> {
  const parts: Uint8Array[] = []
  let size = 0
  for await (const part of answer.body as unknown as AsyncIterable<Uint8Array>) {
    size += part.length
    if (size > MOST_BYTES) throw new Error('its answer is too long')
    parts.push(part)
  }
  return Buffer.concat(parts).toString('utf8')
}
