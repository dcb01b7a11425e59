import { cents, isMoney, message, type Page } from '../model/index.ts'
import type { FilledField } from '../answers/index.ts'
import type { Program } from '../program/index.ts'
import { isTruncated } from '../extraction/index.ts'
import { daysBetween } from '../text/index.ts'
import { askedFor } from './told.ts'
import { counting, fieldOf, type Paper, splitReference, usableText } from '../dossier/index.ts'

/**
 * Statements that follow one another help one another's reading: where one opens at 648.57 and the one before
 * closes at 4,648.57, a scan has more likely lost a figure in front than a bank its books. The shorter amount
 * is asked about; left alone it would accuse the papers of not joining up.
 */
export function chainStatements(
  papers: readonly Paper[],
  program: Program,
  pages: ReadonlyMap<number, Page>,
): Paper[] {
  const doubted = new Map<string, FilledField>()
  for (const check of program.checks) {
    if (check.kind !== 'joins_up') continue
    const [type, opening] = splitReference(check.opening)
    const [closing, from, to] = [check.closing, check.from, check.to].map((r) => splitReference(r)[1])
    const statements = counting(papers, type)
      .flatMap((paper) => {
        const [start, end] = [usableText(paper, from), usableText(paper, to)]
        return start && end ? [{ paper, start, end }] : []
      })
      .sort((a, b) => a.start.localeCompare(b.start))
    for (const [i, next] of statements.entries()) {
      const before = statements[i - 1]
      if (!before || Math.abs(daysBetween(before.end, next.start)) > 1) continue
      for (const [short, long] of [
        [
          { paper: next.paper, name: opening },
          { paper: before.paper, name: closing },
        ],
        [
          { paper: before.paper, name: closing },
          { paper: next.paper, name: opening },
        ],
      ]) {
        const [a, b] = [fieldOf(short.paper, short.name), fieldOf(long.paper, long.name)]
        if (
          !a ||
          !b ||
          !isMoney(a.value) ||
          !isMoney(b.value) ||
          !['certain', 'repaired'].includes(a.state) ||
          pages.get(a.page ?? 0)?.source === 'text'
        )
          continue
        if (isTruncated(cents(a.value), cents(b.value)))
          doubted.set(
            `${short.paper.id} ${short.name}`,
            askedFor(a, message('value.front_figure_lost', { paper: long.paper.label, whole: b.value })),
          )
      }
    }
  }
  return doubted.size === 0
    ? [...papers]
    : papers.map((paper) => ({
        ...paper,
        fields: paper.fields.map((f) => doubted.get(`${paper.id} ${f.name}`) ?? f),
      }))
}
