import { linesOf, type Segment } from '../page/layout.ts'
import type { Page, Word } from '../page/page.ts'
import { fold, squeeze } from '../page/text.ts'
import type { DocumentType, Field } from '../program/schema.ts'
import type { Candidate } from './candidate.ts'
import { crossings } from './crossings.ts'
import { kindReaders } from './kinds/index.ts'
import { mendNumeral } from './kinds/numeral.ts'
import { mendPostcode } from './kinds/postcode.ts'
import { parseDate, parsePeriod } from './kinds/date.ts'
import { hasPostcode, nameLikeness, orgLikeness } from './kinds/words.ts'
import { ends, labelLike, labelsOn, setOff, type LabelHit } from './labels.ts'
import { malformed } from './malformed.ts'
import { readChoice, YES_NO } from './marks.ts'
import { addressees, letterheads } from './positions.ts'
import { inProse } from './prose.ts'
import { continuing, labelsByLine, regionsOf, type LabelsByLine, type Region } from './regions.ts'
import { unlabelled } from './unlabelled.ts'
import { plain } from './value.ts'
import { isSmall } from './wording.ts'
import { zoneOn } from './zone.ts'

/** A word read less surely than this is as good as not read. */
const UNREAD = 0.6
const RELATION_SCORE = { inline: 2.6, right: 2.5, below: 2.1, above: 0.7 } as const
/** Kinds whose values are words, and so might be labels taken for values. */
const WORDY: ReadonlySet<string> = new Set(['name', 'org', 'text'])

/** Every possible value of every field of a document, with its evidence. `pages` are in reading order. */
export function candidatesOf(pages: readonly Page[], type: DocumentType): Map<string, Candidate[]> {
  const found = new Map<string, Candidate[]>(type.fields.map((f) => [f.name, []]))
  const add = (candidate: Candidate | null) => {
    const field = candidate && type.fields.find((f) => f.name === candidate.field)
    if (!candidate || !field) return
    const text = typeof candidate.value === 'string' ? fold(candidate.value) : null
    if (text !== null && field.never.includes(text)) return
    const mended = candidate.page.source === 'text' ? candidate : mendedForm(candidate, field)
    found.get(candidate.field)!.push(field.kind === 'name' ? withoutLabel(mended, type) : mended)
  }
  pages.forEach((page, order) => {
    const labels = labelsOn(page, type)
    const byLine = labelsByLine(labels)
    const marks = labels.filter((l) => l.meanings.some((m) => m.role === 'signature') && (l.leads || l.colon))
    for (const label of labels) for (const candidate of fromLabel(label, byLine, type, marks, order)) add(candidate)
    if (order === 0)
      for (const field of type.fields) {
        if (field.sources.includes('letterhead')) letterheads(page, type, field).forEach(add)
        if (field.sources.includes('addressee')) addressees(page, field).forEach(add)
      }
    for (const field of type.fields) {
      if (field.sources.includes('period')) periods(page, type, field).forEach(add)
      if (field.sources.includes('sentence') && order === 0) sentences(page, field).forEach(add)
    }
    if (order === 0) inProse(page, type).forEach(add)
    for (const field of type.fields) if (field.kind === 'name') add(joinedName(labels, byLine, field))
    crossings(page, type).forEach(add)
    if (type.zone) zoneValues(page, type).forEach(add)
  })
  for (const field of type.fields) if (field.kind === 'choice' && found.get(field.name)!.length === 0) pages.flatMap((page) => loneChoices(page, field)).forEach(add)
  acrossLines(found)
  followStyle(type, found)
  for (const guess of unlabelled(pages, type, found)) add(guess)
  farFromOtherDays(type, found)
  return found
}

/** Where the form of a value says that, or what, a reader of pictures took for something else. A text layer spells what the paper says. */
function mendedForm(candidate: Candidate, field: Field): Candidate {
  if (typeof candidate.value !== 'string') return candidate
  const value = field.kind === 'address' ? mendPostcode(candidate.value) : WORDY.has(field.kind) ? mendNumeral(candidate.value) : candidate.value
  const partial = candidate.partial || malformed(value, field.kind)
  return value === candidate.value ? { ...candidate, partial } : { ...candidate, value, partial, repaired: true }
}

function fromLabel(label: LabelHit, byLine: LabelsByLine, type: DocumentType, marks: LabelHit[], order: number): Candidate[] {
  const found: Candidate[] = []
  const regions = regionsOf(label, byLine)
  for (const meaning of label.meanings) {
    if (meaning.role !== 'field') continue
    const field = type.fields.find((f) => f.name === meaning.field)!
    const base = labelScore(label, meaning.rank) + nearness(field, label, marks) - order * 0.25 - (headsColumn(label, byLine) ? 1.5 : 0)
    if (field.kind === 'yesno' || field.kind === 'choice') {
      const candidate = readChoice(label, field, field.kind === 'yesno' ? YES_NO : field.choices)
      if (candidate) found.push({ ...candidate, value: field.kind === 'yesno' ? candidate.value === 'yes' : candidate.value, score: candidate.score + base })
      continue
    }
    if (field.kind === 'table') continue
    const nearer = nearerAbove(regions)
    regions.forEach((given) => {
      const region = given.relation === 'inline' && !label.colon && (WORDY.has(field.kind) || field.kind === 'address') ? { ...given, words: withoutLabelWords(given.words) } : given
      if (region.words.length === 0) return
      // Both ends of a stretch of days stand behind the label: the second, a column further, is no value of its own.
      if (region.relation !== 'inline' && found.some((c) => c.field === field.name && c.period && c.relation === 'inline')) return
      for (const read of fromRegion(region, field, byLine, type)) {
        const candidate = region.relation === 'inline' && !label.colon && WORDY.has(field.kind) ? withoutCapitals(read, label, type) : read
        const alone = region.relation !== 'below' || !regions.some((r) => r.relation === 'inline' || r.relation === 'right')
        found.push({ ...candidate, relation: region.relation, label: label.near >= 0.75 && (label.leads || label.colon), score: candidate.score + base + RELATION_SCORE[region.relation] + (label.colon && (region.relation === 'inline' || region.relation === 'right') ? 0.5 : 0) - (alone ? 0 : 1.1) + (region.relation === 'above' ? nearer : region.relation === 'below' ? -nearer : 0), hangs: region.relation === 'inline' && !label.colon && WORDY.has(field.kind) })
      }
    })
  }
  return found
}

/** "Amount" over earnings and again over deductions heads columns: what stands beneath is no field of its name. */
const headsColumn = (label: LabelHit, byLine: LabelsByLine): boolean =>
  label.alone && byLine.get(label.line)!.some((l) => l.segment !== label.segment && l.alone && l.segment.text === label.segment.text)

/** Lines as far apart as this, in log of the ratio, are set apart by mere spacing. */
const EVEN = 0.25

/**
 * A label belongs to what stands nearest: with a value above and one below, the shorter way tells which is its own.
 * @returns log-odds for the one above, -1.6 to 1.6
 */
function nearerAbove(regions: readonly Region[]): number {
  const [above, below] = (['above', 'below'] as const).map((relation) => regions.find((r) => r.relation === relation)?.gap)
  if (above === undefined || below === undefined || above <= 0 || below <= 0) return 0
  const odds = Math.log(below / above)
  // What has its value beside it says nothing by what stands over it.
  const most = regions.some((r) => r.relation === 'right' || r.relation === 'inline') ? 0 : 1.6
  return Math.abs(odds) < EVEN ? 0 : Math.max(-1.6, Math.min(most, (odds - Math.sign(odds) * EVEN) * 3))
}

/** A label set close to a name ("Name Elspeth Mossman") is no part of it. */
function withoutLabel(candidate: Candidate, type: DocumentType): Candidate {
  const parts = typeof candidate.value === 'string' ? candidate.value.split(' ') : []
  if (parts.length < 3 || !labelLike(parts[0], type) || candidate.words[0]?.text.replace(/:$/, '') !== parts[0]) return candidate
  return { ...candidate, value: parts.slice(1).join(' '), words: candidate.words.slice(1) }
}

const ALL_CAPITALS = /^[\p{Lu}’'./]{2,}$/u

/**
 * A label in capitals goes on in capitals ("VESSEL CONCERNED Bright Water") up to a value that is not. A long word that
 * no label is known to use might be a firm's all the same, and is asked about.
 */
function withoutCapitals(candidate: Candidate, label: LabelHit, type: DocumentType): Candidate {
  const { words } = candidate
  const own = label.lineOf.words.slice(label.from, label.to)
  const value = words.findIndex((w) => !ALL_CAPITALS.test(w.text))
  if (value < 1 || !own.every((w) => ALL_CAPITALS.test(w.text)) || !words[value].text.match(/\p{Ll}/u)) return candidate
  const more = words.slice(0, value)
  const known = more.every((w) => labelLike(w.text, type) || isSmall(w.text))
  if (!known && !more.every((w) => w.text.length >= 5)) return candidate
  const left = words.slice(value)
  const raw = left.map((w) => w.text).join(' ')
  return { ...candidate, value: raw, raw, words: left, partial: candidate.partial || !known }
}

/** A label may go on in small letters ("owner's name Joren Finn"): values of words begin with a capital or a figure. */
function withoutLabelWords(words: Word[]): Word[] {
  // "Bank of Skerrow" is one name, not a bank called Skerrow.
  if (/^(?:of|de|du|del|and|&)$/i.test(words[0]?.text ?? '')) return []
  const start = words.findIndex((w) => /^[("“]?[\p{Lu}\d]/u.test(w.text))
  return start > 0 && words.slice(0, start).every((w) => /^[\p{Ll}/(),.]+$/u.test(w.text)) ? words.slice(start) : words
}

/** A value that a sentence carries over the end of a line is only begun where the line ends. */
function acrossLines(found: Map<string, Candidate[]>): void {
  for (const candidates of found.values())
    for (const begun of candidates)
      if (begun.relation === 'inline' && candidates.some((c) => !c.relation && c.words.length > begun.words.length && begun.words.every((w, i) => c.words[i] === w))) begun.score -= 3
}

type Style = 'beside' | 'below' | 'above'
const styleOf = (c: Candidate): Style => (c.relation === 'below' || c.relation === 'above' ? c.relation : 'beside')

/**
 * A designer sets all values of a page alike: beside their labels, beneath or above them. Where the certain ones show a
 * style, the same label read another way round is likely another label's value.
 */
function followStyle(type: DocumentType, found: Map<string, Candidate[]>): void {
  onesidedPages(type, found)
  const votes = new Map<Page, Record<Style, number>>()
  for (const candidates of found.values()) {
    const labelled = candidates.filter((c) => c.relation && c.label).sort((a, b) => b.score - a.score)
    const best = labelled[0]
    if (!best) continue
    const vote = votes.get(best.page) ?? { beside: 0, below: 0, above: 0 }
    // A label that could be read only one way tells more than one that had a choice.
    vote[styleOf(best)] += labelled.some((c) => styleOf(c) !== styleOf(best)) ? 0.5 : 1
    votes.set(best.page, vote)
  }
  for (const candidates of found.values())
    for (const candidate of candidates) {
      const vote = votes.get(candidate.page)
      if (!vote || !candidate.relation || (candidate.relation === 'inline' && !candidate.hangs)) continue
      const own = candidates.filter((c) => c.relation && c.label).sort((a, b) => b.score - a.score)[0]
      // Its own vote does not speak for it.
      const mine = vote[styleOf(candidate)] - (own === candidate ? 0.5 : 0)
      const most = Math.max(vote.beside, vote.below, vote.above)
      if (mine + most >= 3 && most >= 3 * mine) candidate.score -= 2
    }
}

/**
 * Where values stand over their labels in even lines, nearly every label has a fitting value beneath it too: its
 * neighbour's. The few that can be read one way only tell which way the page goes.
 */
function onesidedPages(type: DocumentType, found: Map<string, Candidate[]>): void {
  const ways = new Map<Page, { above: number; below: number }>()
  // Where it is signed, a form is set its own way.
  const stacked = type.fields.filter((f) => f.near !== 'signature').map((f) => found.get(f.name)!).map((candidates) => candidates.filter((c) => c.label && (c.relation === 'above' || c.relation === 'below')))
  for (const candidates of stacked) {
    const [first] = candidates
    if (!first || candidates.some((c) => c.relation !== first.relation)) continue
    const way = ways.get(first.page) ?? { above: 0, below: 0 }
    way[first.relation as 'above' | 'below']++
    ways.set(first.page, way)
  }
  for (const candidates of stacked)
    for (const candidate of candidates) {
      const way = ways.get(candidate.page)
      if (!way || Math.max(way.above, way.below) < 2 || Math.min(way.above, way.below) > 0) continue
      const own = way.above > 0 ? 'above' : 'below'
      if (candidate.relation !== own && candidates.some((c) => c.relation === own)) candidate.score -= 2
    }
}

/** A birth lies years before whatever else a paper dates, and no other of its days does. */
function farFromOtherDays(type: DocumentType, found: Map<string, Candidate[]>): void {
  const years = [...found.values()].flatMap((cs) => cs.filter((c) => c.score > 0 && typeof c.value === 'string' && /^\d{4}-\d\d-\d\d$/.test(c.value)).map((c) => Number((c.value as string).slice(0, 4))))
  const latest = Math.max(...years)
  const gap = type.fields.find((f) => f.yearsBefore)?.yearsBefore
  if (!gap || years.length === 0) return
  for (const field of type.fields) {
    if (field.kind !== 'date') continue
    for (const candidate of found.get(field.name)!) {
      const old = Number((candidate.value as string).slice(0, 4)) <= latest - gap
      if (old !== (field.yearsBefore !== undefined)) candidate.score -= 3
    }
  }
}

/** A choice's words standing alone where values stand, when no label led to it. */
const loneChoices = (page: Page, field: Field): Candidate[] =>
  linesOf(page).flatMap((line) => line.segments.flatMap((segment) => {
    const said = squeeze(segment.text.replace(/^.*:/, ''))
    const choice = field.choices.find((c) => c.words.some((w) => squeeze(w) === said))
    return choice ? [{ field: field.name, value: choice.value, raw: segment.text, words: segment.words, page, repaired: false, score: 1.2 }] : []
  }))

/** "Home address" is an address: the word stands last in a short label of its own, whatever narrows it. */
const endsLabel = (label: LabelHit): boolean => label.segment.words.length <= 3 && label.segment.words.at(-1) === label.lineOf.words[label.to - 1]

function labelScore(label: LabelHit, rank: number): number {
  // "Boat name:" is no name: what stands before a word changes its meaning.
  return (label.leads || setOff(label) ? 0.6 : label.colon ? (label.near < 0.8 ? -1.4 : 0.2) : endsLabel(label) ? -1.4 : -2.2) + Math.min(0.9, (label.length - 1) * 0.45) - Math.min(1.2, rank * 0.06) - (label.mended ? 0.3 : 0) - (label.alone || label.colon ? 0 : 0.3) - (1 - label.near) * 4.2
}

/** Dates beside a signature are the signing's; elsewhere they are not. */
function nearness(field: Field, label: LabelHit, marks: LabelHit[]): number {
  if (field.kind !== 'date') return 0
  const near = marks.some((m) => Math.abs(m.lineOf.box[1] - label.lineOf.box[1]) < 0.07)
  if (field.near === 'signature') return near ? 1.4 : marks.length ? -1.2 : -2
  return near && label.length === 1 ? -1.6 : 0
}

function fromRegion(region: Region, field: Field, byLine: LabelsByLine, type: DocumentType): Candidate[] {
  const { page } = region
  const kind = field.kind as keyof typeof kindReaders
  const base = { field: field.name, page }
  if (field.kind === 'address') {
    if (region.relation === 'above') return addressAbove(region, byLine).map((words) => ({ ...base, value: spoken(words), raw: spoken(words), words: words.flat(), score: (Math.max(...kindReaders.address(words.flat()).map((r) => r.fit), 0) - 0.5) * 3, repaired: false }))
    if (labelLike(region.words.map((w) => w.text).join(' '), type)) return []
    const more = addressLines(region.words, continuing(region, byLine, 4), type)
    const words = [...region.words, ...more.flatMap((s) => s.words)]
    const text = [region.words.map((w) => w.text).join(' '), ...more.map((s) => s.text)].map((t) => t.replace(/^[\s:.]+|,$/g, '')).join(', ')
    const fit = Math.max(...kindReaders.address(words).map((r) => r.fit), 0)
    // A street with no place behind it is likely half of an address.
    const half = hasPostcode(text) || text.includes(',') ? 0 : -1.5
    const candidates = fit > 0 ? [{ ...base, value: text, raw: text, words, score: (fit - 0.5) * 3 + half, repaired: false }] : []
    const firstFit = Math.max(...kindReaders.address(region.words).map((r) => r.fit), 0)
    if (more.length > 0 && firstFit >= 0.9 && /,/.test(region.words.map((w) => w.text).join(' '))) {
      const raw = region.words.map((w) => w.text).join(' ').replace(/^[\s:.]+|,$/g, '')
      // One line that already holds street and place is whole; what stands below is likely something else.
      candidates.push({ ...base, value: raw, raw, words: region.words, score: (firstFit - 0.5) * 3 + 0.4, repaired: false })
    }
    return candidates
  }
  if (field.sources.includes('period')) {
    // "1 January 2026" over "to 31 January 2026" is one period on two lines.
    const period = periodIn(region.words) ?? periodIn([...region.words, ...alongside(region)]) ?? periodIn([...region.words, ...lineUnder(region)])
    if (period) return [{ ...base, value: endOf(field) === 'start' ? period.start : period.end, raw: period.raw, words: period.words, score: 0.8, repaired: false, period: true }]
  }
  // The day and the year of a date are no amounts.
  const dated = field.kind === 'money' ? new Set(kindReaders.date(region.words).flatMap((d) => d.words)) : null
  const readings = kindReaders[kind](region.words).filter((r) => !(dated && r.words.some((w) => dated.has(w))) && (field.kind !== 'name' || r.fit >= 0.3) && !(WORDY.has(field.kind) && labelLike(r.raw, type)))
  const limit = field.kind === 'id' && region.words.length > 8 ? 0 : 2
  return readings.slice(0, Math.max(1, limit)).map((reading, place) => {
    const lead = region.words.indexOf(reading.words[0])
    const prose = lead > 2 && field.kind !== 'iban' ? -0.4 * Math.min(5, lead - 2) : 0
    const patterned = field.pattern && typeof reading.value === 'string' && new RegExp(`^${field.pattern}$`).test(reading.value) ? 1 : 0
    // A name of a thing is no number: what reads as a day, an amount or a code belongs to another label.
    const coded = field.kind === 'text' && (/\d.*\d.*\d.*\d/.test(reading.raw) || parseDate(reading.raw) !== null) ? -1.4 : 0
    // A year alone is part of a date, not a number of anything.
    const year = field.kind === 'id' && /^(?:19|20)\d\d$/.test(plain(reading.value)) ? -1.6 : 0
    const firm = field.kind === 'name' && orgLikeness(reading.raw) === 1 ? -1.8 : 0
    const left = region.words.filter((w) => !reading.words.includes(w))
    const partial = left.some((w) => w.sure < UNREAD && /[\p{L}\d]/u.test(w.text))
    return { ...base, value: reading.value, raw: reading.raw, words: reading.words, repaired: reading.repaired, partial, score: firm + coded + year + (reading.fit - 0.6) * 3.2 - place * 1.2 + prose + patterned }
  })
}

/** Lines of an address that end in the region, the last of which the label captions. */
function addressAbove(region: Region, labels: LabelsByLine): Word[][][] {
  const lines = linesOf(region.page)
  const found = [region.words]
  for (let i = region.line - 1; i >= 0 && found.length < 4; i--) {
    const segment = lines[i].segments.find((s) => Math.abs(s.box[0] - region.words[0].box[0]) < 0.012)
    if (!segment || (lines[i + 1].box[1] - lines[i].box[3]) * region.page.height > lines[i].height * 0.8 || (labels.get(i) ?? []).some((l) => ends(l) && segment.words.includes(l.lineOf.words[l.from]))) break
    found.unshift(segment.words)
  }
  return [found]
}

const spoken = (lines: readonly Word[][]): string => lines.map((l) => l.map((w) => w.text).join(' ').replace(/^[\s:.]+|,$/g, '')).join(', ')

/** The next segment of the same line. */
function alongside({ page, words, line }: Region): Word[] {
  const { segments } = linesOf(page)[line]
  const at = segments.findIndex((s) => s.words.includes(words.at(-1)!))
  return at >= 0 ? (segments[at + 1]?.words ?? []) : []
}

/** What stands straight under a region, whatever it says. */
function lineUnder({ page, words, line }: Region): Word[] {
  const next = linesOf(page).slice(line + 1, line + 3).map((l) => l.segments.find((s) => Math.abs(s.box[0] - words[0].box[0]) < 0.012)).find((s) => s !== undefined)
  return next && /^(?:to|until|till|through|-|–|au|al|hasta)$/i.test(next.words[0].text) ? next.words : []
}

/** The lines that still belong to an address: up to its postal code, and none that is only figures or a date. */
function addressLines(first: Word[], below: Segment[], type: DocumentType): Segment[] {
  const lines: Segment[] = []
  let done = hasPostcode(first.map((w) => w.text).join(' '))
  for (const segment of below) {
    if (done || (!/\p{L}{3}/u.test(segment.text) && !hasPostcode(segment.text)) || parseDate(segment.text) || labelLike(segment.text, type) || kindReaders.iban(segment.words).some((r) => r.fit > 0.5)) break
    lines.push(segment)
    done = hasPostcode(segment.text)
  }
  return lines
}

/** The longest stretch of words that is a period; the month and year of a whole date are none. */
function periodIn(words: Word[]): { start: string; end: string; words: Word[]; raw: string } | null {
  if (!words.some((w) => /\d/.test(w.text))) return null
  for (let length = Math.min(9, words.length); length >= 1; length--)
    for (let at = 0; at + length <= words.length; at++) {
      const span = words.slice(at, at + length)
      const raw = span.map((w) => w.text).join(' ')
      const period = parsePeriod(raw)
      if (period && length <= 2 && /^\d{1,2}(?:st|nd|rd|th|er|\.)?[-.]?$/.test(words[at - 1]?.text ?? '')) continue
      if (period) return { ...period, words: span, raw }
    }
  // The stroke between two days is the first thing a weak reader loses.
  const days = kindReaders.date(words)
  if (days.length === 2 && (days[0].value as string) < (days[1].value as string)) return { start: days[0].value as string, end: days[1].value as string, words: days.flatMap((d) => d.words), raw: words.map((w) => w.text).join(' ') }
  return null
}

/** Whether a period field is the first or the last day, by its name's ending. */
const endOf = (field: Field): 'start' | 'end' => (/_start$|_from$|^from/.test(field.name) ? 'start' : 'end')

/** Periods printed without a label ("1 March 2026 to 31 March 2026" under a heading). */
function periods(page: Page, _type: DocumentType, field: Field): Candidate[] {
  return linesOf(page).flatMap((line, index) =>
    line.box[1] > 0.45 || index > 24 ? [] : line.segments.flatMap((segment): Candidate[] => {
      const period = periodIn(segment.words)
      if (!period) return []
      const share = period.words.length / segment.words.length
      const range = period.words.length > 2
      return [{ field: field.name, value: endOf(field) === 'start' ? period.start : period.end, raw: period.raw, words: period.words, page, repaired: false, period: true, score: (range ? 1.5 : 0.7) - (1 - share) - index * 0.03 }]
    }),
  )
}

/** Names and dates that stand in running text: "I, Ottilie Varnham, agree", a letter's date line. */
function sentences(page: Page, field: Field): Candidate[] {
  const lines = linesOf(page)
  if (field.kind === 'name')
    return lines.flatMap((line, index): Candidate[] => {
      const mailed = mailName(page, field, index)
      if (mailed) return [mailed]
      const closing = field.labels.some((label) => label.includes(' ') && squeeze(line.text).includes(squeeze(label))) ? signer(page, field, index) : null
      if (closing) return [closing]
      const start = line.words.findIndex((w, i) => /^I,?$/.test(w.text) && /^(?:\p{Lu}|the$)/u.test(line.words[i + 1]?.text ?? ''))
      if (start < 0) return []
      let from = start + 1
      if (/^the$/i.test(line.words[from].text)) from += /^undersigned/i.test(line.words[from + 1]?.text ?? '') ? 2 : 1
      const run: Word[] = []
      for (let i = from; i < line.words.length && run.length < 6; i++) {
        const word = line.words[i]
        if (!/^\p{Lu}/u.test(word.text) && !/^(?:de|van|von|le|la|del|y)$/.test(word.text)) break
        run.push(word)
        if (/[,;.)]$/.test(word.text) && word.text.length > 2) break
      }
      const raw = run.map((w) => w.text).join(' ')
      const value = raw.replace(/[,;.(]+$/, '')
      return run.length > 1 && nameLikeness(value) > 0.9 ? [{ field: field.name, value, raw, words: run, page, repaired: false, score: 3.2 }] : []
    })
  if (field.kind === 'date')
    return lines.flatMap((line, index) => line.box[1] > 0.5 ? [] : line.segments.flatMap((segment): Candidate[] => {
      const found = kindReaders.date(segment.words)
      return found.slice(0, 1).filter((r) => (r.words.length >= segment.words.length - 3 || closes(r.words, segment)) && parseDate(r.raw) !== null).map((r) => ({ field: field.name, value: r.value, raw: r.raw, words: r.words, page, repaired: r.repaired, score: 2 - index * 0.05 - (segment.words.length - r.words.length) * 0.25 }))
    }))
  return []
}

/** Whether a day ends a short line behind a comma, as letters and forms are headed: "To Merrow Sound Mutual, 28 March 2026". */
function closes(day: readonly Word[], { words }: Segment): boolean {
  const before = words[words.indexOf(day[0]) - 1]
  return words.length <= 10 && words.at(-1) === day.at(-1) && before !== undefined && (before.text.endsWith(',') || /^(?:le|el|the)$/i.test(before.text))
}

/** Who sent a printed e-mail: the name before an address in angle brackets, unless it is one of those it went to. */
function mailName(page: Page, field: Field, index: number): Candidate | null {
  const line = linesOf(page)[index]
  const at = line.words.findIndex((w) => /^[<(\[]\S+@\S+[>)\]]$/.test(w.text))
  if (at < 1 || line.box[1] > 0.4 || /^(?:to|cc|bcc|an|à|para)\b:?/i.test(line.text)) return null
  const before = line.segments.find((s) => s.words.includes(line.words[at - 1]))!.words
  const own = before.slice(before.findLastIndex((w, i) => i < before.length - 1 && /:$/.test(w.text)) + 1).filter((w) => line.words.indexOf(w) < at)
  const [name] = kindReaders.name(own)
  return name && name.fit >= 0.95 ? { field: field.name, value: name.value, raw: name.raw, words: name.words, page, repaired: false, score: 3.6 } : null
}

/** The name printed under a letter's closing line, with room for a signature between. */
function signer(page: Page, field: Field, closing: number): Candidate | null {
  const lines = linesOf(page)
  const { box } = lines[closing]
  for (const line of lines.slice(closing + 1)) {
    if (line.box[1] - box[3] > 0.13) return null
    const segment = line.segments.find((s) => Math.abs(s.box[0] - box[0]) < 0.04)
    const [name] = segment ? kindReaders.name(segment.words) : []
    if (name && name.fit > 0.9) return { field: field.name, value: name.value, raw: name.raw, words: name.words, page, repaired: false, score: 3.4 }
  }
  return null
}

/** Given names and surname printed apart, put together in the order a person says them. */
function joinedName(labels: LabelHit[], byLine: LabelsByLine, field: Field): Candidate | null {
  const part = (role: 'surname' | 'given') => {
    const label = labels.find((l) => (l.leads || l.colon) && l.meanings.some((m) => m.role === role))
    const region = label && regionsOf(label, byLine)[0]
    return region ? kindReaders.text(region.words)[0] ?? null : null
  }
  const [surname, given] = [part('surname'), part('given')]
  if (!surname || !given || /\d/.test(surname.raw + given.raw)) return null
  const page = labels[0].page
  return { field: field.name, value: `${given.value as string} ${surname.value as string}`, raw: `${surname.raw} / ${given.raw}`, words: [...given.words, ...surname.words], page, repaired: false, score: 4.2 }
}

/** Values of the machine-readable zone, by the field names ICAO 9303 gives them. */
function zoneValues(page: Page, type: DocumentType): Candidate[] {
  const zone = zoneOn(page)
  if (!zone) return []
  const values: Record<string, string | null> = { document_number: zone.documentNumber, date_of_birth: zone.dateOfBirth, expiry_date: zone.expiryDate, nationality: zone.nationality, full_name: zone.fullName }
  return type.fields.filter((f) => f.sources.includes('zone') && values[f.name]).map((f) => {
    const checked = f.name !== 'nationality' && f.name !== 'full_name'
    return { field: f.name, value: values[f.name], raw: values[f.name]!, words: zone.words, page, repaired: false, proven: checked, shared: true, score: checked ? 6 : f.name === 'full_name' ? 0.9 : 0.4 }
  })
}
