import { join } from 'node:path'
import { merrowSound, starterLender, starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import { KEPT_APART, othersPapers, ownPapers } from './corpora.ts'
import { fitEvidence } from './evidence.ts'
import { fitReading } from './reading.ts'
import { fitTold } from './told.ts'

/**
 * Counts on kept pages what fitted weights are worth, by those in JIGSA_FITTED: a process of its own for each step,
 * since weights are read once, when a process starts. `count.ts reading|evidence CACHE [PAPERS [WITHOUT]]`
 */
const [step, cache, folder, without = KEPT_APART] = process.argv.slice(2)
const out = process.env.JIGSA_FITTED!
const papers = [...(await ownPapers()), ...(folder ? await othersPapers(folder) : [])].filter(
  ({ designer }) => designer !== without,
)
if (step === 'reading')
  await fitReading(join(out, 'calibration.json'), cache, papers, starterTypes, starterLender)
else {
  await fitEvidence(join(out, 'evidence.json'), cache, papers, starterTypes, starterLender)
  await fitTold(join(out, 'told.json'), cache, papers, {
    types: starterTypes,
    lender: starterLender,
    programs: merrowSound.programs,
  })
}
