import { isSentence, linesOf, type Segment } from '../../layout/index.ts'
import { type Page, plain, type Word, localeOf } from '../../model/index.ts'
import { fold } from '../../text/index.ts'
import { type DocumentType, type Field, hasForm } from '../../program/index.ts'
import { isPeriod, wholeMonth } from '../consistency/confirmations.ts'
import type { Candidate } from '../scoring/candidate.ts'
import { kindReaders } from '../parsers/index.ts'
import type { Reading } from '../parsers/reading.ts'
import { addressLikeness, hasPostcode, nameLikeness, orgLikeness } from '../parsers/words.ts'
import { ends, labelLike, findLabels } from '../labels/find-labels.ts'
import { readChoice, YES_NO } from '../marks/checkboxes.ts'
import { labelsByLine } from '../labels/value-regions.ts'
import type { LabelHit } from '../labels/label.ts'

/** Kinds whose form alone says what a value may be. */
const FORMED: ReadonlySet<string> = new Set(['date', 'money', 'id', 'iban', 'email', 'phone'])
const BY_LIKENESS: ReadonlySet<string> = new Set(['name', 'org', 'address'])
/** A field with evidence better than this has found its value. */
const FOUND = 1.5

/**
 * A designer's own word for a field may be one that nobody knows: what has the form of a value and belongs to
 * no other field is a guess for the fields that found none, weighed like all else.
 */
export function unlabelledCandidates(
  pages: readonly Page[],
  type: DocumentType,
  found: ReadonlyMap<string, Candidate[]>,
): Candidate[] {
  const lacking = type.fields.filter(
    (f) => !f.optional && f.kind !== 'table' && Math.max(-9, ...found.get(f.name)!.map((c) => c.score)) < 0,
  )
  if (lacking.length === 0) return []
  const best = [...found.values()]
    .flatMap((cs) => (cs.length ? [cs.reduce((a, b) => (b.score > a.score ? b : a))] : []))
    .filter((c) => c.score > FOUND)
  const claimed = new Set<Word>(best.flatMap((c) => c.words))
  const said = new Set(best.map((c) => squeezed(c)))
  const guesses = lacking.flatMap((field) =>
    pages.flatMap((page, order) =>
      field.kind === 'yesno' ? loneTick(page, field) : guessesOn(page, order, field, type, claimed),
    ),
  )
  const endsMonth = closersOf(type, best)
  // An amount that another field already said is no news: basic pay beside gross pay.
  return guesses.map((g) =>
    typeof g.value !== 'string' && said.has(squeezed(g))
      ? { ...g, score: g.score - 0.9 }
      : endsMonth(g)
        ? { ...g, score: g.score + CLOSES, unsettled: true }
        : g,
  )
}

/**
 * A day that makes a whole month of the first one is the last one, though its label could not be read; a day
 * of printing may be as well, so that a person is to see it.
 */
const CLOSES = 3

/** Whether a guess is the last day of the month that a paper's first day begins. */
function closersOf(type: DocumentType, best: readonly Candidate[]): (guess: Candidate) => boolean {
  const wanted = new Map<string, string>()
  for (const relation of type.relations) {
    if (relation.kind !== 'not_after' || !isPeriod(type, relation.first) || !isPeriod(type, relation.second))
      continue
    const start = best.find((c) => c.field === relation.first)?.value
    if (typeof start === 'string') wanted.set(relation.second, start)
  }
  return ({ field, value }) =>
    typeof value === 'string' && wanted.has(field) && wholeMonth(wanted.get(field)!, value)
}

const squeezed = (c: Candidate): string => fold(plain(c.value)).replace(/[^a-z0-9]+/g, '')

function guessesOn(
  page: Page,
  order: number,
  field: Field,
  type: DocumentType,
  claimed: ReadonlySet<Word>,
): Candidate[] {
  const labels = labelsByLine(findLabels(page, type))
  return linesOf(page)
    .slice(0, 70)
    .flatMap((line, index) =>
      line.segments.flatMap((segment): Candidate[] => {
        if (field.kind === 'address' && (segment.words.length > 12 || isSentence(segment)))
          return addressesInSentence(page, index, segment, field)
        if (segment.words.length > 12)
          return field.kind === 'name' ? namesInSentence(segment, field, page, claimed) : []
        if (segment.words.some((w) => claimed.has(w))) return behindAnother(segment, field, page, claimed)
        const here = labels.get(index) ?? []
        const words = valueWords(segment, here)
        if (words.length === 0 || spokenFor(segment, here)) return []
        const reading = FORMED.has(field.kind)
          ? kindReaders[field.kind as keyof typeof kindReaders](words, localeOf(page)).filter(
              (r) => r.plausibility >= 0.8,
            )
          : BY_LIKENESS.has(field.kind)
            ? byLikeness(words, field, type, page, index)
            : []
        return reading.map((r) => ({
          field: field.name,
          value: r.value,
          raw: r.raw,
          words: r.words,
          page,
          repaired: r.repaired,
          score:
            -0.9 -
            order * 0.2 -
            (FORMED.has(field.kind) ? (words.length - r.words.length) * 0.1 : 0) +
            (field.kind === 'iban' || field.kind === 'email' ? 2.6 : 0) +
            patterned(field, r),
        }))
      }),
    )
}

/**
 * What stands behind another field's value in one place with it: the number of a firm in brackets behind its
 * name, the address of a holder behind theirs.
 */
function behindAnother(segment: Segment, field: Field, page: Page, claimed: ReadonlySet<Word>): Candidate[] {
  const rest = segment.words.slice(segment.words.findLastIndex((w) => claimed.has(w)) + 1)
  const text = textOf(rest)
  if (field.kind === 'id' && /^\([^\d()]*\d[^()]*\)[.,;]?$/.test(text)) {
    const bare = rest.map((w) => ({ ...w, text: w.text.replace(/[()]/g, '') }))
    return kindReaders.id(bare).map((r) => ({
      field: field.name,
      value: r.value,
      raw: r.raw,
      words: rest,
      page,
      repaired: r.repaired,
      score: -0.9,
    }))
  }
  return field.kind === 'address' && addressLikeness(text) >= 0.9 && hasPostcode(text)
    ? kindReaders.address(rest).map((r) => ({
        field: field.name,
        value: r.value,
        raw: r.raw,
        words: r.words,
        page,
        repaired: r.repaired,
        score: -0.7,
      }))
    : []
}

/** Runs of capitalised words inside a sentence that would do for a person. */
function namesInSentence(
  segment: Segment,
  field: Field,
  page: Page,
  claimed: ReadonlySet<Word>,
): Candidate[] {
  const runs: Word[][] = [[]]
  for (const word of segment.words) {
    if (/^\p{Lu}[\p{L}'’.-]*[,;.]?$/u.test(word.text) && !claimed.has(word)) runs.at(-1)!.push(word)
    else runs.push([])
    if (/[,;.]$/.test(word.text)) runs.push([])
  }
  return runs
    .filter((run) => run.length >= 2 && run.length <= 4)
    .flatMap((run) => {
      const text = run.map((w) => w.text).join(' ')
      return nameLikeness(text) >= 0.95 && orgLikeness(text) < 1
        ? kindReaders.name(run).map((r) => ({
            field: field.name,
            value: r.value,
            raw: r.raw,
            words: r.words,
            page,
            repaired: false,
            score: -1.1,
          }))
        : []
    })
}

/**
 * Words from the number of a house to the postal code and place: "for the line at 9 Kelp Street, Wrack Bay
 * SK7 1AA."
 */
const LONGEST_ADDRESS = 12

/** An address that a sentence speaks of, which may go on in the next line. */
function addressesInSentence(page: Page, index: number, segment: Segment, field: Field): Candidate[] {
  const next = linesOf(page)[index + 1]?.segments.find((s) => Math.abs(s.box[0] - segment.box[0]) < 0.02)
  const words = [...segment.words, ...(next?.words ?? [])]
  return segment.words.flatMap((word, from): Candidate[] => {
    if (!/^\d{1,4}[a-z]?,?$/.test(word.text) || !/^\p{Ll}/u.test(words[from - 1]?.text ?? '')) return []
    for (let end = from + 3; end <= Math.min(words.length, from + LONGEST_ADDRESS); end++) {
      if (!hasPostcode(textOf(words.slice(from, end)))) continue
      // Some print the place behind its code.
      while (end < words.length && !/[.,;:]$/.test(words[end - 1].text) && /^\p{Lu}/u.test(words[end].text))
        end++
      const own = words.slice(from, end)
      const value = textOf(own).replace(/[.,;:]+$/, '')
      return addressLikeness(value) === 1
        ? [{ field: field.name, value, raw: value, words: own, page, repaired: false, score: -0.7 }]
        : []
    }
    return []
  })
}

const textOf = (words: readonly Word[]): string => words.map((w) => w.text).join(' ')

const patterned = (field: Field, reading: Reading): number => {
  const has = hasForm(field.pattern, reading.value)
  return has === null ? 0 : has ? 1 : -1
}

/** The words behind a colon, or the whole segment. */
function valueWords(segment: Segment, labels: readonly LabelHit[]): Word[] {
  const colon = segment.words.findLastIndex((w) => /:$/.test(w.text))
  const label = labels.find((l) => l.segment === segment && l.leads)
  const from = Math.max(colon + 1, label ? segment.words.indexOf(label.lineOf.words[label.to - 1]) + 1 : 0)
  return segment.words.slice(from)
}

/** Whether a label straight before a segment, or at its head, says that it is something else. */
function spokenFor(segment: Segment, labels: readonly LabelHit[]): boolean {
  const before = labels
    .filter(
      (l) =>
        ends(l) &&
        l.segment.box[0] <= segment.box[0] &&
        (l.segment === segment || l.segment.box[2] <= segment.box[0] + 0.01),
    )
    .at(-1)
  return before !== undefined && before.similarity > 0.8 && before.meanings.every((m) => m.role === 'other')
}

function byLikeness(words: Word[], field: Field, type: DocumentType, page: Page, line: number): Reading[] {
  const text = words.map((w) => w.text).join(' ')
  if (labelLike(text, type)) return []
  if (field.kind === 'name')
    return nameLikeness(text) >= 0.95 &&
      words.length >= 2 &&
      orgLikeness(text) < 1 &&
      addressLikeness(text) < 0.5
      ? kindReaders.name(words)
      : []
  if (field.kind === 'org')
    return orgLikeness(text) === 1 && words.length <= 6 && /^\p{Lu}/u.test(text) ? kindReaders.org(words) : []
  if (addressLikeness(text) < 0.9) return []
  if (hasPostcode(text)) return kindReaders.address(words).map((r) => ({ ...r, plausibility: 1 }))
  const below = linesOf(page)
    .slice(line + 1, line + 4)
    .map((l) => l.segments.find((s) => Math.abs(s.box[0] - words[0].box[0]) < 0.012))
    .filter((s) => s !== undefined)
  const end = below.findIndex((s) => hasPostcode(s.text))
  if (end < 0) return []
  const lines = [words, ...below.slice(0, end + 1).map((s) => s.words)]
  const value = lines
    .map((l) =>
      l
        .map((w) => w.text)
        .join(' ')
        .replace(/,$/, ''),
    )
    .join(', ')
  return [{ value, raw: value, words: lines.flat(), plausibility: 1, repaired: false }]
}

/** Yes and no standing beside one another with no question before them that is known. */
function loneTick(page: Page, field: Field): Candidate[] {
  return linesOf(page).flatMap((line, index) => {
    const place = {
      line: index,
      from: 0,
      to: 0,
      length: 0,
      mended: false,
      meanings: [],
      page,
      leads: false,
      colon: false,
      alone: false,
      similarity: 0,
      segment: line.segments[0],
      lineOf: line,
    }
    if (!line.words.some((w) => YES_NO.some((o) => o.words.includes(fold(w.text))))) return []
    const read = readChoice(place, field, YES_NO)
    return read ? [{ ...read, value: read.value === 'yes', score: -0.6 }] : []
  })
}
