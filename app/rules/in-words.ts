import type { RuleChange } from '../../core/classification/index.ts'
import { count } from '../parts/format.ts'

/** How many pages a rule applies to. @param shown which of them is looked at, counted from 1 */
export const hitsInWords = (hits: number, shown: { number: number; page: number } | undefined): string =>
  hits === 0
    ? 'applies to no page'
    : `applies to ${count(hits, 'page')}${shown ? `, this is ${shown.number} of them: page ${shown.page}` : ''}`

/** What a rule would change, page by page. @param titles of types by id */
export function changesInWords(
  changes: readonly RuleChange[],
  titles: ReadonlyMap<string, string>,
): { page: number; text: string; asked: boolean }[] {
  const title = (type: string) => (titles.get(type) ?? 'of no known type').toLowerCase()
  return changes.map((change) => {
    if (change.kind === 'begins')
      return {
        page: change.page,
        asked: false,
        text: change.now
          ? `A document starts on page ${change.page}`
          : `No document starts on page ${change.page} any more`,
      }
    if (change.kind === 'type')
      return {
        page: change.page,
        asked: false,
        text: `Page ${change.page}: ${title(change.to)}, not ${title(change.from)}`,
      }
    return {
      page: change.page,
      asked: true,
      text: `Page ${change.page} says otherwise: a person would be asked`,
    }
  })
}
