import { boxAround, type Word } from '../model/index.ts'

/**
 * So many letters in a row, evenly apart, are a comb; fewer are initials or options, unless the page has such
 * a comb.
 */
const LEAST = 4
/** Points from letter to letter. */
const NARROWEST = 6
const WIDEST = 34

/**
 * Joins letters that were set one to a box, as forms for the pen ask for them: single characters on one line
 * at an even pitch are the words they spell. An empty box is a space.
 * @param width of the page in points
 */
export function joinCombFields(words: readonly Word[], width: number): Word[] {
  const runs = runsOf(words, width)
  const pitches = runs.filter((run) => run.length >= LEAST && pitchOf(run) * width >= NARROWEST).map(pitchOf)
  if (pitches.length === 0) return [...words]
  return runs.flatMap((run) =>
    run.length > 1 && pitches.some((p) => Math.abs(pitchOf(run) / p - 1) < 0.04) ? spelt(run) : run,
  )
}

/** The words cut into runs: single characters at an even pitch, or one word alone. */
function runsOf(words: readonly Word[], width: number): Word[][] {
  const runs: Word[][] = []
  for (const word of words) {
    const run = runs.at(-1)
    if (run && isLetter(word) && isLetter(run[0]) && sameLine(run.at(-1)!, word) && goesOn(run, word, width))
      run.push(word)
    else runs.push([word])
  }
  return runs
}

const isLetter = (w: Word): boolean => [...w.text].length === 1 && /[^\s_|…]/u.test(w.text)
const sameLine = (a: Word, b: Word): boolean => Math.abs(a.box[3] - b.box[3]) < (a.box[3] - a.box[1]) * 0.9
const middle = (w: Word): number => (w.box[0] + w.box[2]) / 2

/** The least step between the letters of a run. */
const pitchOf = (run: readonly Word[]): number =>
  run.slice(1).reduce((least, w, i) => Math.min(least, middle(w) - middle(run[i])), 1)

function goesOn(run: readonly Word[], next: Word, width: number): boolean {
  const step = (middle(next) - middle(run.at(-1)!)) * width
  if (run.length === 1) return step >= NARROWEST && step <= WIDEST
  const steps = step / (pitchOf(run) * width)
  // "2 460": the first step went over an empty box.
  if (run.length === 2 && Math.abs(steps - 0.5) < 0.05) return true
  return Math.abs(steps - Math.round(steps)) < 0.2 && Math.round(steps) >= 1 && Math.round(steps) <= 2
}

function spelt(run: readonly Word[]): Word[] {
  const pitch = pitchOf(run)
  const parts: Word[][] = [[run[0]]]
  run.slice(1).forEach((word, i) => {
    if (middle(word) - middle(run[i]) > pitch * 1.5) parts.push([word])
    else parts.at(-1)!.push(word)
  })
  return parts.map((part, i) => {
    const [left, top, right, bottom] = boxAround(part.map((w) => w.box))
    // An empty box parts words, not columns: the word before reaches over it.
    const next = parts[i + 1]?.[0].box[0]
    return {
      text: part.map((w) => w.text).join(''),
      box: [left, top, next === undefined ? right : next - pitch * 0.25, bottom],
      confidence: Math.min(...part.map((w) => w.confidence)),
    }
  })
}
