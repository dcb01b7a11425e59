import { stemmer } from 'stemmer'
import { stopWords, synonyms } from '../../lexicon/index.ts'
import { memoize, squeeze, tokens } from '../../text/index.ts'

const meanings = new Map<string, string>()
for (const words of synonyms) for (const word of words) meanings.set(stemmer(word), words[0])
const named: ReadonlySet<string> = new Set(synonyms.flat())
const FORM_WORDS = new Set(meanings.values())
/** An insurance is nobody insured, whatever its stem says: "Storm Petrel" over "Assurance" is a firm. */
const INSURANCE: ReadonlySet<string> = new Set(['insurance', 'assurance', 'assurances'])
/**
 * Who does a thing and to whom it is done are two: "insurer" is nobody insured, and a lender lends what a
 * borrower borrows. Their ends tell them apart, which stems lose.
 */
const AGENT = /^\p{L}{3,}(?:er|or|ee)$/u

const stemOf = memoize((token): string => {
  if (INSURANCE.has(token)) return 'insurance'
  if (AGENT.test(token) && !named.has(token)) return token
  const bare = stemmer(token)
  return meanings.get(bare) ?? meanings.get(token) ?? bare
})

/** Whether a text is made of small words alone ("Your", "of the"). */
export const isStopWord = (text: string): boolean => {
  const all = tokens(text)
  return all.length > 0 && all.every((t) => stopWords.has(t))
}

/** Whether a word is one of those that forms are made of. */
export const isFormWord = (gisted: string): boolean => FORM_WORDS.has(gisted)

/** What a label's words mean, small words left out: "Your monthly wages" and "Pay of the month" are the same two. */
export const contentWords = memoize((text): readonly string[] => {
  const all = tokens(text).filter((t) => !/^\d+$/.test(t))
  const heavy = all.filter((t) => !stopWords.has(t))
  return [...new Set((heavy.length ? heavy : all).map(stemOf))]
})

/** How near a wording comes to the known wordings of something. */
export interface WordingMatch<K> {
  key: K
  /** 0 to 1; 1 is a known wording. */
  similarity: number
}

const UNKNOWN = 1.25
const PROPER = 1.9

/**
 * Finds what a wording that nobody listed means: compares its words with those of all known wordings, rare
 * words weighing more, so that "Net income each month" finds the field whose wordings say "monthly net
 * income". Source of the weighting: Spärck Jones, "A statistical interpretation of term specificity", 1972.
 */
export class Wordings<K> {
  private readonly weights = new Map<string, number>()
  private readonly entries: { key: K | null; words: readonly string[]; weight: number }[] = []
  private readonly byWord = new Map<string, number[]>()
  private readonly verbatim = new Set<string>()

  /** @param others wordings that mean none of the keys: they must win where they fit better */
  constructor(wordings: Iterable<readonly [key: K, wording: string]>, others: readonly string[] = []) {
    const users = new Map<string, Set<K | string>>()
    const keys = new Set<K>()
    const add = (key: K | null, wording: string) => {
      const words = contentWords(wording)
      if (words.length === 0) return
      if (key !== null) keys.add(key)
      for (const word of words) users.set(word, (users.get(word) ?? new Set()).add(key ?? wording))
      this.entries.push({ key, words, weight: 0 })
    }
    for (const [key, wording] of wordings) {
      add(key, wording)
      this.verbatim.add(squeeze(wording))
    }
    for (const wording of others) add(null, wording)
    for (const [word, by] of users) this.weights.set(word, 0.5 + Math.log(1 + (keys.size + 2) / by.size))
    this.entries.forEach((entry, i) => {
      entry.weight = this.sum(entry.words)
      for (const word of entry.words) this.byWord.set(word, [...(this.byWord.get(word) ?? []), i])
    })
  }

  /** Whether any wording uses this word. */
  knows = (word: string): boolean => this.weights.has(word)

  /** Whether the text is a wording to the letter, small words and all. */
  says = (text: string): boolean => this.verbatim.has(squeeze(text))

  private sum = (words: readonly string[]): number =>
    words.reduce((total, word) => total + (this.weights.get(word) ?? UNKNOWN), 0)

  /** Keys whose wordings come near the text, the nearest first; none where a foreign wording fits better. */
  nearest = memoize((text): WordingMatch<K>[] =>
    // Bilingual labels say everything twice; the better half counts.
    text.includes('/')
      ? text
          .split('/')
          .map((part) => this.compare(part))
          .reduce((a, b) => ((b[0]?.similarity ?? 0) > (a[0]?.similarity ?? 0) ? b : a))
      : this.compare(text),
  )

  private compare(text: string): WordingMatch<K>[] {
    const words = contentWords(text)
    if (words.length === 0 || words.length > 7) return []
    const proper = new Set(
      text
        .split(/\s+/)
        .slice(1)
        .filter((w) => /^\p{Lu}\p{Ll}/u.test(w))
        .flatMap(contentWords),
    )
    const own = words.reduce(
      (total, word) => total + (this.weights.get(word) ?? (proper.has(word) ? PROPER : UNKNOWN)),
      0,
    )
    const best = new Map<K | null, number>()
    for (const index of new Set(words.flatMap((word) => this.byWord.get(word) ?? []))) {
      const entry = this.entries[index]
      const common = this.sum(entry.words.filter((word) => words.includes(word)))
      const near = (2 * common) / (own + entry.weight)
      if (near > (best.get(entry.key) ?? 0)) best.set(entry.key, near)
    }
    const foreign = best.get(null) ?? 0
    best.delete(null)
    const ranked = [...best.entries()]
      .map(([key, near]) => ({ key: key!, similarity: near }))
      .sort((a, b) => b.similarity - a.similarity)
    const top = ranked[0]?.similarity ?? 0
    if (top < 0.5 || foreign > top + 0.02) return []
    return ranked.filter((r) => r.similarity >= Math.max(0.5, top - 0.18))
  }
}
