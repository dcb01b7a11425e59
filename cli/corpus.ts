import { Command } from 'commander'
import { given } from './paths.ts'
import { writeCorpus } from '../demo/corpus.ts'
import { paperSets, type PaperSet } from '../demo/papers/sets.ts'
import type { ScanQuality } from '../demo/scan.ts'

const command = new Command('corpus')
  .argument('<dir>')
  .option('--cases <n>', 'how many packages', '24')
  .option('--seed <n>', 'seed', '1')
  .option('--layouts <which>', 'tuning, dice or scoring', 'tuning')
  .option('--scan <quality>', 'light or bad; without it the papers keep their text')
  .parse()
const wishes = command.opts<{ cases: string; seed: string; layouts: string; scan?: ScanQuality }>()
await writeCorpus(given(command.args[0]), { cases: Number(wishes.cases), seed: Number(wishes.seed), papers: wishes.layouts in paperSets ? (wishes.layouts as PaperSet) : 'tuning', scan: wishes.scan })
