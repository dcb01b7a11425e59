import type { Word } from './page.ts'

/** A letter put right by its form alone is no surer than this: a person sees it. */
const GUESSED = 0.6

/**
 * Letters that no model here knows and that are read as one sign for all of them: "@degaard", "ZÉLIE @DEGAARD" begin
 * with an Ø. An address of mail has more than letters behind its sign, a ring before an option a capital and small ones.
 */
export const withLostLetter = (word: Word): Word => (/^@(?:\p{Ll}{3,}|\p{Lu}{3,}),?$/u.test(word.text) ? { ...word, text: `Ø${word.text.slice(1)}`, sure: Math.min(word.sure, GUESSED) } : word)
