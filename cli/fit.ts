import { execFileSync } from 'node:child_process'
import { copyFileSync } from 'node:fs'
import { mkdir } from 'node:fs/promises'
import { join } from 'node:path'
import { Command } from 'commander'
import { othersPapers, ownPapers } from '../bench/fit/corpora.ts'
import { keepPages } from '../bench/fit/kept-pages.ts'
import { writeLinks } from '../bench/fit/links.ts'
import { writePages } from '../bench/fit/page-types.ts'
import { writeValues } from '../bench/fit/values.ts'
import { FITTED } from '../bench/left-out.ts'
import { starterLender, starterTypes } from '../demo/lenders/merrow-sound/index.ts'
import { closePrinter } from '../demo/papers/printed/print.ts'
import { given } from './paths.ts'

const command = new Command('fit')
  .description('fits page words, weights and curves on the papers of all designers')
  .option('--papers <dir>', "other designers' papers, in folders by designer and set")
  .option('--left-out', 'also once without each designer, for ./jigsa bench designers')
  .parse()
const wishes = command.opts<{ papers?: string; leftOut?: boolean }>()

const CACHE = '.jigsa/fit/pages'
const OUT = '.jigsa/fit'
await mkdir(OUT, { recursive: true })
const papers = [...(await ownPapers()), ...(wishes.papers ? await othersPapers(given(wishes.papers)) : [])]
await closePrinter()
for (const { name, folder } of papers) {
  console.log(`reading ${name}`)
  await keepPages(CACHE, name, folder)
}
await writePages(join(OUT, 'pages.jsonl'), CACHE, papers, starterTypes)
await writeLinks(join(OUT, 'links'), CACHE, papers, starterTypes)
await writeValues(join(OUT, 'values'), CACHE, papers, starterTypes, starterLender)
const left = wishes.leftOut ? ['--left-out'] : []
const python = (script: string, ...words: string[]) =>
  execFileSync('/usr/bin/python3', [join('bench/fit', script), ...words, ...left], { stdio: 'inherit' })
python('page_types.py', join(OUT, 'pages.jsonl'), FITTED['types.json'], OUT)
python('links.py', join(OUT, 'links'), OUT)
python('values.py', join(OUT, 'values'), OUT)
const leftOut = wishes.leftOut ? [...new Set(papers.map((p) => p.designer))] : []
/** By what was fitted just now, which this process, and the papers of the next, do not know. */
const count = (step: string, out: string, ...without: string[]) =>
  execFileSync(
    process.execPath,
    [
      ...['--import', 'tsx', '--import', './bench/left-out-hook.mjs', 'bench/fit/count.ts'],
      ...[step, CACHE, wishes.papers ? given(wishes.papers) : '', ...without],
    ],
    { stdio: 'inherit', env: { ...process.env, JIGSA_FITTED: out } },
  )
for (const step of ['reading', 'evidence']) {
  count(step, OUT)
  for (const left of leftOut) count(step, join(OUT, left), left)
}
for (const [file, place] of Object.entries(FITTED)) copyFileSync(join(OUT, file), place)
execFileSync(
  'npx',
  ['--no-install', 'prettier', '--write', '--log-level', 'warn', ...Object.values(FITTED)],
  {
    stdio: 'inherit',
  },
)
