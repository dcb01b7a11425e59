import type { Page } from '../page/page.ts'
import type { DocumentType } from '../program/schema.ts'
import { EvidenceReader, type Evidence } from './evidence.ts'
import { linkScore, looksOf, type Looks } from './link.ts'
import { reunite } from './reunite.ts'

/** A stretch of pages taken for one document. */
export interface Piece {
  /** Page numbers of the package. */
  pages: number[]
  type: string
  /** Probability that type and both ends are right. */
  confidence: number
  /** Types by probability for these very pages, the likeliest first. */
  types: { type: string; confidence: number }[]
  /** Probability that a document begins at its first page. */
  cutBefore: number
}

const LONGEST = 24
const START = -1.1
/** Evidence that a page needs before a known type is likelier than none. */
const UNKNOWN = 3.4
const TEMPERATURE = 0.8

const readers = new WeakMap<readonly DocumentType[], EvidenceReader>()

/**
 * The best cut of a page sequence into typed documents, with posterior probabilities.
 * A semi-Markov model over the whole sequence: each segment pays for its first page, its further pages and the links
 * between them; forward and backward sums give the probability of every cut and every type.
 * Source: Sarawagi & Cohen, "Semi-Markov conditional random fields", 2004.
 * @param pages in package order; blank and separator pages are left out of documents, separators also cut
 */
export function splitPages(pages: readonly Page[], types: readonly DocumentType[], evidenceOf: (page: Page) => Evidence = readerFor(types)): Piece[] {
  const pieces: Piece[] = []
  let run: Page[] = []
  const flush = () => {
    if (run.length) pieces.push(...splitRun(run, types, evidenceOf))
    run = []
  }
  for (const page of pages) {
    if (page.separator) flush()
    else if (!page.blank) run.push(page)
  }
  flush()
  return pieces
}

/** Reads the evidence of pages for a set of types; what is built for a set is kept. */
export function readerFor(types: readonly DocumentType[]): (page: Page) => Evidence {
  let reader = readers.get(types)
  if (!reader) readers.set(types, (reader = new EvidenceReader(types)))
  return (page) => reader.read(page)
}

function splitRun(pages: readonly Page[], types: readonly DocumentType[], evidenceOf: (page: Page) => Evidence): Piece[] {
  const evidence = pages.map(evidenceOf)
  const looks = pages.map(looksOf)
  const model = new Model(types, evidence, looks)
  const lookOf = new Map(looks.map((l) => [l.page.number, l]))
  // Within a run alone: what a person parted with a sheet stays apart.
  return reunite(model.best(), (number) => lookOf.get(number)!)
}

class Model {
  private readonly n: number
  private readonly kinds: number
  /** Log-probability of a page's evidence under each type, as a first and as a further page; the last entry is unknown. */
  private readonly first: number[][]
  private readonly further: number[][]
  private readonly link: number[]

  constructor(private readonly types: readonly DocumentType[], private readonly evidence: readonly Evidence[], private readonly looks: readonly Looks[]) {
    this.n = evidence.length
    this.kinds = types.length + 1
    this.first = evidence.map((e, i) => this.firstScores(e, looks[i]))
    this.further = evidence.map((e, i) => this.furtherScores(e, looks[i]))
    this.link = looks.map((look, i) => (i === 0 ? 0 : linkScore(looks[i - 1], look)))
  }

  private firstScores(e: Evidence, look: Looks): number[] {
    const raw = [...e.scores.map((s, t) => s + (e.fields[t].size === 0 && e.titles[t] < 1.5 ? -1 : 0)), UNKNOWN]
    const late = look.numbering && look.numbering.page > 1 ? -3 : 0
    return logSoftmax(raw).map((s) => Math.max(-9, s) + late)
  }

  private furtherScores(e: Evidence, look: Looks): number[] {
    // A further page may carry next to nothing of its type, so evidence weighs less; a heading of its own speaks against it.
    const raw = [...e.scores.map((s) => s * 0.7), UNKNOWN * 0.55]
    const numbered = look.numbering !== null && look.numbering.page > 1
    // A title in letters like all others is a running head as likely as a heading.
    const heading = look.opens > 0 ? 1 : look.opens < 0 ? 0.15 : 0.5
    return logSoftmax(raw).map((s, t) => Math.max(-5, s) - (numbered || t >= e.titles.length ? 0 : Math.max(0, e.titles[t] - 1.2) * 1.3 * heading) + (e.lasts[t] ? 0.4 : 0))
  }

  /** Score of the segment from i on, grown page by page; calls back with each end (exclusive) and type. */
  private segments(i: number, visit: (end: number, kind: number, score: number) => void): void {
    for (let kind = 0; kind < this.kinds; kind++) {
      const most = kind < this.types.length ? this.types[kind].pages.max : LONGEST
      let score = START + this.first[i][kind] + (i === 0 ? 0 : -this.link[i] / 2)
      visit(i + 1, kind, score / TEMPERATURE)
      for (let j = i + 1; j < Math.min(this.n, i + LONGEST); j++) {
        score += this.further[j][kind] + this.link[j] / 2 - this.repeats(j, kind)
        if (j - i >= most) score -= 2
        visit(j + 1, kind, score / TEMPERATURE)
      }
    }
  }

  /**
   * A page that asks for the same things as the page before is more likely another paper of the kind (the next month's
   * payslip) than its continuation, unless its numbering says otherwise.
   */
  private repeats(page: number, kind: number): number {
    const numbering = this.looks[page].numbering
    if (kind >= this.types.length || (numbering && numbering.page > 1)) return 0
    const [before, here] = [this.evidence[page - 1].asked[kind], this.evidence[page].asked[kind]]
    let again = 0
    for (const field of here) if (before.has(field)) again++
    // What asks for nearly all of its type's fields once more begins anew, however few those are.
    const whole = this.types[kind].fields.filter((f) => f.kind !== 'table').length
    return Math.max(Math.min(5, Math.max(0, again - 2) * 1.1), again >= 2 && again >= whole * 0.7 ? 4 : 0)
  }

  best(): Piece[] {
    const { n, kinds } = this
    const bestScore = new Array<number>(n + 1).fill(-Infinity)
    const back = new Array<{ start: number; kind: number } | null>(n + 1).fill(null)
    const forward = new Array<number>(n + 1).fill(-Infinity)
    bestScore[0] = 0
    forward[0] = 0
    const scores: Map<number, number>[] = []
    for (let i = 0; i < n; i++) {
      const here = new Map<number, number>()
      this.segments(i, (end, kind, score) => {
        here.set(end * kinds + kind, score)
        if (bestScore[i] + score > bestScore[end]) {
          bestScore[end] = bestScore[i] + score
          back[end] = { start: i, kind }
        }
        forward[end] = logAdd(forward[end], forward[i] + score)
      })
      scores.push(here)
    }
    const backward = new Array<number>(n + 1).fill(-Infinity)
    backward[n] = 0
    for (let i = n - 1; i >= 0; i--) for (const [key, score] of scores[i]) backward[i] = logAdd(backward[i], score + backward[Math.floor(key / kinds)])
    const total = forward[n]
    const chance = (start: number, end: number, kind: number) => Math.exp(forward[start] + scores[start].get(end * kinds + kind)! + backward[end] - total)
    const pieces: Piece[] = []
    for (let end = n; end > 0; ) {
      const { start, kind } = back[end]!
      const byType = Array.from({ length: kinds }, (_, k) => ({ type: this.idOf(k), confidence: chance(start, end, k) })).sort((a, b) => b.confidence - a.confidence)
      pieces.push({
        pages: this.looks.slice(start, end).map((l) => l.page.number),
        type: this.idOf(kind),
        confidence: round(chance(start, end, kind)),
        types: byType.filter((t, i) => i < 4 && t.confidence > 0.005).map((t) => ({ ...t, confidence: round(t.confidence) })),
        cutBefore: round(Math.exp(forward[start] + backward[start] - total)),
      })
      end = start
    }
    return pieces.reverse()
  }

  private idOf = (kind: number): string => this.types[kind]?.id ?? 'unknown'
}

const round = (p: number): number => Math.min(0.999, Math.round(p * 1000) / 1000)

const logAdd = (a: number, b: number): number => (a === -Infinity ? b : b === -Infinity ? a : Math.max(a, b) + Math.log1p(Math.exp(-Math.abs(a - b))))

function logSoftmax(raw: number[]): number[] {
  const most = Math.max(...raw)
  const sum = Math.log(raw.reduce((total, s) => total + Math.exp(s - most), 0)) + most
  return raw.map((s) => s - sum)
}
