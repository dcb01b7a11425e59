import type { Program } from './schema.ts'

/** `type.field`, as programs name a value of a paper. */
const REFERENCE = /^([a-z][a-z0-9_]*)\.[a-z][a-z0-9_]*$/

/** Parts of a program that are words for people, whatever form they have. */
const WORDS: ReadonlySet<string> = new Set(['title', 'question', 'leaves'])

/** Ids of the document types that a program speaks of, wherever it does: without them it can never be met. */
export function typesIn(program: Program): Set<string> {
  const found = new Set<string>()
  const look = (part: unknown, key: string): void => {
    if (WORDS.has(key)) return
    if (typeof part === 'string') {
      if (key === 'type') found.add(part)
      const type = REFERENCE.exec(part)?.[1]
      if (type) found.add(type)
    } else if (Array.isArray(part)) for (const one of part) look(one, key)
    else if (typeof part === 'object' && part !== null)
      for (const [name, inner] of Object.entries(part)) look(inner, name)
  }
  look(program, '')
  return found
}
