import type { Locale } from '../../locale/index.ts'
import { type Line, linesOf } from '../../layout/index.ts'
import { type Page, type Word, localeOf } from '../../model/index.ts'
import type { DocumentType, Field } from '../../program/index.ts'
import type { Candidate } from '../scoring/candidate.ts'
import { kindReaders } from '../parsers/index.ts'
import { nameLikeness, PARTICLES, withoutTitle } from '../parsers/words.ts'
import { fieldsNear } from '../labels/find-labels.ts'
import { isStopWord } from '../labels/wording-similarity.ts'

/**
 * How far behind its words, in words, a sentence still speaks of the same thing; of an amount for longer,
 * since little else looks like one.
 */
const REACH = 7
const REACH_OF_AMOUNTS = 11
const CAPITALISED: ReadonlySet<string> = new Set(['name', 'org', 'text'])

/**
 * Values inside running text: "insured under policy number MC-338927 from 27.10.2025 until 26.10.2026". The
 * words of a label lead to the next thing of the right form in the sentence, over the ends of lines.
 */
export function runningTextCandidates(page: Page, type: DocumentType): Candidate[] {
  return paragraphs(page).flatMap((lines) => {
    // Full stops and brackets are the sentence's, not the value's.
    const stream = rejoined(lines.flatMap((l) => l.line.words))
    const clean = stream.map((w) => ({
      ...w,
      text: w.text.replace(/^[(“"‘]+(?=.)|(?<=.)[,;:.)”"’]+$/gu, ''),
    }))
    const leads = leadsIn(
      clean.map((w) => w.text),
      stream,
      type,
    )
    return leads.flatMap(({ field: name, near, from, end, length }): Candidate[] => {
      const field = type.fields.find((f) => f.name === name)!
      const named = field.kind === 'name' ? whoIs(clean, stream, from) : []
      if (named.length > 0) {
        const raw = named.map((at) => clean[at].text).join(' ')
        return [
          {
            field: name,
            value: withoutTitle(raw),
            raw,
            words: named.map((at) => stream[at]),
            page,
            repaired: false,
            score: 1.4 + (length > 1 ? 0.3 : -0.3) - (1 - near) * 2,
          },
        ]
      }
      if (closesSentence(stream, end - 1)) return []
      // What follows belongs to the next thing spoken of, if that is of the same kind.
      const other = leads.find(
        (l) =>
          l.from >= end &&
          l.field !== name &&
          l.near >= Math.min(near, 0.9) &&
          alike(
            type.fields.find((f) => f.name === l.field)!,
            field,
          ) &&
          !leads.some((m) => m.from === l.from && m.field === name),
      )
      const reach = field.kind === 'money' ? REACH_OF_AMOUNTS : REACH
      const stop = stopAfter(
        stream,
        end,
        Math.min(stream.length, end + reach + 6, other ? other.from : Infinity),
      )
      const found = firstOf(field, clean.slice(end, stop), stream.slice(end, stop), localeOf(page))
      if (!found) return []
      const places = found.words.map((w) => clean.indexOf(w))
      const skipped = places[0] - end
      return skipped > reach
        ? []
        : [
            {
              field: name,
              value: found.value,
              raw: found.raw,
              words: places.map((at) => stream[at]),
              page,
              repaired: found.repaired,
              partial: found.partial,
              score: 1.4 + (length > 1 ? 0.3 : -0.3) - skipped * 0.15 - (1 - near) * 2,
            },
          ]
    })
  })
}

/** A day that the end of a line breaks at its stroke ("10-" over "12-2025") is one word again. */
function rejoined(words: readonly Word[]): Word[] {
  const whole: Word[] = []
  for (const word of words) {
    const last = whole.at(-1)
    if (last && /\d[-/]$/.test(last.text) && word.box[0] < last.box[0] && /^\d{1,4}[-/.,;)]?/.test(word.text))
      whole[whole.length - 1] = { ...word, text: last.text + word.text }
    else whole.push(word)
  }
  return whole
}

const alike = (a: Field, b: Field): boolean =>
  a.kind === b.kind || (CAPITALISED.has(a.kind) && CAPITALISED.has(b.kind))

interface Lead {
  field: string
  near: number
  from: number
  end: number
  length: number
}

/**
 * So many words may be any that come near to a wording; more are one only as it is listed: "given under my
 * hand on".
 */
const FREE = 3

interface Listed {
  listed: ReadonlySet<string>
  longest: number
}
const listedOf = new WeakMap<DocumentType, Listed>()

/** The longer wordings of a type's fields, and how many words the longest has. */
function listedIn(type: DocumentType): Listed {
  let found = listedOf.get(type)
  if (!found) {
    const long = type.fields.flatMap((f) => f.labels).filter((label) => label.split(' ').length > FREE)
    listedOf.set(
      type,
      (found = {
        listed: new Set(long),
        longest: long.reduce((most, label) => Math.max(most, label.split(' ').length), FREE),
      }),
    )
  }
  return found
}

/**
 * Where a sentence speaks of a field: up to three words that come near to one of its wordings, or more that
 * are one, the longest at each place.
 */
function leadsIn(words: readonly string[], printed: readonly Word[], type: DocumentType): Lead[] {
  const found: Lead[] = []
  const { listed, longest } = listedIn(type)
  for (let from = 0; from < words.length;) {
    let taken = 1
    for (let length = Math.min(longest, words.length - from); length >= 1; length--) {
      if (
        length > FREE &&
        !listed.has(
          words
            .slice(from, from + length)
            .join(' ')
            .toLowerCase(),
        )
      )
        continue
      // "Employed as" ends in a small word: only what is listed so may.
      const small = isStopWord(words[from]) || isStopWord(words[from + length - 1])
      const common =
        length === 1 ? type.fields.find((f) => f.common && f.labels.includes(words[from])) : undefined
      if (
        (small && length === 1 && !common) ||
        words.slice(from, from + length).some((w, i) => !speaks(w, i === 0 && begins(printed, from)))
      )
        continue
      const near = common
        ? [{ key: common.name, similarity: 1 }]
        : fieldsNear(words.slice(from, from + length).join(' '), type).filter(
            (n) => n.similarity >= (small ? 1 : 0.75),
          )
      if (near.length === 0) continue
      found.push(
        ...near.map(({ key, similarity: near }) => ({ field: key, near, from, end: from + length, length })),
      )
      taken = length
      break
    }
    from += taken
  }
  return found
}

/** Whether a sentence begins at a word. */
const begins = (printed: readonly Word[], at: number): boolean =>
  at === 0 || /[.:;]$/.test(printed[at - 1].text)

/** Names are no part of what a sentence calls things: its words are small, but for the first. */
const speaks = (word: string, first: boolean): boolean =>
  (first && /^\p{Lu}\p{Ll}+$/u.test(word)) || /^\p{Ll}/u.test(word)

/**
 * "Name of the boat: Morning Tern", "Do you have other loans? No": a short line that asks and is answered is
 * no sentence, and none goes on in it.
 */
const isEntry = ({ words }: Line): boolean =>
  words.length < 12 && words.slice(0, 7).some((w, i) => i < words.length - 1 && /\p{L}[:?]$/u.test(w.text))

/** Runs of lines that are sentences: one segment, many words, most of them in small letters. */
function paragraphs(page: Page): { line: Line; index: number }[][] {
  const found: { line: Line; index: number }[][] = []
  linesOf(page).forEach((line, index) => {
    const small = line.words.filter((w) => /^\p{Ll}/u.test(w.text)).length
    const before = found.at(-1)?.at(-1)
    const follows =
      before !== undefined &&
      before.index === index - 1 &&
      (line.box[1] - before.line.box[3]) * page.height < line.height * 1.6 &&
      Math.abs(line.box[0] - before.line.box[0]) < 0.02
    if (
      line.segments.length === 1 &&
      !isEntry(line) &&
      ((line.words.length >= 8 && small >= 4) || (follows && line.words.length >= 1))
    ) {
      if (follows) found.at(-1)!.push({ line, index })
      else found.push([{ line, index }])
    }
  })
  return found.filter((lines) => lines.length > 1 || lines[0].line.words.length >= 10)
}

/** Up to the end of the sentence; a stop inside a number or behind an initial ends none. */
function stopAfter(words: readonly Word[], from: number, to: number): number {
  for (let i = from; i < to; i++)
    if (/(?:\p{L}{3,}|[\d\p{Sc}%)])[.;]$/u.test(words[i].text) && /^\p{Lu}/u.test(words[i + 1]?.text ?? 'A'))
      return i + 1
  return to
}

/** Whether a sentence ends with the very words that would lead to a value: "from the books of the business." */
const closesSentence = (words: readonly Word[], at: number): boolean =>
  /\p{Ll}{3}[.;]$/u.test(words[at].text) && /^\p{Lu}\p{Ll}/u.test(words[at + 1]?.text ?? '')

/** The first thing of the field's kind. `ahead` has the sentence's punctuation taken off, `printed` still has it. */
function firstOf(
  field: Field,
  ahead: Word[],
  printed: readonly Word[],
  locale: Locale,
): { value: Candidate['value']; raw: string; words: Word[]; repaired: boolean; partial?: boolean } | null {
  if (field.kind === 'table' || field.kind === 'choice' || field.kind === 'yesno' || field.kind === 'address')
    return null
  if (field.kind === 'money') {
    // "for the year 2025 came to EUR 19,628.00": a bare figure is passed over where an amount follows.
    const amounts = kindReaders.money(ahead, locale).filter((r) => !/^(?:19|20)\d\d$/.test(r.raw))
    return amounts.find((r) => r.plausibility >= 0.8) ?? amounts[0] ?? null
  }
  if (!CAPITALISED.has(field.kind)) return kindReaders[field.kind](ahead, locale)[0] ?? null
  if (field.common) return commonWords(ahead, printed)
  const from = ahead.findIndex((w) => /^\p{Lu}/u.test(w.text) && w.text !== 'I')
  if (from < 0) return null
  const run: Word[] = []
  for (let i = from; i < ahead.length; i++) {
    if (!/^(?:\p{Lu}|(?:of|the|de|du|del|la|le|van|von|y|&)$)/u.test(ahead[i].text)) break
    // "Tax residence: Ireland" over "I certify that": the next sentence begins.
    if (i > from && ahead[i].text === 'I' && /^\p{Ll}/u.test(ahead[i + 1]?.text ?? '')) break
    run.push(ahead[i])
    if (/[,;:.)”"]$/.test(printed[i].text) && ahead[i].text.length > 1) break
  }
  while (run.length > 0 && /^\p{Ll}/u.test(run.at(-1)!.text)) run.pop()
  // "Our Boatbuilder Ottilie Stenhouse": what somebody is to a firm stands before the name, in capitals or
  // not. How many words are the name, a person says.
  const partial = field.kind === 'name' && run.length > 2 && /^our$/i.test(ahead[from - 1]?.text ?? '')
  if (partial) run.splice(0, run.length - 2)
  const text = run.map((w) => w.text).join(' ')
  const value = field.kind === 'name' ? withoutTitle(text) : text
  if (
    run.length === 0 ||
    (field.kind === 'name' && (run.length < 2 || nameLikeness(value) < 0.9)) ||
    /\d/.test(value)
  )
    return null
  return { value, raw: text, words: run, repaired: false, partial }
}

/**
 * "… and that Eskil / Erik Dunbarrow is the sole owner": whom a sentence says to be something stands before
 * it. Places of the name's words.
 */
function whoIs(clean: readonly Word[], printed: readonly Word[], role: number): number[] {
  const verb = /^(?:an?|the)$/.test(clean[role - 1]?.text ?? '') ? role - 2 : role - 1
  if (!/^(?:is|was|remains|being)$/.test(clean[verb]?.text ?? '')) return []
  let first = verb
  while (
    first > 0 &&
    (/^\p{Lu}/u.test(clean[first - 1].text) || PARTICLES.has(clean[first - 1].text)) &&
    (first === verb || !/[,;:)]$/.test(printed[first - 1].text))
  )
    first--
  while (first < verb && /^\p{Ll}/u.test(clean[first].text)) first++
  const run = Array.from({ length: verb - first }, (_, i) => first + i)
  return run.length > 1 && nameLikeness(run.map((at) => clean[at].text).join(' ')) >= 0.9 ? run : []
}

/** What is called by common words ("skipper", "Marine engineer") runs up to the next small word, figure or comma. */
function commonWords(
  ahead: readonly Word[],
  printed: readonly Word[],
): { value: string; raw: string; words: Word[]; repaired: boolean } | null {
  const from = ahead.findIndex((w) => !/^(?:of|an?|the|our|une?|el|la|le)$/i.test(w.text))
  const run: Word[] = []
  for (let i = Math.max(0, from); i < ahead.length && run.length < 4; i++) {
    if (/\d/.test(ahead[i].text) || GOES_ON.test(ahead[i].text) || isStopWord(ahead[i].text)) break
    run.push(ahead[i])
    if (/[,;:.)]$/.test(printed[i].text)) break
  }
  const value = run.map((w) => w.text).join(' ')
  return from < 0 || from > 1 || run.length === 0 ? null : { value, raw: value, words: run, repaired: false }
}

/** Words with which a sentence goes on behind a name of a thing. */
export const GOES_ON =
  /^(?:and|since|from|under|on|at|in|with|for|to|until|who|he|she|they|has|have|had|was|will|by|full-time|part-time)$/i
