import { boxAround, type Page, type Word, localeOf } from '../../model/index.ts'
import { type Line, linesOf, type Segment } from '../../layout/index.ts'
import { squeeze } from '../../text/index.ts'
import { personTableWords } from '../../lexicon/index.ts'
import type { Column, Field } from '../../program/index.ts'
import { readDates } from '../parsers/date.ts'
import { LEGAL_FORM, nameLikeness, orgLikeness, readNames } from '../parsers/words.ts'
import { emptyTable, tableRow, type Table } from './table.ts'

/** Kinds that tables of persons are made of; a table with amounts in it is read by its columns. */
const PERSONAL: ReadonlySet<Column['kind']> = new Set(['name', 'date', 'percent'])

export const isRoster = (field: Field): boolean =>
  field.kind === 'table' &&
  field.columns.some((c) => c.kind === 'name') &&
  field.columns.every((c) => PERSONAL.has(c.kind))

interface Item {
  kind: Column['kind']
  value: string
  words: Word[]
  line: number
  page: Page
}

/**
 * Reads a table of persons: who, and beside each name a day of birth or a share, whether they stand in
 * columns, one under the other with labels, or in a sentence. A list of names alone is found behind the words
 * that lead to it.
 * @returns null where nobody is found
 */
export function readRoster(pages: readonly Page[], field: Field): Table | null {
  const alone = field.columns.length === 1
  const items = pages.flatMap((page) => (alone ? namesLedTo(page, field) : itemsOn(page, field)))
  const rows = alone ? items.map((item) => [item]) : personsIn(items, field)
  if (rows.length === 0) return null
  const sureOf = (kinds: (kind: Column['kind']) => boolean) =>
    Math.min(
      1,
      ...rows.flatMap((row) =>
        row.filter((i) => kinds(i.kind)).flatMap((i) => i.words.map((w) => w.confidence)),
      ),
    )
  return {
    ...emptyTable(localeOf(pages[0])),
    rows: rows.map((row) => {
      const words = row.flatMap((i) => i.words)
      return tableRow(
        Object.fromEntries(
          field.columns.map((c) => [c.name, row.find((i) => i.kind === c.kind)?.value ?? null]),
        ),
        { page: row[0].page.number, box: boxAround(words.map((w) => w.box)) },
        { confidence: Math.min(...words.map((w) => w.confidence)) },
      )
    }),
    confidence: sureOf((kind) => kind !== 'name'),
    wordConfidence: sureOf((kind) => kind === 'name'),
  }
}

/** Names, days and shares of a page in reading order. */
function itemsOn(page: Page, field: Field): Item[] {
  const kinds = new Set(field.columns.map((c) => c.kind))
  const heads = new Set(field.columns.flatMap((c) => c.labels.map(squeeze)))
  return linesOf(page).flatMap((line, at) =>
    line.segments.flatMap((segment): Item[] => {
      const found: Item[] = []
      const put = (kind: Column['kind'], value: string, words: Word[]) =>
        found.push({ kind, value, words, line: at, page })
      if (kinds.has('date'))
        for (const day of readDates(segment.words, localeOf(page)))
          put('date', day.value as string, day.words)
      if (kinds.has('percent'))
        for (const share of sharesIn(segment, underShareHead(page, at, segment, field)))
          put('percent', share.value, share.words)
      for (const name of namesIn(segment.words))
        if (!heads.has(squeeze(name.value))) put('name', name.value, name.words)
      return found.sort((a, b) => segment.words.indexOf(a.words[0]) - segment.words.indexOf(b.words[0]))
    }),
  )
}

/** Shares carry their sign, or stand alone under the head of their column. */
function sharesIn(segment: Segment, headed: boolean): { value: string; words: Word[] }[] {
  return segment.words.flatMap((word, i) => {
    const next = segment.words[i + 1]
    const hit = /^\(?(\d{1,3}(?:[.,]\d{1,4})?)(%?)[).,;]*$/.exec(word.text)
    if (!hit) return []
    const signed =
      hit[2] === '%' || (next !== undefined && /^(?:%|per$|percent|p\.?c\.?$|pct)/i.test(next.text))
    const value = Number(hit[1].replace(',', '.'))
    if ((!signed && !(headed && segment.words.length === 1)) || value <= 0 || value > 100) return []
    return [{ value: String(value), words: signed && hit[2] !== '%' ? [word, next] : [word] }]
  })
}

/** Whether a figure stands under, or behind, a word for a share. */
function underShareHead(page: Page, at: number, segment: Segment, field: Field): boolean {
  const words = new Set(
    field.columns.filter((c) => c.kind === 'percent').flatMap((c) => c.labels.map(squeeze)),
  )
  const lines = linesOf(page)
  const near = (s: Segment) =>
    words.has(squeeze(s.text.replace(/[:.…_]+$/, ''))) || words.has(squeeze(s.text.replace(/[(%)]/g, '')))
  const behind = lines[at].segments[lines[at].segments.indexOf(segment) - 1]
  if (behind && near(behind)) return true
  return lines
    .slice(Math.max(0, at - 24), at)
    .some((l) =>
      l.segments.some((s) => s.box[0] < segment.box[2] + 0.02 && s.box[2] > segment.box[0] - 0.02 && near(s)),
    )
}

/** Words before which a name is a firm's or a place's: "an account with Alder Bay Mutual". */
const ELSEWHERE = /^(?:with|at|from|of|in|to|the)$/i
/** Words that stand with a capital and are no part of anybody's name. */
const NO_NAME = new Set(personTableWords)

/** Runs of two to five capitalised words that may be a person's name. */
function namesIn(words: readonly Word[]): { value: string; words: Word[] }[] {
  const found: { value: string; words: Word[] }[] = []
  let run: Word[] = []
  const close = (before: number) => {
    while (run.length > 0 && !/^\p{Lu}/u.test(run.at(-1)!.text)) run.pop()
    const raw = run.map((w) => w.text).join(' ')
    const lead = words[before - 1]?.text ?? ''
    // "Gannet Bay SK7 1AB" is a place, "Tern Island Ferries Ltd" a firm.
    const next = words[words.indexOf(run.at(-1)!) + 1]?.text ?? ''
    const coded = /^[A-Z]{1,2}\d/.test(next) || LEGAL_FORM.test(next)
    const [name] = run.length >= 2 && run.length <= 5 ? readNames(run) : []
    if (
      name &&
      !coded &&
      nameLikeness(name.value as string) > 0.95 &&
      orgLikeness(raw) < 1 &&
      (raw !== raw.toUpperCase() || run.length <= 3) &&
      !/\b(?:of|the)$/i.test(raw) &&
      !ELSEWHERE.test(lead) &&
      !/^\d+[A-Z]?,?$/i.test(lead)
    )
      found.push({ value: (name.value as string).replace(/(?<=\p{L}{2})\.$/u, ''), words: name.words })
    run = []
  }
  let from = 0
  words.forEach((word, i) => {
    const bare = word.text.replace(/^[("“•·*–-]+|[,;:.)"”]+$/gu, '')
    const part = /^\p{Lu}[\p{L}'’-]*$/u.test(bare) && !NO_NAME.has(bare.toLowerCase())
    const small = run.length > 0 && /^(?:de|del|la|le|van|von|der|du|y)$/.test(bare)
    if (part || small) {
      if (run.length === 0) from = i
      run.push(word)
      // "Varnham, Ottilie" goes on over a comma only where one word stands before it.
      if (/[,;:.)]$/.test(word.text) && bare.length > 1 && !(run.length === 1 && word.text.endsWith(',')))
        close(from)
    } else close(from)
  })
  close(from)
  return found
}

/**
 * Items with the name of each line before what else stands in it: a day and a share in columns before a name are
 * that person's, not those of the name in the line above.
 */
function nameFirst(items: readonly Item[]): Item[] {
  const lines = new Map<string, Item[]>()
  for (const item of items) {
    const line = `${item.page.number} ${item.line}`
    lines.set(line, [...(lines.get(line) ?? []), item])
  }
  return [...lines.values()].flatMap((line) => {
    const names = line.filter((i) => i.kind === 'name')
    return names.length === 1 ? [...names, ...line.filter((i) => i.kind !== 'name')] : line
  })
}

/** Deals the items of a page out to persons: one begins with a name, and has a day or a share to it. */
function personsIn(items: readonly Item[], field: Field): Item[][] {
  const wanted = field.columns.filter((c) => !c.optional && c.kind !== 'name').map((c) => c.kind)
  const rows: Item[][] = []
  let person: Item[] = []
  const close = () => {
    if (person[0]?.kind === 'name' && wanted.some((kind) => person.some((i) => i.kind === kind)))
      rows.push(person)
    person = []
  }
  for (const item of nameFirst(items)) {
    if (item.kind === 'name') {
      close()
      person = [item]
      continue
    }
    // What stands far below a name, or is a second of its kind, is not that person's.
    const [name] = person
    if (
      !name ||
      name.page !== item.page ||
      item.line - person.at(-1)!.line > 3 ||
      person.some((i) => i.kind === item.kind)
    )
      continue
    person.push(item)
  }
  close()
  // A share is what makes somebody an owner: who has none among those who have is a signer or a witness.
  const share = rows.filter((row) => row.some((i) => i.kind === 'percent'))
  return share.length > 0
    ? rows.filter((row) => row.some((i) => i.kind === 'percent') || sameColumn(row, share[0]))
    : rows
}

const sameColumn = (row: Item[], other: Item[]): boolean =>
  Math.abs(row[0].words[0].box[0] - other[0].words[0].box[0]) < 0.015 && row.length > 1

/** Names in the sentence that speaks of them, or in the lines beneath the words that head them. */
function namesLedTo(page: Page, field: Field): Item[] {
  const lines = linesOf(page)
  const leads = new RegExp(
    field.columns[0].labels
      .map(squeeze)
      .filter((l) => l.length > 5)
      .join('|'),
  )
  const found = new Map<string, Item>()
  const put = (names: { value: string; words: Word[] }[], line: number) => {
    for (const name of names)
      if (!found.has(squeeze(name.value)))
        found.set(squeeze(name.value), { kind: 'name', value: name.value, words: name.words, line, page })
  }
  lines.forEach((line, at) => {
    // The words may go over the end of a line.
    const before = squeeze(lines[at - 1]?.text.slice(-40) ?? '')
    const head = leads.test(squeeze(line.text)) || leads.test(before + squeeze(line.text.slice(0, 40)))
    if (!head || found.size > 0) return
    put(namesIn(sentenceAround(lines, at, page)), at)
    // A head over each of two columns has a list under each.
    listBelow(at, line.segments.filter((s) => leads.test(squeeze(s.text))).length)
  })
  return [...found.values()]

  function listBelow(at: number, columns: number): void {
    let before = lines[at]
    let last = at
    for (let i = at + 1; i < lines.length; i++) {
      const line = lines[i]
      const [first] = line.segments
      const names = [first, line.segments[1]]
        .filter(Boolean)
        .flatMap((s) => namesIn(s.words).slice(0, 1))
        .slice(0, Math.max(1, columns))
      const begins = names.length > 0 && line.words.indexOf(names[0].words[0]) <= 2
      // Between two people stands what each of them is.
      if (!begins && found.size > 0 && (line.segments.length < 2 || i - last > 2)) return
      if ((line.box[1] - before.box[3]) * page.height > line.height * 6 || i > at + 12) return
      if (begins) {
        put(names, i)
        before = line
        last = i
      } else if (line.segments.length > 1 || i === at + 1) before = line
      else return
    }
  }
}

/** The words of the sentence that a line is in the middle of. */
function sentenceAround(lines: readonly Line[], at: number, page: Page): Word[] {
  const runs = (line: Line) => line.segments.length === 1 && line.words.length >= 4
  if (!runs(lines[at])) return []
  const joined = (i: number) =>
    runs(lines[i]) &&
    lines[i + 1].segments.length === 1 &&
    (lines[i + 1].box[1] - lines[i].box[3]) * page.height < lines[i].height * 1.4 &&
    Math.abs(lines[i].box[0] - lines[i + 1].box[0]) < 0.06
  let [from, to] = [at, at]
  while (from > 0 && joined(from - 1) && at - from < 4) from--
  while (to < lines.length - 1 && joined(to) && to - at < 4) to++
  const words = lines.slice(from, to + 1).flatMap((l) => l.words)
  const mid = words.indexOf(lines[at].words[0])
  const ends = (w: Word, i: number) =>
    /\p{L}{3,}\.$/u.test(w.text) && /^\p{Lu}/u.test(words[i + 1]?.text ?? '')
  let start = 0
  for (let i = 0; i < mid; i++) if (ends(words[i], i)) start = i + 1
  const stop = words.findIndex((w, i) => i >= mid && ends(w, i))
  return words.slice(start, stop < 0 ? words.length : stop + 1)
}
