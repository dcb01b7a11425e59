import { mkdir, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { Dice } from './dice.ts'
import { makePackage, mishaps } from './package.ts'
import type { PaperSet } from './papers/sets.ts'
import type { ScanQuality } from './scan.ts'
import { makeTradePackage, tradeMishaps } from './trade-package.ts'

export interface CorpusWishes {
  cases: number
  seed: number
  papers: PaperSet
  scan?: ScanQuality
  /** Forms are filled in by hand. */
  handwritten?: boolean
}

/** Writes a corpus of cases into `folder`, each with its case.json, truth.json and package.pdf. */
export async function writeCorpus(folder: string, wishes: CorpusWishes): Promise<void> {
  for (let i = 0; i < wishes.cases; i++) {
    const dice = new Dice(wishes.seed * 1000 + i)
    const business = i % 5 === 4
    const given = {
      seed: wishes.seed * 100_000 + i,
      asOf: '2026-04-10',
      papers: wishes.papers,
      clutter: i % 3 !== 0,
      scan: wishes.scan,
      turned: true,
    }
    const some = <M>(all: readonly M[]): M[] =>
      i % 4 === 0 ? [] : dice.shuffle(all).slice(0, dice.int(1, 3))
    const made = business
      ? await makeTradePackage({ ...given, mishaps: some(tradeMishaps) })
      : await makePackage({
          ...given,
          mishaps: some(mishaps),
          separators: i % 7 === 3,
          scattered: i % 7 === 5,
          handwritten: wishes.handwritten,
          coApplicant: dice.chance(0.3),
          selfEmployed: dice.chance(0.25),
          variants: dice.chance(0.6),
        })
    const at = join(folder, `case-${String(i + 1).padStart(3, '0')}`)
    await mkdir(at, { recursive: true })
    await writeFile(join(at, 'package.pdf'), made.bytes)
    await writeFile(
      join(at, 'case.json'),
      JSON.stringify(
        {
          program: business ? 'trader-account' : 'working-boat-loan',
          asOf: given.asOf,
          files: ['package.pdf'],
        },
        null,
        1,
      ),
    )
    await writeFile(join(at, 'truth.json'), JSON.stringify(made.truth, null, 1))
  }
}
