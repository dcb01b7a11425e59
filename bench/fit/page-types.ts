import { createWriteStream } from 'node:fs'
import { once } from 'node:events'
import { evidenceReaderFor, pageWordsOf } from '../../core/classification/index.ts'
import { documentTypeSchema, type DocumentType } from '../../core/program/index.ts'
import type { DesignersPapers } from './corpora.ts'
import { keptCases } from './kept-pages.ts'

/**
 * Writes what a page says of its type, a page a line: its designer, the place of its type among the types (-1
 * for a stranger), its place in its paper, its words, and the evidence of each type's wordings and headings.
 */
export async function writePages(
  file: string,
  cache: string,
  papers: readonly DesignersPapers[],
  types: readonly DocumentType[],
): Promise<void> {
  const out = createWriteStream(file)
  const bare = types.map((type) => documentTypeSchema.parse({ ...type, pageWords: undefined }))
  const read = evidenceReaderFor(bare)
  for (const { designer, name } of papers)
    for await (const { pages, truth } of keptCases(cache, name))
      truth.pages.forEach(({ document }, i) => {
        if (document === null || !pages[i]) return
        const paper = truth.documents[document]
        const { wordings, titles } = read(pages[i])
        out.write(
          `${JSON.stringify({
            designer,
            type: types.findIndex((t) => t.id === paper.type),
            place: paper.pages.indexOf(i + 1),
            words: [...pageWordsOf(pages[i])],
            wordings,
            titles,
          })}\n`,
        )
      })
  out.end()
  await once(out, 'close')
}
