import { format } from 'date-fns'

/** A piece of a pattern: text as it stands, a variable, or pieces that are left out together. */
type Piece =
  | { kind: 'text'; text: string }
  | { kind: 'variable'; name: string; format: string | null }
  | { kind: 'group'; pieces: Piece[] }

/** A pattern cannot be used; the message says what to change. */
export class PatternProblem extends Error {}

/** Text that stands for itself, up to the next sign that means something. */
const TEXT = /[^{}[\]]+/y
const VARIABLE = /\{\s*([a-z][a-z0-9_]*)\s*(?::([^{}[\]]+))?\}/y
const ISO_DAY = /^(\d{4})-(\d{2})-(\d{2})$/

/**
 * Reads a naming pattern: `{applicant}/{type}[ {pay_date:yyyy-MM}]`. A variable stands in braces, a day in a form of
 * Unicode's letters for days (TR 35) behind a colon; what stands in square brackets is left out where any of its
 * variables is empty.
 * @throws PatternProblem
 */
export function parsePattern(pattern: string): Piece[] {
  let at = 0
  const pieces = (inside: boolean): Piece[] => {
    const found: Piece[] = []
    while (at < pattern.length && pattern[at] !== ']') {
      TEXT.lastIndex = VARIABLE.lastIndex = at
      const text = TEXT.exec(pattern)
      const variable = text ? null : VARIABLE.exec(pattern)
      if (text) {
        found.push({ kind: 'text', text: text[0] })
        at += text[0].length
      } else if (variable) {
        found.push({ kind: 'variable', name: variable[1], format: variable[2]?.trim() ?? null })
        at += variable[0].length
      } else if (pattern[at] === '[' && !inside) {
        at++
        found.push({ kind: 'group', pieces: pieces(true) })
        if (pattern[at] !== ']') throw new PatternProblem('A square bracket is left open.')
        at++
      } else
        throw new PatternProblem(
          pattern[at] === '['
            ? 'Square brackets cannot stand in one another.'
            : `“${pattern.slice(at, at + 12)}” is no variable; one is written like {type} or {pay_date:yyyy-MM}.`,
        )
    }
    if (!inside && at < pattern.length)
      throw new PatternProblem('A square bracket is closed that was never opened.')
    return found
  }
  return pieces(false)
}

/** Variables of a pattern, with the forms that they are written in. */
export function variablesIn(pieces: readonly Piece[]): { name: string; format: string | null }[] {
  return pieces.flatMap((piece) =>
    piece.kind === 'group' ? variablesIn(piece.pieces) : piece.kind === 'variable' ? [piece] : [],
  )
}

/** A day in a form such as `yyyy-MM`. @param iso ISO day; anything else stays as it is @throws PatternProblem */
export function inForm(iso: string, form: string): string {
  const [, year, month, day] = ISO_DAY.exec(iso) ?? []
  if (!year) return iso
  try {
    return format(new Date(Number(year), Number(month) - 1, Number(day)), form)
  } catch {
    throw new PatternProblem(`“${form}” is no form of a day; one is written like yyyy-MM-dd.`)
  }
}

/** What a pattern says. @param valueOf what a variable stands for; empty where it has nothing */
export function fillIn(pieces: readonly Piece[], valueOf: (name: string) => string): string {
  const filled = (piece: Piece): string | null => {
    if (piece.kind === 'text') return piece.text
    if (piece.kind === 'variable') {
      // A value may hold anything; a slash in it opens no folder.
      const value = valueOf(piece.name).replace(/[/\\]+/g, '-')
      return piece.format === null ? value : inForm(value, piece.format)
    }
    const parts = piece.pieces.map((inner) => ({ inner, said: filled(inner) }))
    return parts.some(({ inner, said }) => inner.kind === 'variable' && !said)
      ? ''
      : parts.map(({ said }) => said).join('')
  }
  return pieces.map(filled).join('')
}
