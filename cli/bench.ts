import { writeFile } from 'node:fs/promises'
import { Command } from 'commander'
import { runCorpus } from '../bench/run.ts'
import { scoresOf } from '../bench/score.ts'

const command = new Command('bench').option('--corpus <dir>').option('--json <file>').option('--notes', 'say every miss').parse()
const given = command.opts<{ corpus: string; json?: string; notes?: boolean }>()
const run = await runCorpus(given.corpus)
const scores = scoresOf(run.tally)
if (given.notes) for (const note of run.tally.notes) console.log(note)
console.log(`${run.cases} cases, ${run.pages} pages, ${(run.wallSeconds / run.pages).toFixed(3)} s wall and ${(run.cpuSeconds / run.pages).toFixed(3)} s CPU a page, ${Math.round(run.peakMegabytes)} MB at most`)
for (const [name, value] of Object.entries(scores)) console.log(`  ${name.padEnd(32)} ${value === null ? '–' : value.toFixed(4)}`)
if (given.json) await writeFile(given.json, JSON.stringify({ ...run, tally: undefined, scores }, null, 1))
