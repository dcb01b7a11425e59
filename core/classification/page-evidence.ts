import { isSentence, type Line, linesOf, PhraseIndex, typicalHeight } from '../layout/index.ts'
import type { Page } from '../model/index.ts'
import type { DocumentType } from '../program/index.ts'
import { labelTextsOf, readMrz, Wordings } from '../extraction/index.ts'
import { filledEvidence } from './filled-fields.ts'
import { letterLikeness } from './letter-likeness.ts'
import { evidenceScale } from './said.ts'
import { Vocabulary } from './vocabulary.ts'
import { pageWordMargin, pageWordsOf } from './page-words.ts'
import weights from './page-evidence-weights.json' with { type: 'json' }

/** Evidence that a page needs before a known type is likelier than none, as a first and as a further page. */
export const [UNKNOWN, UNKNOWN_FURTHER] = [3.4, 1.87]
/**
 * A further page may carry next to nothing of its type, so the wordings of one whose page words nobody fitted
 * weigh less.
 */
const FURTHER = 0.7
/** A heading stronger than this is no surer. */
const FULL_HEADING = 3

/** What a page's words say about its type and its place in a document. */
export interface Evidence {
  /** Log-evidence by type, in the order of the types, that it is a first page; `UNKNOWN` is that of no type. */
  scores: number[]
  /** The same for a further page, of which `UNKNOWN_FURTHER` is that of no type. */
  further: number[]
  /** What of it the wordings of each type say, its page words left aside. */
  wordings: number[]
  /** Strength of a heading that names the type, by type. */
  titles: number[]
  /** Signs that only a last page carries, by type. */
  lasts: boolean[]
  /** Fields whose labels were found, by type: a first page carries many, a continuation few. */
  fields: ReadonlySet<string>[]
  /** Those of them that are asked for, not spoken of in a sentence. */
  asked: ReadonlySet<string>[]
}

type Meaning = { role: 'title' | 'sign' | 'label' | 'last'; type: number; weight: number; field?: string }

/** Recognises pages of a set of types. Built once per set: the phrase book holds every wording of every type. */
export class EvidenceReader {
  private readonly book: PhraseIndex<Meaning>
  /** Titles by type and labels by type and field, for wordings that are not listed. */
  private readonly headings: Wordings<number>
  private readonly labels: Wordings<string>
  private readonly vocabulary: Vocabulary
  /** What a type's few words weigh beside those of types described in full. */
  private readonly scales: readonly number[]

  constructor(private readonly types: readonly DocumentType[]) {
    const phrases: [string, Meaning][] = []
    const uses = new Map<string, number>()
    for (const type of types)
      for (const field of type.fields)
        for (const label of field.labels) uses.set(label, (uses.get(label) ?? 0) + 1)
    types.forEach((type, index) => {
      for (const title of type.titles) phrases.push([title, { role: 'title', type: index, weight: 1 }])
      for (const sign of type.signs)
        phrases.push([sign.words, { role: 'sign', type: index, weight: sign.weight }])
      for (const sign of type.lastSigns) phrases.push([sign, { role: 'last', type: index, weight: 1 }])
      for (const field of type.fields)
        for (const label of field.labels) {
          // A label of many types says little; one of a single type says much. Short words say less than phrases.
          const rare = Math.log(1 + types.length / uses.get(label)!) / Math.log(1 + types.length)
          const long = label.includes(' ') ? 1 : 0.45
          phrases.push([
            label,
            { role: 'label', type: index, weight: 1.1 * rare ** 2 * long, field: field.name },
          ])
        }
    })
    this.book = new PhraseIndex(phrases)
    this.vocabulary = new Vocabulary(types)
    this.scales = types.map(evidenceScale)
    this.headings = new Wordings(
      types.flatMap((type, index) => type.titles.map((title) => [index, title] as const)),
    )
    this.labels = new Wordings(
      types.flatMap((type, index) =>
        type.fields.flatMap((field) =>
          field.kind === 'table'
            ? []
            : field.labels.map((label) => [`${index} ${field.name}`, label] as const),
        ),
      ),
    )
  }

  /** The evidence of one page. */
  read(page: Page): Evidence {
    const count = this.types.length
    const scores = new Array<number>(count).fill(0)
    const titles = new Array<number>(count).fill(0)
    const lasts = new Array<boolean>(count).fill(false)
    const labelled = Array.from({ length: count }, () => new Map<string, number>())
    const asked = Array.from({ length: count }, () => new Set<string>())
    const signed = Array.from({ length: count }, () => new Map<string, number>())
    const lines = linesOf(page)
    const usual = typicalHeight(page)
    for (const hit of this.book.find(page)) {
      const line = lines[hit.line]
      const segment = line.segments.find((s) => s.words.includes(line.words[hit.from]))!
      const leads = segment.words[0] === line.words[hit.from]
      for (const meaning of hit.meanings) {
        if (meaning.role === 'title') {
          const strength = headingStrength(
            hit.to - hit.from,
            segment.words.length,
            line.height / usual,
            line.box[1],
            hit.length,
          )
          if (strength > titles[meaning.type]) titles[meaning.type] = strength
        } else if (meaning.role === 'sign')
          keepBest(
            signed[meaning.type],
            line.words
              .slice(hit.from, hit.to)
              .map((w) => w.text.toLowerCase())
              .join(' '),
            meaning.weight,
          )
        else if (meaning.role === 'last') lasts[meaning.type] = true
        else {
          keepBest(labelled[meaning.type], meaning.field!, meaning.weight * (leads ? 1 : 0.35))
          if (!isSentence(segment)) asked[meaning.type].add(meaning.field!)
        }
      }
    }
    lines.forEach((line) => {
      if (line.box[1] < 0.4)
        for (const segment of line.segments)
          for (const { key, similarity: near } of this.headings.nearest(withoutFigures(segment.text))) {
            const words = segment.words.length
            const strength =
              headingStrength(words, words, line.height / usual, line.box[1], 1) * near ** 3 * 0.8
            if (strength > titles[key]) titles[key] = strength
          }
      for (const text of labelTextsOf(line)) {
        const wording = text.segment.words
          .slice(text.from, text.to)
          .map((w) => w.text)
          .join(' ')
          .replace(/[:.…_]+$/, '')
        const nearest = this.labels.nearest(wording)
        const rare =
          Math.log(1 + this.types.length / new Set(nearest.map(({ key }) => key.split(' ')[0])).size) /
          Math.log(1 + this.types.length)
        for (const { key, similarity: near } of nearest) {
          const [type, field] = key.split(' ')
          if (!isSentence(text.segment)) asked[+type].add(field)
          keepBest(labelled[+type], field, rare ** 2 * near ** 2 * (wording.includes(' ') ? 1 : 0.45))
        }
      }
    })
    const rows = tableRowsIn(lines)
    const zone = readMrz(page) !== null
    const letter = letterLikeness(page)
    const spoken = this.vocabulary.speaksFor(lines)
    this.types.forEach((type, t) => {
      const signs = [...signed[t].values()].reduce((a, b) => a + b, 0)
      const labels = [...labelled[t].values()].reduce((a, b) => a + b, 0)
      scores[t] =
        titles[t] +
        saturate(signs, 7) +
        saturate(labels, 7) +
        (type.zone && zone ? 8 : 0) +
        (rows >= 3 && hasLedger(type) ? Math.min(3, rows * 0.3) : 0) +
        saturate(spoken[t], 2.5) +
        (type.letter ? letter * 4 : 0)
      scores[t] *= this.scales[t]
    })
    const said = pageWordsOf(page)
    const margins = this.types.map((type) => pageWordMargin(said, type))
    const whole = (place: 'first' | 'further') =>
      scores.map((wordings, t) => together(place, wordings, margins[t], titles[t]))
    // Where the words leave the type open, what the page answers may settle it.
    const clear = whole('first')
    const [top, second] = [...clear].sort((a, b) => b - a)
    if (top < CLEAR || top - second < MARGIN)
      for (const t of likeliest(clear)) scores[t] += filledEvidence(page, this.types[t])
    return {
      scores: whole('first'),
      further: whole('further'),
      wordings: scores,
      titles,
      lasts,
      fields: labelled.map((m) => new Set(m.keys())),
      asked,
    }
  }
}

/** The evidence of a type's wordings and, where they were fitted, of its page words, at a place in a paper. */
function together(
  place: 'first' | 'further',
  wordings: number,
  margin: number | null,
  heading: number,
): number {
  if (margin === null) return place === 'first' ? wordings : wordings * FURTHER
  const by = weights[place]
  return (
    (place === 'first' ? UNKNOWN : UNKNOWN_FURTHER) -
    by.none +
    by.wordings * wordings +
    by.words * margin +
    by.heading * Math.min(FULL_HEADING, heading)
  )
}

/** Evidence that needs no second look, and how far it must lie before the next best. */
const CLEAR = 6.5
const MARGIN = 2.5
const SECOND_LOOKS = 4

const likeliest = (scores: readonly number[]): number[] =>
  scores
    .map((_, t) => t)
    .sort((a, b) => scores[b] - scores[a])
    .slice(0, SECOND_LOOKS)

const keepBest = (map: Map<string, number>, key: string, weight: number): void =>
  void map.set(key, Math.max(map.get(key) ?? 0, weight))

/** Lines that book something: a day in front, two amounts or more behind. */
const tableRowsIn = (lines: readonly Line[]): number =>
  lines.filter(
    (l) =>
      /^\d{1,2}[/.\- ](?:\d{1,2}|[A-Z]{3})/i.test(l.text) &&
      (l.text.match(/\d[.,]\d{2}(?!\d)/g) ?? []).length >= 2,
  ).length

const hasLedger = (type: DocumentType): boolean =>
  type.fields.some(
    (f) =>
      f.columns.some((c) => c.kind === 'date') && f.columns.filter((c) => c.kind === 'money').length >= 2,
  )

const withoutFigures = (text: string): string => text.replace(/\S*\d\S*/g, ' ').trim()

/** More of the same evidence counts less and less, so that a long page does not outweigh a clear title. */
const saturate = (sum: number, limit: number): number => limit * (1 - Math.exp(-sum / limit))

/** How much a title's words stand as a heading: alone in their segment, in larger letters, high on the page. */
function headingStrength(
  words: number,
  inSegment: number,
  size: number,
  top: number,
  length: number,
): number {
  const share = words / inSegment
  if (share < 0.34 && size < 1.25) return 0.3
  const high = top < 0.16 ? 1.4 : top < 0.35 ? 0.8 : 0
  const large = Math.min(2.4, Math.max(0, (size - 1) * 3.2))
  const specific = Math.min(1.6, (length - 1) * 0.8)
  return share * (1 + high + specific) + large * Math.min(1, share * 1.4)
}
