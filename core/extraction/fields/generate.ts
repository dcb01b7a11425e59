import { isSentence, linesOf } from '../../layout/index.ts'
import { localeOf, type Page, plain, type Word } from '../../model/index.ts'
import { fold, nearlyWord, tokens } from '../../text/index.ts'
import { type DocumentType, type Field, type FieldSource, hasForm, isTicked } from '../../program/index.ts'
import { addressIn } from './addresses.ts'
import { isWrapped, wrappedRest, secondLine, wholeReadings } from './wrapped-values.ts'
import { admit, withoutSign } from '../scoring/admit.ts'
import type { Candidate } from '../scoring/candidate.ts'
import { captionsBelow } from '../labels/captions-below.ts'
import { gridCandidates } from './grid-cells.ts'
import { inOneCurrency } from '../consistency/currency.ts'
import { kindReaders } from '../parsers/index.ts'
import type { Reading } from '../parsers/reading.ts'
import { isDay } from '../parsers/date.ts'
import { isAmount } from '../parsers/money.ts'
import { orgLikeness } from '../parsers/words.ts'
import { labelLike, findLabels, setOff } from '../labels/find-labels.ts'
import { loneChoices, readChoice, YES_NO } from '../marks/checkboxes.ts'
import { addresseeCandidates, letterheadCandidates } from './letterheads.ts'
import { checkLineCandidates } from './check-line.ts'
import { cutShort, endOf, periodIn, periodCandidates } from './periods.ts'
import { GOES_ON, runningTextCandidates } from './running-text.ts'
import { labelsByLine, regionsOf, type LabelsByLine, type Region } from '../labels/value-regions.ts'
import { personsConfirmed, sentenceCandidates } from './sentences.ts'
import { withoutCapitals, withoutLabel, withoutLabelWords } from './strip-labels.ts'
import { acrossLines, preferPageStyle } from '../scoring/layout-style.ts'
import { titleYearCandidates } from './title-year.ts'
import { unlabelledCandidates } from './unlabelled.ts'
import { isStopWord } from '../labels/wording-similarity.ts'
import { readMrz } from './mrz.ts'
import type { LabelHit } from '../labels/label.ts'
import { type StackStyle, stackStyle } from '../labels/stack-style.ts'

/** A word read less surely than this is as good as not read. */
const UNREAD = 0.6
const DOUBTFUL = 0.85
const RELATION_SCORE = { inline: 2.6, right: 2.5, below: 2.1, above: 0.7 } as const
/** Kinds whose values are words, and so might be labels taken for values. */
const WORDY: ReadonlySet<string> = new Set(['name', 'org', 'text'])

/** Every possible value of every field of a document, with its evidence. `pages` are in reading order. */
export function generateCandidates(pages: readonly Page[], type: DocumentType): Map<string, Candidate[]> {
  const found = new Map<string, Candidate[]>(type.fields.map((f) => [f.name, []]))
  const add = (candidate: Candidate | null) => {
    const field = candidate && type.fields.find((f) => f.name === candidate.field)
    if (!candidate || !field) return
    const admitted = admit(candidate, field)
    if (!admitted) return
    found.get(candidate.field)!.push(field.kind === 'name' ? withoutLabel(admitted, type) : admitted)
  }
  pages.forEach((page, order) => {
    const labels = findLabels(page, type)
    const byLine = labelsByLine(labels)
    const marks = labels.filter(
      (l) => l.meanings.some((m) => m.role === 'signature') && (l.leads || l.colon) && !isSentence(l.segment),
    )
    for (const label of labels)
      for (const candidate of fromLabel(label, byLine, type, marks, order)) add(candidate)
    if (order === 0)
      for (const field of type.fields) {
        if (field.sources.includes('letterhead')) letterheadCandidates(page, type, field).forEach(add)
        if (field.sources.includes('addressee')) addresseeCandidates(page, field, type).forEach(add)
      }
    for (const field of type.fields) {
      if (endOf(field)) periodCandidates(page, field).forEach(add)
      if (field.sources.includes('sentence') && order === 0)
        sentenceCandidates(page, field)
          .filter((c) => field.kind !== 'name' || !labelLike(c.raw, type))
          .forEach(add)
      if (field.sources.includes('title_year') && order === 0) titleYearCandidates(page, field).forEach(add)
    }
    if (order === 0)
      for (const field of type.fields)
        if (field.name === type.person) personsConfirmed(page, field).forEach(add)
    for (const candidate of runningTextCandidates(page, type))
      add({ ...candidate, score: candidate.score - Math.min(1, order * 0.25) })
    for (const field of type.fields) if (field.kind === 'name') add(joinedName(labels, byLine, field))
    gridCandidates(page, type).forEach(add)
    if (type.zone) zoneValues(page, type).forEach(add)
    checkLineCandidates(page, type).forEach(add)
  })
  for (const pass of PASSES) pass({ pages, type, found, add })
  return found
}

/** The candidates of a document while they are held against one another. */
interface Collected {
  pages: readonly Page[]
  type: DocumentType
  /** By the names of fields. Passes change scores in place, and values whose form says what they are. */
  found: Map<string, Candidate[]>
  add: (candidate: Candidate | null) => void
}

/** What candidates say of one another, in this order; each has the reason for its place. */
const PASSES: readonly ((collected: Collected) => void)[] = [
  // Only a choice that no label gave is looked for by its words: all labels are through.
  ({ pages, type, found, add }) => {
    for (const field of type.fields)
      if (field.kind === 'choice' && found.get(field.name)!.length === 0)
        pages.flatMap((page) => loneChoices(page, field)).forEach(add)
  },
  // A firm's whole name takes the score of its short one before scores are compared with those of others.
  ({ type, found }) => {
    for (const field of type.fields) if (field.kind === 'org') wholeFirms(found.get(field.name)!)
  },
  // Amounts are put into the paper's currency before guesses are made of what is left.
  ({ pages, found }) => inOneCurrency(found, localeOf(pages[0])),
  // What a line's end cuts off is worth less before the certain values say how the page is set.
  ({ found }) => acrossLines(found),
  // The style is that of values that labels gave: a guess has none.
  ({ type, found }) => preferPageStyle(type, found),
  // Guesses are for fields that found nothing good, which only now is known.
  ({ pages, type, found, add }) => {
    for (const guess of unlabelledCandidates(pages, type, found)) add(guess)
  },
  // A birth is told by its distance from all other days, guessed ones among them.
  ({ type, found }) => farFromOtherDays(type, found),
]

/**
 * "Saltholm Harbour" over a "Company" that was not made out: on a picture, a firm that a sentence calls by a
 * word more is called that.
 */
function wholeFirms(candidates: Candidate[]): void {
  for (const short of candidates) {
    if (short.page.source === 'text' || typeof short.value !== 'string') continue
    const whole = candidates.find(
      (c) =>
        c.words.length === short.words.length + 1 &&
        typeof c.value === 'string' &&
        fold(c.value).startsWith(`${fold(short.value as string)} `) &&
        orgLikeness(c.words.at(-1)!.text) === 1,
    )
    if (whole) whole.score = Math.max(whole.score, short.score + 0.5)
  }
}

function fromLabel(
  label: LabelHit,
  byLine: LabelsByLine,
  type: DocumentType,
  marks: LabelHit[],
  order: number,
): Candidate[] {
  const found: Candidate[] = []
  const regions = regionsOf(label, byLine)
  for (const meaning of label.meanings) {
    if (meaning.role !== 'field') continue
    const field = type.fields.find((f) => f.name === meaning.field)!
    const base =
      labelScore(label, meaning.rank) -
      (properName(label) ? 1.6 : 0) +
      nearness(field, label, marks, order) -
      Math.min(1, order * 0.25) -
      (headsColumn(label, byLine) ? 1.5 : 0)
    if (isTicked(field)) {
      const candidate = readChoice(label, field, field.kind === 'yesno' ? YES_NO : field.choices)
      if (candidate)
        found.push({
          ...candidate,
          value: field.kind === 'yesno' ? candidate.value === 'yes' : candidate.value,
          score: candidate.score + base,
        })
      continue
    }
    if (field.kind === 'table') continue
    const style = stackStyle(label.page)
    const nearer = style ? 0 : nearerAbove(regions) || captionsBelow(label, byLine) * MOST_NEARER
    regions.forEach((given) => {
      const region =
        given.relation === 'inline' && !label.colon && (WORDY.has(field.kind) || field.kind === 'address')
          ? { ...given, words: withoutLabelWords(given.words) }
          : given
      if (region.words.length === 0) return
      // Both ends of a stretch of days stand behind the label: the second, a column further, is no value of its own.
      if (
        region.relation !== 'inline' &&
        found.some((c) => c.field === field.name && c.period && c.relation === 'inline')
      )
        return
      for (const read of fromRegion({ region, field, byLine, type, label })) {
        if (WORDY.has(field.kind) && inNextSentence(read, given)) continue
        const ended = goingOn(read, region, field)
        const candidate =
          region.relation === 'inline' && !label.colon && WORDY.has(field.kind)
            ? withoutCapitals(ended, label, type)
            : ended
        const alone =
          region.relation !== 'below' ||
          !regions.some((r) => r.relation === 'inline' || r.relation === 'right')
        found.push({
          ...candidate,
          relation: region.relation,
          label: label.similarity >= 0.75 && (label.leads || label.colon),
          score:
            candidate.score +
            base +
            RELATION_SCORE[region.relation] +
            (label.colon && (region.relation === 'inline' || region.relation === 'right') ? 0.5 : 0) -
            (alone ? 0 : 1.1) +
            (region.relation === 'above' ? nearer : region.relation === 'below' ? -nearer : 0) +
            stackScore(style, label, candidate, region.relation),
          hangs: region.relation === 'inline' && !label.colon && WORDY.has(field.kind),
        })
      }
    })
  }
  return found
}

/**
 * "The office may move the stall for repairs. The holder is told": what a sentence begins with is
 * named in it, or not at all.
 */
const inNextSentence = ({ words: [first] }: Candidate, { words }: Region): boolean =>
  words.slice(0, words.indexOf(first)).some((w) => /\p{Ll}{3}\.$/u.test(w.text))

/** Inside a sentence a name of a thing ends where small letters go on: "the wagon Stormcock at a depot". */
function goingOn(read: Candidate, { page, line }: Region, field: Field): Candidate {
  const segment = linesOf(page)[line].segments.find((s) => s.words.includes(read.words[0]))
  if (field.kind !== 'text' || !segment || !isSentence(segment)) return read
  const ends = field.common ? GOES_ON : /^\p{Ll}/u
  const end = read.words.findIndex((w, i) => i > 0 && ends.test(w.text))
  if (end < 0 || !/^\p{Lu}/u.test(read.words[0].text)) return read
  const words = read.words.slice(0, end)
  const raw = words.map((w) => w.text).join(' ')
  return { ...read, words, raw, value: raw.replace(/[,;:.]+$/, '') }
}

/** "The Harbour Office" is a name of its own, not a label with a value behind it. */
const properName = ({ segment, lineOf, from, to, length, colon }: LabelHit): boolean => {
  const next = segment.words[segment.words.indexOf(lineOf.words[to - 1]) + 1]
  return (
    length === 1 &&
    !colon &&
    segment.words[0] !== lineOf.words[from] &&
    /^the$/i.test(segment.words[0].text) &&
    next !== undefined &&
    /^\p{Lu}/u.test(next.text)
  )
}

/** "Amount" over earnings and again over deductions heads columns: what stands beneath is no field of its name. */
const headsColumn = (label: LabelHit, byLine: LabelsByLine): boolean =>
  label.alone &&
  byLine
    .get(label.line)!
    .some((l) => l.segment !== label.segment && l.alone && l.segment.text === label.segment.text)

/** Log-odds of a value the way that the page stacks small labels, and another way, and of small print being one. */
const [STACKED, AGAINST_STYLE, SMALL_PRINT] = [0.6, -1.5, -3]

function stackScore(
  style: StackStyle | null,
  label: LabelHit,
  { words }: Candidate,
  relation: Region['relation'],
): number {
  if (!style) return 0
  if (words.every((w) => style.small.has(w))) return SMALL_PRINT
  if (!style.small.has(label.lineOf.words[label.from]) || relation === 'inline') return 0
  if ((relation === 'above') !== (style.way === 'captions') || relation === 'right') return AGAINST_STYLE
  return STACKED + (relation === 'above' ? RELATION_SCORE.below - RELATION_SCORE.above : 0)
}

/** Log-odds at most for the value over a label against the one under it. */
const MOST_NEARER = 1.6

/** Lines as far apart as this, in log of the ratio, are set apart by mere spacing. */
const EVEN = 0.25

/**
 * A label belongs to what stands nearest: with a value above and one below, the shorter way tells which is
 * its own.
 * @returns log-odds for the one above, -1.6 to 1.6
 */
function nearerAbove(regions: readonly Region[]): number {
  const [above, below] = (['above', 'below'] as const).map(
    (relation) => regions.find((r) => r.relation === relation)?.gap,
  )
  if (above === undefined || below === undefined || above <= 0 || below <= 0) return 0
  const odds = Math.log(below / above)
  // What has its value beside it says nothing by what stands over it.
  const most = regions.some((r) => r.relation === 'right' || r.relation === 'inline') ? 0 : MOST_NEARER
  return Math.abs(odds) < EVEN
    ? 0
    : Math.max(-MOST_NEARER, Math.min(most, (odds - Math.sign(odds) * EVEN) * 3))
}

/** A birth lies years before whatever else a paper dates, and no other of its days does. */
export function farFromOtherDays(type: DocumentType, found: Map<string, Candidate[]>): void {
  const days = new Set(
    [...found.values()].flatMap((cs) =>
      cs.flatMap((c) =>
        c.score > 0 && typeof c.value === 'string' && /^\d{4}-\d\d-\d\d$/.test(c.value) ? [c.value] : [],
      ),
    ),
  )
  const latest = Math.max(...[...days].map((day) => Number(day.slice(0, 4))))
  const gap = type.fields.find((f) => f.yearsBefore)?.yearsBefore
  // One day alone lies far from nothing.
  if (!gap || days.size < 2) return
  for (const field of type.fields) {
    if (field.kind !== 'date') continue
    for (const candidate of found.get(field.name)!) {
      const old = Number((candidate.value as string).slice(0, 4)) <= latest - gap
      if (old !== (field.yearsBefore !== undefined)) candidate.score -= 3
    }
  }
}

/** "Home address" is an address: the word stands last in a short label of its own, whatever narrows it. */
const endsLabel = (label: LabelHit): boolean =>
  label.segment.words.length <= 3 && label.segment.words.at(-1) === label.lineOf.words[label.to - 1]

/** Wordings listed first are the usual ones; those of other tongues stand last, and are no worse for it. */
const MOST_RANK = 0.5

function labelScore(label: LabelHit, rank: number): number {
  // "Boat name:" is no name: what stands before a word changes its meaning.
  return (
    (label.leads || setOff(label)
      ? 0.6
      : label.colon
        ? label.similarity < 0.8
          ? -1.4
          : 0.2
        : endsLabel(label)
          ? -1.4
          : -2.2) +
    Math.min(0.9, (label.length - 1) * 0.45) -
    Math.min(MOST_RANK, rank * 0.03) -
    (label.mended ? 0.3 : 0) -
    (label.alone || label.colon ? 0 : 0.3) -
    (1 - label.similarity) * 4.2
  )
}

/** Dates beside a signature are the signing's; elsewhere they are not. */
function nearness(field: Field, label: LabelHit, marks: LabelHit[], order: number): number {
  if (field.kind !== 'date') return 0
  const near = marks.some((m) => Math.abs(m.lineOf.box[1] - label.lineOf.box[1]) < 0.07)
  if (field.near === 'signature') return near ? 1.4 : marks.length ? -1.2 : -2
  // A letter may be dated where it is signed; what a longer paper is about happened before its last page.
  return near && label.length === 1 ? (order > 0 ? -4.8 : -1.6) : 0
}

/** Where a label leads to, and what is known there. */
interface Spot {
  region: Region
  field: Field
  byLine: LabelsByLine
  type: DocumentType
  label: LabelHit
}

/** Ways to read what a label leads to that leave none of the others to be tried, in their order. */
const WHOLE_WAYS: readonly ((spot: Spot) => Candidate | null)[] = [
  periodAt,
  cutPeriodAt,
  wideNameAt,
  twoLinesAt,
]

function fromRegion(spot: Spot): Candidate[] {
  const { region, field, byLine, type } = spot
  if (field.kind === 'address') return addressIn(region, field, byLine, type)
  for (const way of WHOLE_WAYS) {
    const whole = way(spot)
    if (whole) return [whole]
  }
  const readings = readingsAt(spot)
  return readings.map((reading, rank): Candidate => ({
    field: field.name,
    page: region.page,
    value: reading.value,
    raw: reading.raw,
    words: reading.words,
    repaired: reading.repaired,
    partial: isPartial(reading, spot),
    score: readingScore(reading, rank, spot),
  }))
}

const isFigure = (word: Word): boolean => /\d/.test(word.text) && !AMOUNT.test(word.text)

/** What a stretch of days scores; it is as good as a plain reading of a day that fits. */
const PERIOD_SCORE = 0.8

/** "1 January 2026" over "to 31 January 2026" is one period on two lines. */
function periodAt({ region, field, byLine }: Spot): Candidate | null {
  if (!endOf(field)) return null
  const { words } = region
  const locale = localeOf(region.page)
  const period =
    periodIn(words, locale) ??
    (isWrapped(words) ? periodIn([...words, ...wrappedRest(region, byLine)], locale) : null) ??
    periodIn([...words, ...alongside(region)], locale) ??
    periodIn([...words, ...lineUnder(region)], locale)
  return (
    period && {
      field: field.name,
      page: region.page,
      value: endOf(field) === 'start' ? period.start : period.end,
      raw: period.raw,
      words: period.words,
      score: PERIOD_SCORE,
      repaired: false,
      period: true,
      // Figures beside it may be its other end: "1 Jul 2024.30 Jun 2025" would be the June alone.
      partial: words.some((w) => !period.words.includes(w) && isFigure(w)),
    }
  )
}

/** A stretch of days on a scan of which the end was cut off. */
function cutPeriodAt({ region, field }: Spot): Candidate | null {
  if (!endOf(field) || region.page.source === 'text') return null
  const cut = cutShort(region.words)
  const isEnd = endOf(field) === 'end'
  return (
    cut && {
      field: field.name,
      page: region.page,
      value: isEnd ? cut.end : cut.start,
      raw: cut.raw,
      words: cut.words,
      score: PERIOD_SCORE,
      repaired: isEnd,
      period: true,
      partial: true,
      unsettled: isEnd,
    }
  )
}

/** A reading as plausible as this leaves no other way to be tried. */
const CLEAR = 0.9
/** Score of a reading by how plausible it is: none at 0.6, where it is as likely no value of its kind. */
const plausibilityScore = (plausibility: number): number => (plausibility - 0.6) * 3.2

const readingAs = (reading: Reading, { region, field }: Spot, score: number): Candidate => ({
  field: field.name,
  page: region.page,
  value: reading.value,
  raw: reading.raw,
  words: reading.words,
  repaired: reading.repaired,
  score,
})

/** A name whose parts stand a little wide. */
function wideNameAt(spot: Spot): Candidate | null {
  const { region, field, byLine } = spot
  if (field.kind !== 'name' || region.words.length !== 1) return null
  const rest = restOfName(region, byLine)
  const [name] = rest.length > 0 ? kindReaders.name([...region.words, ...rest]) : []
  return name && name.plausibility >= CLEAR && name.words.length === 1 + rest.length
    ? readingAs(name, spot, plausibilityScore(name.plausibility))
    : null
}

/** Words that go on in the line beneath. */
function twoLinesAt(spot: Spot): Candidate | null {
  const { region, field, label, byLine, type } = spot
  if (!WORDY.has(field.kind)) return null
  const second = secondLine(region, label, byLine)
  if (!second) return null
  const kind = field.kind as keyof typeof kindReaders
  const whole = kindReaders[kind]([...region.words, ...second], localeOf(region.page)).find((r) =>
    r.words.includes(second.at(-1)!),
  )
  return whole &&
    whole.plausibility >= CLEAR &&
    (field.kind === 'org' || !labelLike(second.map((w) => w.text).join(' '), type))
    ? readingAs(whole, spot, plausibilityScore(whole.plausibility) + 0.4)
    : null
}

/** Codes in running text of more words than this are told from words by luck alone. */
const MOST_WORDS_OF_ID = 8

/** What stands there as values of the field's kind, the best first. */
function readingsAt({ region, field, byLine, type }: Spot): Reading[] {
  const wordy = WORDY.has(field.kind)
  // The day and the year of a date are no amounts, nor is a year before one: "for the year 2025 came to EUR
  // 19,628.00".
  const dated =
    field.kind === 'money'
      ? new Set([
          ...kindReaders.date(region.words, localeOf(region.page)).flatMap((d) => d.words),
          ...(region.words.length > 2 ? region.words.filter((w) => /^(?:19|20)\d\d$/.test(w.text)) : []),
        ])
      : null
  const readings = wholeReadings(region, field.kind as keyof typeof kindReaders, byLine)
    .filter(
      (r) =>
        !(dated && r.words.some((w) => dated.has(w))) &&
        !(wordy && isStopWord(r.raw)) &&
        (field.kind !== 'name' || r.plausibility >= 0.3) &&
        !(wordy && labelLike(r.raw, type)),
    )
    .map((r) => (field.belowZero || region.page.source === 'text' ? r : withoutSign(r)))
  return readings.slice(0, field.kind === 'id' && region.words.length > MOST_WORDS_OF_ID ? 1 : 2)
}

/** Figures like those of a code, and log-odds of a day or an amount being the name of a thing. */
const CODE = /\d.*\d.*\d.*\d/
const NO_TEXT = -3

/** Log-odds of a reading by what it is and how it stands behind its label. */
function readingScore(reading: Reading, rank: number, { region, field, label }: Spot): number {
  const { kind } = field
  const lead = region.words.indexOf(reading.words[0])
  const prose = lead > 2 && kind !== 'iban' ? -0.4 * Math.min(5, lead - 2) : 0
  // A name of a thing is no number: what reads as a day, an amount or a code belongs to another label.
  const coded =
    kind !== 'text'
      ? 0
      : isDay(reading.raw) || isAmount(reading.raw)
        ? NO_TEXT
        : CODE.test(reading.raw)
          ? -1.4
          : 0
  // A year alone is part of a date, not a number of anything.
  const year = kind === 'id' && /^(?:19|20)\d\d$/.test(plain(reading.value)) ? -1.6 : 0
  // Under "With best wishes" stands a scrawl, and the name under that.
  const scrawl = WORDY.has(kind) && reading.words.every((w) => w.confidence < UNREAD) ? -1.5 : 0
  return (
    scrawl +
    firmScore(reading, field, label) +
    coded +
    year +
    plausibilityScore(reading.plausibility) -
    rank * 1.2 +
    prose +
    patternScore(reading, field)
  )
}

/** Behind a label that asks for it the holder may well be a firm. */
const firmScore = (reading: Reading, field: Field, label: LabelHit): number =>
  field.kind !== 'name' || orgLikeness(reading.raw) < 1
    ? 0
    : label.similarity >= 0.9 && (label.leads || label.colon)
      ? -0.6
      : -1.8

function patternScore(reading: Reading, field: Field): number {
  const has = hasForm(field.pattern, reading.value)
  if (has === null) return 0
  return has ? 1 : field.kind === 'number' ? -3 : 0
}

/** Whether more of the value may stand there than was made out. */
function isPartial(reading: Reading, { region, field }: Spot): boolean {
  const left = region.words.filter((w) => !reading.words.includes(w))
  // One day of a stretch of which the other could not be read: nobody knows which end it is.
  const otherEnd = endOf(field) !== null && left.some((w) => w.confidence < 1 && isFigure(w))
  // A person's name of one word has likely lost the other.
  const half = field.kind === 'name' && reading.words.length === 1
  // "120? 76-0782": figures that were not all made out belong to the number behind them.
  const broken =
    (field.kind === 'id' || field.kind === 'phone') &&
    left.some((w) => w.confidence < DOUBTFUL && /\d/.test(w.text))
  return otherEnd || half || broken || left.some((w) => w.confidence < UNREAD && /[\p{L}\d]/u.test(w.text))
}

/** An amount in the same sentence is no end of a stretch of days. */
const AMOUNT = /^\p{Sc}?\d[\d.,]*[.,]\d{2}[.,;]?$/u

/** The next segment of the same line. */
function alongside({ page, words, line }: Region): Word[] {
  const { segments } = linesOf(page)[line]
  const at = segments.findIndex((s) => s.words.includes(words.at(-1)!))
  return at >= 0 ? (segments[at + 1]?.words ?? []) : []
}

/**
 * Nearer than this, as a share of the letters' height, what stands behind a name of one word is its other
 * part, and no column of its own.
 */
const ONE_NAME = 1.2

/** The other part of a name whose parts stand a little wide. */
function restOfName(region: Region, byLine: LabelsByLine): Word[] {
  const rest = alongside(region)
  const labels = byLine.get(region.line) ?? []
  const near =
    rest.length > 0 &&
    (rest[0].box[0] - region.words[0].box[2]) * region.page.width <
      linesOf(region.page)[region.line].height * ONE_NAME
  return near &&
    rest.length <= 2 &&
    rest.every((w) => /^\p{Lu}[\p{L}'’.-]+$/u.test(w.text)) &&
    !labels.some((l) => rest.includes(l.lineOf.words[l.from]))
    ? rest
    : []
}

/** What stands straight under a region, whatever it says. */
function lineUnder({ page, words, line }: Region): Word[] {
  const next = linesOf(page)
    .slice(line + 1, line + 3)
    .map((l) => l.segments.find((s) => Math.abs(s.box[0] - words[0].box[0]) < 0.012))
    .find((s) => s !== undefined)
  return next &&
    (/^(?:to|until|till|through|-|–|au|al|hasta)$/i.test(next.words[0].text) ||
      (page.source !== 'text' && /^[ot0]$/.test(next.words[0].text)))
    ? next.words
    : []
}

/** Given names and surname printed apart, put together in the order a person says them. */
function joinedName(labels: LabelHit[], byLine: LabelsByLine, field: Field): Candidate | null {
  const part = (role: 'surname' | 'given') => {
    const label = labels.find((l) => (l.leads || l.colon) && l.meanings.some((m) => m.role === role))
    const region = label && regionsOf(label, byLine)[0]
    return region ? (kindReaders.text(region.words)[0] ?? null) : null
  }
  const [surname, given] = [part('surname'), part('given')]
  if (!surname || !given || /[\d/]/.test(surname.raw + given.raw)) return null
  const page = labels[0].page
  // A label taken for a name would be a stranger's card: what the machine-readable zone does not say is none
  // of its names.
  const zone = readMrz(page)?.fullName
  if (zone && !tokens(`${surname.raw} ${given.raw}`).some((t) => tokens(zone).some((z) => alike(z, t))))
    return null
  return {
    field: field.name,
    value: `${given.value as string} ${surname.value as string}`,
    raw: `${surname.raw} / ${given.raw}`,
    words: [...given.words, ...surname.words],
    page,
    repaired: false,
    score: 4.2,
  }
}

/** A zone at the edge of a card loses letters at its ends: "RINSA" is of ORRINSAY. */
const alike = (zone: string, printed: string): boolean =>
  nearlyWord(zone, printed) ||
  (Math.min(zone.length, printed.length) >= 4 && (zone.includes(printed) || printed.includes(zone)))

/** Values of the machine-readable zone, for the fields that take a part of it. */
function zoneValues(page: Page, type: DocumentType): Candidate[] {
  const zone = readMrz(page)
  if (!zone) return []
  const values: Partial<Record<FieldSource, string | null>> = {
    zone_number: zone.documentNumber,
    zone_birth: zone.dateOfBirth,
    zone_expiry: zone.expiryDate,
    zone_nationality: zone.nationality,
    zone_name: zone.fullName,
  }
  return type.fields.flatMap((f) => {
    const part = f.sources.find((source) => values[source])
    if (!part) return []
    const value = values[part]!
    const checked = part !== 'zone_nationality' && part !== 'zone_name'
    return [
      {
        field: f.name,
        value,
        raw: value,
        words: zone.words,
        page,
        repaired: false,
        proven: checked,
        shared: true,
        score: checked ? 6 : part === 'zone_name' ? 0.9 : 0.4,
      },
    ]
  })
}
