import type { Word } from '../model/index.ts'
import { standsOn, type Letter } from './combine-readers.ts'

/** In usual steps from letter to letter: what stands further on has a space before it. */
const SPACED = 1.7

const isSign = ({ text }: Letter): boolean => /[\p{L}\d]/u.test(text)

/**
 * Letters that the second reader saw where the first has no word. Where they go on from a word without a
 * space, that word reaches over them: half of it would be another value. The others are words of their own.
 * @param words of one line, from left to right
 * @param letters all that the second reader saw of the line, from left to right
 */
export function missingWords(
  words: readonly Word[],
  letters: readonly Letter[],
): { words: Word[]; runs: Letter[][] } {
  const steps = letters
    .slice(1)
    .map((l, i) => l.at - letters[i].at)
    .sort((a, b) => a - b)
  const usual = steps[steps.length >> 1] ?? 0
  const reached = words.map((w) => ({ ...w }))
  const wordUnder = (letter: Letter): number => words.findIndex((w) => standsOn(letter, w))
  const isLone = (letter: Letter): boolean => letter.text !== ' ' && wordUnder(letter) < 0
  /** Whether a letter and the one behind it belong to one word. */
  const goesOn = (i: number): boolean =>
    i >= 0 &&
    i + 1 < letters.length &&
    letters[i].text !== ' ' &&
    letters[i + 1].text !== ' ' &&
    letters[i + 1].at - letters[i].at < usual * SPACED
  const runs: Letter[][] = []
  for (let from = 0; from < letters.length; from++) {
    if (!isLone(letters[from])) continue
    let to = from
    while (goesOn(to) && isLone(letters[to + 1])) to++
    const run = letters.slice(from, to + 1)
    const [before, behind] = [
      goesOn(from - 1) ? wordUnder(letters[from - 1]) : -1,
      goesOn(to) ? wordUnder(letters[to + 1]) : -1,
    ]
    if (run.some(isSign)) {
      if (before >= 0) reached[before].box = withEdge(reached[before], 2, letters[to].at + usual / 2)
      else if (behind >= 0) reached[behind].box = withEdge(reached[behind], 0, letters[from].at - usual / 2)
      else if (run.filter(isSign).length > 1) runs.push(run)
    }
    from = to
  }
  return { words: reached, runs }
}

const withEdge = ({ box }: Word, edge: 0 | 2, at: number): Word['box'] => box.with(edge, at) as Word['box']
