import { execFile } from 'node:child_process'
import { existsSync } from 'node:fs'
import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { Command } from 'commander'
import type { Burst, BurstResult } from '../bench/arrivals.ts'
import { measureAnswering, type Answering } from '../bench/answering.ts'
import { drawCalibration } from '../bench/calibration.ts'
import { runManyTypes } from '../bench/many-types.ts'
import { type CorpusBy, readCases, runCorpus } from '../bench/run.ts'
import { fuzz } from '../bench/fuzz.ts'
import { runPared } from '../bench/pared-types.ts'
import { starterTypes } from '../demo/lenders/merrow-sound/index.ts'
import { writeCorpus as writeTarrowValley } from '../demo/lenders/tarrow-valley/corpus.ts'
import { tarrowValley } from '../demo/lenders/tarrow-valley/index.ts'
import { scoresOf } from '../bench/score.ts'
import { measureRejudging, type Rejudging } from '../bench/rejudge.ts'
import { measureTeaching } from '../bench/teaching.ts'
import { measureScreens, type Screens } from '../bench/screens.ts'
import { measureSpeed, type Taken } from '../bench/speed.ts'
import { COUNTED, type DesignerRun, leaveOut, NO_TITLES, summary, TWO_LABELS } from '../bench/designers.ts'
import { measureLessSaid } from '../bench/less-said.ts'
import { CONDITIONS, othersPapers, ownPapers } from '../bench/fit/corpora.ts'
import { closePrinter } from '../demo/papers/printed/print.ts'
import { writeCorpus } from '../demo/corpus.ts'
import type { PaperSet } from '../demo/papers/sets.ts'
import type { ScanQuality } from '../demo/scan.ts'
import { startAlone } from './alone.ts'
import { lenderOf, programOf, typesOf } from './configuration.ts'
import { given } from './paths.ts'
import { ensureDatabase, startPostgres } from './postgres.ts'

const command = new Command('bench')
  .argument(
    '[which]',
    '"designers": the papers of every designer, each read by what was fitted without it; "fuzz": any files, and those changed; "arrivals": mails and files beside a long scan, while processes are killed',
  )
  .description('scores of a corpus; without one, of the corpora that ship with the generator, and the speed')
  .option('--corpus <dir>', 'a folder of cases')
  .option('--types <file>', 'document types of the corpus; with it no others take part')
  .option('--program <file>', 'the program of the corpus, in place of the one that its cases name')
  .option('--lender <file>', 'the lender of the corpus')
  .option('--papers <dir>', "other designers' papers, in folders by designer and set; with designers")
  .option('--files <dir>', 'files of any kind, from anywhere; with fuzz')
  .option('--minutes <n>', 'how long changed files are tried; with fuzz', '60')
  .option('--seed <n>', 'which changes are made; with fuzz', '1')
  .option('--json <file>', 'also write the figures there')
  .option('--less-said', 'also with two labels a field, and with the titles taken off the papers')
  .option('--notes', 'say every miss; not for the layouts that scores are quoted on')
  .parse()
const wishes = command.opts<{
  corpus?: string
  types?: string
  program?: string
  lender?: string
  papers?: string
  json?: string
  notes?: boolean
  lessSaid?: boolean
  files?: string
  minutes: string
  seed: string
}>()

/** The corpora drawn where none is given: those that rules are tuned on, and those that scores are quoted on. */
const CORPORA: readonly {
  name: string
  papers: PaperSet
  cases: number
  seed: number
  scan?: ScanQuality
  handwritten?: boolean
}[] = [
  { name: 'tuning-text', papers: 'tuning', cases: 20, seed: 1 },
  { name: 'dice-text', papers: 'dice', cases: 20, seed: 3 },
  { name: 'scoring-text', papers: 'scoring', cases: 30, seed: 7 },
  { name: 'scoring-light-scans', papers: 'scoring', cases: 6, seed: 9, scan: 'light' },
  { name: 'scoring-bad-scans', papers: 'scoring', cases: 4, seed: 13, scan: 'bad' },
  { name: 'scoring-by-hand', papers: 'scoring', cases: 4, seed: 17, scan: 'light', handwritten: true },
]

const SECOND: readonly {
  name: string
  cases: number
  seed: number
  layouts: 'seen' | 'unseen'
  scan?: ScanQuality
}[] = [
  { name: 'second-seen-text', cases: 12, seed: 1, layouts: 'seen' },
  { name: 'second-unseen-text', cases: 12, seed: 2, layouts: 'unseen' },
  { name: 'second-seen-light-scans', cases: 4, seed: 3, layouts: 'seen', scan: 'light' },
  { name: 'second-unseen-light-scans', cases: 4, seed: 4, layouts: 'unseen', scan: 'light' },
]

const figures: Record<string, unknown> = {}

/** What the files that were named say, or else the starter set. */
async function wished(): Promise<CorpusBy> {
  const types = await typesOf(wishes.types)
  return {
    types,
    lender: await lenderOf(wishes.lender),
    programOf: (named) => programOf(named, types, wishes.program),
  }
}

async function score(name: string, folder: string, by?: CorpusBy): Promise<void> {
  const { tally, ...run } = await runCorpus(folder, by ?? (await wished()))
  const scores = scoresOf(tally)
  if (wishes.lessSaid) {
    const { types, lender } = by ?? (await wished())
    const less = measureLessSaid(await readCases(folder), types, lender)
    scores[TWO_LABELS] = less.valuesByTwoLabels
    scores[NO_TITLES] = less.typesWithoutTitles
  }
  if (wishes.notes) for (const note of tally.notes) console.log(note)
  console.log(
    [
      `\n`,
      `${name}: ${run.cases} cases, ${run.pages} pages, ${(run.wallSeconds / run.pages).toFixed(3)} s `,
      `wall and ${(run.cpuSeconds / run.pages).toFixed(3)} s CPU a page, `,
      `${Math.round(run.peakMegabytes)} MB at most`,
    ].join(''),
  )
  for (const [label, value] of Object.entries(scores))
    console.log(`  ${label.padEnd(32)} ${value === null ? '–' : value.toFixed(4)}`)
  console.log(`  documents said to be so sure, and how many of them were right (│ is what was said)`)
  for (const row of drawCalibration(tally.documents)) console.log(`    ${row}`)
  console.log(`  fields`)
  for (const row of drawCalibration(tally.fields)) console.log(`    ${row}`)
  figures[name] = { ...run, scores }
}

/** The second lender's papers, read by its own types: the layouts that these were described from, and others. */
async function scoreSecondLender(): Promise<void> {
  const { types, programs, lender } = tarrowValley
  const by: CorpusBy = {
    types,
    lender,
    programOf: (id) => Promise.resolve(programs.find((p) => p.id === id)!),
  }
  for (const { name, ...corpus } of SECOND) {
    const folder = join('corpora', name)
    if (!existsSync(join(folder, `case-${String(corpus.cases).padStart(3, '0')}`, 'truth.json')))
      await writeTarrowValley(folder, corpus)
    await score(name, folder, by)
  }
}

/** Takes files that nobody made for us, and the same files broken: the exit code tells whether all were dealt with. */
const ARRIVALS: readonly Burst[] = [
  // One letter after the other, while both cores read somebody else's long scan.
  { mails: 20, files: 0, everySeconds: 3, scanPages: 200, readAll: false, killAfter: 0 },
  // A burst as a branch sends it on a Monday, with a process killed now and then.
  { mails: 200, files: 500, everySeconds: 0, scanPages: 200, readAll: false, killAfter: 120 },
]

async function arrivalsBeside(burst: Burst): Promise<void> {
  const { stdout } = await promisify(execFile)(process.execPath, [
    ...['--import', 'tsx', 'bench/take-burst.ts'],
    ...[JSON.stringify(burst), '.jigsa/burst-postgres'],
  ])
  const { lost, twice, untold, toldTwice, kills, firstLetter, seconds } = JSON.parse(stdout) as BurstResult
  console.log(
    [
      `${burst.mails} mails and ${burst.files} files beside a scan of ${burst.scanPages} pages, ${kills} kills: `,
      `${lost} lost, ${twice} twice, ${untold} untold, ${toldTwice} told twice; all in packages and told of after ${seconds} s\n`,
      `  the first letter after ${firstLetter.median} s at the median, ${firstLetter.p95} s at the 95th `,
      `percentile, ${firstLetter.most} s at most`,
    ].join(''),
  )
  figures[`arrivals-${burst.mails}`] = {
    ...burst,
    lost,
    twice,
    untold,
    toldTwice,
    kills,
    firstLetter,
    seconds,
  }
}

async function fuzzFiles(): Promise<void> {
  if (!wishes.files) throw new Error('fuzz takes its files from --files DIR')
  const types = await typesOf(wishes.types)
  const program = await programOf(wishes.program ?? 'working-boat-loan', types)
  const by = { program, types, lender: await lenderOf(wishes.lender), asOf: '2026-04-10' }
  const made = { minutes: Number(wishes.minutes), seed: Number(wishes.seed), keep: '.jigsa/fuzz', by }
  const found = await fuzz(given(wishes.files), made, (line) => console.log(line))
  console.log(
    [
      `${found.files} files: ${found.read} read, ${found.refused} refused in a sentence, ${found.faults.length} not dealt with`,
      `slowest ${found.slowest.seconds.toFixed(1)} s (${found.slowest.name})`,
      `taken for one of the types without a question: ${found.typedUnasked.length ? found.typedUnasked.join(', ') : 'none'}`,
    ].join('\n'),
  )
  figures.fuzz = found
  if (found.faults.length > 0) process.exitCode = 1
}

/** How papers find their types where these were described in few wordings. */
async function scorePared(folder: string): Promise<void> {
  const runs = runPared(await readCases(folder), starterTypes, [1, 3, 10])
  console.log('\nknowing types that were described in so many wordings a field')
  for (const { wordings, typed, unknown, strangersTaken } of runs)
    console.log(
      [
        `  ${String(wordings).padStart(3)} wordings  pages of the right type ${typed.toFixed(4)}  `,
        `of none ${unknown.toFixed(4)}  strangers taken unasked ${strangersTaken.toFixed(4)}`,
      ].join(''),
    )
  figures.pared = runs
}

/** The curve of accuracy and time over the number of types, on the text papers that types are tuned on. */
async function scoreTypes(folder: string): Promise<void> {
  const runs = runManyTypes(await readCases(folder), [25, 100, 500])
  console.log('\ncutting with so many types known')
  for (const run of runs)
    console.log(
      [
        `  ${String(run.types).padStart(3)} types  type accuracy ${run.typeAccuracy.toFixed(4)}  `,
        `boundary F1 ${run.boundaryF1.toFixed(4)}  ${run.millisecondsPerPage.toFixed(1)} ms a page`,
      ].join(''),
    )
  figures.types = runs
}

/** What one marked paper teaches of types whose labels were taken out. */
async function scoreTeaching(folder: string): Promise<void> {
  const run = measureTeaching(await readCases(folder))
  const share = (value: number) => value.toFixed(4)
  console.log(
    [
      `\n`,
      `teaching by one example, on ${run.papers} papers of three types whose labels were taken out\n`,
      `  values right before               ${share(run.before)}\n`,
      `  after one marked paper             ${share(run.after)}\n`,
      `  where a label shares a word        ${share(run.comparable)}\n`,
      `  spoilt in whole definitions        ${share(run.harmed)}\n`,
      `  200 papers read again in           ${Math.round(run.rereadingMs)} ms`,
    ].join(''),
  )
  figures.teaching = run
}

const milliseconds = ({ middleMs, slowestMs }: Rejudging) =>
  `${Math.round(middleMs)} ms mostly, ${Math.round(slowestMs)} ms at most`

/**
 * What the interface does, and what an answer takes on the server, with a database of its own that nobody
 * works in.
 */
async function measureServer(path: string): Promise<{ answering: Answering; screens: Screens }> {
  const cluster = await startPostgres(join('.jigsa', 'bench-postgres'))
  try {
    await ensureDatabase(cluster, 'bench', true)
    Object.assign(process.env, {
      DATABASE_URL: cluster.url('bench'),
      DATABASE_OWNER_URL: cluster.ownerUrl('bench'),
      AUTH_SECRET: 'only-for-the-bench-only-for-the-bench',
      LOG_LEVEL: 'silent',
    })
    const { url, end } = await startAlone()
    const screens = await measureScreens(url, path).finally(end)
    return { screens, answering: await measureAnswering(path) }
  } finally {
    await cluster.stop()
  }
}

/** The mean and the worst designer left out, beside what was fitted on all. */
async function scoreDesigners(): Promise<void> {
  const papers = [...(await ownPapers()), ...(wishes.papers ? await othersPapers(given(wishes.papers)) : [])]
  await closePrinter()
  const runs: DesignerRun[] = []
  for await (const run of leaveOut(papers, join('.jigsa', 'fit'))) {
    runs.push(run)
    console.log(`\n${run.name}: left out, fitted`)
    for (const [figure] of COUNTED)
      console.log(`  ${figure.padEnd(28)} ${shown(run.leftOut[figure])}  ${shown(run.fitted[figure])}`)
    for (const [cause, share] of Object.entries(run.leftOut))
      if (cause.startsWith('cause: ')) console.log(`    ${cause.slice(7).padEnd(26)} ${shown(share)}`)
  }
  for (const condition of CONDITIONS) {
    const of = runs.filter((_, i) => papers[i].condition === condition)
    if (of.length === 0) continue
    console.log(`\n${condition}: mean left out, worst left out, mean fitted`)
    for (const [figure, more] of COUNTED) {
      const found = summary(of, figure, more)
      if (found)
        console.log(
          `  ${figure.padEnd(28)} ${shown(found.leftOut)}  ${shown(found.worst)}  ${shown(found.fitted)}`,
        )
    }
  }
  figures.designers = runs
}

const shown = (value: number | null | undefined): string => (value == null ? '–     ' : value.toFixed(4))

if (wishes.corpus) await score(wishes.corpus, given(wishes.corpus))
else if (command.args[0] === 'designers') await scoreDesigners()
else if (command.args[0] === 'fuzz') await fuzzFiles()
else if (command.args[0] === 'arrivals') for (const burst of ARRIVALS) await arrivalsBeside(burst)
else {
  for (const { name, ...corpus } of CORPORA) {
    const folder = join('corpora', name)
    if (!existsSync(join(folder, `case-${String(corpus.cases).padStart(3, '0')}`, 'truth.json')))
      await writeCorpus(folder, corpus)
    await score(name, folder)
  }
  await scoreSecondLender()
  await scorePared(join('corpora', 'scoring-text'))
  await scoreTypes(join('corpora', 'dice-text'))
  await scoreTeaching(join('corpora', 'dice-text'))
  const speed = await measureSpeed(join('corpora', 'speed'))
  const show = (taken: Taken) =>
    `${taken.wallSeconds.toFixed(2)} s wall, ${taken.cpuSeconds.toFixed(2)} s CPU, ${Math.round(taken.peakMegabytes)} MB`
  console.log(
    [
      `\n`,
      `speed on ${speed.text.pages} pages of text\n`,
      `  jigsa process    ${show(speed.text.process)}\n`,
      `  pdftotext -bbox  ${show(speed.text.pdftotext)}\n`,
      `  ratio of wall    ${speed.text.ratio.toFixed(2)}`,
    ].join(''),
  )
  console.log(
    [
      `speed on ${speed.scan.pages} scanned pages\n`,
      `  jigsa process    ${show(speed.scan.process)}\n`,
      `  Tesseract alone  ${show(speed.scan.tesseract)}\n`,
      `    on one thread  ${show(speed.scan.tesseractOneThread)}\n`,
      `  ratio of CPU     ${speed.scan.cpuRatio.toFixed(2)}, on one thread `,
      `${speed.scan.cpuRatioOneThread.toFixed(2)}; ${speed.scan.coresBusy.toFixed(2)} cores busy`,
    ].join(''),
  )
  console.log('memory of the headless run')
  for (const { pages, peakMegabytes } of speed.memory)
    console.log(`  ${String(pages).padStart(4)} pages of text  ${Math.round(peakMegabytes)} MB at most`)
  figures.speed = speed
  const large = join('corpora', 'speed', 'text-500.pdf')
  const again = (figures.rejudging = await measureRejudging(large))
  console.log(
    `judging ${again.pages} pages in ${again.documents} documents again after an answer\n  ${milliseconds(again)}`,
  )
  const { answering, screens } = await measureServer(large)
  Object.assign(figures, { answering, screens })
  console.log(
    [
      `  ${milliseconds(answering)} on the server, from the answer until its verdict stands in the `,
      `database; the first in ${Math.round(answering.firstMs)} ms`,
    ].join(''),
  )
  console.log(
    [
      `the interface with ${again.pages} pages\n`,
      `  the first picture ${Math.round(screens.firstPictureMs)} ms after the file was chosen, all `,
      `read after ${(screens.wholeMs / 1000).toFixed(1)} s`,
    ].join(''),
  )
  for (const { view, perSecond, late, slowestMs } of screens.frames)
    console.log(
      [
        `  ${view.padEnd(9)} ${perSecond.toFixed(1)} frames a second while rolling, `,
        `${(late * 100).toFixed(1)} % late, the slowest ${Math.round(slowestMs)} ms`,
      ].join(''),
    )
}
if (wishes.json) await writeFile(given(wishes.json), JSON.stringify(figures, null, 1))
