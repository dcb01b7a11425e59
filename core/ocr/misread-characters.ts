import type { Word } from '../model/index.ts'
import { fold } from '../text/index.ts'

/** A letter put right by its form alone is no surer than this: a person sees it. */
const GUESSED = 0.6

/**
 * Letters that no model here knows and that are read as one sign for all of them: "@degaard", "ZÉLIE
 * @DEGAARD" begin with an Ø. An address of mail has more than letters behind its sign, a ring before an
 * option a capital and small ones.
 */
export const withLostLetter = (word: Word): Word =>
  /^@(?:\p{Ll}{3,}|\p{Lu}{3,}),?$/u.test(word.text)
    ? { ...word, text: `Ø${word.text.slice(1)}`, confidence: Math.min(word.confidence, GUESSED) }
    : word

/** A t whose stroke is long is read as a cross: "Nor+hlight", "Thrif+". Figures have crosses of their own. */
export const withCrossedT = (word: Word): Word =>
  /\p{L}{2}/u.test(word.text) && /(?<=\p{L})\+(?=\p{L}|$)/u.test(word.text)
    ? {
        ...word,
        text: word.text.replace(/(?<=\p{L})\+(?=\p{L}|$)/gu, 't'),
        confidence: Math.min(word.confidence, GUESSED),
      }
    : word

/** What the sign of an address of mail is read as. */
const MAIL_SIGN = /[^a-z0-9.]|[ceagqo0]/
const DOMAIN = /^[a-z0-9-]{3,}(?:\.[a-z0-9-]{2,})+[.,;]?$/

/**
 * Addresses of mail whose sign was read as a letter, "bram.oakshottckelpnet.example": where a name of the
 * same page ends in them, there it stood. A person sees them all the same.
 */
export function withMailSign(words: readonly Word[]): Word[] {
  const names = words.flatMap((w) =>
    /^\p{Lu}\p{Ll}{2,}[.,]?$/u.test(w.text) ? [fold(w.text).replace(/[.,]$/, '')] : [],
  )
  return words.map((word) => {
    if (word.confidence === 1 || word.text.includes('@') || !word.text.includes('.')) return word
    const text = fold(word.text)
    const ends = names
      .map((name) => text.indexOf(name) + name.length)
      .filter((end, i) => end > names[i].length - 1 && text.startsWith(names[i], end - names[i].length))
    const end = ends
      .sort((a, b) => b - a)
      .find(
        (at) =>
          MAIL_SIGN.test(text.charAt(at)) &&
          DOMAIN.test(text.slice(at + 1)) &&
          /^[a-z][a-z0-9._-]+$/.test(text.slice(0, at)),
      )
    return end === undefined
      ? word
      : {
          ...word,
          text: `${text.slice(0, end)}@${text.slice(end + 1)}`,
          confidence: Math.min(word.confidence, GUESSED),
        }
  })
}
