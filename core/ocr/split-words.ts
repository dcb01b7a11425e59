import type { Word } from '../model/index.ts'

const GLUED =
  /^(:(?=[\p{L}\d\p{Sc}])|.*\p{L}[.)]?:|.*\p{L}\)(?=[\d\p{Sc}])|\p{L}{2,}\.?(?=\p{Sc}\s?\d)|(?:19|20)\d{2}(?=\p{Lu}\p{Ll}{2}))(.+)$/su

/** Words of letters with a stroke between, as labels in two languages have it: "Surname/Nom". */
const TONGUES = /^(\p{L}{3,}[.)]?)\/(\p{L}[\p{L}'’.()]+(?:\/\p{L}+)*:?)$/u

function tongues(word: Word): Word[] {
  const hit = word.text.includes('/') ? TONGUES.exec(word.text) : null
  if (!hit) return [word]
  const [left, top, right, bottom] = word.box
  const at = (letters: number): number => left + ((right - left) * letters) / word.text.length
  const [, head, tail] = hit
  const parts = [
    { ...word, text: head, box: [left, top, at(head.length), bottom] as Word['box'] },
    { ...word, text: '/', box: [at(head.length), top, at(head.length + 1), bottom] as Word['box'] },
  ]
  return [...parts, ...tongues({ ...word, text: tail, box: [at(head.length + 1), top, right, bottom] })]
}

/**
 * Parts words that were set side by side without a space: a label and its value ("Tel.:+44", ":84"), a word
 * and an amount ("period€2.327,29"), a year and the words of the next column ("2026Card"). Addresses of the
 * web keep their colon.
 */
export function splitGluedWords(words: readonly Word[]): Word[] {
  return words.flatMap(tongues).flatMap((word) => {
    if (
      !/[:\p{Sc})]|\d\p{Lu}/u.test(word.text) ||
      word.text.includes('://') ||
      (word.text.length < 4 && !word.text.startsWith(':'))
    )
      return [word]
    const hit = GLUED.exec(word.text)
    if (!hit) return [word]
    const [, head, tail] = hit
    const [left, top, right, bottom] = word.box
    const cut = left + ((right - left) * head.length) / word.text.length
    return [
      { ...word, text: head, box: [left, top, cut, bottom] },
      { ...word, text: tail, box: [cut, top, right, bottom] },
    ]
  })
}
