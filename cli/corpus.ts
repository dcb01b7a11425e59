import { Command, Option } from 'commander'
import { given } from './paths.ts'
import { writeCorpus } from '../demo/corpus.ts'
import { writeCorpus as writeTarrowValley } from '../demo/lenders/tarrow-valley/corpus.ts'
import { closePrinter } from '../demo/papers/printed/print.ts'
import { paperSets, type PaperSet } from '../demo/papers/sets.ts'
import type { ScanQuality } from '../demo/scan.ts'

const lenders = ['merrow-sound', 'tarrow-valley'] as const
/** Layouts of the second lender: those that its types were described from, and those that nobody described. */
const described = ['seen', 'unseen'] as const

const command = new Command('corpus')
  .argument('<dir>')
  .option('--cases <n>', 'how many packages', '24')
  .option('--seed <n>', 'seed', '1')
  .addOption(new Option('--lender <which>').choices(lenders).default('merrow-sound'))
  .addOption(
    new Option('--layouts <which>', 'whose papers').choices([...Object.keys(paperSets), ...described]),
  )
  .addOption(
    new Option('--scan <quality>', 'without it the papers keep their text').choices(['light', 'bad']),
  )
  .option('--by-hand', 'forms are filled in by hand')
  .parse()
const wishes = command.opts<{
  cases: string
  seed: string
  lender: (typeof lenders)[number]
  layouts?: string
  scan?: ScanQuality
  byHand?: boolean
}>()
const [cases, seed] = [Number(wishes.cases), Number(wishes.seed)]
const folder = given(command.args[0])
if (wishes.lender === 'tarrow-valley')
  await writeTarrowValley(folder, {
    cases,
    seed,
    layouts: described.find((layouts) => layouts === wishes.layouts) ?? 'seen',
    scan: wishes.scan,
  })
else
  await writeCorpus(folder, {
    cases,
    seed,
    papers: (Object.keys(paperSets) as PaperSet[]).find((set) => set === wishes.layouts) ?? 'tuning',
    scan: wishes.scan,
    handwritten: wishes.byHand,
  })
await closePrinter()
