import paperNamesFile from './paper-names.json' with { type: 'json' }
import personTableWordsFile from './person-table-words.json' with { type: 'json' }
import questionWordsFile from './question-words.json' with { type: 'json' }
import sumRowsFile from './sum-rows.json' with { type: 'json' }
import leadInsFile from './lead-ins.json' with { type: 'json' }
import columnFile from './column-words.json' with { type: 'json' }
import closingFile from './closing-balances.json' with { type: 'json' }
import legalFormsFile from './legal-forms.json' with { type: 'json' }
import monthsFile from './months.json' with { type: 'json' }
import postalCodesFile from './postal-codes.json' with { type: 'json' }
import questionFormsFile from './question-forms.json' with { type: 'json' }
import questionMeaningsFile from './question-meanings.json' with { type: 'json' }
import confusionsFile from './confusions.json' with { type: 'json' }
import abbreviations from './address-abbreviations.json' with { type: 'json' }
import countries from './countries.json' with { type: 'json' }
import givenNames from './given-name-labels.json' with { type: 'json' }
import joining from './joining-words.json' with { type: 'json' }
import maiden from './maiden-names.json' with { type: 'json' }
import notNames from './no-names.json' with { type: 'json' }
import organisationWords from './organisations.json' with { type: 'json' }
import others from './other-labels.json' with { type: 'json' }
import unitWords from './units.json' with { type: 'json' }
import smallWords from './particles.json' with { type: 'json' }
import stops from './stop-words.json' with { type: 'json' }
import streets from './street-forms.json' with { type: 'json' }
import summaries from './summary-rows.json' with { type: 'json' }
import surnames from './surname-labels.json' with { type: 'json' }
import meanings from './synonyms.json' with { type: 'json' }
import titleWords from './titles.json' with { type: 'json' }
import translationsFile from './translations.json' with { type: 'json' }

/**
 * Word lists by language, each a file of data that says what it is for. A language more is a key more in the
 * files.
 */

type ByLanguage<T> = { about: string } & Record<string, T | string>

/** What a file has for all its languages; a paper's language is not always known, and papers mix them. */
const entriesOf = <T>(file: ByLanguage<T>): T[] =>
  Object.entries(file).flatMap(([key, entry]) => (key === 'about' ? [] : [entry as T]))
const listOf = (file: ByLanguage<string[]>): string[] => entriesOf(file).flat()

export const titles: ReadonlySet<string> = new Set(listOf(titleWords))
export const maidenNames: ReadonlySet<string> = new Set(listOf(maiden))
/** Particles that do not count when two names are compared. */
export const particles: ReadonlySet<string> = new Set([...smallWords.any, ...smallWords.en])
/** Particles that a name on a paper may have. */
export const nameParticles: ReadonlySet<string> = new Set([...smallWords.any, ...smallWords.onPapers])
export const joiningWords: ReadonlySet<string> = new Set(listOf(joining))
export const noNames: readonly string[] = listOf(notNames)
export const organisations: readonly string[] = listOf(organisationWords)
export const streetForms: readonly string[] = listOf(streets)
export const addressAbbreviations: ReadonlyMap<string, string> = new Map(
  entriesOf<Record<string, string>>(abbreviations).flatMap((entry) => Object.entries(entry)),
)
export const countryWords: ReadonlySet<string> = new Set(listOf(countries))
export const otherLabels: readonly string[] = listOf(others)
/** What goods and work are counted in. */
export const units: ReadonlySet<string> = new Set(listOf(unitWords))
export const surnameLabels: readonly string[] = listOf(surnames)
export const givenNameLabels: readonly string[] = listOf(givenNames)
export const stopWords: ReadonlySet<string> = new Set(listOf(stops))
/** Each a meaning, with the word that names it first. */
export const synonyms: readonly (readonly string[])[] = meanings.any
export const summaryRows: readonly string[] = listOf(summaries)

/** What papers are called in their headings. */
export const paperNames: readonly string[] = listOf(paperNamesFile)

/** Words in tables of persons that are no names of persons. */
export const personTableWords: readonly string[] = listOf(personTableWordsFile)

/** Words of questions that say nothing of what is asked for. */
export const questionWords: readonly string[] = listOf(questionWordsFile)
/** What rows of goods end with: sums under them. */
export const sumRows: readonly string[] = listOf(sumRowsFile)

export { languageOf, LANGUAGES, type Language } from './language.ts'
export { wordVectors } from './word-vectors.ts'

/** Words of forms in other languages, with the English word that stands for them. */
export const translations: ReadonlyMap<string, string> = new Map(
  entriesOf<Record<string, string>>(translationsFile).flatMap((entry) => Object.entries(entry)),
)

/** Names of the twelve months, by language. */
export const months: readonly (readonly (readonly string[])[])[] = entriesOf<string[][]>(monthsFile)
/** What heads of columns say that they hold. */
export const columnWords: readonly Readonly<Record<string, readonly string[]>>[] =
  entriesOf<Record<string, string[]>>(columnFile)
/** What leads to a firm's name. */
export const leadIns: readonly string[] = listOf(leadInsFile)
/** Balances that close a statement. */
export const closingBalances: readonly string[] = listOf(closingFile)
/** What names of firms end with; `legal-forms.json` says which list is for what. */
export const legalForms: {
  readonly written: readonly string[]
  readonly onLetterheads: readonly string[]
  readonly long: Readonly<Record<string, string>>
  readonly none: readonly string[]
} = legalFormsFile
/** How questions ask, and what kinds of values answer them. */
export const questionForms: readonly { asks: string[]; kinds: string[] }[] =
  entriesOf<{ asks: string[]; kinds: string[] }[]>(questionFormsFile).flat()
/** What words of a question may stand for on a label. */
export const questionMeanings: readonly { asked: string[]; means: string[] }[] =
  entriesOf<{ asked: string[]; means: string[] }[]>(questionMeaningsFile).flat()

/** What readers of print take for one another; `confusions.json` says which is for what. */
export const confusions: {
  readonly digits: Readonly<Record<string, string>>
  readonly digitsInCapitals: Readonly<Record<string, string>>
  readonly digitsByHand: Readonly<Record<string, string>>
  readonly letters: Readonly<Record<string, string>>
  readonly lettersInWords: Readonly<Record<string, string>>
  readonly inCodes: Readonly<Record<string, string>>
  readonly pairs: readonly (readonly string[])[]
} = confusionsFile

const written = (words: readonly string[]): string =>
  words
    .map((word) => word.replace(/[$()*+?[\\\]^{|}]/g, '\\$&').replace(/[./]/g, (sign) => `\\${sign}?`))
    .join('|')

/** Matches any of the words where it stands whole; points and strokes in one may be left out. */
export const wordsPattern = (words: readonly string[]): RegExp =>
  new RegExp(`\\b(?:${written(words)})\\b`, 'i')

/** The same at the end of a text, with a point behind it or none. */
export const endPattern = (words: readonly string[]): RegExp =>
  new RegExp(`\\b(?:${written(words)})\\.?$`, 'i')

/** Forms of postal codes; `postal-codes.json` says how they are written. */
export const postalCodes: {
  readonly anywhere: readonly string[]
  readonly beforePlace: readonly string[]
  readonly behindPlace: readonly string[]
} = postalCodesFile
