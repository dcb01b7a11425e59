import { linesOf, type Segment } from '../../layout/index.ts'
import type { Word } from '../../model/index.ts'
import type { DocumentType, Field } from '../../program/index.ts'
import type { Candidate } from '../scoring/candidate.ts'
import { isDay } from '../parsers/date.ts'
import { kindReaders } from '../parsers/index.ts'
import { rawOf } from '../parsers/reading.ts'
import { hasPostcode } from '../parsers/words.ts'
import { ends, labelLike } from '../labels/find-labels.ts'
import { continuing, type LabelsByLine, type Region } from '../labels/value-regions.ts'
import { isStopWord } from '../labels/wording-similarity.ts'

/**
 * Addresses that begin in a region, or end in one that a label captions: over several lines, up to the postal
 * code.
 */
export function addressIn(
  region: Region,
  field: Field,
  byLine: LabelsByLine,
  type: DocumentType,
): Candidate[] {
  if (region.relation === 'above')
    return addressAbove(region, byLine, type).map((words) => ({
      field: field.name,
      page: region.page,
      value: spoken(words),
      raw: spoken(words),
      words: words.flat(),
      score: (fitOf(words.flat()) - 0.5) * 3,
      repaired: false,
    }))
  const first = addressWords(region.words, type)
  // A postal code alone has lost its street.
  if (first.length === 0 || (first.length <= 2 && hasPostcode(rawOf(first))) || labelLike(rawOf(first), type))
    return []
  const more = addressLines(first, continuing(region, byLine, 4), type)
  const words = [...first, ...more.flatMap((s) => s.words)]
  const text = [rawOf(first), ...more.map((s) => s.text)]
    .map((t) => t.replace(/^[\s:.]+|,$/g, ''))
    .reduce((all, t) => `${all}${breaksCode(all, t) ? ' ' : ', '}${t}`)
  const fit = fitOf(words)
  // A street with no place behind it is likely half of an address.
  const half = hasPostcode(text) || text.includes(',') ? 0 : -1.5
  // "Moving home? Tell us two days before. Emergencies: 0800 555 010" is no place.
  if (/\p{Ll}{3}\.\s+\p{Lu}/u.test(text)) return []
  // A comma at its end says that it goes on, where nothing was found that it goes on with.
  const partial = !hasPostcode(text) && /,$/.test(words.at(-1)!.text)
  const candidates: Candidate[] =
    fit > 0
      ? [
          {
            field: field.name,
            page: region.page,
            value: text,
            raw: text,
            words,
            score: (fit - 0.5) * 3 + half,
            repaired: false,
            partial,
          },
        ]
      : []
  const raw = rawOf(first).replace(/^[\s:.]+|,$/g, '')
  // Where the lines below bring the postal code that it lacks, it is not whole.
  const completed = !hasPostcode(raw) && hasPostcode(text)
  if (more.length > 0 && !completed && holdsBoth(first)) {
    // What stands below is likely something else.
    candidates.push({
      field: field.name,
      page: region.page,
      value: raw,
      raw,
      words: first,
      score: (fitOf(first) - 0.5) * 3 + 0.4,
      repaired: false,
    })
  }
  return candidates
}

/** How much the words look like an address, 0 to 1. */
const fitOf = (words: Word[]): number => Math.max(...kindReaders.address(words).map((r) => r.plausibility), 0)

/** Whether one line holds street and place. */
const holdsBoth = (line: Word[]): boolean =>
  fitOf(line) >= 0.9 &&
  rawOf(line)
    .replace(/^[\s:.]+|,$/g, '')
    .includes(',')
const isWhole = (line: Word[]): boolean =>
  holdsBoth(line) && /^\d/.test(line[0].text) && hasPostcode(rawOf(line))

/** Lines of an address that end in the region, the last of which the label captions. */
function addressAbove(region: Region, labels: LabelsByLine, type: DocumentType): Word[][][] {
  const lines = linesOf(region.page)
  const found = [addressWords(region.words, type)]
  // Over a line that is whole stands something else: the firm whose letterhead it is.
  for (let i = region.line - 1; i >= 0 && found.length < 4 && !isWhole(found[0]); i--) {
    const segment = lines[i].segments.find((s) => Math.abs(s.box[0] - region.words[0].box[0]) < 0.012)
    if (
      !segment ||
      (lines[i + 1].box[1] - lines[i].box[3]) * region.page.height > lines[i].height * 0.8 ||
      (labels.get(i) ?? []).some((l) => ends(l) && segment.words.includes(l.lineOf.words[l.from]))
    )
      break
    found.unshift(segment.words)
  }
  return [found]
}

const spoken = (lines: readonly Word[][]): string =>
  lines.map((l) => rawOf(l).replace(/^[\s:.]+|,$/g, '')).join(', ')

/** A narrow column breaks a postal code in two as well: "Saltholm SK2" over "9LP". */
const breaksCode = (line: string, next: string): boolean =>
  !next.includes(' ') && !hasPostcode(line) && hasPostcode(`${line.split(' ').at(-1)!} ${next}`)

/**
 * The words of an address, without those of a label that left no gap before it and of a telephone number
 * behind it.
 */
function addressWords(words: Word[], type: DocumentType): Word[] {
  const end = words.findIndex((w, i) => i > 0 && /^\+\d|@/.test(w.text))
  const own = end < 0 ? words : words.slice(0, end)
  const figure = own.findIndex((w) => /\d/.test(w.text))
  const lead = own.slice(0, Math.max(0, figure))
  return lead.length > 0 && lead.every((w) => isStopWord(w.text) || labelLike(w.text, type))
    ? own.slice(figure)
    : own
}

/** The lines that still belong to an address: up to its postal code, and none that is only figures or a date. */
function addressLines(first: Word[], below: Segment[], type: DocumentType): Segment[] {
  const lines: Segment[] = []
  let before = rawOf(first)
  let done = hasPostcode(before)
  for (const segment of below) {
    const broken = !done && breaksCode(before, segment.text)
    before = segment.text
    if (
      done ||
      (!broken && !/\p{L}{3}/u.test(segment.text) && !hasPostcode(segment.text)) ||
      isDay(segment.text) ||
      labelLike(segment.text, type) ||
      kindReaders.iban(segment.words).some((r) => r.plausibility > 0.5)
    )
      break
    lines.push(segment)
    done = broken || hasPostcode(segment.text)
  }
  return lines
}
