import { boxAround, type Page } from '../../model/index.ts'
import { type Line, linesOf, type Segment, typicalHeight } from '../../layout/index.ts'
import { fold } from '../../text/index.ts'
import { endPattern, leadIns, legalForms, paperNames, wordsPattern } from '../../lexicon/index.ts'
import type { DocumentType, Field } from '../../program/index.ts'
import type { Candidate } from '../scoring/candidate.ts'
import {
  addressLikeness,
  beforeHeading,
  hasPostcode,
  nameLikeness,
  orgLikeness,
  readNames,
} from '../parsers/words.ts'
import { isDay } from '../parsers/date.ts'
import { labelLike, findLabels } from '../labels/find-labels.ts'

/** What papers are called: a heading that is no firm, however much water or power it speaks of. */
const PAPER = wordsPattern(paperNames)

/** Firms in the head of a page, by the size of their letters, their wording and how high they stand. */
export function letterheadCandidates(page: Page, type: DocumentType, field: Field): Candidate[] {
  const usual = typicalHeight(page)
  const labels = findLabels(page, type)
  const found: Candidate[] = []
  linesOf(page).forEach((line, index) => {
    if (line.box[1] > 0.22 || index > 9) return
    for (const whole of line.segments) {
      const segment = beforeTitle(whole)
      if (
        labels.some(
          (l) =>
            l.line === index &&
            segment.words.includes(l.lineOf.words[l.from]) &&
            (l.leads || l.meanings.some((m) => m.role === 'title')) &&
            l.length * 2 >= segment.words.length,
        )
      )
        continue
      const likeness = orgLikeness(segment.text)
      const paper = PAPER.test(fold(segment.text)) ? -1.8 : 0
      // A heading or a line of figures is no letterhead.
      if (labelLike(segment.text, type) || line.words.some((w) => /\d[.,]\d{2}\b/.test(w.text))) continue
      if (
        likeness < 0.5 ||
        addressLikeness(segment.text) >= 0.6 ||
        /\b(?:page|tel|phone|www)\b|@/i.test(segment.text) ||
        segment.words.length > 7
      )
        continue
      const size = Math.min(1.6, Math.max(0, (line.height / usual - 1) * 2.5))
      found.push({
        field: field.name,
        value: segment.text
          .replace(/^[|•·\s]+/, '')
          .replace(/[\s,;:.]+$/, (s) => (s.startsWith('.') ? '.' : '')),
        raw: segment.text,
        words: segment.words,
        page,
        repaired: false,
        score:
          paper +
          0.2 +
          size +
          (likeness === 1 ? 1.6 : 0) -
          index * 0.22 -
          (nameLikeness(segment.text) === 1 && likeness < 1 ? 0.5 : 0),
      })
    }
  })
  found.push(...found.flatMap((first) => overTwoLines(page, first) ?? []))
  // The one firm in the head of a page has nobody to be mixed up with.
  const firms = found.filter((c) => orgLikeness(c.raw) === 1 && c.score > 1)
  if (firms.length === 1) firms[0].score += 0.8
  return found
}

/**
 * "issued by Lantern Mutual" is the firm behind its lead; "Isles Savings Bank STATEMENT OF ACCOUNT" in one line with no gap: what the paper is called, in capitals
 * alone or behind the firm's legal form, is no part of the firm.
 */
function beforeTitle(segment: Segment): Segment {
  const led = LEAD_IN.exec(segment.text)?.[0].split(' ').length ?? 0
  if (led > 1 && led <= segment.words.length) return partOf(segment.words.slice(led - 1))
  const capitals = segment.words.findIndex(
    (_, i) =>
      i > 1 &&
      i < segment.words.length - 1 &&
      segment.words.slice(i).every((rest) => /^\p{Lu}{2,}$/u.test(rest.text)),
  )
  const words =
    capitals > 0 && segment.words.slice(0, capitals).some((w) => /\p{Ll}/u.test(w.text))
      ? segment.words.slice(0, capitals)
      : beforeHeading(segment.words)
  return words.length === segment.words.length ? segment : partOf(words)
}

const partOf = (words: Segment['words']): Segment => ({
  words,
  text: words.map((w) => w.text).join(' '),
  box: boxAround(words.map((w) => w.box)),
})

/** "Issued by Lantern Mutual": what leads to a firm's name in its letterhead. */
const LEAD_IN = new RegExp(`^${wordsPattern(leadIns).source} `, 'i')

/** A firm's name that its column breaks in two, in letters of one height: "Northern Isles" over "Energy". */
function overTwoLines(page: Page, first: Candidate): Candidate | null {
  const lines = linesOf(page)
  const index = lines.findIndex((l) => l.words.includes(first.words[0]))
  const segment = lines[index].segments.find((s) => s.words.includes(first.words[0]))!
  const next = lines
    .slice(index + 1, index + 3)
    .flatMap((l) => l.segments)
    .find((s) => Math.abs(s.box[0] - segment.box[0]) < 0.006)
  if (!next || next.words.length > 3 || /[\d,:@]/.test(next.text) || PAPER.test(fold(next.text))) return null
  const [own, other] = [segment, next].map((s) => (s.box[3] - s.box[1]) * page.height)
  const name = `${first.raw} ${next.text}`
  if (
    Math.abs(own - other) > own * 0.06 ||
    (next.box[1] - segment.box[3]) * page.height > own * 0.3 ||
    orgLikeness(next.text) < 1 ||
    (orgLikeness(first.raw) === 1 && LEGAL_FORM.test(first.raw))
  )
    return null
  return {
    ...first,
    value: name,
    raw: name,
    words: [...first.words, ...next.words],
    score: first.score + 0.8 + (orgLikeness(first.raw) === 1 ? 0 : 1.6),
  }
}
const LEGAL_FORM = endPattern([...legalForms.written, ...legalForms.onLetterheads])

/** A name over lines of an address, as letters and bills are addressed. */
export interface AddressBlock {
  name: Segment
  address: Segment[]
  line: number
}

/** Address blocks in the upper half of a page: a name, then two to five lines below it in the same column. */
export function addressBlocks(page: Page, type: DocumentType): AddressBlock[] {
  const lines = linesOf(page)
  const blocks: AddressBlock[] = []
  // What the paper is called is nobody, whatever capitals it has.
  const titles = new Set(type.titles.map(fold))
  lines.forEach((line, index) => {
    if (line.box[1] > 0.5) return
    for (const segment of line.segments) {
      const name = segment.text
      if (
        (nameLikeness(name) < 0.95 && !LEGAL_FORM.test(name)) ||
        addressLikeness(name) > 0.5 ||
        /:$/.test(name) ||
        titles.has(fold(name))
      )
        continue
      const below = linesBelow(page, lines, index, segment, type)
      // "Northern Counties" over "Revenue" is an office, broken in two, over its own address.
      if (below[0] && orgLikeness(below[0].text) === 1 && addressLikeness(below[0].text) < 0.6) continue
      const strength = Math.max(0, ...below.map((s) => addressLikeness(s.text)))
      if (below.length >= 1 && strength >= 0.9) blocks.push({ name: segment, address: below, line: index })
    }
  })
  return blocks
}

/**
 * Of an address, as a share of its letters' height: capitals alone stand further apart than letters with
 * tails do.
 */
const LEADING = 1.25

function linesBelow(page: Page, lines: Line[], index: number, top: Segment, type: DocumentType): Segment[] {
  const found: Segment[] = []
  let before = lines[index]
  for (let i = index + 1; i < lines.length && found.length < 5; i++) {
    if ((lines[i].box[1] - before.box[3]) * page.height > before.height * LEADING) break
    const segment = lines[i].segments.find((s) => Math.abs(s.box[0] - top.box[0]) < 0.012)
    if (!segment) {
      if (lines[i].segments.every((s) => s.box[0] > top.box[0] + 0.15 || s.box[2] < top.box[0])) continue
      break
    }
    if (
      /:/.test(segment.text) ||
      isDay(segment.text) ||
      labelLike(segment.text, type) ||
      segment.text.split(' ').length > 7 ||
      !/[\p{L}\d]{2}/u.test(segment.text)
    )
      break
    found.push(segment)
    // A postal code ends an address: what stands straight beneath belongs to something else.
    if (hasPostcode(segment.text)) break
    before = lines[i]
  }
  return found
}

/** The addressee's name or address, from the address blocks of the first page. */
export function addresseeCandidates(page: Page, field: Field, type: DocumentType): Candidate[] {
  return addressBlocks(page, type).flatMap((block): Candidate[] => {
    // A firm over an address is whose paper it is, unless it stands where letters are addressed and in
    // letters like all others.
    const firm =
      orgLikeness(block.name.text) < 1
        ? 0
        : block.line > 1 &&
            linesOf(page)[block.line].height < typicalHeight(page) * 1.15 &&
            linesOf(page)
              .slice(0, block.line)
              .some((l) => orgLikeness(l.text) === 1)
          ? 0.7
          : 2.5
    const score = 1.9 - (block.name.box[1] < 0.07 ? 0.8 : 0) - firm
    if (field.kind === 'name')
      return readNames(block.name.words).map((r) => ({
        field: field.name,
        value: r.value,
        raw: r.raw,
        words: r.words,
        page,
        repaired: false,
        score,
      }))
    const words = block.address.flatMap((s) => s.words)
    return [
      {
        field: field.name,
        value: block.address.map((s) => s.text.replace(/,$/, '')).join(', '),
        raw: block.address.map((s) => s.text).join('\n'),
        words,
        page,
        repaired: false,
        score: score - 0.2,
      },
    ]
  })
}
