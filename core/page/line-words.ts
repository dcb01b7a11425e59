import type { Box } from './geometry.ts'
import type { Page, Word } from './page.ts'
import type { Letter } from './second-opinion.ts'

/** Print read less surely than this, or not at all, is the second reader's. */
const LEGIBLE = 0.8
/** Words less sure than this are as likely noise as print. */
const NOISE = 0.6
/** So large a share of a page's letters read as noise makes it one for the second reader; so does a page called poor. */
const POOR_SHARE = 0.1

const weight = (words: readonly Word[]): number => words.reduce((sum, w) => sum + w.text.length, 0)

/** Mean sureness over letters; 0 without any. */
export const surenessOf = (words: readonly Word[]): number => (words.length === 0 ? 0 : words.reduce((sum, w) => sum + w.sure * w.text.length, 0) / weight(words))

/** Whether a scan is too poor, or too much of it written by hand, for the first reader alone. */
export function wantsBothReaders({ words, poor }: Pick<Page, 'words' | 'poor'>): boolean {
  if (poor !== null) return true
  const all = words.filter((w) => /[\p{L}\d]/u.test(w.text))
  return all.length > 0 && weight(all.filter((w) => w.sure < NOISE)) > weight(all) * POOR_SHARE
}

/** Words whose middle lies in a line. */
export const wordsOfLine = (words: readonly Word[], [l, t, r, b]: Box): Word[] => words.filter(({ box }) => {
  const [x, y] = [(box[0] + box[2]) / 2, (box[1] + box[3]) / 2]
  return x >= l && x <= r && y >= t && y <= b
})

/** Lines that the first reader read well enough are left to it. */
export const isLegible = (words: readonly Word[]): boolean => surenessOf(words) >= LEGIBLE

/** Of a line read partly, the first reader knows the spaces; of one it read as noise, nothing. */
export const isNoise = (words: readonly Word[]): boolean => surenessOf(words) < NOISE

/**
 * Words from the letters of a line: parted where the reader saw a space, and where paper shows between letters for more
 * than a fair share of their height.
 * @param letters with their middles as shares of the page's width
 * @param gaps stretches of paper without ink in the line, as shares of the page's width, wide enough for a space
 * @param box of the line
 */
export function wordsFrom(letters: readonly Letter[], gaps: readonly (readonly [from: number, to: number])[], box: Box): Word[] {
  const runs: Letter[][] = []
  let open = false
  letters.forEach((letter, i) => {
    if (letter.text === ' ') { open = false; return }
    const before = letters[i - 1]
    const parted = before !== undefined && gaps.some(([from, to]) => (from + to) / 2 > before.at && (from + to) / 2 < letter.at)
    if (open && !parted) runs.at(-1)!.push(letter)
    else runs.push([letter])
    open = true
  })
  const steps = letters.slice(1).map((l, i) => l.at - letters[i].at).sort((a, b) => a - b)
  const half = (steps[steps.length >> 1] ?? (box[2] - box[0]) / Math.max(1, letters.length)) / 2
  return runs.map((run) => ({
    text: run.map((l) => l.text).join(''),
    box: [Math.max(box[0], run[0].at - half), box[1], Math.min(box[2], run.at(-1)!.at + half), box[3]],
    // A word is as sure as its letters are on the whole, and no surer than its worst letter allows.
    sure: Math.min(run.reduce((sum, l) => sum + l.sure, 0) / run.length, Math.min(...run.map((l) => l.sure)) + 0.25),
    hand: true as const,
  }))
}
