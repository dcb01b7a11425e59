import { Command, Option } from 'commander'
import { given } from './paths.ts'
import { writeCorpus } from '../demo/corpus.ts'
import { closePrinter } from '../demo/papers/printed/print.ts'
import { paperSets, type PaperSet } from '../demo/papers/sets.ts'
import type { ScanQuality } from '../demo/scan.ts'

const command = new Command('corpus')
  .argument('<dir>')
  .option('--cases <n>', 'how many packages', '24')
  .option('--seed <n>', 'seed', '1')
  .addOption(
    new Option('--layouts <which>', 'whose papers').choices(Object.keys(paperSets)).default('tuning'),
  )
  .addOption(
    new Option('--scan <quality>', 'without it the papers keep their text').choices(['light', 'bad']),
  )
  .option('--by-hand', 'forms are filled in by hand')
  .parse()
const wishes = command.opts<{
  cases: string
  seed: string
  layouts: PaperSet
  scan?: ScanQuality
  byHand?: boolean
}>()
await writeCorpus(given(command.args[0]), {
  cases: Number(wishes.cases),
  seed: Number(wishes.seed),
  papers: wishes.layouts,
  scan: wishes.scan,
  handwritten: wishes.byHand,
})
await closePrinter()
