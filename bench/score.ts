import type { Report } from '../core/handover/index.ts'
import { titles } from '../core/lexicon/index.ts'
import { editDistance, squeeze } from '../core/text/index.ts'
import { isMoney, plain, type Row, type Value } from '../core/model/index.ts'
import type { Truth } from './truth.ts'

/** Counts of one or many cases; every score is a ratio of them, so that cases add up. */
export class Tally {
  readonly counts = new Map<string, number>()
  /** Confidence with whether it was right, for calibration. */
  readonly documents: [confidence: number, right: boolean][] = []
  readonly fields: [confidence: number, right: boolean][] = []
  /** What went wrong, for a person to read. */
  readonly notes: string[] = []

  add(name: string, by = 1): void {
    this.counts.set(name, (this.counts.get(name) ?? 0) + by)
  }
  get = (name: string): number => this.counts.get(name) ?? 0

  merge(other: Tally): void {
    for (const [name, by] of other.counts) this.add(name, by)
    this.documents.push(...other.documents)
    this.fields.push(...other.fields)
    this.notes.push(...other.notes)
  }
}

/** Compares a report with the truth. The definitions are those of the contract of the headless run. */
export function tallyCase(name: string, report: Report, truth: Truth): Tally {
  const tally = new Tally()
  const say = (text: string) => tally.notes.push(`${name}: ${text}`)
  scorePages(tally, report, truth, say)
  scoreFields(tally, report, truth, say)
  for (const [requirement, status] of Object.entries(truth.checklist)) {
    const told = report.checklist.find((c) => c.requirement === requirement)
    tally.add('requirements')
    if (told?.status === status) tally.add('requirements right')
    else
      say(
        `requirement ${requirement} is ${told?.status ?? 'not told'}, truly ${status} (${told?.reason ?? ''})`,
      )
  }
  const told = new Set([
    ...report.findings.flatMap((f) =>
      f.kind === 'conflict' && f.fact ? [f.fact] : f.kind === 'arithmetic' && f.check ? [f.check] : [],
    ),
  ])
  const real = new Set([...truth.conflicts, ...truth.failedChecks])
  for (const one of told) {
    tally.add('conflicts told')
    if (real.has(one)) tally.add('conflicts right')
    else
      say(
        `conflict ${one} told, not true: ${report.findings.find((f) => f.fact === one || f.check === one)?.message ?? ''}`,
      )
  }
  for (const one of real) {
    tally.add('conflicts true')
    if (!told.has(one))
      say(`conflict ${one} missed (${report.checks.find((c) => c.check === one)?.detail ?? ''})`)
  }
  const copies = report.findings.filter((f) => f.kind === 'duplicate_document').length
  tally.add('copies told', copies)
  tally.add('copies true', truth.duplicates.length)
  return tally
}

function scorePages(tally: Tally, report: Report, truth: Truth, say: (text: string) => void): void {
  const documentOf = new Map(report.documents.flatMap((d) => d.pages.map((p) => [p, d] as const)))
  const kept = truth.pages.flatMap((p, i) => (p.document === null ? [] : [i + 1]))
  truth.pages.forEach((page, i) => {
    const told = report.pages[i]
    tally.add('pages')
    if (page.blank || page.separator) {
      tally.add('blank pages')
      if (told?.blank === page.blank && told?.separator === page.separator) tally.add('blank pages right')
    }
    if (page.rotation !== 0) {
      tally.add('turned pages')
      if (told?.rotation === page.rotation) tally.add('turned pages right')
      else say(`page ${i + 1} turned ${told?.rotation}, truly ${page.rotation}`)
    }
  })
  for (const page of kept) {
    tally.add('typed pages')
    const right = truth.documents[truth.pages[page - 1].document!].type
    if ((documentOf.get(page)?.type ?? 'none') === right) tally.add('typed pages right')
    else say(`page ${page} is taken for ${documentOf.get(page)?.type}, truly ${right}`)
  }
  for (let i = 1; i < kept.length; i++) {
    const truly = truth.pages[kept[i] - 1].document !== truth.pages[kept[i - 1] - 1].document
    const told = documentOf.get(kept[i])?.id !== documentOf.get(kept[i - 1])?.id
    if (truly) tally.add('boundaries true')
    if (told) tally.add('boundaries told')
    if (truly && told) tally.add('boundaries right')
    if (truly !== told)
      say(`between pages ${kept[i - 1]} and ${kept[i]} a boundary is ${truly ? 'missed' : 'told'}`)
  }
  const trueSets = new Map(truth.documents.map((d) => [[...d.pages].sort((a, b) => a - b).join(','), d.type]))
  let exact = 0
  for (const d of report.documents) {
    const type = trueSets.get([...d.pages].sort((a, b) => a - b).join(','))
    tally.add('documents told')
    if (type !== undefined) tally.add('documents exact')
    else {
      const truly = new Map(
        d.pages.flatMap((p) => {
          const of = truth.documents[truth.pages[p - 1]?.document ?? -1]
          return of ? [[of, `${of.type} ${of.pages.join(',')}`] as const] : []
        }),
      )
      say(
        `document ${d.type} ${d.pages.join(',')} (${d.confidence}) is truly ${[...truly.values()].join(' and ')}`,
      )
    }
    if (type === d.type) {
      exact++
      tally.add('documents exact and typed')
    }
    tally.documents.push([d.confidence, type === d.type])
    tally.add('reported')
    if (d.needsReview) tally.add('asked')
    if (
      d.type !== 'unknown' &&
      !d.needsReview &&
      d.pages.some(
        (p) =>
          truth.pages[p - 1]?.document != null &&
          truth.documents[truth.pages[p - 1].document!].type === 'unknown',
      )
    )
      tally.add('unknown taken unasked')
  }
  tally.add('documents true', truth.documents.length)
  tally.add('packages')
  if (exact === truth.documents.length && report.documents.length === exact) tally.add('packages untouched')
  tally.add('moves', kept.length - matching(report, truth))
  for (const d of truth.documents) {
    if (d.signed === null) continue
    const told = bestMatch(report, d.pages)
    tally.add('signatures')
    if (told?.signed === d.signed) tally.add('signatures right')
    else
      say(
        `${d.type} on page ${d.pages[0]} is ${told?.signed ? 'signed' : 'unsigned'}, truly ${d.signed ? 'signed' : 'unsigned'}`,
      )
  }
}

/**
 * Shared pages of a greedy matching of told to true documents, largest share first; exact wherever shares do
 * not tie.
 */
function matching(report: Report, truth: Truth): number {
  const pairs = report.documents
    .flatMap((d, i) =>
      truth.documents.map((t, j) => ({ i, j, shared: t.pages.filter((p) => d.pages.includes(p)).length })),
    )
    .filter((p) => p.shared > 0)
    .sort((a, b) => b.shared - a.shared)
  const [usedI, usedJ] = [new Set<number>(), new Set<number>()]
  let sum = 0
  for (const { i, j, shared } of pairs) {
    if (usedI.has(i) || usedJ.has(j)) continue
    usedI.add(i)
    usedJ.add(j)
    sum += shared
  }
  return sum
}

const bestMatch = (report: Report, pages: readonly number[]) =>
  report.documents
    .map((d) => ({ d, shared: d.pages.filter((p) => pages.includes(p)).length }))
    .filter((m) => m.shared > 0)
    .sort((a, b) => b.shared - a.shared || a.d.pages.length - b.d.pages.length)[0]?.d

function scoreFields(tally: Tally, report: Report, truth: Truth, say: (text: string) => void): void {
  const matched = new Set<string>()
  for (const d of truth.documents) {
    const told = bestMatch(report, d.pages)
    const usable = told && told.type === d.type && !matched.has(told.id) ? told : undefined
    if (usable) matched.add(usable.id)
    for (const [name, { value, handwritten }] of Object.entries(d.fields)) {
      tally.add('fields true')
      if (handwritten) tally.add('written true')
      const field = usable?.fields.find((f) => f.name === name)
      const right = field !== undefined && field.value !== null && equalValues(field.value, value)
      if (right && handwritten) tally.add('written right')
      if (right) tally.add('fields right')
      else tally.add(`cause: ${causeOf(d, value, told, field)}`)
      if (!right)
        say(
          [
            `${d.type}.${name} page ${d.pages[0]}: ${show(field?.value)}`,
            field ? `(${field.confidence}${field.needsReview ? ' asked' : ''})` : '',
            `truly ${show(value)}`,
          ].join(' '),
        )
      if (field && field.value !== null && !right && !field.needsReview) {
        tally.add('silent errors')
        if (handwritten) tally.add('written silent')
        say(`SILENT ${d.type}.${name}`)
      }
      if (Array.isArray(value)) {
        tally.add('rows true', value.length)
        if (field && Array.isArray(field.value))
          tally.add(
            'rows right',
            value.filter((row, i) => (field.value as Row[])[i] && equalRows((field.value as Row[])[i], row))
              .length,
          )
      }
    }
  }
  for (const d of report.documents) {
    const truly = truth.documents.find((t) => t.pages.some((p) => d.pages.includes(p)) && t.type === d.type)
    for (const field of d.fields) {
      tally.add('reported')
      if (field.needsReview) tally.add('asked')
      if (field.value === null) continue
      const value = truly?.fields[field.name]?.value
      tally.fields.push([field.confidence, value !== undefined && equalValues(field.value, value)])
      if (value === undefined && !field.needsReview) {
        tally.add('silent errors')
        say(
          `SILENT ${d.type}.${field.name} page ${d.pages[0]}: ${show(field.value)}, the paper does not carry it`,
        )
      }
    }
  }
}

type TruePaper = Truth['documents'][number]
type ToldPaper = Report['documents'][number]

/** Why a value is wrong: what came before it, or what it was taken for. */
function causeOf(
  paper: TruePaper,
  value: Value,
  told: ToldPaper | undefined,
  field: ToldPaper['fields'][number] | undefined,
): string {
  if (!told || told.pages.length !== paper.pages.length || told.pages.some((p) => !paper.pages.includes(p)))
    return 'cut'
  if (told.type !== paper.type || !field) return 'type'
  if (Array.isArray(value)) return 'table'
  if (field.value === null) return 'not found'
  const [read, truly] = [squeeze(plain(field.value)), squeeze(plain(value))]
  if (read.length === truly.length && editDistance(read, truly, 2) <= 2) return 'print'
  if (read.includes(truly) || truly.includes(read)) return 'part of it'
  return Object.entries(paper.fields).some(
    ([name, f]) => name !== field.name && equalValues(field.value, f.value),
  )
    ? "another field's"
    : 'place'
}

const show = (value: Value | undefined): string =>
  value === undefined ? 'nothing' : JSON.stringify(value)?.slice(0, 90)

/** "Ms Aoife Nic Craith" and "Aoife Nic Craith" are one person's name. */
const TITLE = new RegExp(`^(?:${[...titles].filter((t) => t.length > 1).join('|')})\\.?\\s+(?=\\p{L})`, 'iu')
const written = (text: string): string => squeeze(text.replace(TITLE, ''))

/** Equal after the contract's normalisation; titles before the names of persons do not count. */
export function equalValues(a: Value, b: Value): boolean {
  if (a === null || b === null) return a === b
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((row, i) => equalRows(row, b[i]))
  if (isMoney(a) && isMoney(b)) return Number(a.amount) === Number(b.amount) && a.currency === b.currency
  if (typeof a === 'boolean' || typeof b === 'boolean') return a === b
  return written(plain(a)) === written(plain(b))
}

const equalRows = (a: Row, b: Row): boolean =>
  Object.keys(b).every((key) => equalValues(a[key] ?? null, b[key]))

const ratio = (a: number, b: number): number | null => (b === 0 ? null : a / b)
const f1 = (right: number, told: number, truly: number): number | null =>
  told + truly === 0 ? null : (2 * right) / (told + truly)

/** Expected calibration error over ten equal-width bins. Source: Naeini, Cooper & Hauskrecht, 2015. */
export function calibrationError(pairs: readonly (readonly [number, boolean])[]): number | null {
  if (pairs.length === 0) return null
  let error = 0
  for (let bin = 0; bin < 10; bin++) {
    const inside = pairs.filter(([p]) => Math.min(9, Math.floor(p * 10)) === bin)
    if (inside.length === 0) continue
    const meant = inside.reduce((sum, [p]) => sum + p, 0) / inside.length
    const came = inside.filter(([, right]) => right).length / inside.length
    error += (inside.length / pairs.length) * Math.abs(meant - came)
  }
  return error
}

/** The scores of the contract, by name; null where a corpus has nothing to score. */
export function scoresOf(t: Tally): Record<string, number | null> {
  return {
    'boundary F1': f1(t.get('boundaries right'), t.get('boundaries told'), t.get('boundaries true')),
    'document F1': f1(t.get('documents exact'), t.get('documents told'), t.get('documents true')),
    'document F1 with type': f1(
      t.get('documents exact and typed'),
      t.get('documents told'),
      t.get('documents true'),
    ),
    'type accuracy': ratio(t.get('typed pages right'), t.get('typed pages')),
    'moves per package': ratio(t.get('moves'), t.get('packages')),
    'untouched packages': ratio(t.get('packages untouched'), t.get('packages')),
    'field accuracy': ratio(t.get('fields right'), t.get('fields true')),
    'silent error rate': ratio(t.get('silent errors'), t.get('fields true')),
    'handwritten field accuracy': ratio(t.get('written right'), t.get('written true')),
    'handwritten silent errors': ratio(t.get('written silent'), t.get('written true')),
    'unknown taken unasked': ratio(t.get('unknown taken unasked'), t.get('documents told')),
    'question rate': ratio(t.get('asked'), t.get('reported')),
    'calibration error, documents': calibrationError(t.documents),
    'calibration error, fields': calibrationError(t.fields),
    'checklist accuracy': ratio(t.get('requirements right'), t.get('requirements')),
    'conflict precision': ratio(t.get('conflicts right'), t.get('conflicts told')),
    'conflict recall': ratio(t.get('conflicts right'), t.get('conflicts true')),
    'signature accuracy': ratio(t.get('signatures right'), t.get('signatures')),
    'turned pages put right': ratio(t.get('turned pages right'), t.get('turned pages')),
    'blank and separator pages': ratio(t.get('blank pages right'), t.get('blank pages')),
    'table rows right': ratio(t.get('rows right'), t.get('rows true')),
    'copies told per true copy': ratio(t.get('copies told'), t.get('copies true')),
    ...Object.fromEntries(
      [...t.counts].flatMap(([name, by]) =>
        name.startsWith('cause: ') ? [[name, ratio(by, t.get('fields true'))]] : [],
      ),
    ),
  }
}
