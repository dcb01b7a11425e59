import { type Box, inside, type Page } from '../model/index.ts'
import { linesOf, type Line } from './lines.ts'
import { fold } from '../text/index.ts'

/** What a page says of its own place in a document. `of` is null where only the number is printed. */
export interface PageNumber {
  page: number
  of: number | null
}

const FORMS: RegExp[] = [
  /(?:page|pag|pagina|sheet|folio|feuille|hoja|leaf|p|pg)\.?\s*(?:no\.?\s*)?(\d{1,3})\s*(?:of|de|sur|\/|von|out of)\s*(\d{1,3})\b/,
  /^[-\s(]*(\d{1,3})\s*(?:of|\/|de|sur|out of)\s*(\d{1,3})[-\s)]*$/,
]
/**
 * As a reader of pictures spells them: "Page 20t3", "Page 2 où 3", "Page 203", "Page 193", "Page 1012", "Page
 * 2043", and "313" for 3/3. No document that is scanned in has hundreds of pages.
 */
const MISREAD: RegExp[] = [
  /(?:page|pag|pagina|sheet|folio|feuille|hoja|leaf)\.?\s*(\d{1,2})\s?[o0][ft]\s?(\d{1,2})\b/,
  /(?:page|pag|pagina|sheet|folio|feuille|hoja|leaf)\.?\s(\d{1,2})\s(?:o[a-z]|[a-z]f)\s(\d{1,2})\b/,
  /(?:page|pag|pagina|sheet|folio|feuille|hoja|leaf)\.?\s*(\d)\s?(?:[o0][1fitl|!]?|\d{1,2})\s?(\d)\b/,
  /^(\d)[1l|!](\d)$/,
]
/** "Page lof2", "Page lofi": the stroke of a 1. */
const FIRST =
  /(?:page|pag|pagina|sheet|folio|feuille|hoja|leaf)\.?\s*[1li|!]\s?o[ft]\s?(\d{1,2}|[li|!])(?![\p{L}\d])/u
/** "Page 1 of à": how many there are could not be read. */
const UNTOLD =
  /^\W*(?:page|pag|pagina|sheet|folio|feuille|hoja|leaf)\.?\s(\d{1,2})\s(?:of|de|sur)(?:\s\D{1,2})?$/
/** "202", a "2 of 2" that lost its word, where nothing but a page's number stands. */
const BARE_MISREAD = /^([1-9])\s?[o0]\s?([1-9])$/
const FOOT = 0.93
const SINGLE: RegExp[] = [
  /^[-\s]*(?:page|pag|pagina|sheet|folio|feuille|hoja|pg)\.?\s*(?:no\.?\s*)?(\d{1,3})[-\s]*$/,
  /^-\s*(\d{1,3})\s*-$/,
]

/** A page's number and the line that it stands in. */
interface Placed {
  number: PageNumber
  box: Box
}

const known = new WeakMap<Page, Placed | null>()

/** Read once of a page, asked for with every answer. */
function placedNumberOf(page: Page): Placed | null {
  let placed = known.get(page)
  if (placed === undefined) known.set(page, (placed = readNumber(page)))
  return placed
}

/** The page number printed in the outer quarter of a page, in any of its common forms; null where there is none. */
export const pageNumberOf = (page: Page): PageNumber | null => placedNumberOf(page)?.number ?? null

/** Where the page number stands, with what else is in its line; null where there is none. */
export const numberPlaceOf = (page: Page): Box | null => placedNumberOf(page)?.box ?? null

/** Whether two readers saw other figures in the line of a page's number. */
export function isNumberDisputed(page: Page): boolean {
  const box = numberPlaceOf(page)
  return box !== null && inside(page.words, box).some((w) => w.disputed && /\d/.test(w.text))
}

function readNumber(page: Page): Placed | null {
  const outer = linesOf(page).filter((l) => l.box[3] < 0.2 || l.box[1] > 0.82)
  let single: Placed | null = null
  for (const line of outer)
    for (const text of textsOf(line)) {
      for (const form of page.source === 'text'
        ? FORMS
        : line.box[1] > FOOT
          ? [...FORMS, ...MISREAD, BARE_MISREAD]
          : [...FORMS, ...MISREAD]) {
        const hit = form.exec(text)
        if (hit && isOfYear(hit, page)) continue
        if (hit && +hit[1] >= 1 && +hit[1] <= +hit[2])
          return { number: { page: +hit[1], of: +hit[2] }, box: line.box }
      }
      const first = page.source === 'text' ? null : FIRST.exec(text)
      if (first) return { number: { page: 1, of: /\d/.test(first[1]) ? +first[1] : 1 }, box: line.box }
      for (const form of page.source === 'text' ? SINGLE : [...SINGLE, UNTOLD]) {
        const hit = form.exec(text)
        if (hit && +hit[1] >= 1) single = { number: { page: +hit[1], of: null }, box: line.box }
      }
    }
  return single
}

/**
 * "Statement 3/26" on a paper of 2026 is the third of its year, no third page: papers of that many pages with
 * just that number are rarer.
 */
function isOfYear([said, , of]: RegExpExecArray, page: Page): boolean {
  const year = new RegExp(`(?:^|\\D)(?:20${of}|\\d{1,2}[./-]\\d{1,2}[./-]${of})(?:\\D|$)`)
  return said.includes('/') && of.length === 2 && page.words.some((w) => year.test(w.text))
}

/** Whether words are a page's number and nothing else, so that no label can mean them. */
export const isPageNumber = (text: string): boolean =>
  [FORMS[0], SINGLE[0]].some((form) => form.exec(fold(text))?.[0].length === text.trim().length)

/** What the segments of a line say, and what "Page" says with a number that stands apart from it. */
const textsOf = ({ segments }: Line): string[] =>
  segments.flatMap((s, i) => {
    const text = fold(s.text)
    return segments[i + 1] && /^(?:page|pag|pagina|sheet|folio|feuille|hoja|pg)\.?$/.test(text)
      ? [text, `${text} ${fold(segments[i + 1].text)}`]
      : [text]
  })

/** A number that stands alone at the very top or bottom of a page; it may be a page number or none. */
export function bareNumberOf(page: Page): number | null {
  const line = linesOf(page)
    .filter((l) => l.box[3] < 0.07 || l.box[1] > 0.9)
    .find((l) => l.segments.some((s) => /^\d{1,3}$/.test(s.text)))
  return line ? Number(line.segments.find((s) => /^\d{1,3}$/.test(s.text))!.text) : null
}

/** Whether pages are lacking before the first and behind the last, by the numbers printed on them. */
export function missingAround(pages: readonly Page[]): [before: boolean, behind: boolean] {
  const [first, last] = [pageNumberOf(pages[0]), pageNumberOf(pages.at(-1)!)]
  return [first !== null && first.page > 1, last !== null && last.of !== null && last.page < last.of]
}
