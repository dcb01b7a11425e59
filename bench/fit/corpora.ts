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
  condition: Condition
}

/** Scores are quoted on these papers: what ships is fitted without them. */
export const KEPT_APART = 'scoring'

/** What papers come as: with their text, as fair or poor scans, or as whatever people send. */
export const CONDITIONS = ['text', 'light', 'heavy', 'mixed'] as const
export type Condition = (typeof CONDITIONS)[number]

/** Packages of a designer of the demo's generator. */
interface Own {
  papers: PaperSet
  cases: number
  seed: number
  scan?: ScanQuality
}

/** What the generator calls what papers come as. */
const CONDITION = { none: 'text', light: 'light', bad: 'heavy' } as const

/** How many packages of each designer are drawn; pictures take a hundred times as long to read as text. */
const OWN: Record<string, Own> = {
  tuning: { papers: 'tuning', cases: 16, seed: 21 },
  dice: { papers: 'dice', cases: 16, seed: 21 },
  printed: { papers: 'printed', cases: 16, seed: 21 },
  studio: { papers: 'studio', cases: 16, seed: 21 },
  scoring: { papers: 'scoring', cases: 16, seed: 21 },
  'dice-light': { papers: 'dice', cases: 5, seed: 22, scan: 'light' },
  'dice-heavy': { papers: 'dice', cases: 2, seed: 23, scan: 'bad' },
}

/** Papers of the demo's designers, drawn where they are not there yet. */
export async function ownPapers(): Promise<DesignersPapers[]> {
  const found: DesignersPapers[] = []
  for (const [name, wishes] of Object.entries(OWN)) {
    const folder = join('corpora', 'designers', name)
    if (!existsSync(join(folder, `case-${String(wishes.cases).padStart(3, '0')}`, 'truth.json')))
      await writeCorpus(folder, wishes)
    found.push({ designer: wishes.papers, name, folder, condition: CONDITION[wishes.scan ?? 'none'] })
  }
  return found
}

/**
 * Papers of other designers, in folders by designer and then by set, whose name tells what they come as:
 * "digital-1", "scan-light-7", "scan-heavy", "mixed".
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
        condition: CONDITIONS.find((c) => set.includes(c)) ?? 'text',
      })
  return found
}
