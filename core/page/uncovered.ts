import type { Word } from './page.ts'
import type { Letter } from './second-opinion.ts'

/** In usual steps from letter to letter: what stands further on has a space before it. */
const SPACED = 1.7
/** As shares of a letter's width: how far a letter's place may lie beside its word. */
const EDGE = 0.3

/**
 * Letters that the second reader saw where the first has no word. Where they go on from a word without a space, that word
 * reaches over them: half of it would be another value. The others are words of their own.
 * @param words of one line, from left to right
 * @param letters all that the second reader saw of the line, from left to right
 */
export function uncovered(words: readonly Word[], letters: readonly Letter[]): { words: Word[]; runs: Letter[][] } {
  const steps = letters.slice(1).map((l, i) => l.at - letters[i].at).sort((a, b) => a - b)
  const usual = steps[steps.length >> 1] ?? 0
  const reached = words.map((w) => ({ ...w }))
  const over = ({ at }: Letter): number => words.findIndex(({ box, text }) => {
    const edge = ((box[2] - box[0]) / Math.max(1, text.length)) * EDGE
    return at > box[0] - edge && at < box[2] + edge
  })
  const runs: Letter[][] = []
  let run: Letter[] = []
  letters.forEach((letter, i) => {
    if (letter.text !== ' ' && over(letter) < 0) run.push(letter)
    const next = letters[i + 1]
    if (run.length === 0 || (letter === run.at(-1) && next && next.text !== ' ' && next.at - letter.at < usual * SPACED && over(next) < 0)) return
    const before = letters[letters.indexOf(run[0]) - 1]
    const goesOn = (a: Letter | undefined, b: Letter | undefined): boolean => a !== undefined && b !== undefined && a.text !== ' ' && b.text !== ' ' && b.at - a.at < usual * SPACED
    const last = run.at(-1)!
    const behind = letters[letters.indexOf(last) + 1]
    if (run.some((l) => /[\p{L}\d]/u.test(l.text))) {
      const [left, right] = [goesOn(before, run[0]) ? over(before) : -1, goesOn(last, behind) ? over(behind) : -1]
      if (left >= 0) reached[left].box = [reached[left].box[0], reached[left].box[1], last.at + usual / 2, reached[left].box[3]]
      else if (right >= 0) reached[right].box = [run[0].at - usual / 2, reached[right].box[1], reached[right].box[2], reached[right].box[3]]
      else runs.push(run)
    }
    run = []
  })
  return { words: reached, runs: runs.filter((r) => r.filter((l) => /[\p{L}\d]/u.test(l.text)).length > 1) }
}
