import type { FilledField } from '../answers/index.ts'
import type { Paper } from '../dossier/index.ts'
import { linesOf } from '../layout/index.ts'
import { maidenNames, particles } from '../lexicon/index.ts'
import { type Box, boxAround, inside, type Page, plain, type Word } from '../model/index.ts'
import type { Fact, Program } from '../program/index.ts'
import { fold, squeeze, tokens } from '../text/index.ts'
import { isMachines, placesOf } from './places.ts'

/**
 * Gives names their whole extent by what other papers say: words of the name that stand straight beside what was read
 * of it are its own ("Isla" beside "Kirsten" where another paper says Kirsten Isla Lindqvarn), and of a firm what
 * stands before or behind the name that others have is none of it (a stamp over "COPY Estervoe Oyster Company").
 * What another paper says is never put in place of what this one prints.
 */
export function readNamesWhole(
  papers: readonly Paper[],
  program: Program,
  pages: ReadonlyMap<number, Page>,
): Paper[] {
  const changed = new Map<FilledField, FilledField>()
  for (const fact of program.facts.filter((f) => f.kind === 'name' || f.kind === 'org')) {
    const places = placesOf(fact, papers).filter(({ field }) => field.value !== null)
    for (const { paper, field } of places) {
      const page = pages.get(field.page ?? 0)
      if (!page || !field.box || !isMachines(field)) continue
      const others = places.flatMap((p) =>
        p.paper === paper || p.field.needsReview ? [] : [plain(p.field.value)],
      )
      const words =
        withoutOthers(page, field.box, others, fact.kind) ??
        (fact.kind === 'name' ? withItsWords(page, field.box, others) : null)
      const raw = words?.map((w) => w.text).join(' ')
      if (!words || !raw || squeeze(raw) === squeeze(plain(field.value))) continue
      changed.set(field, { ...field, value: tidy(raw), raw, box: boxAround(words.map((w) => w.box)) })
    }
  }
  return changed.size === 0
    ? [...papers]
    : papers.map((paper) => ({ ...paper, fields: paper.fields.map((f) => changed.get(f) ?? f) }))
}

const tidy = (raw: string): string => raw.replace(/^[\s(“"]+|[\s,;:.)”"]+$/g, '')

/** The words of the segment that a value stands in, and which of them are its own. */
function wordsAround(page: Page, box: Box): { words: readonly Word[]; from: number; to: number } | null {
  for (const line of linesOf(page))
    for (const { words } of line.segments) {
      const own = inside(words, box)
      if (own.length > 0) return { words, from: words.indexOf(own[0]), to: words.indexOf(own.at(-1)!) + 1 }
    }
  return null
}

function withItsWords(page: Page, box: Box, others: readonly string[]): Word[] | null {
  const around = wordsAround(page, box)
  if (!around) return null
  const { words } = around
  const own = new Set(words.slice(around.from, around.to).flatMap((w) => tokens(w.text)))
  const names = others
    .map((name) => tokens(name))
    .filter((name) => [...own].every((word) => name.includes(word)))
  const missing = new Set(names.flat().filter((word) => !own.has(word) && word.length > 1))
  const isOwn = (i: number): boolean => tokens(words[i]?.text ?? '').some((word) => missing.has(word))
  let { from, to } = around
  while (isOwn(to) || (SMALL.has(fold(words[to]?.text ?? '')) && isOwn(to + 1))) to++
  while (isOwn(from - 1) || (SMALL.has(fold(words[from - 1]?.text ?? '')) && isOwn(from - 2))) from--
  return to - from > around.to - around.from ? words.slice(from, to) : null
}

/** Words within a name that other papers may leave out. */
const SMALL: ReadonlySet<string> = new Set([...maidenNames, ...particles])

/** Papers that must have a firm's name alone before what stands beside it elsewhere is none of it. */
const WITNESSES = 2

function withoutOthers(page: Page, box: Box, others: readonly string[], kind: Fact['kind']): Word[] | null {
  const around = wordsAround(page, box)
  if (!around) return null
  const words = around.words.slice(around.from, around.to)
  // A person's name is longer on one paper than on others; only words that are no part of any are dropped.
  const droppable = (dropped: readonly Word[]) =>
    kind === 'org' || dropped.every((w) => /^\p{Ll}/u.test(w.text) && !SMALL.has(fold(w.text)))
  for (let cut = 1; cut < words.length; cut++)
    for (const [part, dropped] of [
      [words.slice(cut), words.slice(0, cut)],
      [words.slice(0, -cut), words.slice(-cut)],
    ]) {
      const said = squeeze(part.map((w) => w.text).join(' '))
      if (droppable(dropped) && others.filter((other) => squeeze(other) === said).length >= WITNESSES)
        return part
    }
  return null
}

/** Whether more of a name may stand straight behind what was read of it: then nobody confirms that it is all. */
export function mayGoOn(page: Page, box: Box): boolean {
  const around = wordsAround(page, box)
  const next = around?.words[around.to]
  return (
    next !== undefined &&
    !/[,;:]$/.test(around!.words[around!.to - 1].text) &&
    (/^\p{Lu}\p{L}/u.test(next.text) || maidenNames.has(fold(next.text)))
  )
}
