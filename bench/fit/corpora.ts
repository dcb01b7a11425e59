import { existsSync } from 'node:fs'
import { readdir } from 'node:fs/promises'
import { join } from 'node:path'
import { writeCorpus } from '../../demo/corpus.ts'
import type { PaperSet } from '../../demo/papers/sets.ts'

/** Packages of one designer's papers, with their truth. */
export interface DesignersPapers {
  designer: string
  /** Names the corpus among all. */
  name: string
  folder: string
  /** Read from pictures, or from a text layer. */
  pictures: boolean
}

/** Designers of the demo's generator, and how many packages of each are drawn. */
const OWN: readonly PaperSet[] = ['tuning', 'dice', 'printed', 'studio', 'scoring']
const [CASES, SEED] = [16, 21]

/** Papers of the demo's designers, drawn where they are not there yet. */
export async function ownPapers(): Promise<DesignersPapers[]> {
  const found: DesignersPapers[] = []
  for (const designer of OWN) {
    const folder = join('corpora', 'designers', designer)
    if (!existsSync(join(folder, `case-${String(CASES).padStart(3, '0')}`, 'truth.json')))
      await writeCorpus(folder, { papers: designer, cases: CASES, seed: SEED })
    found.push({ designer, name: designer, folder, pictures: false })
  }
  return found
}

/**
 * Papers of other designers, in folders by designer and then by set; a set is text where its name begins with
 * "digital".
 */
export async function othersPapers(papers: string): Promise<DesignersPapers[]> {
  const foldersIn = async (at: string) =>
    (await readdir(at, { withFileTypes: true }))
      .filter((e) => e.isDirectory() || e.isSymbolicLink())
      .map((e) => e.name)
  const found: DesignersPapers[] = []
  for (const designer of await foldersIn(papers))
    for (const set of await foldersIn(join(papers, designer)))
      found.push({
        designer,
        name: `${designer}-${set}`,
        folder: join(papers, designer, set),
        pictures: !set.startsWith('digital'),
      })
  return found
}
