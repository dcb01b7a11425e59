import { Command } from 'commander'
import { SCORING_LAYOUTS, TUNING_LAYOUTS, writeCorpus } from '../demo/corpus.ts'
import type { ScanQuality } from '../demo/scan.ts'

const command = new Command('corpus')
  .argument('<dir>')
  .option('--cases <n>', 'how many packages', '24')
  .option('--seed <n>', 'seed', '1')
  .option('--layouts <which>', 'tuning or scoring', 'tuning')
  .option('--scan <quality>', 'light or bad; without it the papers keep their text')
  .parse()
const given = command.opts<{ cases: string; seed: string; layouts: string; scan?: ScanQuality }>()
await writeCorpus(command.args[0], { cases: Number(given.cases), seed: Number(given.seed), layouts: given.layouts === 'scoring' ? SCORING_LAYOUTS : TUNING_LAYOUTS, scan: given.scan })
