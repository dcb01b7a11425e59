import type { Answer } from './answer.ts'

/** Pages whose place or type an answer says. */
function placesOf(answer: Answer): number[] {
  switch (answer.kind) {
    case 'cut':
    case 'turn':
    case 'type':
      return [answer.page]
    case 'move':
      return answer.behind === null ? answer.pages : [...answer.pages, answer.behind]
    case 'aside':
      return answer.pages
    default:
      return []
  }
}

/** What else an answer is about: a value of a page, a fact, a check, a requirement. */
function subjectOf(answer: Answer): string | null {
  switch (answer.kind) {
    case 'value':
      return `value ${answer.page} ${answer.field}`
    case 'signed':
      return `signed ${answer.page}`
    case 'file':
      return `file ${answer.page}`
    case 'version':
      return `version ${answer.page}`
    case 'fact':
      return `fact ${answer.fact}`
    case 'check':
      return `check ${answer.check}`
    case 'waive':
      return `waive ${answer.requirement}`
    case 'sign':
      return `${answer.what} ${answer.subject}`
    default:
      return null
  }
}

/** Whether two answers are about the same thing, so that who gave the later one should have seen the earlier. */
export function touches(a: Answer, b: Answer): boolean {
  const [x, y] = [subjectOf(a), subjectOf(b)]
  if (x !== null && x === y) return true
  const places = new Set(placesOf(a))
  if (placesOf(b).some((page) => places.has(page))) return true
  // A value of a page that went elsewhere meanwhile may be another paper's.
  const paged = (value: Answer, placed: Answer) =>
    (value.kind === 'value' || value.kind === 'signed') && placesOf(placed).includes(value.page)
  return paged(a, b) || paged(b, a)
}
