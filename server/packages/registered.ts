import { and, eq, sql } from 'drizzle-orm'
import { z } from 'zod'
import { type RegisterEntry, type RegisterSide, registerSides, soughtIn } from '../../core/dossier/index.ts'
import { localeOfLender } from '../../core/locale/index.ts'
import type { Assessment } from '../../core/pipeline/index.ts'
import type { Program, Register } from '../../core/program/index.ts'
import { fold, squeeze } from '../../core/text/index.ts'
import { lenderOf } from '../access/organisations.ts'
import type { Person } from '../access/person.ts'
import { addressOf, registersOf } from '../configuration/registers.ts'
import { database } from '../database/connection.ts'
import { registerRows } from '../database/schema.ts'
import { log } from '../log.ts'

/** Names less alike than this are other names. */
const ALIKE = 0.45
/** A register outside that does not answer in this time is left out, and the log says so. */
const PATIENCE_MS = 3000

/** What registers say of a package, and which of them could not be asked. */
export interface RegistersSay {
  sides: Record<string, RegisterSide>
  /** Names of registers that do not answer just now. */
  away: string[]
}

/** The best entry of a register for a number or a name; by likeness of trigrams where the number finds none. */
export async function lookUp(
  organisationId: string,
  register: Register,
  sought: { key: string | null; name: string | null },
): Promise<RegisterEntry | null> {
  const outside = addressOf(organisationId, register.id)
  if (outside) return askOutside(outside, register, sought)
  const own = and(eq(registerRows.organisationId, organisationId), eq(registerRows.register, register.id))
  if (sought.key) {
    const [row] = await database()
      .select({ body: registerRows.body })
      .from(registerRows)
      .where(and(own, eq(registerRows.key, squeeze(sought.key))))
      .limit(1)
    if (row) return { register, row: row.body, by: 'number', score: 1 }
  }
  if (!sought.name) return null
  const name = fold(sought.name)
  const likeness = sql<number>`similarity(${registerRows.name}, ${name})`
  const [row] = await database()
    .select({ body: registerRows.body, score: likeness })
    .from(registerRows)
    .where(and(own, sql`${registerRows.name} % ${name}`))
    .orderBy(sql`${likeness} desc`)
    .limit(1)
  return row && row.score >= ALIKE ? { register, row: row.body, by: 'name', score: row.score } : null
}

/** A register outside that did not answer is left alone for so long: whoever asks next must not wait for it again. */
const REST_MS = 30_000
const awayUntil = new Map<string, number>()
const isAway = (address: string | undefined): boolean =>
  address !== undefined && Date.now() < (awayUntil.get(address) ?? 0)

const answerSchema = z.object({
  entries: z.array(
    z.object({
      row: z.record(z.string(), z.string()),
      by: z.enum(['number', 'name']),
      score: z.number().min(0).max(1),
    }),
  ),
})

/** Asks a register over HTTP. One that is away costs nobody their screen. */
async function askOutside(
  address: string,
  register: Register,
  sought: { key: string | null; name: string | null },
): Promise<RegisterEntry | null> {
  if (isAway(address)) return null
  try {
    const url = new URL(address)
    if (sought.key) url.searchParams.set('number', sought.key)
    if (sought.name) url.searchParams.set('name', sought.name)
    const answer = await fetch(url, { signal: AbortSignal.timeout(PATIENCE_MS) })
    if (!answer.ok) throw new Error(`it answered with ${answer.status}`)
    const [entry] = answerSchema.parse(await answer.json()).entries
    return entry ? { register, ...entry } : null
  } catch (error) {
    awayUntil.set(address, Date.now() + REST_MS)
    log.warn({ register: register.id, error: String(error) }, 'a register could not be asked')
    return null
  }
}

/** What the registers say of the facts of a package. */
export async function registersSay(
  who: Pick<Person, 'organisationId'>,
  assessment: Assessment,
  program: Program,
): Promise<RegistersSay> {
  const { organisationId } = who
  const all = await registersOf(organisationId)
  const entries = await Promise.all(
    all.map(async (register) => {
      const sought = soughtIn(register, assessment.facts)
      return sought ? lookUp(organisationId, register, sought) : null
    }),
  )
  const locale = localeOfLender(await lenderOf(database(), organisationId))
  return {
    sides: Object.fromEntries(
      registerSides(
        entries.filter((e) => e !== null),
        assessment.facts,
        program,
        locale,
      ),
    ),
    away: all.filter((r) => isAway(addressOf(organisationId, r.id))).map((r) => r.title),
  }
}
