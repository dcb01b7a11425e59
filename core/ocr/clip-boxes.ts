import { overlap, type Word } from '../model/index.ts'

/**
 * Ends every word's box where the next word of its line begins. A reader of pictures draws the box of "Page"
 * around all of "Page 1 of 2", or that of "of" into the figure behind it; words that seem to stand in one
 * place are taken for two lines, and "Page … 2" for the number of the page.
 * @param words in reading order
 */
export function clipOverlappingBoxes(words: readonly Word[]): Word[] {
  return words.map((word, i) => {
    const [left, top, right, bottom] = word.box
    const next = words[i + 1]?.box
    if (!next || next[0] >= right || next[0] <= left) return word
    const sameLine = overlap(top, bottom, next[1], next[3]) > 0.5 * Math.min(bottom - top, next[3] - next[1])
    return sameLine ? { ...word, box: [left, top, next[0], bottom] } : word
  })
}
