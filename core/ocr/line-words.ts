import type { Box, Page, Word } from '../model/index.ts'
import type { Letter } from './combine-readers.ts'

/** Print read less surely than this, or not at all, is the second reader's. */
const LEGIBLE = 0.8
/** Words less sure than this are as likely noise as print. */
const NOISE = 0.6
/**
 * So large a share of a page's letters read as noise makes it one for the second reader; so does a page
 * called poor.
 */
const POOR_SHARE = 0.1

const weight = (words: readonly Word[]): number => words.reduce((sum, w) => sum + w.text.length, 0)

/** Mean sureness over letters; 0 without any. */
export const confidenceOf = (words: readonly Word[]): number =>
  words.length === 0 ? 0 : words.reduce((sum, w) => sum + w.confidence * w.text.length, 0) / weight(words)

/** Whether a scan is too poor, or too much of it written by hand, for the first reader alone. */
export function isLowQuality({
  words,
  qualityProblem: poor,
}: Pick<Page, 'words' | 'qualityProblem'>): boolean {
  if (poor !== null) return true
  const all = words.filter((w) => /[\p{L}\d]/u.test(w.text))
  return all.length > 0 && weight(all.filter((w) => w.confidence < NOISE)) > weight(all) * POOR_SHARE
}

/** Lines that the first reader read well enough are left to it. */
export const isLegible = (words: readonly Word[]): boolean => confidenceOf(words) >= LEGIBLE

/** Of a line read partly, the first reader knows the spaces; of one it read as noise, nothing. */
export const isNoise = (words: readonly Word[]): boolean => confidenceOf(words) < NOISE

/** In usual steps from letter to letter: less is no space. */
const WIDER = 1.25

/**
 * Words from the letters of a line: parted where the reader saw a space, and where paper shows between
 * letters for more than a fair share of their height.
 * @param letters with their middles as shares of the page's width
 * @param gaps stretches of paper without ink in the line, as shares of the page's width, wide enough for a
 * space
 * @param box of the line
 */
export function wordsFrom(
  letters: readonly Letter[],
  gaps: readonly (readonly [from: number, to: number])[],
  box: Box,
): Word[] {
  const seen = letters.filter((l) => l.text !== ' ')
  const steps = seen.slice(1).map((l, i) => l.at - seen[i].at)
  const usual =
    [...steps].sort((a, b) => a - b)[steps.length >> 1] ?? (box[2] - box[0]) / Math.max(1, seen.length)
  const ends = new Set<Letter>()
  letters.forEach((l, i) => {
    if (l.text === ' ' && i > 0) ends.add(letters[i - 1])
  })
  for (const [from, to] of gaps) {
    const middle = (from + to) / 2
    // The reader's places are a letter's width out at times: where it saw the space itself, or where its step
    // is longest, the gap is.
    if (letters.some((l) => l.text === ' ' && Math.abs(l.at - middle) < usual * 2)) continue
    const near = steps.flatMap((step, i) =>
      Math.abs((seen[i].at + seen[i + 1].at) / 2 - middle) < usual * 1.5 ? [{ step, end: seen[i] }] : [],
    )
    const longest = near.reduce((a, b) => (b.step > a.step ? b : a), { step: 0, end: seen[0] })
    // Between letters as close as all others a faint point or dash stands, not a space.
    if (longest.step > usual * WIDER) ends.add(longest.end)
  }
  const runs: Letter[][] = []
  seen.forEach((letter, i) => {
    if (i > 0 && !ends.has(seen[i - 1])) runs.at(-1)!.push(letter)
    else runs.push([letter])
  })
  const half = usual / 2
  return runs.map((run) => ({
    text: run.map((l) => l.text).join(''),
    box: [Math.max(box[0], run[0].at - half), box[1], Math.min(box[2], run.at(-1)!.at + half), box[3]],
    // A word is as sure as its letters are on the whole, and no surer than its worst letter allows.
    confidence: Math.min(
      run.reduce((sum, l) => sum + l.confidence, 0) / run.length,
      Math.min(...run.map((l) => l.confidence)) + 0.25,
    ),
    hand: true as const,
  }))
}
