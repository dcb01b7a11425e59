import { and, eq, sql } from 'drizzle-orm'
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
import { askOutside, RegisterAway } from './register-outside.ts'

/** Names less alike than this are other names. */
const ALIKE = 0.45

/** What registers say of a package, and which of them could not be asked. */
export interface RegistersSay {
  sides: Record<string, RegisterSide>
  /** Names of registers that do not answer just now. */
  away: string[]
}

/**
 * The best entry of a register for a number or a name; by likeness of trigrams where the number finds none.
 * @throws RegisterAway where it is asked over the network and does not answer
 */
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

/** What the registers say of the facts of a package. */
export async function registersSay(
  who: Pick<Person, 'organisationId'>,
  assessment: Assessment,
  program: Program,
): Promise<RegistersSay> {
  const { organisationId } = who
  const away: string[] = []
  const entries = await Promise.all(
    (await registersOf(organisationId)).map(async (register) => {
      const sought = soughtIn(register, assessment.facts)
      if (!sought) return null
      return lookUp(organisationId, register, sought).catch((error: unknown) => {
        // One that is away costs nobody their screen.
        if (!(error instanceof RegisterAway)) throw error
        away.push(register.title)
        return null
      })
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
    away,
  }
}
