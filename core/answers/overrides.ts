import type { Answer } from './answer.ts'

/** What people may decide against the papers: to waive a requirement, to accept a difference or a failed check. */
export type Override = Extract<Answer, { kind: 'waive' | 'fact' | 'check' }>

/**
 * How far a decision counts: it `holds`, it `waits` for a second person, or that person `refused` it and it
 * counts for nothing.
 */
export interface Standing<A extends Override = Override> {
  answer: A
  state: 'holds' | 'waits' | 'refused'
  /** Why it was refused. */
  refusal: string
}

export const subjectOf = (answer: Override): string =>
  answer.kind === 'waive' ? answer.requirement : answer.kind === 'fact' ? answer.fact : answer.check

/**
 * The last decision on a subject and how far it counts. A second person's word is on the decision before it:
 * a new decision needs a new word.
 * @param second whether such a decision needs a second person
 */
export function standingOf<K extends Override['kind']>(
  answers: readonly Answer[],
  kind: K,
  subject: string,
  second: (answer: Extract<Override, { kind: K }>) => boolean,
): Standing<Extract<Override, { kind: K }>> | null {
  const at = answers.findLastIndex((a) => a.kind === kind && subjectOf(a) === subject)
  if (at < 0) return null
  const answer = answers[at] as Extract<Override, { kind: K }>
  if (!second(answer)) return { answer, state: 'holds', refusal: '' }
  const word = answers
    .slice(at + 1)
    .findLast((a) => a.kind === 'sign' && a.what === kind && a.subject === subject) as
    Extract<Answer, { kind: 'sign' }> | undefined
  return {
    answer,
    state: !word ? 'waits' : word.agreed ? 'holds' : 'refused',
    refusal: word && !word.agreed ? word.reason : '',
  }
}
