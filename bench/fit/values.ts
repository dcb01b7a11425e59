import { createWriteStream } from 'node:fs'
import { once } from 'node:events'
import {
  CHOICE_FEATURES,
  choiceFeatures,
  chooseValues,
  collect,
  FEATURES,
  featured,
} from '../../core/extraction/index.ts'
import type { Lender } from '../../core/locale/index.ts'
import { documentTypeSchema, type DocumentType } from '../../core/program/index.ts'
import { linesOf } from '../../core/layout/index.ts'
import type { Page, Word } from '../../core/model/index.ts'
import { Dice } from '../../demo/dice.ts'
import type { Truth } from '../truth.ts'
import { equalValues } from '../score.ts'
import type { DesignersPapers } from './corpora.ts'
import { keptCases } from './kept-pages.ts'

/** Types as somebody describes them on a first day: so many labels of each field, whichever, the likeliest first. */
const LABELS = 2
const described = (types: readonly DocumentType[], dice: Dice): DocumentType[] =>
  types.map((type) =>
    documentTypeSchema.parse({
      ...type,
      fields: type.fields.map((field) => {
        const chosen = new Set(dice.shuffle(field.labels).slice(0, LABELS))
        return { ...field, labels: field.labels.filter((label) => chosen.has(label)) }
      }),
    }),
  )

/** Pages without some words, and with `lines` without all that stands in their lines. */
function withoutWords(pages: readonly Page[], words: readonly Word[], lines: boolean): Page[] {
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

/** A document of a corpus with what it truly says, as its fields are to be found on it. */
interface Asked {
  designer: string
  pages: readonly Page[]
  type: DocumentType
  truth: Truth['documents'][number]['fields']
  /** The one field that counts; all do where there is none. */
  only?: string
}

/**
 * Each paper is read with its type's labels and with two of each field's, and both once more for one field that
 * was taken off it.
 * @param read reads the fields of a paper; gives the words of the right values, by field
 */
async function readPapers(
  cache: string,
  papers: readonly DesignersPapers[],
  types: readonly DocumentType[],
  read: (asked: Asked) => Map<string, Word[]>,
): Promise<void> {
  const dice = new Dice(5)
  for (const { designer, name } of papers)
    for await (const { pages, truth } of keptCases(cache, name))
      for (const known of [types, described(types, dice)])
        for (const paper of truth.documents) {
          const type = known.find((t) => t.id === paper.type)
          const own = paper.pages.flatMap((p) => pages[p - 1] ?? [])
          if (!type || own.length === 0) continue
          const right = read({ designer, pages: own, type, truth: paper.fields })
          // Once more without one of its values: what a paper does not carry must not be made of what it does.
          const lost = dice.shuffle([...right.keys()])[0]
          if (lost === undefined) continue
          const rest = Object.fromEntries(Object.entries(paper.fields).filter(([name]) => name !== lost))
          const without = withoutWords(own, right.get(lost)!, dice.chance(0.5))
          read({ designer, pages: without, type, truth: rest, only: lost })
        }
}

/** Fields of a paper that count: what a pen wrote is read by other means, and says nothing of places. */
const counts = ({ truth, only }: Asked, field: string): boolean =>
  !truth[field]?.handwritten && (only === undefined || field === only)

/** Rows of features as 32-bit floats in `FILE.f32`, and in `FILE.tsv` a line a row: what is known of it. */
async function writeRows(
  file: string,
  features: readonly string[],
  fill: (write: (features: Float32Array, known: readonly (string | number)[]) => void) => Promise<void>,
): Promise<void> {
  const [rows, lines] = [createWriteStream(`${file}.f32`), createWriteStream(`${file}.tsv`)]
  lines.write(`${features.join('\t')}\n`)
  await fill((row, known) => {
    rows.write(Buffer.from(row.buffer, row.byteOffset, row.byteLength))
    lines.write(`${known.join('\t')}\n`)
  })
  rows.end()
  lines.end()
  await Promise.all([once(rows, 'close'), once(lines, 'close')])
}

/**
 * Writes the candidates of every field of every paper; known of each are its designer, the number of its field,
 * whether it is right, and whether the paper carries the field.
 */
export const writeValues = (
  file: string,
  cache: string,
  papers: readonly DesignersPapers[],
  types: readonly DocumentType[],
  lender: Lender,
): Promise<void> =>
  writeRows(file, FEATURES, (write) => {
    let fields = 0
    return readPapers(cache, papers, types, (asked) => {
      const right = new Map<string, Word[]>()
      const found = collect(asked.pages, asked.type, lender)
      for (const [field, all] of featured(found.pages, asked.type, found.candidates, found.rows)) {
        if (!counts(asked, field)) continue
        const truly = asked.truth[field]
        fields++
        for (const { candidate, features } of all) {
          const is = truly !== undefined && equalValues(candidate.value, truly.value)
          if (is) right.set(field, [...(right.get(field) ?? []), ...candidate.words])
          write(features, [asked.designer, fields, is ? 1 : 0, truly ? 1 : 0])
        }
      }
      return right
    })
  })

/**
 * Writes the value chosen for every field of every paper, by the weights that this process was begun with; known
 * of each are its designer, the number of its field, whether it is right, and whether the paper carries the field.
 */
export const writeChoices = (
  file: string,
  cache: string,
  papers: readonly DesignersPapers[],
  types: readonly DocumentType[],
  lender: Lender,
): Promise<void> =>
  writeRows(file, CHOICE_FEATURES, (write) => {
    let fields = 0
    return readPapers(cache, papers, types, (asked) => {
      const right = new Map<string, Word[]>()
      for (const [field, chosen] of chooseValues(asked.pages, asked.type, lender).chosen) {
        const features = choiceFeatures(chosen)
        const truly = asked.truth[field]
        if (!counts(asked, field) || !features) continue
        fields++
        const { candidate, elsewhere } = chosen.ranked[0]
        const is = truly !== undefined && equalValues(candidate.value, truly.value)
        if (is)
          right.set(
            field,
            [candidate, ...elsewhere].flatMap((c) => c.words),
          )
        write(features, [asked.designer, fields, is ? 1 : 0, truly ? 1 : 0])
      }
      return right
    })
  })
