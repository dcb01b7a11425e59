import { z } from 'zod'
import type { RegisterEntry } from '../../core/dossier/index.ts'
import type { Register } from '../../core/program/index.ts'
import { log } from '../log.ts'
import { BadAnswer, postJson } from '../web/ask-outside.ts'

/** A register outside that does not answer in this time is left out, and the log says so. */
const PATIENCE_MS = 3000
/** A register outside that did not answer is left alone for so long: whoever asks next must not wait for it again. */
const REST_MS = 30_000

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
  try {
    const said = await postJson(address, { number: sought.key, name: sought.name }, PATIENCE_MS)
    const [entry] = answerSchema.parse(said).entries
    return entry ? { register, ...entry } : null
  } catch (error) {
    // It answers: what is wrong with one answer says nothing of the next.
    const answers = error instanceof BadAnswer || error instanceof z.ZodError
    if (!answers) restingUntil.set(address, Date.now() + REST_MS)
    throw away(register, error)
  }
}

function away(register: Register, error: unknown): RegisterAway {
  // What it answered may hold anything: its text is not for the log.
  const why = error instanceof z.ZodError ? 'its answer has another form' : String(error)
  log.warn({ register: register.id, error: why.slice(0, 200) }, 'a register could not be asked')
  return new RegisterAway(why)
}
