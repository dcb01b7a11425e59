import type { Locale } from '../locale/index.ts'
import {
  boxAround,
  message,
  type Message,
  type Page,
  plain,
  touches,
  type Value,
  type Word,
  localeOf,
} from '../model/index.ts'
import { linesOf, type Segment } from '../layout/index.ts'
import { editDistance, squeeze, tokens } from '../text/index.ts'
import { askedBelow, type DocumentType, type Fact, type Program } from '../program/index.ts'
import { kindReaders } from '../extraction/index.ts'
import type { FilledField } from '../answers/index.ts'
import { brokenOff, type Comparer, comparerOf, mostAlike, nearMiss, wordMore } from '../matching/index.ts'
import type { Paper } from '../dossier/index.ts'
import { isHardlyReadable, isMachines, placesOf } from './places.ts'
import { askedFor, rightWhen } from './told.ts'
import { mayGoOn } from './whole-names.ts'

/** Papers that must say the same before they speak for what another paper says. */
const WITNESSES = 2
const CLEAR = 0.93
/**
 * A figure apart from what others say, only spotless print is believed; of two names a letter apart one is
 * misread, however clear it looks.
 */
const SPOTLESS = 0.96

/**
 * Lets the papers of a package help one another's reading: a doubtful value that two other papers say too is
 * no longer doubtful, and one that they contradict while their own value stands elsewhere on the paper was
 * read from the wrong place. A value that stands nowhere else on its paper is left alone: that is how a true
 * conflict looks.
 */
export function reachConsensus(
  papers: readonly Paper[],
  program: Program,
  pages: ReadonlyMap<number, Page>,
  types: ReadonlyMap<string, DocumentType>,
): Paper[] {
  const changed = new Map<string, FilledField>()
  // Where a slip costs more than usual, others are not proof enough.
  const isEnough = (paper: Paper, name: string): boolean => {
    const field = types.get(paper.type)?.fields.find((f) => f.name === name)
    return !field || rightWhen.confirmed >= askedBelow(field)
  }
  for (const fact of program.facts)
    for (const [key, field] of echoesOf(fact, papers, pages, isEnough)) changed.set(key, field)
  return changed.size === 0
    ? [...papers]
    : papers.map((paper) => ({
        ...paper,
        fields: paper.fields.map((f) => changed.get(`${paper.id} ${f.name}`) ?? f),
      }))
}

function echoesOf(
  fact: Fact,
  papers: readonly Paper[],
  pages: ReadonlyMap<number, Page>,
  isEnough: (paper: Paper, name: string) => boolean,
): [string, FilledField][] {
  const compare = comparerOf(fact)
  const places = placesOf(fact, papers).map(({ paper, field }) => ({
    paper,
    field,
    stranger: fact.person === 'applicant' && paper.owner === 'other',
  }))
  if (fact.kind === 'name' && fact.person === 'applicant') places.push(...elsewhere(fact, papers, pages))
  const sure = places.filter((p) => !p.stranger && p.field.value !== null && !p.field.needsReview)
  const agrees = agreement(compare)
  const different = [...new Map(sure.map((p) => [plain(p.field.value), p.field.value])).values()]
  const known = different.find(
    (value) =>
      sure.filter((p) => agrees(p.field.value, value)).length >= Math.max(WITNESSES, sure.length / 2),
  )
  if (known === undefined) return []
  const witnesses = sure.filter((p) => agrees(p.field.value, known))
  const said = [...new Map(witnesses.map((p) => [plain(p.field.value), p.field.value!])).values()]
  const alikest = (field: FilledField) => (field.value === null ? known : mostAlike(field.value, said))
  const ofPaper = countBy(witnesses.map((p) => p.paper))
  return places.flatMap(({ paper, field, stranger }): [string, FilledField][] => {
    // A paper of somebody else is only looked at where a letter misread may have made it one.
    if (stranger && (fact.kind !== 'name' || field.value === null || !nearMiss(field.value, alikest(field))))
      return []
    if (!isMachines(field) || witnesses.length - (ofPaper.get(paper) ?? 0) < WITNESSES) return []
    const page = pages.get(field.page ?? 0)
    const echo = echoFor(field, { kind: fact.kind, known: alikest(field), agrees }, page, () =>
      findOn(paper, pages, fact.kind, known, agrees),
    )
    return echo && (echo.needsReview || isEnough(paper, field.name))
      ? [[`${paper.id} ${field.name}`, echo]]
      : []
  })
}

function countBy<T>(all: readonly T[]): Map<T, number> {
  const counts = new Map<T, number>()
  for (const one of all) counts.set(one, (counts.get(one) ?? 0) + 1)
  return counts
}

/**
 * Words on pictures that no fact compares, as the sender of a letter: a letter misread makes strangers of
 * them as well.
 */
const elsewhere = (
  fact: Fact,
  papers: readonly Paper[],
  pages: ReadonlyMap<number, Page>,
): { paper: Paper; field: FilledField; stranger: boolean }[] =>
  papers.flatMap((paper) =>
    paper.fields.flatMap((field) => {
      const named =
        typeof field.value === 'string' &&
        !/\d/.test(field.value) &&
        field.page !== null &&
        pages.get(field.page)?.source !== 'text'
      return named && !fact.fields.includes(`${paper.type}.${field.name}`)
        ? [{ paper, field, stranger: true }]
        : []
    }),
  )

type Agrees = (a: Value, b: Value) => boolean

/** Whether two values agree, each pair compared once: many papers say the very same. */
function agreement(compare: Comparer): Agrees {
  const known = new Map<string, boolean>()
  return (a, b) => {
    const key = `${plain(a)}\n${plain(b)}`
    let agree = known.get(key)
    if (agree === undefined)
      known.set(
        key,
        (agree = compare({ value: a, confidence: 1 }, { value: b, confidence: 1 }).relation !== 'different'),
      )
    return agree
  }
}

function echoFor(
  field: FilledField,
  { kind, known, agrees }: { kind: Fact['kind']; known: Value; agrees: Agrees },
  on: Page | undefined,
  find: () => Found | null,
): FilledField | null {
  const spelt = on?.source === 'text'
  // "Boat Kittiwake" agrees with "Kittiwake" and is misread all the same: only names may differ in form and
  // be confirmed.
  const confirmed =
    field.value !== null &&
    (kind === 'name'
      ? agrees(field.value, known) &&
        !saysMore(field.value, known) &&
        !(on && field.box && saysMore(known, field.value) && mayGoOn(on, field.box))
      : squeeze(plain(field.value)) === squeeze(plain(known)))
  if (field.value !== null && agrees(field.value, known))
    return field.needsReview && confirmed
      ? {
          ...field,
          confidence: Math.max(field.confidence, rightWhen.confirmed),
          needsReview: false,
          reason: null,
          state: field.repaired ? 'repaired' : 'certain',
        }
      : null
  // "Silver" where all others say "Silver Darling": on a scan a word at the end is lost more easily than a
  // boat is called by half its name.
  if (
    field.value !== null &&
    field.page !== null &&
    field.box !== null &&
    !spelt &&
    kind === 'text' &&
    wordMore(plain(known), plain(field.value))
  )
    return proposed(field, known, message('value.others_have_a_word_more'))
  // A value read from a clear place differs because the paper does.
  if (
    field.value !== null &&
    field.confidence >=
      (nearMiss(field.value, known) ? (/\d/.test(plain(field.value)) ? SPOTLESS : 1) : CLEAR)
  )
    return null
  // So near to what the others say, and not clearly printed: likely one letter misread. A text layer misreads
  // no letter.
  if (field.value !== null && !field.needsReview && nearMiss(field.value, known)) {
    if (spelt) return null
    if (brokenOff(squeeze(plain(field.value)), squeeze(plain(known))))
      return proposed(field, known, message('value.end_lost'))
    return askedFor(field, message('value.others_differ_by_letter'))
  }
  if (field.value !== null && field.needsReview && isHardlyReadable(field, on) && alike(field.value, known))
    return proposed(field, known, message('value.others_alike'))
  const found = find()
  if (
    !found ||
    (field.box !== null && found.page === field.page && found.words.some((w) => touches(w.box, field.box!)))
  )
    return null
  const { value, raw, page, words } = found
  const before =
    field.value === null
      ? []
      : [{ value: field.value, raw: field.raw ?? plain(field.value), page: field.page!, box: field.box! }]
  const said = {
    ...field,
    value,
    raw,
    page,
    box: boxAround(words.map((w) => w.box)),
    confidence: 1,
    repaired: false,
    others: [...before, ...field.others.filter((o) => !agrees(o.value, known))].slice(0, 3),
  }
  return askedFor(said, message('value.others_say_so'))
}

/**
 * Whether a name has words that the known one has not: "Ottilie Carrow Registered under" agrees with hers,
 * and is not it.
 */
const saysMore = (value: Value, known: Value): boolean => {
  const names = tokens(plain(known))
  return tokens(plain(value)).length > names.length && tokens(plain(value)).some((t) => !names.includes(t))
}

/** Share of letters in which two weak readings of one value may differ. */
const MISREAD = 0.25

const alike = (a: Value, b: Value): boolean => {
  const [p, q] = [squeeze(plain(a)), squeeze(plain(b))]
  const most = Math.floor(Math.max(p.length, q.length) * MISREAD)
  // Two signs that changed places are a slip of whoever wrote the paper, not of whoever reads it.
  const swapped = [...p].sort().join('') === [...q].sort().join('')
  return most > 0 && !swapped && editDistance(p, q, most) <= most
}

/** What others say, put before what was made out here; a person sees the print, and has both. */
function proposed(field: FilledField, known: Value, reason: Message): FilledField {
  const own = { value: field.value, raw: field.raw ?? plain(field.value), page: field.page!, box: field.box! }
  const others = [own, ...field.others].slice(0, 3)
  return askedFor({ ...field, value: known, confidence: 1, repaired: true, others }, reason)
}

interface Found {
  value: Value
  raw: string
  page: number
  words: Word[]
}

/** A value standing anywhere on a paper, as the paper prints it. */
function findOn(
  paper: Paper,
  pages: ReadonlyMap<number, Page>,
  kind: Fact['kind'],
  known: Value,
  agrees: Agrees,
): Found | null {
  for (const number of paper.pages) {
    const page = pages.get(number)
    const found = page && findOnPage(page, kind, known, agrees)
    if (found) return { ...found, page: number }
  }
  return null
}

function findOnPage(
  page: Page,
  kind: Fact['kind'],
  known: Value,
  agrees: Agrees,
): Omit<Found, 'page'> | null {
  const lines = linesOf(page)
  for (const [index, line] of lines.entries())
    for (const segment of line.segments) {
      const found =
        kind === 'address'
          ? addressAt(
              lines.slice(index + 1, index + 4).map((l) => l.segments),
              segment,
              agrees,
              known,
            )
          : kind === 'date' || kind === 'money'
            ? readAs(kind, segment.words, localeOf(page), (value) => agrees(value, known))
            : spelt(segment.words, known, kind === 'name' ? agrees : null)
      if (found) return found
    }
  return null
}

function readAs(
  kind: 'date' | 'money',
  words: Word[],
  locale: Locale,
  agrees: (value: Value) => boolean,
): Omit<Found, 'page'> | null {
  const reading = kindReaders[kind](words, locale).find((r) => agrees(r.value))
  return reading ? { value: reading.value, raw: reading.raw, words: reading.words } : null
}

/** Words side by side that spell the value; for names, as any variant of it with two whole parts. */
function spelt(words: Word[], known: Value, agrees: Agrees | null): Omit<Found, 'page'> | null {
  const wanted = squeeze(plain(known))
  const most = plain(known).split(' ').length + 2
  for (let from = 0; from < words.length; from++)
    // The longest first: a name without its last part agrees with the whole of it.
    for (let to = Math.min(words.length, from + most); to > from; to--) {
      const span = words.slice(from, to)
      const value = span
        .map((w) => w.text)
        .join(' ')
        .replace(/^[\s(“"]+|[\s,;:.)”"]+$/g, '')
      if (
        squeeze(value) === wanted ||
        (agrees !== null &&
          span.length >= 2 &&
          span.every((w) => /^\p{Lu}/u.test(w.text)) &&
          agrees(value, known))
      )
        return { value, raw: value, words: span }
    }
  return null
}

function addressAt(
  below: readonly Segment[][],
  segment: Segment,
  agrees: Agrees,
  known: Value,
): Omit<Found, 'page'> | null {
  // The name over an address agrees with it as little as it differs.
  if (!/\d/.test(segment.text)) return null
  const lines = [segment]
  // Once more than there are lines below: an address may be the last of its page.
  for (const segments of [...below, []]) {
    const value = lines.map((l) => l.text.replace(/,$/, '')).join(', ')
    if (/\d/.test(value) && value.split(' ').length >= 4 && agrees(value, known))
      return { value, raw: value, words: lines.flatMap((l) => l.words) }
    const next = segments.find((s) => Math.abs(s.box[0] - segment.box[0]) < 0.012)
    if (!next) return null
    lines.push(next)
  }
  return null
}
