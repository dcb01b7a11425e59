import type { Word } from '../../model/index.ts'
import type { DocumentType } from '../../program/index.ts'
import type { Candidate } from '../scoring/candidate.ts'
import { labelLike } from '../labels/find-labels.ts'
import { isStopWord } from '../labels/wording-similarity.ts'
import type { LabelHit } from '../labels/label.ts'

/** A label set close to a name ("Name Elspeth Mossman") is no part of it. */
export function withoutLabel(candidate: Candidate, type: DocumentType): Candidate {
  const parts = typeof candidate.value === 'string' ? candidate.value.split(' ') : []
  if (
    parts.length < 3 ||
    !labelLike(parts[0], type) ||
    candidate.words[0]?.text.replace(/:$/, '') !== parts[0]
  )
    return candidate
  return { ...candidate, value: parts.slice(1).join(' '), words: candidate.words.slice(1) }
}

const ALL_CAPITALS = /^[\p{Lu}’'./]{2,}$/u

/**
 * A label in capitals goes on in capitals ("GOODS CONCERNED Bright Water") up to a value that is not. A long
 * word that no label is known to use might be a firm's all the same, and is asked about.
 */
export function withoutCapitals(candidate: Candidate, label: LabelHit, type: DocumentType): Candidate {
  const { words } = candidate
  const own = label.lineOf.words.slice(label.from, label.to)
  const value = words.findIndex((w) => !ALL_CAPITALS.test(w.text))
  // One word in capitals behind a label in capitals may be a value or the label's own end ("GOODS CONCERNED").
  if (
    value < 0 &&
    words.length === 1 &&
    own.every((w) => ALL_CAPITALS.test(w.text)) &&
    candidate.page.words.some((w) => /\p{Lu}\p{Ll}{2}/u.test(w.text))
  )
    return { ...candidate, partial: true }
  if (value < 1 || !own.every((w) => ALL_CAPITALS.test(w.text)) || !words[value].text.match(/\p{Ll}/u))
    return candidate
  const more = words.slice(0, value)
  const known = more.every((w) => labelLike(w.text, type) || isStopWord(w.text))
  if (!known && !more.every((w) => w.text.length >= 5)) return candidate
  const left = words.slice(value)
  const raw = left.map((w) => w.text).join(' ')
  return { ...candidate, value: raw, raw, words: left, partial: candidate.partial || !known }
}

/**
 * A label may go on in small letters ("owner's name Joren Finn"): values of words begin with a capital or a
 * figure.
 */
export function withoutLabelWords(words: Word[]): Word[] {
  // "Bank of Ireland" is one name, not a bank called Ireland.
  if (/^(?:of|de|du|del|and|&)$/i.test(words[0]?.text ?? '')) return []
  const start = words.findIndex((w) => /^[("“]?[\p{Lu}\d]/u.test(w.text))
  return start > 0 && words.slice(0, start).every((w) => /^[\p{Ll}/(),.]+$/u.test(w.text))
    ? words.slice(start)
    : words
}
