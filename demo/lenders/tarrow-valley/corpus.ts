import { mkdir, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { Dice } from '../../dice.ts'
import type { ScanQuality } from '../../scan.ts'
import { makePackage, mishaps } from './package.ts'

export interface CorpusWishes {
  cases: number
  seed: number
  layouts: 'seen' | 'unseen'
  scan?: ScanQuality
}

/** Writes cases of Tarrow Valley's members, each with its case.json, truth.json and package.pdf. */
export async function writeCorpus(
  folder: string,
  { cases, seed, layouts, scan }: CorpusWishes,
): Promise<void> {
  for (let i = 0; i < cases; i++) {
    const dice = new Dice(seed * 1000 + i)
    const program = i % 4 === 3 ? 'share-account' : 'vehicle-loan'
    const asOf = '2026-04-10'
    const made = await makePackage({
      seed: seed * 100_000 + i,
      asOf,
      program,
      layouts,
      scan,
      clutter: i % 2 === 0,
      mishaps: i % 3 === 0 ? [] : dice.shuffle(mishaps).slice(0, 2),
    })
    const at = join(folder, `case-${String(i + 1).padStart(3, '0')}`)
    await mkdir(at, { recursive: true })
    await writeFile(join(at, 'package.pdf'), made.bytes)
    await writeFile(join(at, 'case.json'), JSON.stringify({ program, asOf, files: ['package.pdf'] }, null, 1))
    await writeFile(join(at, 'truth.json'), JSON.stringify(made.truth, null, 1))
  }
}
