import { diffArrays } from 'diff'
import { linesOf } from './lines.ts'
import type { Box, Page, Word } from '../model/index.ts'
import { squeeze } from '../text/index.ts'

/** What one page says and the other does not, by place; and what share of their words is common. */
export interface PageDiff {
  first: Box[]
  second: Box[]
  common: number
}

/**
 * Compares two pages word by word in reading order; case, accents and marks do not count. Source: Myers, "An
 * O(ND) difference algorithm", 1986.
 */
export function pageDiff(first: Page, second: Page): PageDiff {
  const [a, b] = [spokenOn(first), spokenOn(second)]
  const [onFirst, onSecond]: Box[][] = [[], []]
  let common = 0
  let [i, j] = [0, 0]
  for (const part of diffArrays(a, b, { comparator: (x, y) => squeeze(x.text) === squeeze(y.text) })) {
    if (part.added) for (const end = j + part.count; j < end; j++) onSecond.push(b[j].box)
    else if (part.removed) for (const end = i + part.count; i < end; i++) onFirst.push(a[i].box)
    else {
      common += part.count
      i += part.count
      j += part.count
    }
  }
  return {
    first: onFirst,
    second: onSecond,
    common: a.length + b.length === 0 ? 1 : (2 * common) / (a.length + b.length),
  }
}

const spokenOn = (page: Page): Word[] =>
  linesOf(page).flatMap((line) => line.words.filter((w) => squeeze(w.text) !== ''))
