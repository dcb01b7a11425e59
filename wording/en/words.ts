import { groupThousands, type Money } from '../../core/model/index.ts'

/** "a, b and c". */
export const list = (items: readonly string[]): string =>
  items.length < 2 ? (items[0] ?? '') : `${items.slice(0, -1).join(', ')} and ${items.at(-1)}`

/** A list without what stands in it twice; of more than four, three are named. */
export function shortList(items: readonly string[]): string {
  const unique = [...new Set(items)]
  return unique.length > 4 ? `${unique.slice(0, 3).join(', ')} and ${unique.length - 3} more` : list(unique)
}

export const capital = (text: string): string => text[0].toUpperCase() + text.slice(1)

/** A title inside a sentence; an abbreviation keeps its capitals. */
export const lower = (text: string): string =>
  /^[A-Z]{2}/.test(text) ? text : text[0].toLowerCase() + text.slice(1)

/** A title with its article. */
export const article = (title: string): string => `${/^[aeiou]/i.test(title) ? 'an' : 'a'} ${lower(title)}`

/** The name of a field in a sentence. */
export const fieldWords = (name: string): string => name.replaceAll('_', ' ')

/** An amount without its currency. */
export const figures = (money: Money): string => groupThousands(money.amount)

/** "page 4", "pages 4 to 6". */
export const pageSpan = ({ first, last }: { first: number; last: number }): string =>
  first === last ? `page ${first}` : `pages ${first} to ${last}`
