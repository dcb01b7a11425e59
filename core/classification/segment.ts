import type { Page } from '../model/index.ts'
import type { DocumentType } from '../program/index.ts'
import { EvidenceReader, type Evidence, UNKNOWN, UNKNOWN_FURTHER } from './page-evidence.ts'
import { similarityTo, type Learnt, type Similarity } from './nearest-samples.ts'
import { linkOdds } from './fitted-links.ts'
import { linkFeatures } from './link-features.ts'
import { pageFeatures, type PageFeatures } from './page-links.ts'
import { mergeFragments } from './merge-fragments.ts'
import { ruleHits, type Rule } from './user-rules.ts'
import type { Piece, Doubt } from './piece.ts'
const LONGEST = 24
const START = -1.1
const TEMPERATURE = 0.7

const readers = new WeakMap<readonly DocumentType[], EvidenceReader>()

/** What is known besides the types: rules by people that are switched on, what was learnt from confirmed papers. */
export interface Knowledge {
  rules?: readonly Rule[]
  learnt?: Learnt | null
}

/**
 * The best cut of a page sequence into typed documents, with posterior probabilities. A semi-Markov model
 * over the whole sequence: each segment pays for its first page, its further pages and the links between
 * them; forward and backward sums give the probability of every cut and every type. Source: Sarawagi & Cohen,
 * "Semi-Markov conditional random fields", 2004.
 * @param pages in package order; blank and separator pages are left out of documents, separators also cut
 */
export function segmentPages(
  pages: readonly Page[],
  types: readonly DocumentType[],
  knowledge: Knowledge = {},
  evidenceOf: (page: Page) => Evidence = evidenceReaderFor(types),
): Piece[] {
  const pieces: Piece[] = []
  let run: Page[] = []
  const flush = () => {
    if (run.length) pieces.push(...splitRun(run, types, knowledge, evidenceOf))
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
export function evidenceReaderFor(types: readonly DocumentType[]): (page: Page) => Evidence {
  let reader = readers.get(types)
  if (!reader) readers.set(types, (reader = new EvidenceReader(types)))
  return (page) => reader.read(page)
}

function splitRun(
  pages: readonly Page[],
  types: readonly DocumentType[],
  { rules = [], learnt }: Knowledge,
  evidenceOf: (page: Page) => Evidence,
): Piece[] {
  const evidence = pages.map(evidenceOf)
  const looks = pages.map(pageFeatures)
  const likeness = learnt ? pages.map((page) => similarityTo(learnt, page, types)) : null
  const model = new Model(types, evidence, looks, likeness)
  const lookOf = new Map(looks.map((l) => [l.page.number, l]))
  const said = rules.length > 0 ? pages.map((page) => saidOn(page, rules, types)) : []
  const cut = said.some((s) => s.begins || s.type)
    ? agreeing(model.best(), new Model(types, evidence, looks, likeness, said).best(), said, pages)
    : model.best().pieces
  const evidenceAt = new Map(pages.map((page, i) => [page.number, evidence[i]]))
  const speaksFor = (number: number, type: string): boolean => {
    const { scores } = evidenceAt.get(number)!
    const own = scores[types.findIndex((t) => t.id === type)] ?? 0
    return own > 0 && own >= Math.max(...scores) - NEARLY
  }
  // Within a run alone: what a person parted with a sheet stays apart.
  return mergeFragments(cut, (number) => lookOf.get(number)!, speaksFor)
}

/** Log-odds by which one type may speak from a page less than the likeliest, and still be meant. */
const NEARLY = 1

/** Log-odds that a rule by people adds: more than a heading, less than all that a page can say. */
const RULE = 5
/**
 * Beginnings inside a document that are likelier than this are asked about; the pages themselves are clear
 * below CLEAR.
 */
const DOUBTFUL = 0.15
const CLEAR = 0.05
/** As sure as a document is that a rule contradicts. */
const CONTESTED = 0.5

interface Cut {
  pieces: Piece[]
  begins: number[]
}

/** What rules say of a page: their names. */
interface Said {
  begins: string | null
  type: { index: number; id: string; rule: string } | null
}

function saidOn(page: Page, rules: readonly Rule[], types: readonly DocumentType[]): Said {
  const said: Said = { begins: null, type: null }
  for (const rule of rules) {
    if ((rule.says.kind === 'begins' ? said.begins : said.type) !== null || !ruleHits(page, rule)) continue
    if (rule.says.kind === 'begins') said.begins = rule.name
    else {
      const { type: id } = rule.says
      const index = types.findIndex((t) => t.id === id)
      if (index >= 0) said.type = { index, id, rule: rule.name }
    }
  }
  return said
}

const doubted = (doubts: Doubt[]): Pick<Piece, 'doubts'> => {
  const open = doubts.filter((d) => d.chance > DOUBTFUL)
  return open.length > 0 ? { doubts: open } : {}
}

/**
 * The cut with rules, with a question wherever a rule and the pages themselves clearly disagree, whichever of
 * them won: a rule that was written for other papers must not cut these in silence, nor be overheard in
 * silence.
 */
function agreeing(plain: Cut, ruled: Cut, said: readonly Said[], pages: readonly Page[]): Piece[] {
  const at = new Map(pages.map((page, i) => [page.number, i]))
  const plainOf = new Map(plain.pieces.flatMap((p) => p.pages.map((n) => [n, p] as const)))
  return ruled.pieces.map((piece) => {
    const found: Piece = { ...piece }
    const doubts: Doubt[] = [...(piece.doubts ?? [])]
    const contest = (rule: string) => {
      found.contested ??= rule
      found.confidence = Math.min(found.confidence, CONTESTED)
    }
    piece.pages.forEach((number, k) => {
      const i = at.get(number)!
      const { begins, type } = said[i]
      if (begins && i > 0 && plain.begins[i] < CLEAR) {
        if (k === 0) {
          contest(begins)
          found.cutBefore = Math.min(found.cutBefore, CONTESTED)
        } else doubts.push({ page: number, chance: ruled.begins[i], rule: begins })
      } else if (begins && k > 0 && !doubts.some((d) => d.page === number))
        doubts.push({ page: number, chance: ruled.begins[i], rule: begins })
      const before = plainOf.get(number)!
      if (type && before.type !== type.id && before.type !== 'unknown' && before.confidence > 1 - CLEAR) {
        contest(type.rule)
        const types = [piece.type, type.id, before.type]
        found.types = [...new Set(types)].map((t) => ({
          type: t,
          confidence: t === piece.type ? CONTESTED : CONTESTED / 2,
        }))
      }
    })
    return doubts.length > 0 ? { ...found, doubts } : found
  })
}

/** Log-odds that a page with a sign that only last pages carry goes on with a paper. */
const LAST_SIGN = 2

/** No link is surer than this, as log-odds: what the pages say of their types may still part them. */
const MOST_LINK = 8
/** Log-odds that a page goes on with the one before it, where its number says that another paper lacks it. */
const STRAY = -1.5

/**
 * Pages that lie away from their paper: "2 of 2" behind a page without a number, while elsewhere "1 of 2" is
 * followed by something else. Without this it would be taken for the second page of whatever it happens to
 * lie behind.
 * @returns their places in the run
 */
function straysAmong(looks: readonly PageFeatures[]): ReadonlySet<number> {
  const goesOn = (at: number, by: number) => {
    const [a, b] = [looks[at]?.numbering, looks[at + by]?.numbering]
    return a && b && b.page === a.page + by && b.of === a.of
  }
  // A number misread on a scan says nothing of where it belongs.
  const lacking = looks.flatMap(({ numbering }, i) =>
    numbering?.of && numbering.page < numbering.of && !goesOn(i, 1) ? [numbering] : [],
  )
  return new Set(
    looks.flatMap(({ numbering, page }, i) =>
      i > 0 &&
      numbering?.of &&
      numbering.page > 1 &&
      page.source === 'text' &&
      !looks[i - 1].numbering &&
      lacking.some((l) => l.page === numbering.page - 1 && l.of === numbering.of)
        ? [i]
        : [],
    ),
  )
}

class Model {
  private readonly n: number
  private readonly kinds: number
  /**
   * Log-probability of a page's evidence under each type, as a first and as a further page; the last entry is
   * unknown.
   */
  private readonly first: number[][]
  private readonly further: number[][]
  private readonly link: number[]

  constructor(
    private readonly types: readonly DocumentType[],
    evidence: readonly Evidence[],
    private readonly looks: readonly PageFeatures[],
    likeness: readonly Similarity[] | null,
    said: readonly Said[] | null = null,
  ) {
    this.n = evidence.length
    this.kinds = types.length + 1
    // What people say of a paper counts from where it is as likely of their type as of none, whatever its words say.
    const told = (i: number, place: 'first' | 'further', t: number, score: number, none: number) =>
      (said?.[i].type?.index === t ? Math.max(score, none) + RULE : score) + (likeness?.[i][place][t] ?? 0)
    const strays = straysAmong(looks)
    this.first = evidence.map((e, i) =>
      this.firstScores(e, looks[i], strays.has(i), (t, score) => told(i, 'first', t, score, UNKNOWN)),
    )
    this.further = evidence.map((e, i) =>
      this.furtherScores(e, (t, score) => told(i, 'further', t, score, UNKNOWN_FURTHER)),
    )
    this.link = looks.map((look, i) => {
      if (i === 0) return 0
      const odds = linkOdds(linkFeatures(looks[i - 1], look, [evidence[i - 1], evidence[i]], types))
      const link = Math.max(-MOST_LINK, Math.min(MOST_LINK, odds))
      return (strays.has(i) ? Math.min(STRAY, link) : link) - (said?.[i].begins ? RULE : 0)
    })
  }

  private firstScores(
    e: Evidence,
    look: PageFeatures,
    stray: boolean,
    told: (type: number, score: number) => number,
  ): number[] {
    const raw = [
      ...e.scores.map((s, t) => told(t, s) + (e.fields[t].size === 0 && e.titles[t] < 1.5 ? -1 : 0)),
      told(e.scores.length, UNKNOWN),
    ]
    const late = look.numbering && look.numbering.page > 1 && !stray ? -3 : 0
    return logSoftmax(raw).map((s) => Math.max(-9, s) + late)
  }

  private furtherScores(e: Evidence, told: (type: number, score: number) => number): number[] {
    const raw = [...e.further.map((s, t) => told(t, s)), told(e.further.length, UNKNOWN_FURTHER)]
    return logSoftmax(raw).map((s, t) => Math.max(-5, s) + (e.lasts[t] ? LAST_SIGN : 0))
  }

  /** Score of the segment from i on, grown page by page; calls back with each end (exclusive) and type. */
  private segments(i: number, visit: (end: number, kind: number, score: number) => void): void {
    for (let kind = 0; kind < this.kinds; kind++) {
      const most = kind < this.types.length ? this.types[kind].pages.max : LONGEST
      let score = START + this.first[i][kind] + (i === 0 ? 0 : -this.link[i] / 2)
      visit(i + 1, kind, score / TEMPERATURE)
      for (let j = i + 1; j < Math.min(this.n, i + LONGEST); j++) {
        score += this.further[j][kind] + this.link[j] / 2
        // A paper of one page by its nature has no second; one of several may have one more.
        if (j - i >= most) score -= most === 1 ? 3 : 2
        visit(j + 1, kind, score / TEMPERATURE)
      }
    }
  }

  /** The best cut, and the probability of a beginning at each page of the run. */
  best(): Cut {
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
    for (let i = n - 1; i >= 0; i--)
      for (const [key, score] of scores[i])
        backward[i] = logAdd(backward[i], score + backward[Math.floor(key / kinds)])
    const total = forward[n]
    const chance = (start: number, end: number, kind: number) =>
      Math.exp(forward[start] + scores[start].get(end * kinds + kind)! + backward[end] - total)
    const pieces: Piece[] = []
    for (let end = n; end > 0;) {
      const { start, kind } = back[end]!
      const byType = Array.from({ length: kinds }, (_, k) => ({
        type: this.idOf(k),
        confidence: chance(start, end, k),
      })).sort((a, b) => b.confidence - a.confidence)
      pieces.push({
        pages: this.looks.slice(start, end).map((l) => l.page.number),
        type: this.idOf(kind),
        confidence: round(chance(start, end, kind)),
        types: byType
          .filter((t, i) => i < 4 && t.confidence > 0.005)
          .map((t) => ({ ...t, confidence: round(t.confidence) })),
        cutBefore: round(Math.exp(forward[start] + backward[start] - total)),
        ...doubted(
          this.looks.slice(start + 1, end).map((l, i) => ({
            page: l.page.number,
            chance: round(Math.exp(forward[start + 1 + i] + backward[start + 1 + i] - total)),
          })),
        ),
      })
      end = start
    }
    const begins = Array.from({ length: n }, (_, i) => round(Math.exp(forward[i] + backward[i] - total)))
    return { pieces: pieces.reverse(), begins }
  }

  private idOf = (kind: number): string => this.types[kind]?.id ?? 'unknown'
}

const round = (p: number): number => Math.min(0.999, Math.round(p * 1000) / 1000)

const logAdd = (a: number, b: number): number =>
  a === -Infinity ? b : b === -Infinity ? a : Math.max(a, b) + Math.log1p(Math.exp(-Math.abs(a - b)))

function logSoftmax(raw: number[]): number[] {
  const most = Math.max(...raw)
  const sum = Math.log(raw.reduce((total, s) => total + Math.exp(s - most), 0)) + most
  return raw.map((s) => s - sum)
}
