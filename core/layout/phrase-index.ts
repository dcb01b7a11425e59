import { linesOf } from './lines.ts'
import type { Page, Word } from '../model/index.ts'
import { nearlyWord, tokens } from '../text/index.ts'

/** A phrase found on a page. `from` and `to` (exclusive) count words of the line. */
export interface PhraseHit<T> {
  line: number
  from: number
  to: number
  /** Number of folded words matched; longer phrases are surer. */
  length: number
  /** True where a word had to be mended to match. */
  mended: boolean
  meanings: readonly T[]
}

interface Token {
  text: string
  word: number
  mended: boolean
}

interface Entry<T> {
  phrase: readonly string[]
  meanings: T[]
}

/** Words of one or two letters that a joined word may be made of; others are chance. */
const SHORT: ReadonlySet<string> = new Set(['of', 'no', 'to', 'td', 'id'])

/** Finds many phrases on a page at once, the longest at each place, forgiving reading slips on scanned pages. */
export class PhraseIndex<T> {
  private readonly entries = new Map<string, Entry<T>[]>()
  private readonly vocabulary = new Set<string>()
  private readonly byLength = new Map<number, string[]>()
  private readonly mendings = new Map<string, string>()
  private readonly partings = new Map<string, string[]>()

  /** @param phrases wordings with what they mean; the same wording may be given several meanings. */
  constructor(phrases: Iterable<readonly [wording: string, meaning: T]>) {
    const byWording = new Map<string, Entry<T>>()
    for (const [wording, meaning] of phrases) {
      const phrase = tokens(wording)
      if (phrase.length === 0) continue
      const key = phrase.join(' ')
      const entry = byWording.get(key)
      if (entry) entry.meanings.push(meaning)
      else byWording.set(key, { phrase, meanings: [meaning] })
    }
    for (const entry of byWording.values()) {
      const first = this.entries.get(entry.phrase[0]) ?? []
      first.push(entry)
      this.entries.set(entry.phrase[0], first)
      for (const word of entry.phrase) this.vocabulary.add(word)
    }
    for (const list of this.entries.values()) list.sort((a, b) => b.phrase.length - a.phrase.length)
    for (const word of this.vocabulary) {
      const same = this.byLength.get(word.length) ?? []
      same.push(word)
      this.byLength.set(word.length, same)
    }
  }

  /** All hits on the page, line by line, left to right, none inside another. */
  find(page: Page): PhraseHit<T>[] {
    const hits: PhraseHit<T>[] = []
    linesOf(page).forEach((line, index) => {
      // A phrase does not run over a column gap: "Signature    Date" is two labels.
      for (const found of line.segments.map((s) =>
        this.tokensOf(s.words, line.words.indexOf(s.words[0]), page.source !== 'text'),
      ))
        for (let at = 0; at < found.length;) {
          const entry = this.longestAt(found, at)
          if (!entry) {
            at++
            continue
          }
          const last = at + entry.phrase.length - 1
          hits.push({
            line: index,
            from: found[at].word,
            to: found[last].word + 1,
            length: entry.phrase.length,
            mended: found.slice(at, last + 1).some((t) => t.mended),
            meanings: entry.meanings,
          })
          at = last + 1
        }
    })
    return hits
  }

  private longestAt(found: Token[], at: number): Entry<T> | undefined {
    return this.entries
      .get(found[at].text)
      ?.find((entry) => entry.phrase.every((word, i) => found[at + i]?.text === word))
  }

  private tokensOf(words: Word[], offset: number, forgiving: boolean): Token[] {
    return words.flatMap((word, index) =>
      tokens(word.text).flatMap((text) => {
        const right = forgiving ? this.mend(text) : text
        const parts = forgiving && right === text ? this.parted(text) : [right]
        return parts.map((part) => ({
          text: part,
          word: offset + index,
          mended: right !== text || parts.length > 1,
        }))
      }),
    )
  }

  /**
   * A word that a reader of pictures joined from words of the book ("accountname"), in its parts; else the
   * word itself.
   */
  private parted(text: string): string[] {
    if (text.length < 7 || this.vocabulary.has(text)) return [text]
    let parts = this.partings.get(text)
    if (!parts) {
      parts = this.partedFrom(text, 0, 4) ?? [text]
      this.partings.set(text, parts)
    }
    return parts
  }

  private partedFrom(text: string, from: number, most: number): string[] | null {
    if (from === text.length) return []
    for (let to = text.length; most > 0 && to > from; to--) {
      const part = text.slice(from, to)
      if ((part.length < 3 && !SHORT.has(part)) || !this.vocabulary.has(part)) continue
      const rest = this.partedFrom(text, to, most - 1)
      if (rest) return [part, ...rest]
    }
    return null
  }

  /** The word of the book that a slip explains, or the word itself. */
  private mend(text: string): string {
    if (text.length < 4 || this.vocabulary.has(text)) return text
    let right = this.mendings.get(text)
    if (right === undefined) {
      right = text
      for (const length of [text.length, text.length + 1, text.length - 1]) {
        const near = this.byLength.get(length)?.find((word) => nearlyWord(text, word))
        if (near) {
          right = near
          break
        }
      }
      this.mendings.set(text, right)
    }
    return right
  }
}
