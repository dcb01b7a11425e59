import { readdir, readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { asc, notExists, sql } from 'drizzle-orm'
import { type LenderSet, loadLenderSet, typesIn } from '../../core/program/index.ts'
import { setLender } from '../access/organisations.ts'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { documentTypes, programs, registerRows, registers } from '../database/schema.ts'
import { log } from '../log.ts'
import { settings } from '../settings.ts'

/** Types, programs and registers that an organisation may begin with, from a folder of files. */
export interface StarterSet extends LenderSet {
  id: string
}

/** What of a set is taken: ids of its types, programs and registers, and whether its ways of writing are. */
export interface Chosen {
  types: readonly string[]
  programs: readonly string[]
  registers: readonly string[]
  lender: boolean
}

/** The sets of this installation, each a folder of four files; one that cannot be read is left out and logged. */
export async function starterSets(): Promise<StarterSet[]> {
  const folder = settings().STARTER_SETS
  const entries = await readdir(folder, { withFileTypes: true }).catch((error: unknown) => {
    log.warn({ folder, error: String(error) }, 'the folder of starter sets cannot be read')
    return []
  })
  const sets = await Promise.all(
    entries
      .filter((entry) => entry.isDirectory())
      .map(async ({ name }): Promise<StarterSet | null> => {
        const file = async (what: keyof LenderSet): Promise<unknown> =>
          JSON.parse(await readFile(join(folder, name, `${what}.json`), 'utf8'))
        try {
          const [lender, types, programs, registers] = await Promise.all(
            (['lender', 'types', 'programs', 'registers'] as const).map(file),
          )
          return { id: name, ...loadLenderSet({ lender, types, programs, registers }) }
        } catch (error) {
          log.warn({ set: name, error: String(error) }, 'a starter set cannot be read')
          return null
        }
      }),
  )
  return sets.filter((set) => set !== null).sort((a, b) => a.id.localeCompare(b.id))
}

/** All of a set. */
export const allOf = (set: LenderSet): Chosen => ({
  types: set.types.map((t) => t.id),
  programs: set.programs.map((p) => p.id),
  registers: set.registers.map((r) => r.id),
  lender: true,
})

/** Types that the chosen programs of a set speak of: without them their papers are known by nothing. */
export function typesSpokenOf(set: LenderSet, chosen: readonly string[]): string[] {
  const spoken = new Set(set.programs.flatMap((p) => (chosen.includes(p.id) ? [...typesIn(p)] : [])))
  return set.types.flatMap(({ id }) => (spoken.has(id) ? [id] : []))
}

/**
 * Puts what was chosen of a set beside what an organisation has, as first versions of its own: from then on it
 * changes or removes what it likes. What it has by the same id stays as it is.
 * @param who null where the installation does it, not a person
 */
export async function takeStarter(
  work: Work,
  who: Pick<Person, 'id' | 'name'> | null,
  organisationId: string,
  set: LenderSet,
  chosen: Chosen = allOf(set),
): Promise<void> {
  const types = set.types.filter((t) => chosen.types.includes(t.id))
  const taken = set.programs.filter((p) => chosen.programs.includes(p.id))
  const described = set.registers.filter((r) => chosen.registers.includes(r.id))
  const first = { organisationId, version: 1, createdById: null }
  if (types.length > 0)
    await work
      .insert(documentTypes)
      .values(types.map((body) => ({ ...first, type: body.id, body })))
      .onConflictDoNothing()
  if (taken.length > 0)
    await work
      .insert(programs)
      .values(taken.map((body) => ({ ...first, program: body.id, body })))
      .onConflictDoNothing()
  if (described.length > 0)
    await work
      .insert(registers)
      .values(described.map((body) => ({ organisationId, id: body.id, body })))
      .onConflictDoNothing()
  if (chosen.lender) await setLender(work, organisationId, set.lender)
  await note(
    work,
    who,
    { organisationId },
    'took from a starter set',
    `${set.lender.name}: ${[...taken, ...types, ...described].map((one) => one.title).join(', ')}`,
  )
}

/** Before, registers were the same for everybody: entries taken in then get the description of that name. */
export async function describeOlderRegisters(): Promise<void> {
  const sets = await starterSets()
  const undescribed = await database()
    .selectDistinct({ organisationId: registerRows.organisationId, id: registerRows.register })
    .from(registerRows)
    .where(
      notExists(
        database()
          .select({ one: sql`1` })
          .from(registers)
          .where(
            sql`${registers.organisationId} = ${registerRows.organisationId} and ${registers.id} = ${registerRows.register}`,
          ),
      ),
    )
    .orderBy(asc(registerRows.register))
  for (const { organisationId, id } of undescribed) {
    const body = sets.flatMap((set) => set.registers).find((r) => r.id === id)
    if (body) await database().insert(registers).values({ organisationId, id, body }).onConflictDoNothing()
    else log.warn({ organisationId, register: id }, 'entries of a register that nobody described')
  }
}
