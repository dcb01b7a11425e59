import type { Language } from '../../core/lexicon/index.ts'
import { plain } from '../../core/model/index.ts'
import type { Receipt } from '../../core/receipt/index.ts'
import { en } from './en.ts'
import { es } from './es.ts'
import { fileProblem } from './file-problems.ts'
import { fr } from './fr.ts'
import type { LetterWords } from './words.ts'

const languages: Record<Language, LetterWords> = { en, fr, es }

/** What is said of files that cannot be used, by why. */
export const problemWords = (language: Language): LetterWords['problem'] => languages[language].problem

/** What is told in a few lines, as on the panel of a device; none is empty. */
export function receiptLines(receipt: Receipt, language: Language): string[] {
  return paragraphsOf(receipt, languages[language]).flat()
}

/** What somebody has to look at in papers that were read: their type, limits, identity papers that are not valid. */
export const receiptProblems = (receipt: Receipt, language: Language): string[] =>
  remarksOf(
    {
      ...receipt,
      identity: receipt.identity.filter(({ verdict }) => verdict !== null && verdict !== 'valid'),
    },
    languages[language],
  )

/** A letter that tells whoever sent papers what became of them, as plain text. */
export function receiptLetter(receipt: Receipt, language: Language, lender: string): string {
  const words = languages[language]
  const filed = receipt.caseNumber ? [[words.filed(receipt.caseNumber)]] : []
  return [...paragraphsOf(receipt, words), ...filed, [words.farewell(lender)]]
    .map((lines) => lines.join('\n'))
    .join('\n\n')
}

function paragraphsOf(receipt: Receipt, words: LetterWords): string[][] {
  const { files, documents, required, refusal, state } = receipt
  const unusable = files.filter((f) => f.problem !== null)
  const pages = files.reduce((sum, f) => sum + f.pages, 0)
  const item = (text: string) => `- ${text}`
  const list = (head: string, items: string[]) => (items.length > 0 ? [[head, ...items.map(item)]] : [])
  const remarks = remarksOf(receipt, words)
  const reasonOf = (sentence: string) => words.problem[fileProblem(sentence)]
  const there = required.filter((r) => r.status === 'satisfied')
  const lacking = required.flatMap(({ title, status }) =>
    status === 'satisfied' || status === 'not_applicable' || status === 'waived'
      ? []
      : [`${title}: ${words.status[status]}`],
  )
  return [
    [words.thanks(words.files(files.length), pages > 0 ? words.pages(pages) : '')],
    ...(refusal === null ? [] : [[words.refused, item(reasonOf(refusal))]]),
    ...(state === 'reading' ? [[words.reading]] : []),
    ...list(
      words.arrived,
      documents.map((d) => ifUnsure(`${d.title}, ${words.pages(d.pages)}`, d.sure, words)),
    ),
    ...list(
      words.unusable,
      unusable.map((f) => `${f.name}: ${reasonOf(f.problem!)}`),
    ),
    ...(remarks.length > 0 ? [remarks] : []),
    ...list(
      words.there,
      there.map((r) => r.title),
    ),
    ...list(words.lacking, lacking),
    ...(required.length > 0 && lacking.length === 0 ? [[words.complete]] : []),
  ]
}

const ifUnsure = (text: string, sure: boolean, words: LetterWords): string =>
  sure ? text : `${text} (${words.unsure})`

const remarksOf = ({ unexpected, exceeded, unchecked, identity }: Receipt, words: LetterWords): string[] => [
  ...unexpected.map(({ title, expected }) => words.unexpected(title, expected)),
  ...exceeded.map(({ title, said, most, sure }) =>
    ifUnsure(words.exceeded(title, plain(said), plain(most)), sure, words),
  ),
  ...unchecked.map(({ title }) => words.unchecked(title)),
  ...identity.map(({ verdict, reasons }) => [words.identity[verdict ?? 'asked'], ...reasons].join('; ')),
]
