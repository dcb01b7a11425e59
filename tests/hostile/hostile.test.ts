import { createHash } from 'node:crypto'
import type { IncomingFile } from '../../engine/input/expand.ts'
import { starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import { UnusableFile } from '../../engine/input/unusable-file.ts'
import { unreadable } from '../../engine/pipeline/place-page.ts'
import { ReaderEnded, ReaderFault, ReaderPool } from '../../engine/box/index.ts'
import { pdfOf } from '../support/papers.ts'
import { hostileFiles } from './make.ts'

/** What comes of a file for the person who brought it: one sentence, or that it was opened and read. */
interface Outcome {
  name: string
  sentence: string | null
  seconds: number
}

/** By the clock, where others use the machine too; what counts is the processor's time (`BOX_LIMITS`). */
const MOST_SECONDS = 120
/** A sentence for people: a capital, an end, and nothing of how it was found out. */
const SENTENCE = /^[A-Z][^\n]{5,200}\.$/

const store = new Map<string, Uint8Array>()
const pool = new ReaderPool((sha256) => Promise.resolve(store.get(sha256)!), 1)
afterAll(() => pool.close())
const put = (bytes: Uint8Array): string => {
  const sha256 = createHash('sha256').update(bytes).digest('hex')
  store.set(sha256, bytes)
  return sha256
}
const ink = { key: 'starter', types: starterTypes }

/** Opens a file as a worker does, unfolds it where it holds others, and reads its first page and its picture. */
async function take(file: IncomingFile): Promise<void> {
  const sha256 = put(file.bytes)
  const opened = await pool.open(sha256)
  if (opened.kind !== 'files') {
    await pool.read(sha256, 0, ink)
    await pool.picture(sha256, 0, 0, 150)
    return
  }
  let held: IncomingFile[] = []
  await pool.unfold(file, () => {
    held = []
    return (one) => Promise.resolve(void held.push(one))
  })
  for (const one of held.slice(0, 2)) await take(one).catch(sentenceOf)
}

/** The sentence of a file that is set aside. @throws what is no fault of a file */
function sentenceOf(error: unknown): string {
  if (error instanceof UnusableFile || error instanceof ReaderEnded) return error.message
  // Its page keeps its place and says so.
  if (error instanceof ReaderFault) return `A page of it is poor: ${unreadable(error).qualityProblem}.`
  throw error
}

test(
  'each hostile file costs seconds and one sentence, and the good file beside it is read',
  async () => {
    const good = put(await pdfOf(['Payslip', 'Net pay 2,140.55 and a line more of it']))
    const outcomes: Outcome[] = []
    for await (const { name, bytes } of hostileFiles()) {
      const began = Date.now()
      const sentence = await take({ name, bytes }).then(() => null, sentenceOf)
      outcomes.push({ name, sentence, seconds: (Date.now() - began) / 1000 })
      store.clear()
      store.set(good, await pdfOf(['Payslip', 'Net pay 2,140.55 and a line more of it']))
      const page = await pool.read(good, 0, ink)
      expect([name, page.words.map((w) => w.text)]).toEqual([
        name,
        expect.arrayContaining(['2,140.55']) as string[],
      ])
    }
    for (const { name, sentence, seconds } of outcomes) {
      if (sentence !== null)
        expect([name, sentence]).toEqual([name, expect.stringMatching(SENTENCE) as string])
      expect([name, seconds < MOST_SECONDS || seconds]).toEqual([name, true])
    }
    expect(outcomes.filter((o) => o.sentence !== null).length).toBeGreaterThan(10)
  },
  15 * 60_000,
)
