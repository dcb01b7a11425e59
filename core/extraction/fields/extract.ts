import {
  boxAround,
  type FieldValue,
  message,
  type Message,
  type Page,
  type Place,
} from '../../model/index.ts'
import { findLabels } from '../labels/find-labels.ts'
import { stackStyle } from '../labels/stack-style.ts'
import type { LabelHit } from '../labels/label.ts'
import type { Lender, Locale } from '../../locale/index.ts'
import { otherDay } from '../parsers/date.ts'
import { inferLocale } from '../locale/infer-locale.ts'
import { missingAround } from '../../layout/index.ts'
import { askedBelow, type DocumentType, type Field } from '../../program/index.ts'
import { candidatesFromSums, endBalances } from '../consistency/sums.ts'
import { inOneCurrency } from '../consistency/currency.ts'
import { confirmByForm } from '../consistency/confirmations.ts'
import { boxOf, readingOf, type Candidate } from '../scoring/candidate.ts'
import { farFromOtherDays, generateCandidates } from './generate.ts'
import { assignJointly, rankCandidates, type Ranked, type Reading } from '../scoring/joint-assignment.ts'
import { readSignature, type Signature } from '../marks/signature.ts'
import {
  flagMissingCents,
  flagTruncatedAmounts,
  restoreEndBalances,
} from '../consistency/truncated-amounts.ts'
import { probabilityOf, round } from '../scoring/calibration.ts'
import { CONTRADICTS, evidenceFor } from '../scoring/evidence.ts'
import type { Rows } from '../scoring/features.ts'
import { weigh } from '../scoring/weigh.ts'
import { isRoster } from '../tables/roster.ts'
import { selectTable, tableReadings } from '../tables/select.ts'
import { tableValue } from '../consistency/table-confidence.ts'
import type { Table } from '../tables/table.ts'

/** All that is read from one document. */
export interface DocumentReading {
  /** How the paper writes amounts and days. */
  locale: Locale
  fields: FieldValue[]
  signature: Signature | null
}

/** What rules find of a document, before its candidates are weighed. */
interface Collected {
  locale: Locale
  /** The pages, told how their paper writes. */
  pages: Page[]
  tables: ReadonlyMap<string, ReturnType<typeof tableReadings>>
  /** By the names of fields. */
  candidates: Map<string, Candidate[]>
  /** Rows of its tables. */
  rows: Rows
}

/** Gathers what rules find on the pages of a document. */
export function collect(given: readonly Page[], type: DocumentType, lender: Lender): Collected {
  const locale = inferLocale(given, lender)
  const pages = given.map((page): Page => ({ ...page, locale }))
  const candidates = generateCandidates(pages, type)
  const tables = new Map(
    type.fields.filter((f) => f.kind === 'table').map((f) => [f.name, tableReadings(pages, f)]),
  )
  const tablesOf = (name: string) =>
    [tables.get(name)!.byHead(), tables.get(name)!.byContent()].filter((t) => t !== null)
  // Where the head of a page could not be read, its rows are in one of the readings only.
  carriedOver(pages, candidates, type, (name) =>
    tablesOf(name).reduce<Table | null>(
      (most, t) => (!most || t.rows.length > most.rows.length ? t : most),
      null,
    ),
  )
  for (const guess of candidatesFromSums(pages, type, candidates, tablesOf))
    candidates.get(guess.field)!.push(guess)
  const read = type.fields.flatMap((field) => {
    const found = tables.get(field.name)
    return found ? [{ field, found }] : []
  })
  const rows: Rows = {
    places: read.flatMap(({ field, found }) =>
      ((found.byHead() ?? found.byColumns() ?? found.byContent())?.rows ?? []).map(({ place }) => ({
        place,
        ofPeople: isRoster(field),
      })),
    ),
    ends: read.flatMap(({ field, found }) => {
      for (const table of [found.byHead(), found.byColumns()]) {
        const ends = table && endBalances(table, field)
        if (ends) return [ends]
      }
      return []
    }),
  }
  return { locale, pages, tables, candidates, rows }
}

/** What was chosen for the fields of one document. */
interface Choices {
  locale: Locale
  /** The pages, told how their paper writes. */
  pages: Page[]
  /** By the names of fields that hold one value. */
  chosen: Map<string, Ranked>
  /** By the names of fields that hold rows. */
  tables: ReadonlyMap<string, ReturnType<typeof selectTable>>
  /** Pages of the document are known to be elsewhere. */
  lacking: boolean
}

/** Weighs what may be the values of a document's fields, and settles who takes which. */
export function chooseValues(given: readonly Page[], type: DocumentType, lender: Lender): Choices {
  const { locale, pages, tables, candidates: ruled, rows } = collect(given, type, lender)
  const candidates = weigh(pages, type, ruled, rows)
  // What no rule found may be in a doubtful currency as well.
  inOneCurrency(candidates, locale)
  // However well it stands, a day decades before the others is a birth, and a birth alone.
  farFromOtherDays(type, candidates)
  const plainFields = type.fields.filter((f) => f.kind !== 'table')
  const chosen = assignJointly(
    type,
    plainFields.map((f) => rankCandidates(f, candidates.get(f.name)!)),
  )
  confirmByForm(pages, type, chosen)
  const value = (name: string) => chosen.get(name)?.ranked[0]?.candidate.value ?? null
  // Rows of which some are on a page that is not there prove nothing, and are not proved wrong.
  const lacking = missingAround(pages).includes(true)
  const unproved = new Set(
    lacking ? type.relations.flatMap((r) => (r.kind === 'running' ? [r.opening, r.closing] : [])) : [],
  )
  const settle = () =>
    new Map(
      type.fields
        .filter((f) => f.kind === 'table')
        .map((f) => [
          f.name,
          selectTable(tables.get(f.name)!, f, type, (name) =>
            unproved.has(name) || isLackingIn(chosen, name) ? null : value(name),
          ),
        ]),
    )
  const asRead = settle()
  const settled = restoreEndBalances(type, asRead, chosen) ? settle() : asRead
  backEnds(type, settled, chosen)
  flagTruncatedAmounts(type, chosen)
  flagMissingCents(chosen)
  return { locale, pages, chosen, tables: settled, lacking }
}

/**
 * Reads every field of a document of a known type from its pages, in reading order, as its paper writes amounts
 * and days. Nothing found is a value
 * too: `null`, asked about unless the field may well be absent.
 */
export function extractDocument(given: readonly Page[], type: DocumentType, lender: Lender): DocumentReading {
  const { locale, pages, chosen, tables, lacking } = chooseValues(given, type, lender)
  const fields = type.fields.map((field) =>
    field.kind === 'table'
      ? tableValue(tables.get(field.name)!, field, lacking)
      : fieldValue(field, chosen.get(field.name)!, locale, () => labelOf(field, type, pages)),
  )
  return { fields, signature: readSignature(pages, type), locale }
}

/** Rows that lead from the opening balance to the closing one, to the cent, bear out both. */
function backEnds(
  type: DocumentType,
  settled: ReadonlyMap<string, ReturnType<typeof selectTable>>,
  chosen: ReadonlyMap<string, Ranked>,
): void {
  for (const relation of type.relations)
    if (relation.kind === 'running' && settled.get(relation.table)!.proof === true)
      for (const end of [relation.opening, relation.closing]) chosen.get(end)!.backed = true
}

/** A reading less likely than this is none; where a field may well be empty it takes more. */
const UNLIKELY = 0.12
const UNLIKELY_IF_OPTIONAL = 0.2
const isLackingIn = (chosen: ReadonlyMap<string, Ranked>, name: string): boolean => {
  const found = chosen.get(name)
  return !found || probabilityOf(found) < UNLIKELY
}

/**
 * Log-odds against a balance that one page carries over to the next being one that the account opens or
 * closes with.
 */
const CARRIED = 3

/**
 * "Carried forward" under the rows of a page that others follow is no closing balance, "brought forward" over
 * those of a later page no opening one.
 */
function carriedOver(
  pages: readonly Page[],
  candidates: ReadonlyMap<string, Candidate[]>,
  type: DocumentType,
  tableOf: (name: string) => Table | null,
): void {
  for (const relation of type.relations) {
    if (relation.kind !== 'running') continue
    const [before, behind] = missingAround(pages)
    const places =
      pages.length > 1 || before || behind ? tableOf(relation.table)?.rows.map((row) => row.place) : undefined
    if (!places || places.length === 0) continue
    // Where the paper's own numbering says that pages are lacking, what is carried to them or from them is no
    // end either.
    const beginsOn = before ? null : places[0].page
    const endsOn = behind ? null : places.at(-1)!.page
    const rowsOn = ({ page }: Candidate) => places.filter((p) => p.page === page.number)
    const at = ({ words }: Candidate) => words[0].box[1]
    for (const candidate of candidates.get(relation.closing)!) {
      const rows = rowsOn(candidate)
      if (rows.length > 0 && candidate.page.number !== endsOn && at(candidate) > rows.at(-1)!.box[1])
        candidate.score -= CARRIED
    }
    for (const candidate of candidates.get(relation.opening)!) {
      const rows = rowsOn(candidate)
      if (rows.length > 0 && candidate.page.number !== beginsOn && at(candidate) < rows[0].box[3])
        candidate.score -= CARRIED
    }
  }
}

/**
 * How far beyond a label, as a share of the page, and how many of its heights below it, or above it where labels are
 * captions, a person is shown where its value would stand.
 */
const [BESIDE, STACKED] = [0.3, 1.5]

/** The label of a field that reads most like one, with the place around it where its value would stand. */
function labelOf(
  field: Field,
  type: DocumentType,
  pages: readonly Page[],
): { label: string; place: Place } | null {
  const hits = pages.flatMap((page) =>
    findLabels(page, type).filter((hit) =>
      hit.meanings.some((m) => m.role === 'field' && m.field === field.name),
    ),
  )
  const sure = (hit: LabelHit) => hit.similarity + (hit.leads ? 1 : 0)
  const [first] = hits.sort((a, b) => sure(b) - sure(a))
  if (!first) return null
  const words = first.lineOf.words.slice(first.from, first.to)
  const [l, t, r, b] = boxAround(words.map((w) => w.box))
  const further = (b - t) * STACKED
  const [top, bottom] =
    stackStyle(first.page)?.way === 'captions' ? [Math.max(0, t - further), b] : [t, Math.min(1, b + further)]
  return {
    label: words.map((w) => w.text).join(' '),
    place: { page: first.page.number, box: [l, top, Math.min(1, r + BESIDE), bottom] },
  }
}

function fieldValue(
  field: Field,
  chosen: Ranked,
  locale: Locale,
  label: () => ReturnType<typeof labelOf>,
): FieldValue {
  const top = chosen.ranked[0]
  const probability = probabilityOf(chosen)
  if (!top || probability < (field.optional ? UNLIKELY_IF_OPTIONAL : UNLIKELY)) {
    const found = field.optional ? null : label()
    return {
      name: field.name,
      value: null,
      raw: null,
      confidence: field.optional ? 0.93 : 0.4,
      needsReview: !field.optional,
      reason: field.optional
        ? null
        : found
          ? message('value.not_found_at_label', { label: found.label })
          : message('value.not_found'),
      ...(found ? { beside: found.place } : {}),
      // What stands there, for a person to choose from.
      others: field.optional ? [] : othersOf(chosen.ranked.slice(0, 3)),
      repaired: false,
      page: null,
      box: null,
    }
  }
  const { candidate } = top
  const other = field.kind === 'date' && locale.orderOpen ? otherDay(candidate.raw) : null
  // Whatever else speaks for them, what is not known of these is for a person to say.
  const open =
    other !== null ||
    candidate.unsettled === true ||
    evidenceFor(chosen).some((said) => CONTRADICTS.has(said))
  const needsReview = open || probability < askedBelow(field)
  return {
    name: field.name,
    value: candidate.value,
    raw: candidate.raw,
    confidence: round(other === null ? probability : probability / 2),
    needsReview,
    reason: other ? message('value.day_or_month', { other }) : needsReview ? reasonOf(chosen) : null,
    others: othersOf(chosen.ranked.slice(1, 4)),
    repaired: candidate.repaired,
    page: candidate.page.number,
    box: boxOf(candidate),
  }
}

/** Readings less likely than this are not offered. */
const UNOFFERED = 0.02

const othersOf = (ranked: readonly Reading[]): FieldValue['others'] =>
  ranked
    .filter((r) => r.probability > UNOFFERED)
    .map(({ candidate }) => ({
      value: candidate.value,
      raw: candidate.raw,
      page: candidate.page.number,
      box: boxOf(candidate),
    }))

function reasonOf(chosen: Ranked): Message {
  const top = chosen.ranked[0]
  if (chosen.doubted) return message('value.doubted_by_others_here')
  if (top.candidate.unsettled) return message('value.currency_open')
  if (top.candidate.repaired)
    return chosen.field.kind === 'iban'
      ? message('value.check_digits_repaired')
      : message('value.character_repaired')
  if (readingOf(top.candidate.words) < 0.85) return message('value.weak_print')
  if (chosen.ranked[1] && chosen.ranked[1].probability > top.probability * 0.25)
    return message('value.two_readings')
  if (top.candidate.partial) return message('value.maybe_partial')
  return message('value.unusual_place')
}
