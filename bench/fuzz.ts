import { mkdir, readdir, readFile, writeFile } from 'node:fs/promises'
import { availableParallelism } from 'node:os'
import { basename, join } from 'node:path'
import fc from 'fast-check'
import { runPackage } from '../engine/pipeline/run.ts'
import type { JudgedBy } from '../engine/pipeline/headless.ts'
import { FileTaker, type Outcome } from './take-file.ts'

/** Seconds by the clock after which a file has hung, whatever else the machine does. */
const HUNG = 120
/** A sentence for people: a capital, an end, and nothing of how it was found out. */
export const SENTENCE = /^[A-Z][^\n]{5,200}\.$/
/** Pages of a file that are read. */
const PAGES = 3
/** How far it is, is said after so many files. */
const TOLD_EVERY = 100
/** Bytes of files that are changed at most: larger ones only take longer. */
const MOST_BYTES = 2_000_000

/** One change of a file; places are shares of its length. */
type Change =
  | { kind: 'flip'; at: number; bit: number }
  | { kind: 'cut'; at: number; length: number }
  | { kind: 'again'; at: number; length: number; times: number }
  | { kind: 'number'; at: number; to: string }
  | { kind: 'splice'; at: number; length: number }

const share = fc.double({ min: 0, max: 1, noNaN: true })
const changes = fc.array(
  fc.oneof(
    fc.record({ kind: fc.constant('flip' as const), at: share, bit: fc.nat(7) }),
    fc.record({ kind: fc.constant('cut' as const), at: share, length: fc.integer({ min: 1, max: 5000 }) }),
    fc.record({
      kind: fc.constant('again' as const),
      at: share,
      length: fc.integer({ min: 1, max: 2000 }),
      times: fc.integer({ min: 1, max: 300 }),
    }),
    fc.record({
      kind: fc.constant('number' as const),
      at: share,
      to: fc.constantFrom('0', '-1', '2147483647', '99999999999', '1e9', '65535', '4294967296'),
    }),
    fc.record({ kind: fc.constant('splice' as const), at: share, length: fc.integer({ min: 1, max: 4000 }) }),
  ),
  { minLength: 1, maxLength: 8 },
)

/** A file with changes made to it. @param other whose bytes are spliced in */
export function changed(bytes: Buffer, made: readonly Change[], other: Buffer): Buffer {
  return made.reduce((now, change) => {
    const at = Math.floor(change.at * Math.max(0, now.length - 1))
    const [head, rest] = [now.subarray(0, at), now.subarray(at)]
    switch (change.kind) {
      case 'flip': {
        const flipped = Buffer.from(now)
        if (flipped.length > 0) flipped[at] ^= 1 << change.bit
        return flipped
      }
      case 'cut':
        return Buffer.concat([head, rest.subarray(change.length)])
      case 'again':
        return Buffer.concat([
          head,
          ...Array.from({ length: change.times }, () => rest.subarray(0, change.length)),
          rest,
        ])
      case 'number': {
        const text = rest.toString('latin1')
        return Buffer.concat([head, Buffer.from(text.replace(/\d+/, change.to), 'latin1')])
      }
      case 'splice': {
        const from = Math.floor(change.at * other.length)
        return Buffer.concat([head, other.subarray(from, from + change.length), rest])
      }
    }
  }, bytes)
}

/** What came of many files. */
export interface Fuzzed {
  files: number
  read: number
  refused: number
  /** Files that were read and whose paper was taken for one of the types without a question. */
  typedUnasked: string[]
  slowest: { name: string; seconds: number }
  /** What must not be: a fault that is none of the file, words that are no sentence, no end. */
  faults: { name: string; what: string }[]
}

/**
 * Takes every file of a folder, then changed ones until the time is over, each opened, read, drawn, cut and judged.
 * A file that is not dealt with is kept in `keep`, to be looked at.
 * @param seed tells which changes are made: the same seed makes the same
 */
export async function fuzz(
  folder: string,
  { minutes, seed, keep, by }: { minutes: number; seed: number; keep: string; by: JudgedBy },
  told: (line: string) => void,
): Promise<Fuzzed> {
  const names = (await readdir(folder)).sort()
  const found: Fuzzed = {
    files: 0,
    read: 0,
    refused: 0,
    typedUnasked: [],
    slowest: { name: '', seconds: 0 },
    faults: [],
  }
  const taker = new FileTaker(by.types, PAGES, availableParallelism())
  const one = async (name: string, bytes: Uint8Array): Promise<void> => {
    const fault = async (what: string) => {
      found.faults.push({ name, what })
      told(`${name}: ${what}`)
      await mkdir(keep, { recursive: true })
      await writeFile(join(keep, basename(name)), bytes)
    }
    if (++found.files % TOLD_EVERY === 0)
      told(
        `${found.files} files, ${found.faults.length} not dealt with; the slowest took ${Math.round(found.slowest.seconds)} s`,
      )
    try {
      const outcome = await taker.take({ name, bytes })
      if (outcome.sentence === null) found.read++
      else found.refused++
      if (outcome.seconds > found.slowest.seconds) found.slowest = { name, seconds: outcome.seconds }
      if (outcome.sentence !== null && !SENTENCE.test(outcome.sentence))
        await fault(`no sentence: ${outcome.sentence}`)
      if (outcome.seconds > HUNG) await fault(`took ${Math.round(outcome.seconds)} s`)
      if (await isTypedUnasked(outcome, by)) found.typedUnasked.push(name)
    } catch (error) {
      await fault(error instanceof Error ? (error.stack ?? error.message) : String(error))
    }
  }
  try {
    await each(names[Symbol.iterator](), async (name) => one(name, await readFile(join(folder, name))))
    const end = Date.now() + minutes * 60_000
    await each(mutants(names, seed, end), async ({ name, to, made, number }) => {
      const bytes = await readFile(join(folder, name))
      if (bytes.length > MOST_BYTES) return
      await one(`${number}-${name}`, changed(bytes, made, await readFile(join(folder, to))))
    })
  } finally {
    await taker.close()
  }
  return found
}

function* mutants(names: readonly string[], seed: number, end: number) {
  const pick = fc.record({
    name: fc.constantFrom(...names),
    to: fc.constantFrom(...names),
    made: changes,
  })
  for (let number = 0; Date.now() < end; number++)
    for (const picked of fc.sample(pick, { seed: seed + number, numRuns: 1 })) yield { ...picked, number }
}

/** Does something with each, as many at once as there are readers. */
async function each<T>(all: Iterator<T>, act: (one: T) => Promise<void>): Promise<void> {
  const go = async () => {
    for (let next = all.next(); !next.done; next = all.next()) await act(next.value)
  }
  await Promise.all(Array.from({ length: availableParallelism() }, go))
}

async function isTypedUnasked({ pages, name }: Outcome, by: JudgedBy): Promise<boolean> {
  if (pages.length === 0) return false
  const files = [{ name, sha256: '', pages: pages.length, problem: null }]
  const { assessment } = await runPackage(
    { files, pages, answers: [], ...by },
    { recogniseAgain: () => Promise.resolve(new Map()) },
  )
  return assessment.documents.some((d) => d.type !== 'unknown' && !d.needsReview)
}
