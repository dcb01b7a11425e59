import { spawn } from 'node:child_process'
import { mkdtemp, readFile, rm } from 'node:fs/promises'
import { existsSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { z } from 'zod'
import type { DesignersPapers } from './fit/corpora.ts'

/** Scores of one designer's papers, read with what was fitted without that designer and with all. */
export interface DesignerRun {
  name: string
  designer: string
  leftOut: Scores
  fitted: Scores
}

const scores = z.record(z.string(), z.number().nullable())
export type Scores = z.infer<typeof scores>
const figures = z.record(z.string(), z.object({ scores }))

/** Values right by types with two labels a field, and page types with the titles taken off. */
export const [TWO_LABELS, NO_TITLES] = ['values right, two labels', 'type accuracy, no titles']

/** Figures that count, and whether more is better. */
export const COUNTED: readonly (readonly [figure: string, more: boolean])[] = [
  ['field accuracy', true],
  ['silent error rate', false],
  ['question rate', false],
  ['type accuracy', true],
  ['document F1 with type', true],
  ['table rows right', true],
  ['checklist accuracy', true],
  ['conflict precision', true],
  ['signature accuracy', true],
  ['calibration error, fields', false],
  [TWO_LABELS, true],
  [NO_TITLES, true],
]

/**
 * Reads the papers of every designer twice: with weights and words that were fitted without that designer's
 * papers, and with those of all. Each run is a process of its own, since what is fitted is loaded once.
 * @param fits the folder with a fit for each designer left out
 * @throws where a designer has none
 */
export async function* leaveOut(
  papers: readonly DesignersPapers[],
  fits: string,
): AsyncGenerator<DesignerRun> {
  for (const { name, designer, folder, condition } of papers) {
    const without = resolve(fits, designer)
    if (!existsSync(join(without, 'value-model.json')))
      throw new Error(`nothing was fitted without ${designer}: run ./jigsa fit --left-out`)
    const less = condition === 'text'
    const leftOut = await scored(folder, without, less)
    const fitted = await scored(folder, null, less)
    yield { name, designer, leftOut, fitted }
  }
}

async function scored(corpus: string, fit: string | null, less: boolean): Promise<Scores> {
  const out = await mkdtemp(join(tmpdir(), 'jigsa-designers-'))
  const file = join(out, 'figures.json')
  try {
    await new Promise<void>((done, failed) => {
      const words = ['--import', 'tsx', ...(fit ? ['--import', './bench/left-out-hook.mjs'] : [])]
      const run = spawn(
        process.execPath,
        [
          ...words,
          'cli/bench.ts',
          '--corpus',
          resolve(corpus),
          '--json',
          file,
          ...(less ? ['--less-said'] : []),
        ],
        { env: { ...process.env, JIGSA_FITTED: fit ?? '' }, stdio: ['ignore', 'ignore', 'inherit'] },
      )
      run.on('error', failed)
      run.on('exit', (code) =>
        code === 0 ? done() : failed(new Error(`the run on ${corpus} ended with ${code}`)),
      )
    })
    const [found] = Object.values(figures.parse(JSON.parse(await readFile(file, 'utf8'))))
    return found.scores
  } finally {
    await rm(out, { recursive: true, force: true })
  }
}

/** The mean over designers and the worst of them; corpora of one designer count together as one. */
export function summary(
  runs: readonly DesignerRun[],
  figure: string,
  more: boolean,
): { leftOut: number; worst: number; fitted: number } | null {
  const by = new Map<string, DesignerRun[]>()
  for (const run of runs) by.set(run.designer, [...(by.get(run.designer) ?? []), run])
  const meanOf = (which: 'leftOut' | 'fitted') =>
    [...by.values()].flatMap((own) => mean(own.flatMap((run) => run[which][figure] ?? [])) ?? [])
  const [leftOut, fitted] = [meanOf('leftOut'), meanOf('fitted')]
  if (leftOut.length === 0) return null
  return {
    leftOut: mean(leftOut)!,
    worst: more ? Math.min(...leftOut) : Math.max(...leftOut),
    fitted: mean(fitted)!,
  }
}

const mean = (values: readonly number[]): number | null =>
  values.length === 0 ? null : values.reduce((a, b) => a + b, 0) / values.length
