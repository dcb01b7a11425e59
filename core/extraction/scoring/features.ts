import { isSentence, linesOf, type Segment, typicalHeight } from '../../layout/index.ts'
import {
  cents,
  encloses,
  isMoney,
  type Page,
  type Place,
  plain,
  type Value,
  type Word,
} from '../../model/index.ts'
import { type DocumentType, type Field, type FieldKind, hasForm, isTicked } from '../../program/index.ts'
import { captionsOn, FAR } from '../labels/captions.ts'
import { captionLikeness, type Nearness } from '../labels/caption-likeness.ts'
import { addressLikeness, hasPostcode, nameLikeness, orgLikeness } from '../parsers/words.ts'
import { openOn, type OpenKind } from './open-candidates.ts'
import { admit, withoutSign } from './admit.ts'
import type { Candidate } from './candidate.ts'

/** Places from which a value's captions are taken. */
const PLACES = ['inner', 'left', 'side', 'above', 'below', 'head', 'part'] as const
type Around = (typeof PLACES)[number]
/** Of these a caption is a field's own label; the others are of a row, a column or a part. */
const NEAR = ['inner', 'left', 'side', 'above', 'below'] as const

/** Of a value with the form of its field, without it, and where no form is told. */
const formSign = (has: boolean | null): number => (has === null ? 0 : has ? 1 : -1)

/** Kinds told apart; the rest are one. */
const KINDS: readonly FieldKind[] = ['date', 'money', 'id', 'name', 'org', 'text', 'address', 'number']

/**
 * What is known of a candidate of a field, in the order in which the model of weights takes it. `own` is how
 * near a caption's wording comes to those of the field, `rival` how much nearer than to another's of its kind.
 */
export const FEATURES = [
  ...PLACES.map((p) => `own_${p}`),
  ...PLACES.map((p) => `rival_${p}`),
  'own_best',
  'own_best_over_rival',
  'own_best_over_other_kinds',
  'own_best_over_no_field',
  ...NEAR.map((p) => `overlap_${p}`),
  'left_gap',
  'left_skipped',
  'above_gap',
  'below_gap',
  'words_before',
  'words_behind',
  'in_sentence',
  'page',
  'page_share',
  'down',
  'across',
  'height',
  'order',
  'candidates',
  'said_so_often',
  'letters',
  'words',
  'digit_share',
  'capital',
  'lines',
  'plausibility',
  'repaired',
  'partial',
  'is_label',
  'org_like',
  'name_like',
  'address_like',
  'postcode',
  ...KINDS.map((k) => `kind_${k}`),
  'optional',
  'from_letterhead',
  'from_addressee',
  'from_sentence',
  'from_period_start',
  'from_period_end',
  'near_signature',
  'is_birth',
  'below_zero',
  'common',
  'pattern',
  'rule',
  'rule_over_next',
  'rule_rank',
  'rule_elsewhere',
  'rule_relation',
  'rule_label',
  'rule_period',
  'rule_proven',
  'amount_rank',
  'in_column',
  'day_rank',
  'day_years_before',
  'picture',
  'reading',
  'fields_of_kind',
  'place_among_fields',
  'wordings',
  'in_rows',
  'years_back',
  'end_of_rows',
  'wording_rank',
] as const

/** A candidate with what is known of it. */
export interface Featured {
  candidate: Candidate
  features: Float32Array
}

/** Where rows of a document's tables stand, and the balances, in cents, that they lead on from and to. */
export interface Rows {
  places: readonly { place: Place; ofPeople: boolean }[]
  ends: readonly { openings: readonly number[]; closing: number }[]
}

/** Stands under no year. */
const NO_COLUMN = 9
/** The score of a candidate that no rule found. */
const NO_RULE = -12
/** A field has at most so many candidates, those with a rule's or the nearest captions first. */
const MOST = 60

/** Where a run of words stands. */
interface Spot {
  segment: Segment
  from: number
  to: number
}

/** Finds the segments of runs of words; words that a reader changed are known by their boxes. */
function spotsOn(page: Page): (words: readonly Word[]) => Spot | null {
  const at = new Map<unknown, { segment: Segment; index: number }>()
  for (const line of linesOf(page))
    for (const segment of line.segments)
      segment.words.forEach((word, index) => at.set(word.box, { segment, index }))
  return (words) => {
    const first = words[0] && at.get(words[0].box)
    if (!first) return null
    let to = first.index
    for (const word of words) {
      const spot = at.get(word.box)
      if (spot?.segment === first.segment) to = Math.max(to, spot.index)
    }
    return { segment: first.segment, from: first.index, to }
  }
}

/** Before the words of a value in their segment, so many words may be its caption. */
const INNER = 7

/** A candidate of a field before it is described. */
interface Entry {
  candidate: Candidate
  rule: number
  lines: number
  plausibility: number
}

const keyOf = (page: Page, words: readonly Word[], value: string): string =>
  `${page.number} ${words[0]?.box.join()} ${words.at(-1)?.box.join()} ${value}`

/**
 * Everything on the pages of a document that may be a value of its fields, what rules found among it, with
 * its features. Fields read by marks or columns are left out.
 */
export function featured(
  pages: readonly Page[],
  type: DocumentType,
  ruled: ReadonlyMap<string, readonly Candidate[]>,
  rows: Rows,
): Map<string, Featured[]> {
  const likenessOf = captionLikeness(type)
  const spots = new Map(pages.map((page) => [page.number, spotsOn(page)]))
  const entries = new Map(
    type.fields
      .filter(isOpen)
      .map((field) => [
        field.name,
        entriesOf(pages, field, ruled.get(field.name)!).filter(
          ({ candidate: { page, words } }) =>
            field.kind !== 'date' || rowsAround(rows, page, words) !== OF_PEOPLE,
        ),
      ]),
  )
  for (const own of entries.values()) handToNewestYear(own, spots)
  const claims = claimsOf(ruled)
  const scales = scalesOf(pages)
  const found = new Map<string, Featured[]>()
  type.fields.forEach((field, index) => {
    const own = entries.get(field.name)
    if (!own) return
    const describe = describer({ pages, type, field, index, likenessOf, claims, scales, rows, entries: own })
    const placed = own.map((entry, order): Placed => {
      const spot = spots.get(entry.candidate.page.number)!(entry.candidate.words)
      const captions = captionsAt(spot, entry.candidate.page)
      return { entry, order, spot, near: PLACES.map((place) => likenessOf(captions[place])) }
    })
    found.set(
      field.name,
      shortened(placed, index).map((one) => ({ candidate: one.entry.candidate, features: describe(one) })),
    )
  })
  return found
}

/** Whether a field's values are told by what stands around them, not by marks or columns. */
const isOpen = (field: Field): boolean => field.kind !== 'table' && !isTicked(field)

/** An entry with where it stands, and how near its captions come to each field, in the order of PLACES. */
interface Placed {
  entry: Entry
  order: number
  spot: Spot | null
  near: readonly Nearness[]
}

/** The likelier ones of too many, in their order: those of rules, and those with the nearest captions. */
function shortened(all: readonly Placed[], field: number): readonly Placed[] {
  if (all.length <= MOST) return all
  const worth = ({ entry, near }: Placed) =>
    (entry.rule > NO_RULE ? 100 : 0) + nearest(near, (n) => n.near[field])
  return all
    .map((one) => ({ one, worth: worth(one) }))
    .sort((a, b) => b.worth - a.worth || a.one.order - b.one.order)
    .slice(0, MOST)
    .map(({ one }) => one)
    .sort((a, b) => a.order - b.order)
}

/** The most that the captions which stand near say. */
function nearest(near: readonly Nearness[], of: (n: Nearness) => number): number {
  let most = -Infinity
  for (let i = 0; i < NEAR.length; i++) most = Math.max(most, of(near[i]))
  return most
}

function entriesOf(pages: readonly Page[], field: Field, ruled: readonly Candidate[]): Entry[] {
  const byKey = new Map<string, Entry>()
  for (const candidate of ruled) {
    const key = keyOf(candidate.page, candidate.words, plain(candidate.value))
    const known = byKey.get(key)
    if (!known || candidate.score > known.rule)
      byKey.set(key, { candidate, rule: candidate.score, lines: 1, plausibility: 1 })
  }
  for (const page of pages)
    for (const open of openOn(page, field.kind as OpenKind)) {
      const { lines, plausibility, ...reading } =
        field.belowZero || page.source === 'text' ? open : { ...open, ...withoutSign(open) }
      const candidate = admit(
        {
          field: field.name,
          value: reading.value,
          raw: reading.raw,
          words: reading.words,
          page,
          score: NO_RULE,
          repaired: reading.repaired,
        },
        field,
      )
      if (!candidate) continue
      const key = keyOf(page, candidate.words, plain(candidate.value))
      const known = byKey.get(key)
      if (known) Object.assign(known, { lines, plausibility })
      else byKey.set(key, { candidate, rule: NO_RULE, lines, plausibility })
    }
  return [...byKey.values()]
}

/**
 * A paper tells of its own year and, beside it, of the year before: what rules find in a column of an older year they
 * mean of the newest in its row.
 */
function handToNewestYear(
  entries: readonly Entry[],
  spots: ReadonlyMap<number, ReturnType<typeof spotsOn>>,
): void {
  const columns = entries.flatMap((entry) => {
    const { page, words } = entry.candidate
    const segment = spots.get(page.number)!(words)?.segment
    const back = segment ? captionsOn(page).get(segment)!.yearsBack : null
    return segment && back !== null
      ? [{ entry, back, page, top: segment.box[1], bottom: segment.box[3] }]
      : []
  })
  for (const older of columns) {
    if (older.back === 0 || older.entry.rule === NO_RULE) continue
    const middle = (older.top + older.bottom) / 2
    const newest = columns.find(
      (c) => c.back === 0 && c.page === older.page && c.top < middle && c.bottom > middle,
    )
    if (!newest || newest.entry.rule >= older.entry.rule) continue
    const { rule, candidate } = older.entry
    newest.entry.rule = rule
    newest.entry.candidate = {
      ...newest.entry.candidate,
      ...(candidate.relation ? { relation: candidate.relation } : {}),
      ...(candidate.label ? { label: true } : {}),
    }
    older.entry.rule = NO_RULE
  }
}

/** The best that rules say of a place, and for which field. */
type Claims = ReadonlyMap<unknown, { field: string; score: number }[]>

function claimsOf(ruled: ReadonlyMap<string, readonly Candidate[]>): Claims {
  const claims = new Map<unknown, { field: string; score: number }[]>()
  for (const [field, candidates] of ruled)
    for (const { words, score } of candidates)
      for (const { box } of words) {
        const here = claims.get(box) ?? []
        here.push({ field, score })
        claims.set(box, here)
      }
  return claims
}

/** The amounts and days of a document in their order. */
interface Scales {
  amounts: readonly number[]
  days: readonly string[]
  latest: number
  /** Amounts that end at a place across a page, in hundredths. */
  columns: ReadonlyMap<string, number>
}

const across = (page: Page, words: readonly Word[]): string =>
  `${page.number} ${Math.round((words.at(-1)?.box[2] ?? 0) * 100)}`

function scalesOf(pages: readonly Page[]): Scales {
  const amounts = new Set<number>()
  const days = new Set<string>()
  const columns = new Map<string, number>()
  for (const page of pages) {
    for (const { value, words } of openOn(page, 'money'))
      if (isMoney(value)) {
        amounts.add(Math.abs(Number(value.amount)))
        columns.set(across(page, words), (columns.get(across(page, words)) ?? 0) + 1)
      }
    for (const { value } of openOn(page, 'date')) if (typeof value === 'string') days.add(value)
  }
  const sorted = [...days].sort()
  return {
    amounts: [...amounts].sort((a, b) => a - b),
    days: sorted,
    latest: Number(sorted.at(-1)?.slice(0, 4) ?? 0),
    columns,
  }
}

const RELATIONS = { inline: 1, right: 2, below: 3, above: 4 } as const

function describer(given: {
  pages: readonly Page[]
  type: DocumentType
  field: Field
  index: number
  likenessOf: (caption: string) => Nearness
  claims: Claims
  scales: Scales
  rows: Rows
  entries: readonly Entry[]
}): (placed: Placed) => Float32Array {
  const { pages, type, field, index, likenessOf, claims, scales, rows, entries } = given
  const kin = type.fields.flatMap((f, i) => (f.kind === field.kind ? [i] : []))
  const rivals = kin.filter((i) => i !== index)
  const strangers = type.fields.flatMap((f, i) => (f.kind !== field.kind ? [i] : []))
  const often = new Map<string, number>()
  for (const { candidate } of entries) {
    const value = plain(candidate.value)
    often.set(value, (often.get(value) ?? 0) + 1)
  }
  const rules = entries.map((e) => e.rule).sort((a, b) => b - a)
  const orders = new Map(pages.map((page, i) => [page.number, i]))
  const kindFlags = KINDS.map((k) => (k === field.kind ? 1 : 0))
  const values: number[] = []
  return ({ entry: { candidate, rule, lines, plausibility }, order, spot, near }) => {
    const { page, words, value } = candidate
    const text = plain(value)
    const around = spot ? captionsOn(page).get(spot.segment)! : null
    values.length = 0
    const best = (fields: readonly number[], n: Nearness) => {
      let most = 0
      for (const f of fields) if (n.near[f] > most) most = n.near[f]
      return most
    }
    for (const n of near) values.push(n.near[index])
    for (const n of near) values.push(n.near[index] - best(rivals, n))
    const own = nearest(near, (n) => n.near[index])
    values.push(
      own,
      own - nearest(near, (n) => best(rivals, n)),
      own - nearest(near, (n) => best(strangers, n)),
      own - nearest(near, (n) => n.near[type.fields.length]),
    )
    for (let i = 0; i < NEAR.length; i++) values.push(near[i].overlap[index])
    const first = words[0]
    const [x, y] = first ? [first.box[0], first.box[1]] : [0, 0]
    const place = orders.get(page.number) ?? 0
    values.push(
      around?.leftGap ?? FAR,
      around?.leftSkipped ?? 0,
      around?.aboveGap ?? FAR,
      around?.belowGap ?? FAR,
      spot?.from ?? 0,
      spot ? spot.segment.words.length - 1 - spot.to : 0,
      spot && isSentence(spot.segment) ? 1 : 0,
      place,
      pages.length > 1 ? place / (pages.length - 1) : 0,
      y,
      x,
      first ? ((first.box[3] - first.box[1]) * page.height) / Math.max(1e-6, typicalHeight(page)) : 1,
      order / Math.max(1, entries.length),
      Math.log1p(entries.length),
      Math.log1p(often.get(text) ?? 1),
      text.length,
      words.length,
      (text.match(/\d/g) ?? []).length / Math.max(1, text.length),
      /^\p{Lu}/u.test(candidate.raw) ? 1 : 0,
      lines,
      plausibility,
      candidate.repaired ? 1 : 0,
      candidate.partial ? 1 : 0,
      WORDS.has(field.kind) ? Math.max(...likenessOf(text).near) : 0,
      WORDS.has(field.kind) ? orgLikeness(text) : 0,
      WORDS.has(field.kind) ? nameLikeness(text) : 0,
      WORDS.has(field.kind) ? addressLikeness(text) : 0,
      hasPostcode(text) ? 1 : 0,
      ...kindFlags,
      field.optional ? 1 : 0,
      field.sources.includes('letterhead') ? 1 : 0,
      field.sources.includes('addressee') ? 1 : 0,
      field.sources.includes('sentence') ? 1 : 0,
      field.sources.includes('period_start') ? 1 : 0,
      field.sources.includes('period_end') ? 1 : 0,
      field.near === 'signature' ? 1 : 0,
      field.yearsBefore ? 1 : 0,
      field.belowZero ? 1 : 0,
      field.common ? 1 : 0,
      formSign(hasForm(field.pattern, text)),
    )
    const nextRule = rules[0] === rule ? (rules[1] ?? NO_RULE) : rules[0]
    const elsewhere = words.reduce(
      (most, w) =>
        (claims.get(w.box) ?? []).reduce((m, c) => (c.field === field.name ? m : Math.max(m, c.score)), most),
      NO_RULE,
    )
    values.push(
      rule,
      rule - nextRule,
      rules.findIndex((r) => r <= rule),
      rule - elsewhere,
      candidate.relation ? RELATIONS[candidate.relation] : 0,
      candidate.label ? 1 : 0,
      candidate.period ? 1 : 0,
      candidate.proven ? 1 : 0,
    )
    values.push(
      isMoney(value) ? shareBelow(scales.amounts, Math.abs(Number(value.amount))) : -1,
      isMoney(value) ? Math.log1p(scales.columns.get(across(page, words)) ?? 0) : 0,
      field.kind === 'date' ? shareBelow(scales.days, text) : -1,
      field.kind === 'date' ? scales.latest - Number(text.slice(0, 4)) : -1,
      page.source === 'text' ? 0 : 1,
      words.reduce((least, w) => Math.min(least, w.confidence), 1),
      kin.length,
      kin.indexOf(index) / kin.length - order / Math.max(1, entries.length),
      Math.log1p(field.labels.length),
      rowsAround(rows, page, words),
      around?.yearsBack ?? NO_COLUMN,
      endOf(rows, value),
      -nearest(near, (n) => -n.rank[index]),
    )
    return new Float32Array(values)
  }
}

/** Kinds whose values are words. */
const WORDS: ReadonlySet<FieldKind> = new Set<FieldKind>(['name', 'org', 'text', 'address'])

function captionsAt(spot: Spot | null, page: Page): Record<Around, string> {
  if (!spot) return { inner: '', left: '', side: '', above: '', below: '', head: '', part: '' }
  const around = captionsOn(page).get(spot.segment)!
  const inner = spot.segment.words
    .slice(Math.max(0, spot.from - INNER), spot.from)
    .map((w) => w.text)
    .join(' ')
  return { ...around, inner, left: inner ? '' : around.left, side: inner ? '' : around.side }
}

/** Where words stand in a list of people: days there are those people's, and none of the paper's own. */
const OF_PEOPLE = 2

/** Whether words stand in a row of a table, 1, or of a list of people. */
function rowsAround(rows: Rows, page: Page, words: readonly Word[]): number {
  for (const { place, ofPeople } of rows.places)
    if (place.page === page.number && words.every((w) => encloses(place.box, w.box)))
      return ofPeople ? OF_PEOPLE : 1
  return 0
}

/** Whether an amount is the balance that rows lead on from, 1, or lead to, 2. */
function endOf({ ends }: Rows, value: Value): number {
  if (!isMoney(value)) return 0
  const amount = cents(value)
  return ends.some((e) => e.closing === amount) ? 2 : ends.some((e) => e.openings.includes(amount)) ? 1 : 0
}

/** The share of sorted values that are less than one. */
function shareBelow<T>(sorted: readonly T[], value: T): number {
  let below = 0
  while (below < sorted.length && sorted[below] < value) below++
  return sorted.length > 1 ? below / (sorted.length - 1) : 0
}
