import { createWriteStream } from 'node:fs'
import { once } from 'node:events'
import {
  evidenceReaderFor,
  LINK_FEATURES,
  linkFeatures,
  pageFeatures,
} from '../../core/classification/index.ts'
import type { DocumentType } from '../../core/program/index.ts'
import type { DesignersPapers } from './corpora.ts'
import { keptCases } from './kept-pages.ts'

/**
 * Writes every pair of neighbouring pages: rows of features as 32-bit floats to `FILE.f32`, and to `FILE.tsv` a
 * line a row: designer, number of the row, whether the second page goes on with the paper of the first, 1.
 */
export async function writeLinks(
  file: string,
  cache: string,
  papers: readonly DesignersPapers[],
  types: readonly DocumentType[],
): Promise<void> {
  const [rows, lines] = [createWriteStream(`${file}.f32`), createWriteStream(`${file}.tsv`)]
  lines.write(`${LINK_FEATURES.join('\t')}\n`)
  const read = evidenceReaderFor(types)
  let pairs = 0
  for (const { designer, name } of papers)
    for await (const { pages, truth } of keptCases(cache, name)) {
      const kept = truth.pages.flatMap((p, i) => (p.document === null || !pages[i] ? [] : [i]))
      const looks = kept.map((i) => pageFeatures(pages[i]))
      const evidence = kept.map((i) => read(pages[i]))
      for (let k = 1; k < kept.length; k++) {
        const [before, after] = [truth.pages[kept[k - 1]].document, truth.pages[kept[k]].document]
        const own = truth.documents[after!].pages
        const goesOn = before === after && own.indexOf(kept[k] + 1) === own.indexOf(kept[k - 1] + 1) + 1
        const row = linkFeatures(looks[k - 1], looks[k], [evidence[k - 1], evidence[k]], types)
        rows.write(Buffer.from(row.buffer, row.byteOffset, row.byteLength))
        lines.write(`${designer}\t${++pairs}\t${goesOn ? 1 : 0}\t1\n`)
      }
    }
  rows.end()
  lines.end()
  await Promise.all([once(rows, 'close'), once(lines, 'close')])
}
