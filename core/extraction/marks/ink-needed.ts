import { overlap, type Word } from '../../model/index.ts'
import { tokens } from '../../text/index.ts'
import type { DocumentType } from '../../program/index.ts'
import { YES_NO } from './checkboxes.ts'

/**
 * Tells of the words of a page whether its ink is worth measuring.
 * @param strokes whether something is drawn on it that may be a pen's; what nothing is drawn on is not signed
 */
export type NeedsInk = (words: readonly Word[], strokes: boolean) => boolean

const SIGNING = ['signature', 'signed', 'sign', 'firma', 'firmado', 'signe']

const known = new WeakMap<readonly DocumentType[], NeedsInk>()

/**
 * Pen marks matter beside signature labels and where a choice is given: yes beside no, or words of two
 * choices of a field. One choice's word alone ("employee") stands on any page.
 */
export function inkNeeded(types: readonly DocumentType[]): NeedsInk {
  // Asked for with every page; the types of an organisation stay the same list until one changes.
  let needed = known.get(types)
  if (!needed) known.set(types, (needed = inkNeededFor(types)))
  return needed
}

function inkNeededFor(types: readonly DocumentType[]): NeedsInk {
  const signing = new Set([
    ...SIGNING,
    ...types
      .flatMap((t) => t.signature?.labels ?? [])
      .flatMap(tokens)
      .filter((w) => w.startsWith('sign') || w.startsWith('firm')),
  ])
  const captions = new Map<string, string[][]>()
  for (const label of types.flatMap((t) => t.signature?.labels ?? [])) {
    const words = [...tokens(label)]
    if (!words.some((w) => signing.has(w))) captions.set(words[0], [...(captions.get(words[0]) ?? []), words])
  }
  const choices = [
    YES_NO,
    ...types.flatMap((t) => t.fields.filter((f) => f.kind === 'choice').map((f) => f.choices)),
  ].map((options) => options.map((o) => o.words.map(tokens)))
  return (words, strokes) => {
    const there = new Set(words.flatMap((w) => tokens(w.text)))
    const signed = () =>
      [...signing].some((w) => there.has(w)) ||
      words.some((word, i) =>
        captions.get(tokens(word.text)[0])?.some((caption) => standsAlone(words, i, caption)),
      )
    return (
      (strokes && signed()) ||
      choices.some(
        (options) =>
          options.filter((o) => o.some((wording) => wording.every((w) => there.has(w)))).length > 1,
      )
    )
  }
}

/** "Surveyor" under a line to sign on stands alone; in a sentence, or before a name, it captions nothing. */
function standsAlone(words: readonly Word[], from: number, caption: readonly string[]): boolean {
  if (
    words
      .slice(from, from + caption.length)
      .flatMap((w) => tokens(w.text))
      .join(' ') !== caption.join(' ')
  )
    return false
  const beside = (left: Word | undefined, right: Word | undefined): boolean =>
    left !== undefined &&
    right !== undefined &&
    right.box[0] >= left.box[0] &&
    right.box[0] - left.box[2] < 0.03 &&
    overlap(left.box[1], left.box[3], right.box[1], right.box[3]) > 0
  return (
    !beside(words[from - 1], words[from]) &&
    !beside(words[from + caption.length - 1], words[from + caption.length])
  )
}
