import { confusions } from '../../lexicon/index.ts'
import type { Locale } from '../../locale/index.ts'
import type { Value, Word } from '../../model/index.ts'

/** A value found in a run of words. */
export interface Reading {
  value: Value
  words: Word[]
  raw: string
  /** How well its form fits its kind, 0 to 1. */
  plausibility: number
  /** A letter had to be taken for a digit or the like. */
  repaired: boolean
}

/** Finds all values of a kind in a run of words of one place, as its paper writes them. */
export type KindReader = (words: Word[], locale: Locale) => Reading[]

/** The same for kinds that are written alike everywhere. */
export type WordsReader = (words: Word[]) => Reading[]

/** Whether a reader of pictures made out some of these words, and may have taken a sign for another. */
export const isWeak = (words: readonly Word[]): boolean => words.some((w) => w.confidence < 1)

export const rawOf = (words: Word[]): string => words.map((w) => w.text).join(' ')

const LIKE_DIGITS = new RegExp(`[${Object.keys(confusions.digits).join('')}]`, 'g')

/** Digits for the letters that look like them; other characters stay. */
export const asDigits = (text: string): string => text.replace(LIKE_DIGITS, (c) => confusions.digits[c])

/**
 * Every value that `parse` finds in spans of up to `longest` neighbouring words, left to right, the longest
 * span first. Words of a value found are not used again.
 * @param parse also told whether one of the words was read weakly: what a text layer spells is never put
 * right
 * @param begins whether a value may begin with a word; spares looking at the spans of all the others
 */
export function readSpans(
  words: Word[],
  longest: number,
  parse: (text: string, weak: boolean) => { value: Value; plausibility: number; repaired: boolean } | null,
  begins: (word: string) => boolean = () => true,
): Reading[] {
  const readings: Reading[] = []
  for (let at = 0; at < words.length;) {
    let found: Reading | null = null
    for (
      let length = begins(words[at].text) ? Math.min(longest, words.length - at) : 0;
      length >= 1 && !found;
      length--
    ) {
      const span = words.slice(at, at + length)
      const raw = rawOf(span)
      const parsed = parse(raw, isWeak(span))
      if (parsed) found = { ...parsed, words: span, raw }
    }
    if (found) {
      readings.push(found)
      at += found.words.length
    } else at++
  }
  return readings
}
