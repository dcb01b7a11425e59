import { contentWords } from '../extraction/index.ts'
import type { Fact, Register } from '../program/index.ts'

/** What is said of a register's columns. */
export type SaidOfColumns = Pick<Register, 'columns' | 'number' | 'name'>

/** Kinds of facts that are numbers, and that are names: what an entry is looked for by. */
const NUMBERS: readonly Fact['kind'][] = ['id']
const NAMES: readonly Fact['kind'][] = ['name', 'org', 'text']
/** Words of a column and of a fact in common, of all that either has, from which they are taken for the same. */
const SAME_WORDS = 0.5
/** “Name” in a register of boats is the boat's: a little less sure than what the column says itself. */
const BY_TITLE = 0.9

/**
 * What a register's columns say: what a person said of columns of these names stays; the others are guessed
 * from what they and the facts are called, for a person to correct. Each fact is said by one column at most;
 * the likest pairs are taken first.
 * @param head names of its columns, as `registerSchema` has them
 * @param said what was said of the register before
 */
export function guessRegister(
  title: string,
  head: readonly string[],
  facts: readonly Pick<Fact, 'id' | 'title' | 'kind'>[],
  said: SaidOfColumns = { columns: [], number: null, name: null },
): SaidOfColumns {
  const known = new Map(
    said.columns.flatMap((c) => (head.includes(c.name) ? [[c.name, c.fact] as const] : [])),
  )
  const says = new Map(known)
  const pairs = head
    .filter((name) => !known.has(name))
    .flatMap((name) =>
      facts.map((fact) => ({
        name,
        fact: fact.id,
        score: Math.max(
          ...[fact.id, fact.title].flatMap((called) => [
            inCommon(name, called),
            inCommon(`${title} ${name}`, called) * BY_TITLE,
          ]),
        ),
      })),
    )
    .filter((p) => p.score >= SAME_WORDS)
    .sort((a, b) => b.score - a.score)
  for (const { name, fact } of pairs)
    if (!says.has(name) && ![...says.values()].includes(fact)) says.set(name, fact)
  const first = (kinds: readonly Fact['kind'][]) =>
    head.find((name) => facts.some((f) => f.id === says.get(name) && kinds.includes(f.kind))) ?? null
  const kept = (by: string | null) => (by !== null && head.includes(by) ? by : null)
  return {
    columns: head.map((name) => ({ name, fact: says.get(name) ?? null })),
    number: kept(said.number) ?? (known.size > 0 ? null : first(NUMBERS)),
    name: kept(said.name) ?? (known.size > 0 ? null : first(NAMES)),
  }
}

/** How many words two names share, of all that either has: 1 where they are the same words. */
function inCommon(a: string, b: string): number {
  const [one, other] = [a, b].map((text) => contentWords(text.replaceAll('_', ' ')))
  const shared = one.filter((word) => other.includes(word)).length
  return shared / Math.max(1, one.length + other.length - shared)
}
