import { z } from 'zod'
import { linesOf } from '../layout/index.ts'
import type { Page } from '../model/index.ts'
import { squeeze } from '../text/index.ts'
import type { DocumentType } from '../program/index.ts'

/** What is kept of a page of a confirmed paper: which words it has, and where on it words lie. */
export const sampleSchema = z.object({
  type: z.string().max(80),
  /** The package that it is of, with which it is forgotten. */
  from: z.string().max(80).optional(),
  /** Place of the page in its paper, from 0. */
  place: z.number().int().min(0),
  words: z.array(z.string().max(200)).max(5000),
  /** Share of words in each of COLUMNS × ROWS cells, in hundredths. */
  looks: z.array(z.number()).max(500),
})
export type Sample = z.infer<typeof sampleSchema>

/** What was learnt from confirmed papers: the samples themselves; what they weigh follows from all of them. */
export interface Learnt {
  samples: Sample[]
}

/**
 * By type, in the order of the types and the unknown last, how a page resembles the first and the further
 * pages of samples, as log-evidence.
 */
export interface Similarity {
  first: number[]
  further: number[]
}

const COLUMNS = 6
const ROWS = 9
/** Likeness below this says nothing: papers of any kind share as much. */
const LEAST = 0.3
/** Likeness of another copy of the very same form. */
const SAME = 0.8
/** Log-evidence for a page that is the same form as a sample. */
const MOST = 8
/** A paper with fewer words is told by its looks alone, which tell less. */
const FEW_WORDS = 6
const LOOKS_ALONE = 0.6
/** How much of the likeness is the looks. */
const LOOKS = 0.2
/** Samples of a type that are kept, the latest first: more of them say little new and cost time. */
export const MOST_SAMPLES = 40

/** The words of a page that are print, not values: without figures, each once. */
const printOf = (page: Page): string[] =>
  [
    ...new Set(
      linesOf(page).flatMap((l) =>
        l.words.flatMap((w) => (/\d/.test(w.text) || w.hand ? [] : [squeeze(w.text)])),
      ),
    ),
  ].filter((w) => w.length > 2)

/** Where words lie on a page, coarsely: what a paper looks like from across the room. */
function looksOf(page: Page): number[] {
  const cells = new Array<number>(COLUMNS * ROWS).fill(0)
  for (const { box } of page.words) {
    const x = Math.min(COLUMNS - 1, Math.floor(((box[0] + box[2]) / 2) * COLUMNS))
    const y = Math.min(ROWS - 1, Math.floor(((box[1] + box[3]) / 2) * ROWS))
    cells[y * COLUMNS + x]++
  }
  return cells.map((n) => Math.round((100 * n) / Math.max(1, page.words.length)))
}

/** The samples of a confirmed paper, one for each page that has something on it. */
export const samplesOf = (type: string, pages: readonly Page[]): Sample[] =>
  pages.flatMap((page, place): Sample[] =>
    page.blank || page.separator ? [] : [{ type, place, words: printOf(page), looks: looksOf(page) }],
  )

/**
 * Samples of which each word weighs by how few types use it: a name that stands on all papers of an applicant
 * tells nothing.
 */
class Index {
  private readonly weights = new Map<string, number>()
  /** Samples by word. */
  private readonly users = new Map<string, number[]>()
  private readonly norms: number[]
  private readonly types: number

  constructor(private readonly samples: readonly Sample[]) {
    const typesOf = new Map<string, Set<string>>()
    samples.forEach((sample, i) => {
      for (const word of sample.words) {
        typesOf.set(word, (typesOf.get(word) ?? new Set()).add(sample.type))
        const users = this.users.get(word)
        if (users) users.push(i)
        else this.users.set(word, [i])
      }
    })
    this.types = Math.max(2, new Set(samples.map((s) => s.type)).size)
    for (const [word, types] of typesOf) this.weights.set(word, Math.log((1 + this.types) / types.size) ** 2)
    this.norms = samples.map((s) => Math.sqrt(this.weigh(s.words)))
  }

  private weigh = (words: readonly string[]): number =>
    words.reduce((sum, w) => sum + (this.weights.get(w) ?? this.unheard()), 0)

  /** A word of no sample speaks against being the same form, less than a known one that is of another. */
  private unheard = (): number => 0.25 * Math.log(1 + this.types) ** 2

  /** Likeness to each sample, 0 to 1: the cosine of the weighed words, and of the looks. */
  near(page: Page): number[] {
    const words = printOf(page)
    const looks = looksOf(page)
    const shared = new Array<number>(this.samples.length).fill(0)
    for (const word of words) for (const i of this.users.get(word) ?? []) shared[i] += this.weights.get(word)!
    const norm = Math.sqrt(this.weigh(words))
    return this.samples.map((sample, i) => {
      if (words.length < FEW_WORDS) return cosine(looks, sample.looks) * LOOKS_ALONE
      const told = (1 - LOOKS) * (shared[i] / Math.max(1e-6, norm * this.norms[i]))
      // Most samples are far off, and their looks need not be compared.
      return told + LOOKS <= LEAST ? told : told + LOOKS * cosine(looks, sample.looks)
    })
  }

  of = (i: number): Sample => this.samples[i]
}

function cosine(a: readonly number[], b: readonly number[]): number {
  let [dot, x, y] = [0, 0, 0]
  for (let i = 0; i < a.length; i++) {
    dot += a[i] * b[i]
    x += a[i] * a[i]
    y += b[i] * b[i]
  }
  return x && y ? dot / Math.sqrt(x * y) : 0
}

const indexes = new WeakMap<Learnt, Index>()

/**
 * How a page resembles the samples of each type, by the nearest of them. Source: Cover & Hart, "Nearest
 * neighbor pattern classification", 1967; Salton & Buckley, "Term-weighting approaches", 1988.
 */
export function similarityTo(learnt: Learnt, page: Page, types: readonly DocumentType[]): Similarity {
  let index = indexes.get(learnt)
  if (!index) indexes.set(learnt, (index = new Index(learnt.samples)))
  const at = new Map([...types.map((t, i) => [t.id, i] as const), ['unknown', types.length]])
  const none = () => new Array<number>(types.length + 1).fill(0)
  const likeness: Similarity = { first: none(), further: none() }
  index.near(page).forEach((near, i) => {
    const sample = index.of(i)
    const type = at.get(sample.type)
    if (type === undefined || near <= LEAST) return
    const says = MOST * Math.min(1, (near - LEAST) / (SAME - LEAST))
    const place = sample.place === 0 ? likeness.first : likeness.further
    place[type] = Math.max(place[type], says)
  })
  return likeness
}
