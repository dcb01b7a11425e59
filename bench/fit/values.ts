import { createWriteStream } from 'node:fs'
import { once } from 'node:events'
import { collect, FEATURES, featured } from '../../core/extraction/index.ts'
import type { Lender } from '../../core/locale/index.ts'
import type { DocumentType } from '../../core/program/index.ts'
import { linesOf } from '../../core/layout/index.ts'
import type { Page, Word } from '../../core/model/index.ts'
import { Dice } from '../../demo/dice.ts'
import type { Truth } from '../truth.ts'
import { equalValues } from '../score.ts'
import type { DesignersPapers } from './corpora.ts'
import { described } from './described.ts'
import { keptCases, papersOf } from './kept-pages.ts'

/** Pages without some words, and with `lines` without all that stands in their lines. */
function without(pages: readonly Page[], words: readonly Word[], lines: boolean): Page[] {
  const gone = new Set(words.map((w) => w.box))
  return pages.map((page) => {
    const dropped = new Set(
      linesOf(page).flatMap((line) =>
        line.words.filter((w) => gone.has(w.box) || (lines && line.words.some((o) => gone.has(o.box)))),
      ),
    )
    return { ...page, words: page.words.filter((w) => !dropped.has(w)) }
  })
}

/**
 * Writes the candidates of every field of every paper: rows of features as 32-bit floats to `FILE.f32`, and to
 * `FILE.tsv` a line a row: designer, number of the field, whether the candidate is right, whether the paper
 * carries the field. Each paper is read with its type's labels and with two of each field's, and both once more
 * for one field that was taken off it.
 */
export async function writeValues(
  file: string,
  cache: string,
  papers: readonly DesignersPapers[],
  types: readonly DocumentType[],
  lender: Lender,
): Promise<void> {
  const [rows, lines] = [createWriteStream(`${file}.f32`), createWriteStream(`${file}.tsv`)]
  lines.write(`${FEATURES.join('\t')}\n`)
  const dice = new Dice(5)
  let fields = 0

  /** Writes the candidates of a paper's fields, or of one of them. @returns the words of the right ones by field */
  function write(
    designer: string,
    pages: readonly Page[],
    type: DocumentType,
    truth: Truth['documents'][number]['fields'],
    only?: string,
  ): Map<string, Word[]> {
    const right = new Map<string, Word[]>()
    const found = collect(pages, type, lender)
    for (const [field, all] of featured(found.pages, type, found.candidates, found.rows)) {
      const truly = truth[field]
      // What a pen wrote is read by other means, and says nothing of places.
      if (truly?.handwritten || (only !== undefined && field !== only)) continue
      fields++
      for (const { candidate, features } of all) {
        const is = truly !== undefined && equalValues(candidate.value, truly.value)
        if (is) right.set(field, [...(right.get(field) ?? []), ...candidate.words])
        rows.write(Buffer.from(features.buffer, features.byteOffset, features.byteLength))
        lines.write(`${designer}\t${fields}\t${is ? 1 : 0}\t${truly ? 1 : 0}\n`)
      }
    }
    return right
  }
  for (const { designer, name } of papers)
    for await (const kept of keptCases(cache, name))
      for (const known of [types, described(types, dice)])
        for (const { type, paper, own } of papersOf(kept, known)) {
          const right = write(designer, own, type, paper.fields)
          // Once more without one of its values: what a paper does not carry must not be made of what it does.
          const lost = dice.shuffle([...right.keys()])[0]
          if (lost === undefined) continue
          const rest = Object.fromEntries(Object.entries(paper.fields).filter(([name]) => name !== lost))
          write(designer, without(own, right.get(lost)!, dice.chance(0.5)), type, rest, lost)
        }
  rows.end()
  lines.end()
  await Promise.all([once(rows, 'close'), once(lines, 'close')])
}
