import { isProse, linesOf } from '../layout/index.ts'
import type { Page } from '../model/index.ts'
import { nameLikeness } from '../extraction/index.ts'

/**
 * How much a page looks like a letter, 0 to 1: a short line that greets and ends in a comma, sentences over
 * most of the width, and a short close with a name under it. The words themselves do not matter, so any
 * language will do.
 */
export function letterLikeness(page: Page): number {
  const lines = linesOf(page)
  const prose = lines.filter(isProse)
  if (prose.length < 2) return 0
  const short = (index: number) => lines[index].segments.length === 1 && lines[index].words.length <= 6
  const firstProse = lines.indexOf(prose[0])
  const lastProse = lines.indexOf(prose.at(-1)!)
  const greeting = lines.some(
    (line, i) =>
      i < lastProse &&
      i >= firstProse - 3 &&
      short(i) &&
      /\p{L}[,!:]$/u.test(line.text) &&
      !/\d/.test(line.text),
  )
  const close = lines.findIndex((line, i) => i > lastProse && short(i) && /\p{L}{2},$/u.test(line.text))
  const closed =
    close >= 0 && lines.slice(close + 1, close + 5).some((l) => nameLikeness(l.segments[0].text) >= 0.35)
  const lone = lines.slice(lastProse + 1).some((l) => l.segments.length === 1 && nameLikeness(l.text) === 1)
  const share = prose.length / lines.length
  return (greeting ? 0.4 : 0) + (closed ? 0.3 : lone ? 0.1 : 0) + Math.min(0.3, share * 0.6)
}
