import { readFile, writeFile } from 'node:fs/promises'
import { collect, isExact, rankCandidates, readingOf, weigh } from '../../core/extraction/index.ts'
import type { Lender } from '../../core/locale/index.ts'
import { type DocumentType, isTicked } from '../../core/program/index.ts'
import { equalValues } from '../score.ts'
import type { DesignersPapers } from './corpora.ts'
import { keptCases, papersOf } from './kept-pages.ts'

/** First choices at least so likely stand at the right place: what is wrong of them was misread. */
const PLACED = 0.97
/** How surely the weakest word of a value was read, where the curve has its points. */
const POINTS = [0.3, 0.5, 0.6, 0.7, 0.78, 0.84, 0.88, 0.91, 0.94, 0.97, 1]
/** Right and wrong values that every point is given beforehand: a handful of papers proves no certainty. */
const BEFOREHAND = { right: 1, wrong: 0.25 }

/** A value that was read from a picture: how surely its weakest word, and whether rightly. */
export interface Sample {
  sure: number
  right: boolean
}

/**
 * How likely a value is right whose weakest word was read so surely: shares around each point, made to rise (pool
 * adjacent violators; Ayer et al., 1955).
 */
export function readingCurve(samples: readonly Sample[]): [sure: number, right: number][] {
  const blocks: { from: number; right: number; all: number }[] = []
  POINTS.forEach((point, i) => {
    const [low, high] = [
      i === 0 ? 0 : (POINTS[i - 1] + point) / 2,
      i + 1 === POINTS.length ? 2 : (point + POINTS[i + 1]) / 2,
    ]
    const near = samples.filter(({ sure }) => sure >= low && sure < high)
    blocks.push({
      from: i,
      right: near.filter((s) => s.right).length + BEFOREHAND.right,
      all: near.length + BEFOREHAND.right + BEFOREHAND.wrong,
    })
    for (
      let last = blocks.at(-1)!, before = blocks.at(-2);
      before && before.right / before.all > last.right / last.all;
    ) {
      blocks.pop()
      before.right += last.right
      before.all += last.all
      last = before
      before = blocks.at(-2)
    }
  })
  return POINTS.map((point, i) => {
    const block = blocks.findLast(({ from }) => from <= i)!
    return [point, Math.round((block.right / block.all) * 1e4) / 1e4]
  })
}

/** Counts how well values of pictures were read and stores the curves beside that of places. */
export async function fitReading(
  calibration: string,
  cache: string,
  papers: readonly DesignersPapers[],
  types: readonly DocumentType[],
  lender: Lender,
): Promise<void> {
  const samples: { exact: Sample[]; words: Sample[] } = { exact: [], words: [] }
  for (const { name, condition } of papers) {
    if (condition === 'text') continue
    for await (const kept of keptCases(cache, name))
      for (const { type, paper, own } of papersOf(kept, types)) {
        if (own.some((p) => p.source === 'text')) continue
        const found = collect(own, type, lender)
        const weighed = weigh(found.pages, type, found.candidates, found.rows)
        for (const field of type.fields) {
          const truly = paper.fields[field.name]
          if (field.kind === 'table' || isTicked(field) || !truly) continue
          const [top] = rankCandidates(field, weighed.get(field.name)!).ranked
          if (!top || top.probability < PLACED || top.candidate.proven) continue
          samples[isExact(field.kind) ? 'exact' : 'words'].push({
            sure: readingOf(top.candidate.words),
            right: equalValues(top.candidate.value, truly.value),
          })
        }
      }
  }
  const before = JSON.parse(await readFile(calibration, 'utf8')) as object
  const reading = { exact: readingCurve(samples.exact), words: readingCurve(samples.words) }
  console.log(
    `values read from pictures: ${samples.exact.length} of figures, ${samples.words.length} of words`,
  )
  await writeFile(calibration, JSON.stringify({ ...before, reading }))
}
