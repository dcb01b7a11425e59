import { starterTypes } from '../demo/lenders/merrow-sound/index.ts'
import { inWords } from '../wording/index.ts'
import { readFileSync } from 'node:fs'
import { readdir, readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { type Report, reportOf } from '../core/handover/index.ts'
import type { Page } from '../core/model/index.ts'
import type { Lender } from '../core/locale/index.ts'
import type { DocumentType, Program } from '../core/program/index.ts'
import { judgeRead } from '../engine/pipeline/headless.ts'
import { readPackage } from '../engine/pipeline/read-package.ts'
import { tallyCase, Tally } from './score.ts'
import { caseSchema, truthSchema, type Truth } from './truth.ts'

export interface CorpusRun {
  tally: Tally
  cases: number
  pages: number
  wallSeconds: number
  cpuSeconds: number
  peakMegabytes: number
}

/** What the packages of a corpus are read and judged by. */
export interface CorpusBy {
  types: readonly DocumentType[]
  lender: Lender
  /** The program that a case names. */
  programOf: (name: string) => Promise<Program>
}

/** A case as the readers leave it, with its truth. */
export interface BenchCase {
  pages: Page[]
  truth: Truth
}

/** Reads the pages of a corpus' cases without judging them. */
export async function readCases(folder: string): Promise<BenchCase[]> {
  const cases: BenchCase[] = []
  for (const found of await casesIn(folder)) cases.push(await readCase(found))
  return cases
}

type Found = Awaited<ReturnType<typeof casesIn>>[number]

/** Reads the pages of one case. */
export const readCase = async ({ at, given, truth }: Found): Promise<BenchCase> => ({
  truth,
  pages: (await readPackage(await filesOf(at, given.files), starterTypes)).pages,
})

/** The cases of a corpus, by name. */
export async function casesIn(folder: string) {
  const names = (await readdir(folder, { withFileTypes: true }))
    .filter((e) => e.isDirectory())
    .map((e) => e.name)
    .sort()
  return Promise.all(
    names.map(async (name) => {
      const at = join(folder, name)
      const read = async (file: string): Promise<unknown> =>
        JSON.parse(await readFile(join(at, file), 'utf8'))
      return {
        name,
        at,
        given: caseSchema.parse(await read('case.json')),
        truth: truthSchema.parse(await read('truth.json')),
      }
    }),
  )
}

const filesOf = (at: string, names: readonly string[]) =>
  Promise.all(names.map(async (name) => ({ name, bytes: new Uint8Array(await readFile(join(at, name))) })))

/** Runs every case of a corpus through the very computation of the headless run, and scores it. */
export async function runCorpus(folder: string, by: CorpusBy): Promise<CorpusRun> {
  const tally = new Tally()
  const cases = await casesIn(folder)
  const started = performance.now()
  const usage = cpuSeconds()
  let pages = 0
  for (const { name, at, given, truth } of cases) {
    const report = await runCase(at, given, by)
    pages += report.pages.length
    tally.merge(tallyCase(name, report, truth))
  }
  return {
    tally,
    cases: cases.length,
    pages,
    wallSeconds: (performance.now() - started) / 1000,
    cpuSeconds: cpuSeconds() - usage,
    peakMegabytes: process.resourceUsage().maxRSS / 1024,
  }
}

async function runCase(
  folder: string,
  given: { program: string; asOf: string; files: string[] },
  { types, lender, programOf }: CorpusBy,
): Promise<Report> {
  const program = await programOf(given.program)
  const read = await readPackage(await filesOf(folder, given.files), types)
  const { situation, assessment } = await judgeRead(read, { program, types, lender, asOf: given.asOf })
  return reportOf(situation, assessment, inWords)
}

/** CPU of this process and, through /proc, of the readers it started and that have ended. */
export function cpuSeconds(): number {
  const { user, system } = process.cpuUsage()
  return (user + system) / 1e6 + childSeconds()
}

function childSeconds(): number {
  try {
    const text = readFileSync('/proc/self/stat', 'utf8')
    const fields = text.slice(text.lastIndexOf(')') + 2).split(' ')
    return (Number(fields[13]) + Number(fields[14])) / 100
  } catch {
    return 0
  }
}
