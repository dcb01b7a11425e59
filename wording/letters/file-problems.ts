/** Why a file cannot be used, as far as whoever sent it can do something about it. */
export type FileProblem = 'locked' | 'damaged' | 'empty' | 'kind' | 'large' | 'malware' | 'twice' | 'other'

const SAID: readonly (readonly [FileProblem, RegExp])[] = [
  ['locked', /\b(?:locked|password)\b/i],
  ['malware', /\b(?:malware|virus)\b/i],
  ['twice', /\b(?:taken twice|very same)\b/i],
  ['empty', /\b(?:empty|nothing in it|no files|no pages)\b/i],
  ['large', /\b(?:larger|more than can be taken|at most|would have|nested|longer than|more memory)\b/i],
  ['kind', /\b(?:not a kind|packed the papers)\b/i],
  ['damaged', /\b(?:damaged|breaks on it|cannot be opened)\b/i],
]

/** What kind of problem the sentence of a file tells of; the sentences themselves are written for the desk. */
export const fileProblem = (sentence: string): FileProblem =>
  SAID.find(([, pattern]) => pattern.test(sentence))?.[0] ?? 'other'
