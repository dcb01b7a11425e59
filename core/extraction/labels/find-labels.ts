import {
  type Line,
  linesOf,
  type PhraseHit,
  PhraseIndex,
  type Segment,
  typicalHeight,
} from '../../layout/index.ts'
import type { Page, Word } from '../../model/index.ts'
import { squeeze, tokens } from '../../text/index.ts'
import { isCurrency } from '../../locale/index.ts'
import { givenNameLabels, otherLabels, surnameLabels } from '../../lexicon/index.ts'
import type { DocumentType, Field, FieldKind } from '../../program/index.ts'
import { bilingual, inCells, wrapped } from './multi-line-labels.ts'
import { contentWords, isFormWord, isStopWord, Wordings } from './wording-similarity.ts'
import type { LabelMeaning, LabelHit } from './label.ts'

interface Books {
  phrases: PhraseIndex<LabelMeaning>
  wordings: Wordings<string>
  /** Every word that labels and titles of the type are made of. */
  vocabulary: ReadonlySet<string>
}

const books = new WeakMap<DocumentType, Books>()

function booksOf(type: DocumentType): Books {
  let book = books.get(type)
  if (!book) {
    const phrases: [string, LabelMeaning][] = []
    for (const field of type.fields) {
      // "Tax no." beside "tax no" is one wording: said twice it would make its value surer than it is.
      const given = new Set<string>()
      field.labels.forEach((wording, rank) => {
        const key = tokens(wording).join(' ')
        if (!given.has(key)) phrases.push([wording, { role: 'field', field: field.name, rank }])
        given.add(key)
      })
    }
    for (const wording of type.signature?.labels ?? []) phrases.push([wording, { role: 'signature' }])
    for (const wording of type.titles) phrases.push([wording, { role: 'title' }])
    // What the type asks for itself is nothing else's label, whatever papers of other kinds mean by it.
    const asked = new Set(type.fields.flatMap((f) => [...f.labels, f.title].map(meaningOf)))
    // "Self-employed" beside a box is an answer, not the label of an employer.
    const others = [
      ...[...otherLabels, ...type.others].filter((label) => !asked.has(meaningOf(label))),
      ...type.fields.flatMap((f) => f.choices.flatMap((c) => c.words)),
    ]
    for (const wording of others) phrases.push([wording, { role: 'other' }])
    for (const wording of surnameLabels) phrases.push([wording, { role: 'surname' }])
    for (const wording of givenNameLabels) phrases.push([wording, { role: 'given' }])
    for (const field of type.fields)
      for (const column of field.columns)
        for (const wording of column.labels) phrases.push([wording, { role: 'column' }])
    books.set(
      type,
      (book = {
        phrases: new PhraseIndex(phrases),
        wordings: new Wordings(
          type.fields.flatMap((f) =>
            f.kind === 'table'
              ? []
              : wordingsOf(f, type.synonyms).map((wording) => [f.name, wording] as const),
          ),
          others,
        ),
        vocabulary: new Set(
          [
            ...type.fields.flatMap((f) => f.labels),
            ...type.titles,
            ...otherLabels,
            ...type.others,
            ...type.synonyms.flat(),
            ...type.fields.flatMap((f) => f.columns.flatMap((c) => c.labels)),
          ].flatMap(contentWords),
        ),
      }),
    )
  }
  return book
}

/** What a label says, whatever its small words and their order. */
const meaningOf = (label: string): string => [...contentWords(label)].sort().join(' ')

/** A label says of what kind its value is, or leaves that out: "Employer" and "Name of employer" are one. */
const KIND_WORDS: Partial<Record<FieldKind, string>> = {
  name: 'name',
  org: 'name',
  date: 'date',
  money: 'amount',
  id: 'number',
  address: 'address',
  phone: 'phone',
}

/** All wordings of a field: its labels and its title, said with other words, each with the word for its kind too. */
const wordingsOf = (field: Field, synonyms: DocumentType['synonyms']): string[] => {
  const word = KIND_WORDS[field.kind]
  const said = [...field.labels, field.title].flatMap((wording) => [wording, ...saidWith(wording, synonyms)])
  return [...new Set(said)].flatMap((wording) =>
    word && !contentWords(wording).includes(word) ? [wording, `${wording} ${word}`] : [wording],
  )
}

/** "Name of boat", "name of craft": a wording with each of the words that mean the same as one of its own. */
const saidWith = (wording: string, synonyms: DocumentType['synonyms']): string[] => {
  const words = tokens(wording)
  return synonyms.flatMap((group) => {
    const folded = group.map((word) => tokens(word).join(' '))
    const at = words.findIndex((word) => folded.includes(word))
    return at < 0 ? [] : folded.map((word) => words.with(at, word).join(' '))
  })
}

/**
 * Whether a value cannot run on past this label: it heads something of its own. Column heads are too common
 * as words for that.
 */
export const ends = (label: LabelHit): boolean =>
  (label.leads || label.colon || label.lineOf.words[label.to]?.text === '/' || setOff(label)) &&
  label.similarity >= 0.6 &&
  label.meanings.some((m) => m.role !== 'column')

/**
 * A label of several words, or one with a number behind it, begins something of its own behind a comma or a
 * bracket, as in "Grey Seal, serial AB-1".
 */
export const setOff = (label: LabelHit): boolean =>
  (label.length > 1 || /\d{2}/.test(label.lineOf.words[label.to]?.text ?? '')) &&
  (/[,;”")]$/.test(label.lineOf.words[label.from - 1]?.text ?? '') ||
    label.lineOf.words[label.from].text.startsWith('('))

/** Whether a text is made of nothing but words that labels are made of, and so is no value. */
export function labelLike(text: string, type: DocumentType): boolean {
  const words = contentWords(text).filter((w) => w.length > 1)
  const { vocabulary } = booksOf(type)
  return words.length > 0 && words.every((w) => vocabulary.has(w) || isFormWord(w))
}

/** Words of a line that look like a label: up to a colon, up to the first figure, or a short segment of its own. */
export interface LabelText {
  line: Line
  segment: Segment
  /** Within the segment, `to` exclusive. */
  from: number
  to: number
  colon: boolean
}

const ENUMERATOR = /^(?:\d{1,2}[.)]|\(?[a-z]\)|[a-h]\.|[•·\-–*☐☒□■])$/i

/** "EUR 1,250.00": a code before figures begins an amount; alone it may be a word in capitals. */
const beginsAmount = (words: readonly Word[], at: number): boolean =>
  isCurrency(words[at].text) && /^\d/.test(words[at + 1]?.text ?? '')

/** A figure, a sign of a currency, or dots that lead to a value. */
const BEGINS_VALUE = /\d|\p{Sc}|^[._·…]{2,}$/u

export function labelTextsOf(line: Line): LabelText[] {
  return line.segments.flatMap((segment): LabelText[] => {
    const { words } = segment
    let from = 0
    while (from < words.length - 1 && ENUMERATOR.test(words[from].text)) from++
    const found: LabelText[] = []
    const colon = words.findIndex((w, i) => i >= from && /[:?]$/.test(w.text))
    const figure = words.findIndex(
      (w, i) => i > from && (BEGINS_VALUE.test(w.text) || beginsAmount(words, i)),
    )
    const to = colon >= 0 && (figure < 0 || colon < figure) ? colon + 1 : figure > 0 ? figure : words.length
    // A label does not begin with a figure; a street address does.
    const most = words.slice(from, to).some((w) => w.text === '/') ? 14 : 8
    if (
      withoutHint(words, from, to) <= most &&
      !/^\p{Sc}?\d/u.test(words[from].text) &&
      !beginsAmount(words, from)
    )
      found.push({ line, segment, from, to, colon: colon >= 0 && to === colon + 1 })
    return found
  })
}

/** How a day is to be written, behind its label: "(DD/MM/YYYY)". */
const FORMAT = /^\(?(?:(?:d{1,2}|m{1,2}|y{2,4}|j{1,2}|a{2,4})[\s/.-]?){1,3}\)?:?$/i

/** How many words a label has without a hint in brackets ("leave blank if none"). */
function withoutHint(words: readonly Word[], from: number, to: number): number {
  const format = words.findIndex((w, i) => i > from && i < to && FORMAT.test(w.text))
  if (format > 0 && words.slice(format, to).every((w) => FORMAT.test(w.text))) return format - from
  const open = words.findIndex((w, i) => i > from && i < to && w.text.startsWith('('))
  return open > 0 && to - open > 2 && words[to - 1].text.endsWith(')') ? open - from : to - from
}

const knownLabels = new WeakMap<Page, Map<DocumentType, LabelHit[]>>()

/**
 * Every label of the type on a page, in reading order: known wordings, and label texts whose words come near
 * to one. A known wording inside a longer label ("name" in "name of your bank") counts by the share of the
 * label it explains.
 */
export function findLabels(page: Page, type: DocumentType): LabelHit[] {
  let byType = knownLabels.get(page)
  if (!byType) knownLabels.set(page, (byType = new Map<DocumentType, LabelHit[]>()))
  let found = byType.get(type)
  if (!found) byType.set(type, (found = searchLabels(page, type)))
  return found
}

function searchLabels(page: Page, type: DocumentType): LabelHit[] {
  const lines = linesOf(page)
  const { phrases, wordings } = booksOf(type)
  const exact = bilingual(phrases.find(page).map((hit) => exactLabel(hit, lines[hit.line], page)))
  const heads = headLines(exact, lines)
  const loose = looseLabels({ page, type, lines, heads, exact, wordings })
  loose.push(...inCells(page, lines, heads, [...exact, ...loose], wordings))
  loose.push(...wrapped(page, lines, heads, [...exact, ...loose], wordings))
  const labels = exact
    .map((hit) =>
      heads.has(hit.line) ? { ...hit, meanings: hit.meanings.filter((m) => m.role !== 'field') } : hit,
    )
    .filter((hit) => hit.meanings.length > 0)
  return [...labels, ...loose].sort((a, b) => a.line - b.line || a.from - b.from)
}

/** A known wording where it stands. */
function exactLabel(hit: PhraseHit<LabelMeaning>, line: Line, page: Page): LabelHit {
  const first = line.words[hit.from]
  const last = line.words[hit.to - 1]
  const segment = line.segments.find((s) => s.words.includes(first)) ?? line.segments[0]
  const before = segment.words.slice(0, Math.max(0, segment.words.indexOf(first)))
  const behind = segment.words.slice(segment.words.indexOf(last) + 1)
  // "Description (year, make, model)": a short label that says in brackets what it means.
  const glossed =
    first.text.startsWith('(') &&
    /\)[:.]?$/.test(last.text) &&
    before.length <= MOST_BEFORE_GLOSS &&
    !before.some((w) => /\d/.test(w.text))
  return {
    ...hit,
    page,
    lineOf: line,
    segment,
    leads:
      glossed ||
      before.every(
        (w) =>
          ENUMERATOR.test(w.text) ||
          /^[\d.()•·\-–*☐☒□■]{1,4}$/.test(w.text) ||
          /[:|/]$/.test(w.text) ||
          isStopWord(w.text),
      ),
    colon: last.text.endsWith(':') || line.words[hit.to]?.text === ':',
    alone:
      (behind.every((w) => FORMAT.test(w.text)) || isHint(behind)) &&
      (glossed || before.every((w) => isStopWord(w.text))),
    similarity: 1,
  }
}

const MOST_BEFORE_GLOSS = 3

/** "(first, middle, last)": how a label is to be answered, in brackets behind it. */
const isHint = (words: readonly Word[]): boolean =>
  words.length > 0 &&
  words[0].text.startsWith('(') &&
  /\)[:.]?$/.test(words.at(-1)!.text) &&
  words.every((w) => !/\d/.test(w.text))

/** What texts that may be labels are compared with. */
interface Search {
  page: Page
  type: DocumentType
  lines: readonly Line[]
  /** Lines that are headings, by their numbers. */
  heads: ReadonlySet<number>
  exact: readonly LabelHit[]
  wordings: Wordings<string>
}

/** Large letters at the top, as a share of the page and of the usual height, are a heading. */
const [HEAD_AREA, HEAD_HEIGHT] = [0.2, 1.22]

/**
 * Texts that come near to a known wording without being it. Known wordings inside them get the share of the
 * text that they explain.
 */
function looseLabels(search: Search): LabelHit[] {
  const { page, lines, heads, exact } = search
  const byLine = lines.map((): LabelHit[] => [])
  for (const hit of exact) byLine[hit.line].push(hit)
  const usual = typicalHeight(page)
  return lines.flatMap((line, index) =>
    // A heading is none, whatever words it shares with a label.
    heads.has(index) || (line.box[1] < HEAD_AREA && line.height > usual * HEAD_HEIGHT)
      ? []
      : labelTextsOf(line).flatMap((text) => labelsOfText(text, index, byLine[index], search)),
  )
}

/** A text explained by known wordings to more than this share says nothing else. */
const EXPLAINED = 0.8

function labelsOfText(
  text: LabelText,
  index: number,
  hits: readonly LabelHit[],
  { page, type, wordings }: Search,
): LabelHit[] {
  const { line, segment } = text
  const words = segment.words.slice(text.from, text.to)
  const offset = line.words.indexOf(segment.words[0])
  const inside = hits.filter((h) => h.from >= offset + text.from && h.to <= offset + text.to)
  const explained = explainedBy(inside, words, line, { type, wordings })
  // A heading made of the type's titles is no label.
  const headed = inside
    .filter((h) => h.meanings.some((m) => m.role === 'title'))
    .reduce((sum, h) => sum + h.to - h.from, 0)
  if (explained > EXPLAINED || headed >= words.length) return []
  const whole = nearestFields(wordings, wordingOf(words).replace(/[:.…_]+$/, ''))
  if (asksToSign(type, wordingOf(words), inside)) whole.push({ key: { role: 'signature' }, similarity: 0.9 })
  if (whole.length === 0) return []
  const to = text.from + labelEnd(text, wordings)
  const nearest = to < text.to ? nearestFields(wordings, textOf(segment.words.slice(text.from, to))) : whole
  return nearest.map(({ key, similarity }): LabelHit => ({
    line: index,
    from: offset + text.from,
    to: offset + to,
    length: 1,
    mended: false,
    meanings: [key],
    page,
    lineOf: line,
    segment,
    leads: true,
    colon: text.colon && to === text.to,
    alone: text.from === 0 && to === segment.words.length,
    similarity: similarity * 0.97,
  }))
}

const textOf = (words: readonly Word[]): string => words.map((w) => w.text).join(' ')
const wordingOf = (words: readonly Word[]): string =>
  textOf(words.slice(0, withoutHint(words, 0, words.length)))

const nearestFields = (
  wordings: Wordings<string>,
  text: string,
): { key: LabelMeaning; similarity: number }[] =>
  wordings
    .nearest(text)
    .map(({ key, similarity }) => ({ key: { role: 'field', field: key, rank: 0 }, similarity }))

/**
 * Whatever is to be signed says so somewhere; "date of signing" is a date's label all the same.
 * @param inside known wordings that stand in the text
 */
const asksToSign = (type: DocumentType, wording: string, inside: readonly LabelHit[]): boolean => {
  const words = contentWords(wording)
  return (
    Boolean(type.signature) &&
    words.includes('sign') &&
    !words.includes('date') &&
    !inside.some((h) => h.leads && h.meanings.some((m) => m.role === 'signature'))
  )
}

/**
 * How much of a text known wordings in it explain, 0 to 1. Each of them gets the share that it explains for
 * its similarity.
 */
function explainedBy(
  inside: readonly LabelHit[],
  words: readonly Word[],
  line: Line,
  { type, wordings }: Pick<Search, 'type' | 'wordings'>,
): number {
  const wording = wordingOf(words)
  const all = contentWords(wording).filter(
    (g) =>
      wordings.knows(g) || words.some((w) => /^\p{Ll}/u.test(w.text) && contentWords(w.text).includes(g)),
  )
  let explained = 0
  for (const hit of inside) {
    const own = contentWords(textOf(line.words.slice(hit.from, hit.to)))
    const share = all.length === 0 ? 1 : Math.min(1, own.filter((g) => all.includes(g)).length / all.length)
    hit.similarity = Math.min(1, 0.25 + 0.75 * share)
    // "Are you | Own business": what follows is an answer, and no part of the label.
    if (answers(type, hit, line)) hit.similarity = 1
    // Bilingual labels say everything twice: the whole of it is the label, not its first half with the second
    // as value.
    if (hit.twice) explained = hit.similarity = 1
    else if (!wording.includes('/')) explained = Math.max(explained, hit.similarity)
    else hit.similarity = 0.3
  }
  return explained
}

/** Whether the words behind a label are, to the end of their segment, one of the choices of its field. */
function answers(type: DocumentType, hit: LabelHit, line: Line): boolean {
  const rest = hit.segment.words
    .slice(hit.segment.words.indexOf(line.words[hit.to - 1]) + 1)
    .map((w) => w.text)
    .join(' ')
  return (
    rest !== '' &&
    type.fields.some(
      (f) =>
        f.choices.length > 0 &&
        hit.meanings.some((m) => m.role === 'field' && m.field === f.name) &&
        f.choices.some((c) => c.words.some((w) => squeeze(w) === squeeze(rest))),
    )
  )
}

/**
 * Where a label ends that runs on into its value with no colon ("Ship’s name Pole Star"): its first words
 * alone come nearer.
 */
function labelEnd(text: LabelText, wordings: Wordings<string>): number {
  const words = text.segment.words.slice(text.from, text.to)
  if (text.colon || text.to !== text.segment.words.length || text.line.segments.at(-1) !== text.segment)
    return words.length
  const nearOf = (from: number, to: number) =>
    wordings.nearest(
      words
        .slice(from, to)
        .map((w) => w.text)
        .join(' '),
    )[0]?.similarity ?? 0
  // A label in two languages ends in its second half.
  const from = words.findLastIndex((w) => w.text === '/') + 1
  let best = { length: words.length, similarity: nearOf(from, words.length) + 0.1 }
  for (let length = from + 1; length < words.length; length++) {
    if (!/^[“"(]?[\p{Lu}\d]/u.test(words[length].text)) continue
    // "Total Gross This Year" is a label to its end.
    if (words.slice(length).every((w) => contentWords(w.text).every((g) => wordings.knows(g)))) break
    const near = nearOf(from, length)
    if (near > best.similarity) best = { length, similarity: near }
  }
  return best.length
}

/** The fields whose wordings a few words come near to, as in a sentence. */
export const fieldsNear = (words: string, type: DocumentType): { key: string; similarity: number }[] =>
  booksOf(type).wordings.nearest(words)

/**
 * Lines that head a table: three column heads or more and nothing else, or two over rows of figures. What
 * stands under them is no single value.
 */
function headLines(exact: readonly LabelHit[], lines: readonly Line[]): Set<number> {
  const heads = new Set<number>()
  lines.forEach((line, index) => {
    if (line.segments.length < 3) return
    const columns = line.segments.filter((segment) =>
      exact.some(
        (h) =>
          h.line === index && h.segment === segment && h.leads && h.meanings.some((m) => m.role === 'column'),
      ),
    ).length
    if (/\d{2}/.test(line.text)) return
    const row = (l: Line | undefined) =>
      l !== undefined &&
      l.segments.length >= line.segments.length - 1 &&
      l.segments.filter((s) => /^\D{0,4}\d[\d.,' ]*\D{0,4}$/.test(s.text)).length >= 2
    if (columns >= 3 || (columns === 2 && row(lines[index + 1]) && row(lines[index + 2]))) heads.add(index)
  })
  return heads
}
