import { readFileSync } from 'node:fs'
import { readdir, readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { reportOf, type Report } from '../core/handover/report.ts'
import { programById } from '../core/program/programs.ts'
import { builtInTypes } from '../core/program/types/index.ts'
import { judgeRead } from '../engine/judge.ts'
import { readPackage } from '../engine/package.ts'
import { tallyCase, Tally } from './score.ts'
import { caseSchema, truthSchema } from './truth.ts'

export interface CorpusRun {
  tally: Tally
  cases: number
  pages: number
  wallSeconds: number
  cpuSeconds: number
  peakMegabytes: number
}

/** Runs every case of a corpus through the very computation of the headless run, and scores it. */
export async function runCorpus(folder: string): Promise<CorpusRun> {
  const tally = new Tally()
  const names = (await readdir(folder, { withFileTypes: true })).filter((e) => e.isDirectory()).map((e) => e.name).sort()
  const started = performance.now()
  const usage = cpuSeconds()
  let pages = 0
  for (const name of names) {
    const at = join(folder, name)
    const given = caseSchema.parse(JSON.parse(await readFile(join(at, 'case.json'), 'utf8')))
    const truth = truthSchema.parse(JSON.parse(await readFile(join(at, 'truth.json'), 'utf8')))
    const report = await runCase(at, given)
    pages += report.pages.length
    tally.merge(tallyCase(name, report, truth))
  }
  return { tally, cases: names.length, pages, wallSeconds: (performance.now() - started) / 1000, cpuSeconds: cpuSeconds() - usage, peakMegabytes: process.resourceUsage().maxRSS / 1024 }
}

async function runCase(folder: string, given: { program: string; asOf: string; files: string[] }): Promise<Report> {
  const program = programById(given.program)
  if (!program) throw new Error(`there is no program "${given.program}"`)
  const read = await readPackage(await Promise.all(given.files.map(async (name) => ({ name, bytes: new Uint8Array(await readFile(join(folder, name))) }))), builtInTypes)
  const { situation, assessment } = await judgeRead(read, { program, types: builtInTypes, asOf: given.asOf })
  return reportOf(situation, assessment)
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
