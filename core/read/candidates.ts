import { linesOf, type Segment } from '../page/layout.ts'
import type { Page, Word } from '../page/page.ts'
import { fold, squeeze } from '../page/text.ts'
import type { DocumentType, Field } from '../program/schema.ts'
import type { Candidate } from './candidate.ts'
import { kindReaders } from './kinds/index.ts'
import { parseDate, parsePeriod } from './kinds/date.ts'
import { hasPostcode, nameLikeness } from './kinds/words.ts'
import { labelLike, labelsOn, type LabelHit } from './labels.ts'
import { readChoice } from './marks.ts'
import { addressees, letterheads } from './positions.ts'
import { continuing, labelsByLine, regionsOf, type LabelsByLine, type Region } from './regions.ts'
import { zoneOn } from './zone.ts'

const RELATION_SCORE = { inline: 2.6, right: 2.5, below: 2.1, above: 0.7 } as const
/** Kinds whose values are words, and so might be labels taken for values. */
const WORDY: ReadonlySet<string> = new Set(['name', 'org', 'text'])
const YES_NO = [{ value: 'yes', words: ['yes', 'oui', 'sí', 'y'] }, { value: 'no', words: ['no', 'non', 'none', 'n'] }]

/** Every possible value of every field of a document, with its evidence. `pages` are in reading order. */
export function candidatesOf(pages: readonly Page[], type: DocumentType): Map<string, Candidate[]> {
  const found = new Map<string, Candidate[]>(type.fields.map((f) => [f.name, []]))
  const add = (candidate: Candidate | null) => {
    const field = candidate && type.fields.find((f) => f.name === candidate.field)
    if (!candidate || !field) return
    const text = typeof candidate.value === 'string' ? fold(candidate.value) : null
    if (text !== null && field.never.includes(text)) return
    found.get(candidate.field)!.push(field.kind === 'name' ? withoutLabel(candidate, type) : candidate)
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
    for (const field of type.fields) if (field.kind === 'name') add(joinedName(labels, byLine, field))
    if (type.zone) zoneValues(page, type).forEach(add)
  })
  for (const field of type.fields) if (field.kind === 'choice' && found.get(field.name)!.length === 0) pages.flatMap((page) => loneChoices(page, field)).forEach(add)
  followStyle(found)
  leftOver(pages, type, found)
  return found
}

function fromLabel(label: LabelHit, byLine: LabelsByLine, type: DocumentType, marks: LabelHit[], order: number): Candidate[] {
  const found: Candidate[] = []
  const regions = regionsOf(label, byLine)
  for (const meaning of label.meanings) {
    if (meaning.role !== 'field') continue
    const field = type.fields.find((f) => f.name === meaning.field)!
    const base = labelScore(label, meaning.rank) + nearness(field, label, marks) - order * 0.25
    if (field.kind === 'yesno' || field.kind === 'choice') {
      const candidate = readChoice(label, field, field.kind === 'yesno' ? YES_NO : field.choices)
      if (candidate) found.push({ ...candidate, value: field.kind === 'yesno' ? candidate.value === 'yes' : candidate.value, score: candidate.score + base })
      continue
    }
    if (field.kind === 'table') continue
    regions.forEach((given) => {
      const region = given.relation === 'inline' && !label.colon && (WORDY.has(field.kind) || field.kind === 'address') ? { ...given, words: withoutLabelWords(given.words) } : given
      if (region.words.length === 0) return
      for (const candidate of fromRegion(region, field, byLine, type)) {
        const alone = region.relation !== 'below' || !regions.some((r) => r.relation === 'inline' || r.relation === 'right')
        found.push({ ...candidate, relation: region.relation, label: label.near >= 0.75 && (label.leads || label.colon), score: candidate.score + base + RELATION_SCORE[region.relation] + (label.colon && (region.relation === 'inline' || region.relation === 'right') ? 0.5 : 0) - (alone ? 0 : 1.1) })
      }
    })
  }
  return found
}

/** A label set close to a name ("Name Elspeth Mossman") is no part of it. */
function withoutLabel(candidate: Candidate, type: DocumentType): Candidate {
  const parts = typeof candidate.value === 'string' ? candidate.value.split(' ') : []
  if (parts.length < 3 || !labelLike(parts[0], type) || candidate.words[0]?.text.replace(/:$/, '') !== parts[0]) return candidate
  return { ...candidate, value: parts.slice(1).join(' '), words: candidate.words.slice(1) }
}

/** A label may go on in small letters ("owner's name Joren Finn"): values of words begin with a capital or a figure. */
function withoutLabelWords(words: Word[]): Word[] {
  // "Bank of Skerrow" is one name, not a bank called Skerrow.
  if (/^(?:of|de|du|del|and|&)$/i.test(words[0]?.text ?? '')) return []
  const start = words.findIndex((w) => /^[("“]?[\p{Lu}\d]/u.test(w.text))
  return start > 0 && words.slice(0, start).every((w) => /^[\p{Ll}/(),.]+$/u.test(w.text)) ? words.slice(start) : words
}

/**
 * A designer sets all values of a page alike: beside their labels or beneath. Where the certain ones show a style, the
 * same label read the other way round is likely another label's value.
 */
function followStyle(found: Map<string, Candidate[]>): void {
  const votes = new Map<Page, { beside: number; beneath: number }>()
  for (const candidates of found.values()) {
    const best = candidates.filter((c) => c.relation && c.label).sort((a, b) => b.score - a.score)[0]
    if (!best || best.relation === 'above') continue
    const vote = votes.get(best.page) ?? { beside: 0, beneath: 0 }
    if (best.relation === 'below') vote.beneath++
    else vote.beside++
    votes.set(best.page, vote)
  }
  for (const candidates of found.values())
    for (const candidate of candidates) {
      const vote = votes.get(candidate.page)
      if (!vote || !candidate.relation || candidate.relation === 'above' || candidate.relation === 'inline') continue
      const [mine, other] = candidate.relation === 'below' ? [vote.beneath, vote.beside] : [vote.beside, vote.beneath]
      if (mine + other >= 4 && other >= 3 * mine) candidate.score -= 2
    }
}

/** A choice's words standing alone where values stand, when no label led to it. */
const loneChoices = (page: Page, field: Field): Candidate[] =>
  linesOf(page).flatMap((line) => line.segments.flatMap((segment) => {
    const said = squeeze(segment.text.replace(/^.*:/, ''))
    const choice = field.choices.find((c) => c.words.some((w) => squeeze(w) === said))
    return choice ? [{ field: field.name, value: choice.value, raw: segment.text, words: segment.words, page, repaired: false, score: 1.2 }] : []
  }))

/** Kinds whose form alone says what a value may be. */
const FORMED: ReadonlySet<string> = new Set(['date', 'money', 'id', 'iban', 'email', 'phone'])

/**
 * Values of the right form that no label claims, for fields that nothing was found for: a weak guess that a person
 * confirms with one key instead of typing it.
 */
function leftOver(pages: readonly Page[], type: DocumentType, found: Map<string, Candidate[]>): void {
  const lacking = type.fields.filter((f) => FORMED.has(f.kind) && !f.optional && Math.max(-9, ...found.get(f.name)!.map((c) => c.score)) < 0)
  if (lacking.length === 0) return
  const claimed = new Set([...found.values()].flatMap((cs) => cs.filter((c) => c.score > 1.5).flatMap((c) => c.words)))
  for (const field of lacking)
    for (const page of pages)
      for (const line of linesOf(page).slice(0, 60))
        for (const segment of line.segments) {
          if (segment.words.length > 12) continue
          for (const r of kindReaders[field.kind as keyof typeof kindReaders](segment.words)) {
            if (r.fit < 0.8 || r.words.some((w) => claimed.has(w))) continue
            const score = -0.9 - (segment.words.length - r.words.length) * 0.1 + (field.kind === 'iban' || field.kind === 'email' ? 2.6 : 0)
            found.get(field.name)!.push({ field: field.name, value: r.value, raw: r.raw, words: r.words, page, repaired: r.repaired, score })
          }
        }
}

function labelScore(label: LabelHit, rank: number): number {
  // "Boat name:" is no name: what stands before a word changes its meaning.
  return (label.leads ? 0.6 : label.colon ? (label.near < 0.8 ? -1.4 : 0.2) : -2.2) + Math.min(0.9, (label.length - 1) * 0.45) - Math.min(1.2, rank * 0.06) - (label.mended ? 0.3 : 0) - (label.alone || label.colon ? 0 : 0.3) - (1 - label.near) * 4.2
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
    const more = addressLines(region.words, continuing(region, byLine, 4))
    const words = [...region.words, ...more.flatMap((s) => s.words)]
    const text = [region.words.map((w) => w.text).join(' '), ...more.map((s) => s.text)].map((t) => t.replace(/^[\s:.]+|,$/g, '')).join(', ')
    const fit = Math.max(...kindReaders.address(words).map((r) => r.fit), 0)
    const candidates = fit > 0 ? [{ ...base, value: text, raw: text, words, score: (fit - 0.5) * 3, repaired: false }] : []
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
  const readings = kindReaders[kind](region.words).filter((r) => (field.kind !== 'name' || r.fit >= 0.3) && !(WORDY.has(field.kind) && labelLike(r.raw, type)))
  const limit = field.kind === 'id' && region.words.length > 8 ? 0 : 2
  return readings.slice(0, Math.max(1, limit)).map((reading, place) => {
    const lead = region.words.indexOf(reading.words[0])
    const prose = lead > 2 && field.kind !== 'iban' ? -0.4 * Math.min(5, lead - 2) : 0
    const patterned = field.pattern && typeof reading.value === 'string' && new RegExp(`^${field.pattern}$`).test(reading.value) ? 1 : 0
    return { ...base, value: reading.value, raw: reading.raw, words: reading.words, repaired: reading.repaired, score: (reading.fit - 0.6) * 3.2 - place * 1.2 + prose + patterned }
  })
}

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
function addressLines(first: Word[], below: Segment[]): Segment[] {
  const lines: Segment[] = []
  let done = hasPostcode(first.map((w) => w.text).join(' '))
  for (const segment of below) {
    if (done || (!/\p{L}{3}/u.test(segment.text) && !hasPostcode(segment.text)) || parseDate(segment.text)) break
    lines.push(segment)
    done = hasPostcode(segment.text)
  }
  return lines
}

/** The longest stretch of words that is a period; the month and year of a whole date are none. */
function periodIn(words: Word[]): { start: string; end: string; words: Word[]; raw: string } | null {
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
      return found.slice(0, 1).filter((r) => r.words.length >= segment.words.length - 3 && parseDate(r.raw) !== null).map((r) => ({ field: field.name, value: r.value, raw: r.raw, words: r.words, page, repaired: r.repaired, score: 2 - index * 0.05 - (segment.words.length - r.words.length) * 0.25 }))
    }))
  return []
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
