import { existsSync } from 'node:fs'
import { readdir } from 'node:fs/promises'
import { join } from 'node:path'
import { writeCorpus } from '../../demo/corpus.ts'
import type { PaperSet } from '../../demo/papers/sets.ts'
import type { ScanQuality } from '../../demo/scan.ts'

/** Packages of one designer's papers, with their truth. */
export interface DesignersPapers {
  designer: string
  /** Names the corpus among all. */
  name: string
  folder: string
  /** Read from pictures, or from a text layer. */
  pictures: boolean
}

/** Packages of a designer of the demo's generator. */
interface Own {
  papers: PaperSet
  cases: number
  seed: number
  scan?: ScanQuality
}

/** How many packages of each designer are drawn; pictures take a hundred times as long to read as text. */
const OWN: Record<string, Own> = {
  tuning: { papers: 'tuning', cases: 16, seed: 21 },
  dice: { papers: 'dice', cases: 16, seed: 21 },
  printed: { papers: 'printed', cases: 16, seed: 21 },
  studio: { papers: 'studio', cases: 16, seed: 21 },
  scoring: { papers: 'scoring', cases: 16, seed: 21 },
  'dice-light': { papers: 'dice', cases: 5, seed: 22, scan: 'light' },
}

/** Papers of the demo's designers, drawn where they are not there yet. */
export async function ownPapers(): Promise<DesignersPapers[]> {
  const found: DesignersPapers[] = []
  for (const [name, wishes] of Object.entries(OWN)) {
    const folder = join('corpora', 'designers', name)
    if (!existsSync(join(folder, `case-${String(wishes.cases).padStart(3, '0')}`, 'truth.json')))
      await writeCorpus(folder, wishes)
    found.push({ designer: wishes.papers, name, folder, pictures: wishes.scan !== undefined })
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
