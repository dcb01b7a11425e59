import { type AST, RegExpParser, visitRegExpAST } from '@eslint-community/regexpp'
import { analyse } from 'scslre'
import { type DocumentType, LONGEST_PATTERN } from '../../core/program/index.ts'

/** Pairs of repetitions that take the same signs; with three of them the time grows with the cube of a value's length. */
const MOST_PAIRS = 2
const FAULT = 'it repeats what repeats in itself, and would take for ever'

/** Whether a group that is repeated has repetitions or a choice in it: two ways through it, again and again. */
function repeatsInItself(pattern: AST.Pattern): boolean {
  let depth = 0
  let found = false
  visitRegExpAST(pattern, {
    onQuantifierEnter({ min, max }) {
      found ||= depth > 0 && min !== max
      if (max > 1) depth++
    },
    onQuantifierLeave({ max }) {
      if (max > 1) depth--
    },
    onGroupEnter: ({ alternatives }) => void (found ||= depth > 0 && alternatives.length > 1),
    onCapturingGroupEnter: ({ alternatives }) => void (found ||= depth > 0 && alternatives.length > 1),
  })
  return found
}

/**
 * What is wrong with a pattern that comes from a file or a form: none at all, or one that takes ever longer with each
 * letter that it is tried on, and would stop whoever reads a paper.
 * @returns a sentence; null where it is good
 */
export function patternFault(pattern: string): string | null {
  if (pattern.length > LONGEST_PATTERN) return `it is longer than ${LONGEST_PATTERN} signs`
  const whole = `^(?:${pattern})$`
  try {
    if (repeatsInItself(new RegExpParser().parsePattern(whole))) return FAULT
    const { reports } = analyse({ source: whole, flags: '' }, { maxReports: 20 })
    return reports.some((report) => report.exponential) || reports.length > MOST_PAIRS ? FAULT : null
  } catch {
    return 'it cannot be understood'
  }
}

/** What is wrong with the patterns of a type; null where nothing is. */
export function patternsFault(type: DocumentType): string | null {
  for (const { title, pattern } of type.fields) {
    const fault = pattern === undefined ? null : patternFault(pattern)
    if (fault) return `The pattern of “${title}” cannot be used: ${fault}.`
  }
  return null
}
