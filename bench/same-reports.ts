import { execFileSync } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { Command } from 'commander'

/**
 * Shows that a change of structure alone changes no result: draws packages of every set of layouts, runs the
 * headless run of an earlier revision and of this working tree on each, and compares `report.json` byte by
 * byte, without the timing. Exit 1 where any differs.
 */
const command = new Command('same-reports')
  .argument('<revision>', 'the earlier revision')
  .option(
    '--work <dir>',
    'keeps the earlier checkout, the packages and its reports for the next run',
    join(tmpdir(), 'jigsa-same-reports'),
  )
  .parse()

/** Layouts, how they are scanned, and how many packages of them: twenty in all. */
const CORPORA: readonly { name: string; cases: number; wishes: readonly string[] }[] = [
  { name: 'tuning', cases: 3, wishes: ['--layouts', 'tuning'] },
  { name: 'dice', cases: 3, wishes: ['--layouts', 'dice'] },
  { name: 'printed', cases: 2, wishes: ['--layouts', 'printed'] },
  { name: 'studio', cases: 2, wishes: ['--layouts', 'studio'] },
  { name: 'scoring', cases: 4, wishes: ['--layouts', 'scoring'] },
  { name: 'tuning-light', cases: 2, wishes: ['--layouts', 'tuning', '--scan', 'light'] },
  { name: 'dice-bad', cases: 1, wishes: ['--layouts', 'dice', '--scan', 'bad'] },
  { name: 'scoring-bad', cases: 1, wishes: ['--layouts', 'scoring', '--scan', 'bad'] },
  { name: 'tuning-by-hand', cases: 2, wishes: ['--layouts', 'tuning', '--scan', 'light', '--by-hand'] },
]
const SEED = '4711'

const work = resolve(command.opts<{ work: string }>().work)
const earlier = join(work, 'earlier')
const here = resolve(import.meta.dirname, '..')

const jigsa = (checkout: string, ...words: string[]) =>
  execFileSync('./jigsa', words, { cwd: checkout, stdio: ['ignore', 'ignore', 'pipe'] })

/** A report without its timing, which differs from run to run. */
function reportIn(folder: string): string {
  const report = JSON.parse(readFileSync(join(folder, 'report.json'), 'utf8')) as Record<string, unknown>
  delete report.timing
  return JSON.stringify(report, null, 1)
}

/** The report of a package as a checkout makes it. */
function reportBy(checkout: string, folder: string, out: string): string {
  const { program, asOf, files } = JSON.parse(readFileSync(join(folder, 'case.json'), 'utf8')) as {
    program: string
    asOf: string
    files: string[]
  }
  jigsa(
    checkout,
    'process',
    '--program',
    program,
    '--as-of',
    asOf,
    '--out',
    out,
    ...files.map((file) => join(folder, file)),
  )
  return reportIn(out)
}

mkdirSync(work, { recursive: true })
if (!existsSync(earlier)) execFileSync('git', ['clone', '--quiet', here, earlier])
execFileSync('git', ['checkout', '--quiet', command.args[0]], { cwd: earlier })
let same = 0
const different: string[] = []
for (const { name, cases, wishes } of CORPORA) {
  const corpus = join(work, 'corpora', name)
  if (!existsSync(corpus))
    jigsa(earlier, 'corpus', corpus, '--cases', String(cases), '--seed', SEED, ...wishes)
  for (const entry of readdirSync(corpus).sort()) {
    const folder = join(corpus, entry)
    const [before, after] = ['before', 'after'].map((side) => join(work, side, name, entry))
    const reportBefore = existsSync(join(before, 'report.json'))
      ? reportIn(before)
      : reportBy(earlier, folder, before)
    const equal = reportBefore === reportBy(here, folder, after)
    if (equal) same++
    else different.push(`${name}/${entry}`)
    process.stdout.write(`${equal ? 'same     ' : 'different'} ${name}/${entry}\n`)
  }
}
process.stdout.write(`${same} the same, ${different.length} different\n`)
process.exitCode = different.length > 0 ? 1 : 0
