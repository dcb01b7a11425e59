import { inside, message, type Page, type Row } from '../model/index.ts'
import type { FilledField } from '../answers/index.ts'
import { isLowQuality } from '../ocr/index.ts'
import { editDistance, isDistinctiveWord, likelyWord, squeeze, tokens } from '../text/index.ts'
import type { DocumentType } from '../program/index.ts'
import { counts, type Paper, TAKES_PART } from '../dossier/index.ts'
import { dictionaryWord } from './dictionary.ts'
import { knownPhrase, phraseOf, type ReadWord } from './known-phrases.ts'

/** A word that other rows of such papers have so often was not misread each time in the same way. */
const OFTEN = 4
/** Rows are held against what stands in so many others, and so much oftener than what they say themselves. */
const [KNOWN, OFTENER] = [2, 1.3]
/** What papers say as surely as this are names that rows may have too. */
const SAID = 0.9
const MACHINE: ReadonlySet<string> = new Set(['certain', 'asked', 'repaired'])

/**
 * Lets the rows of statements help one another's spelling. What a row on a scan says is put to a person as
 * many others say it, where it is the same but for letters misread ("Card payment Fey Office"), and so is a
 * word that stands in one row alone and is a letter off one that stands often ("Chandery"), or that is no
 * word and one letter off the only one near it. Sums bear out amounts and no words, so that nothing else
 * would notice.
 * @param english the words of English; without them no row is held against any
 */
export function repairRowSpelling(
  papers: readonly Paper[],
  pages: ReadonlyMap<number, Page>,
  types: ReadonlyMap<string, DocumentType>,
  english?: () => ReadonlySet<string>,
): Paper[] {
  // A copy is spelt as its original is, and lends nothing: it would only say the same misreading again.
  const scanned = papers.filter(
    (paper) => paper.supersededBy === null && paper.pages.some((n) => pages.get(n)?.source !== 'text'),
  )
  const tables = scanned.flatMap((paper) =>
    paper.fields.flatMap((field) => {
      // Names of people are no vocabulary: two may truly be a letter apart.
      const columns =
        types
          .get(paper.type)
          ?.fields.find((f) => f.name === field.name)
          ?.columns.flatMap((c) => (c.kind === 'text' ? [c.name] : [])) ?? []
      return isRead(field) && columns.length > 0
        ? [{ field, columns, key: `${paper.type} ${field.name}`, lends: counts(paper) }]
        : []
    }),
  )
  if (tables.length === 0) return [...papers]
  const book = english && {
    english,
    names: new Set(
      papers.flatMap((paper) =>
        paper.fields.flatMap((f) =>
          typeof f.value === 'string' && f.confidence >= SAID ? tokens(f.value) : [],
        ),
      ),
    ),
  }
  const changed = new Map<FilledField, FilledField>()
  for (const key of new Set(tables.map((t) => t.key))) {
    const own = tables.filter((t) => t.key === key)
    for (const [field, mended] of respelt(
      own.map((t) => t.field),
      new Set(own.flatMap((t) => (t.lends ? [t.field] : []))),
      own[0].columns,
      pages,
      book,
    ))
      changed.set(field, mended)
  }
  return changed.size === 0
    ? [...papers]
    : papers.map((paper) => ({ ...paper, fields: paper.fields.map((f) => changed.get(f) ?? f) }))
}

/** What letters may be: words of English, and names that the papers have. */
interface Book {
  english: () => ReadonlySet<string>
  names: ReadonlySet<string>
}

/**
 * All that the spelling of tables rests on, and what came of it: one answer may make another name, or of a
 * table a copy.
 */
interface Respelt {
  tables: readonly Table[]
  lending: ReadonlySet<Table>
  names: ReadonlySet<string>
  found: ReadonlyMap<Table, FilledField>
}
const known = new WeakMap<Table, Respelt>()
const NO_NAMES: ReadonlySet<string> = new Set()
const same = <T>(a: ReadonlySet<T>, b: ReadonlySet<T>): boolean =>
  a.size === b.size && [...a].every((one) => b.has(one))

/**
 * The tables of one kind that their rows spell otherwise, as they spell them. Worked out once while none of
 * them changes: it is asked for with every answer.
 */
function respelt(
  tables: readonly Table[],
  lending: ReadonlySet<Table>,
  columns: readonly string[],
  pages: ReadonlyMap<number, Page>,
  book?: Book,
): ReadonlyMap<Table, FilledField> {
  const before = known.get(tables[0])
  const names = book?.names ?? NO_NAMES
  if (
    before &&
    before.tables.length === tables.length &&
    before.tables.every((t, i) => t === tables[i]) &&
    same(before.lending, lending) &&
    same(before.names, names)
  )
    return before.found
  const isWord = book && ((letters: string): boolean => names.has(letters) || book.english().has(letters))
  const reads = [...lending].flatMap((t) =>
    t.value.flatMap((row, i) => textsOf(row, columns).map(([, text]) => asRead(text, t, i, pages))),
  )
  const spelling = spellingOf(reads, lending.size > 1)
  // What stands in many rows may be a name that no book has; it is only weak where its strokes look like others.
  const stands = tally(
    reads.flatMap((words) => words.map((w) => w.text)),
    plain,
  )
  const found = new Map<Table, FilledField>()
  for (const table of tables) {
    let lent = false
    const spelt = (text: string, row: number): string => {
      const read = asRead(text, table, row, pages)
      const meant = spelling(read, isPoor(table, row, pages))
      lent ||= meant !== text
      const asked = isWord && isEnglish(table, row, pages) ? isWord : null
      return asked
        ? meant
            .split(' ')
            .map(
              (word, i) =>
                dictionaryWord(
                  {
                    text: word,
                    confidence:
                      read[i]?.text === word && (stands.get(plain(word))?.times ?? 0) < KNOWN
                        ? read[i].confidence
                        : 1,
                  },
                  asked,
                ) ?? word,
            )
            .join(' ')
        : meant
    }
    const rows = table.value.map((row, i) => ({
      ...row,
      ...Object.fromEntries(textsOf(row, columns).map(([name, text]) => [name, spelt(text, i)])),
    }))
    if (rows.some((row, i) => columns.some((name) => row[name] !== table.value[i][name])))
      found.set(table, {
        ...table,
        value: rows,
        confidence: Math.min(table.confidence, TAKES_PART),
        needsReview: true,
        state: 'asked',
        repaired: true,
        reason:
          table.reason ??
          (lent ? message('table.words_spelt_as_other_rows') : message('table.words_spelt_as_nearest')),
      })
  }
  known.set(tables[0], { tables, lending, names, found })
  return found
}

type Table = FilledField & { value: Row[] }
const isRead = (field: FilledField): field is Table =>
  Array.isArray(field.value) && field.value.length > 0 && MACHINE.has(field.state)

const textsOf = (row: Row, columns: readonly string[]): [name: string, text: string][] =>
  columns.flatMap((name) => {
    const cell = row[name]
    return typeof cell === 'string' ? [[name, cell]] : []
  })
const plain = (word: string): string => tokens(word).join('')

/**
 * The words of a cell with how surely each was read where the row stands; one that a reader has put otherwise
 * counts as sure.
 */
function asRead(text: string, field: Table, row: number, pages: ReadonlyMap<number, Page>): ReadWord[] {
  const place = field.rowPlaces?.[row]
  const seen = new Map(
    place
      ? inside(pages.get(place.page)?.words ?? [], place.box).map((w) => [squeeze(w.text), w.confidence])
      : [],
  )
  return text.split(' ').map((word) => ({ text: word, confidence: seen.get(squeeze(word)) ?? 1 }))
}

/** Whether a row stands on a picture of a page that is in no other language. */
function isEnglish(field: Table, row: number, pages: ReadonlyMap<number, Page>): boolean {
  const page = pages.get(field.rowPlaces?.[row]?.page ?? 0)
  return page !== undefined && page.source !== 'text' && (page.language ?? 'en') === 'en'
}

/** Whether words of a row may not have been read at all. */
const isPoor = (field: Table, row: number, pages: ReadonlyMap<number, Page>): boolean => {
  const page = pages.get(field.rowPlaces?.[row]?.page ?? 0)
  return page !== undefined && page.source !== 'text' && isLowQuality(page)
}

/**
 * How the rows that hold these words would spell those of another.
 * @param several whether they are of more than one paper: one alone has nobody to ask about single words
 */
function spellingOf(
  reads: readonly (readonly ReadWord[])[],
  several: boolean,
): (read: readonly ReadWord[], poor: boolean) => string {
  const lettered = reads.flat().filter((w) => /^\p{L}+$/u.test(plain(w.text)))
  const words = tally(
    lettered.map((w) => w.text),
    plain,
  )
  // What is misread alike each time must not pass for a word.
  const usually = usualWords(
    tally(
      lettered.filter((w) => w.confidence >= WEAK).map((w) => w.text),
      plain,
    ),
  )
  const asUsual = (w: ReadWord): ReadWord => ({
    ...w,
    text: (w.confidence < WEAK && usually(w.text)) || w.text,
  })
  const phrases = tally(
    reads.map((read) => read.map((w) => asUsual(w).text).join(' ')),
    squeeze,
  )
  const usual = [...phrases.values()].flatMap(({ text, times }) =>
    times >= KNOWN ? [{ ...phraseOf(text), times }] : [],
  )
  const often = several
    ? [...words].flatMap(([key, { times }]) => (times >= OFTEN && isDistinctiveWord(key) ? [key] : []))
    : []
  const byWord = (word: string): string => {
    const near =
      isDistinctiveWord(plain(word)) && words.get(plain(word))?.times === 1
        ? likelyWord(plain(word), often)
        : null
    return near === null ? word : words.get(near)!.text
  }
  return (read, poor) => {
    const seen = read.map(asUsual)
    const text = seen.map((w) => w.text).join(' ')
    const times = phrases.get(squeeze(text))?.times ?? 0
    return (
      knownPhrase(
        seen,
        usual.filter((p) => p.times >= times * OFTENER),
        poor,
      ) ?? seen.map((w) => byWord(w.text)).join(' ')
    )
  }
}

/** Words read less surely than this may be others altogether. */
const WEAK = 0.8
/** A word that stands so often, and so much oftener than another, may be what that was meant for. */
const [USUAL, USUALLY] = [3, 3]
/** As a share of its letters so many may be others, and shorter ones are too like each other. */
const [ALIKE, SHORT] = [0.4, 3]

/**
 * The word of the rows that a badly read one was likely meant for ("Broaand" for "Broadband"); null where it
 * is usual itself, or nothing is nearest.
 */
function usualWords(
  words: ReadonlyMap<string, { text: string; times: number }>,
): (word: string) => string | null {
  const usual = [...words].filter(([key, { times }]) => times >= USUAL && key.length >= SHORT)
  const found = new Map<string, string | null>()
  return (word) => {
    const key = plain(word)
    if (key.length < SHORT || !/^\p{L}+$/u.test(key)) return null
    let meant = found.get(key)
    if (meant === undefined) {
      const own = words.get(key)?.times ?? 0
      const [first, second] = usual
        .filter(([, { times }]) => times >= Math.max(1, own) * USUALLY)
        .map(([other, { text }]) => ({
          text,
          off: editDistance(key, other),
          most: other.length * ALIKE,
          same: other === key,
        }))
        .filter((o) => o.off <= o.most || o.same)
        .sort((a, b) => a.off - b.off)
      found.set(key, (meant = first && !first.same && first.off !== second?.off ? first.text : null))
    }
    return meant
  }
}

/** How often each of some texts is there, by what makes them the same; written as they stand there most often. */
function tally(
  texts: readonly string[],
  keyOf: (text: string) => string,
): Map<string, { text: string; times: number }> {
  const forms = new Map<string, Map<string, number>>()
  for (const text of texts) {
    const key = keyOf(text)
    const own = forms.get(key) ?? new Map<string, number>()
    forms.set(key, own.set(text, (own.get(text) ?? 0) + 1))
  }
  return new Map(
    [...forms].map(([key, own]) => {
      const [[text]] = [...own].sort((a, b) => b[1] - a[1])
      return [key, { text, times: [...own.values()].reduce((sum, n) => sum + n, 0) }]
    }),
  )
}
