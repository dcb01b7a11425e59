import { z } from 'zod'
import { tokens } from '../text/index.ts'
import type { Fact } from './schema.ts'

/** The form of a register's description. */
export const REGISTER_FORM = 1

const column = z
  .string()
  .regex(/^[a-z][a-z0-9_]*$/, 'a column is small letters, figures and underscores, beginning with a letter')

/**
 * A register outside that papers are compared with, as an organisation describes it: what each of its columns
 * says, and by which of them an entry is found. A column that says no fact is kept and says nothing of the
 * applicant: in a register of boats, the owner is the seller until the boat is bought.
 */
export const registerSchema = z
  .strictObject({
    formatVersion: z.literal(REGISTER_FORM).default(REGISTER_FORM),
    id: column.max(60),
    title: z.string().trim().min(1, 'it needs a name').max(80),
    columns: z
      .array(z.strictObject({ name: column, fact: z.string().nullable() }))
      .min(1, 'it needs columns')
      .max(60),
    /** The column that finds an entry for sure, and the one that finds it by likeness. */
    number: column.nullable(),
    name: column.nullable(),
  })
  .superRefine((register, issues) => {
    const names = register.columns.map((c) => c.name)
    const twice = names.find((n, i) => names.indexOf(n) !== i)
    if (twice) issues.addIssue({ code: 'custom', message: `the column ${twice} is there twice` })
    const facts = register.columns.flatMap((c) => c.fact ?? [])
    const again = facts.find((f, i) => facts.indexOf(f) !== i)
    if (again) issues.addIssue({ code: 'custom', message: `two columns say ${again}` })
    if (register.number === null && register.name === null)
      issues.addIssue({ code: 'custom', message: 'say which column finds an entry: a number or a name' })
    for (const by of [register.number, register.name])
      if (by !== null && !register.columns.some((c) => c.name === by && c.fact !== null))
        issues.addIssue({
          code: 'custom',
          message: `an entry is looked for by ${by}: say which fact that column is`,
        })
  })
export type Register = z.infer<typeof registerSchema>

/** Kinds of facts that are numbers, and that are names: what an entry is looked for by. */
const NUMBERS: readonly Fact['kind'][] = ['id']
const NAMES: readonly Fact['kind'][] = ['name', 'org', 'text']
/** Words of a column and of a fact in common, of all that either has, from which they are taken for the same. */
const SAME_WORDS = 0.5

/**
 * What a register's columns say, guessed from what they and the facts are called, for a person to correct.
 * Each fact is said by one column at most; the likest pairs are taken first.
 * @param head names of its columns, as `registerSchema` has them
 */
export function guessRegister(
  title: string,
  head: readonly string[],
  facts: readonly Pick<Fact, 'id' | 'title' | 'kind'>[],
): Pick<Register, 'columns' | 'number' | 'name'> {
  const pairs = head
    .flatMap((name) =>
      facts.map((fact) => ({
        name,
        fact,
        score: Math.max(
          ...[fact.id, fact.title].flatMap((called) => [
            inCommon(name, called),
            // “Name” in a register of boats is the boat's: a little less sure than what the column says itself.
            inCommon(`${title} ${name}`, called) * 0.9,
          ]),
        ),
      })),
    )
    .filter((p) => p.score >= SAME_WORDS)
    .sort((a, b) => b.score - a.score)
  const said = new Map<string, Pick<Fact, 'id' | 'kind'>>()
  for (const { name, fact } of pairs)
    if (!said.has(name) && ![...said.values()].some((f) => f.id === fact.id)) said.set(name, fact)
  const first = (kinds: readonly Fact['kind'][]) =>
    head.find((name) => kinds.includes(said.get(name)?.kind ?? 'money')) ?? null
  return {
    columns: head.map((name) => ({ name, fact: said.get(name)?.id ?? null })),
    number: first(NUMBERS),
    name: first(NAMES),
  }
}

/** How many words two names share, of all that either has: 1 where they are the same words. */
function inCommon(a: string, b: string): number {
  const [one, other] = [a, b].map((text) => new Set(tokens(text.replaceAll('_', ' ')).map(singular)))
  const shared = [...one].filter((word) => other.has(word)).length
  return shared / Math.max(1, one.size + other.size - shared)
}

const singular = (word: string): string => word.replace(/(?<=\w{3})s$/, '')
