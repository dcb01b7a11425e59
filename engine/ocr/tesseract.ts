import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Word } from '../../core/model/index.ts'
import {
  clipOverlappingBoxes,
  joinSplitAmounts,
  splitGluedWords,
  withLostLetter,
} from '../../core/ocr/index.ts'
import { toTiff, type Grey } from '../image/greyscale.ts'

/** A reader that nobody needs for so long ends, and frees its memory. */
const IDLE_MS = 15_000
/** No page takes so long; a reader that does is stuck. */
const PATIENCE_MS = 180_000
/** Inches: nothing taller is a word, and a longer dash is a rule. */
const TALLEST = 1.4
const DASH = 0.2
/** Behind each page a reader is given an empty one: once it begins that, everything of the page has been said. */
const EMPTY = toTiff({ width: 40, height: 40, data: new Uint8Array(1600).fill(255) })

/**
 * A Tesseract process that reads one picture after the other: loading its models costs as much as a tenth of
 * a page. It runs as a separate command, one thread each.
 */
class Reader {
  private readonly child: ChildProcess
  private readonly ended: Promise<void>
  private readonly folder: Promise<string>
  private said: string[] = []
  private rest = ''
  private complaint = ''
  private pages = 0
  private settle: { done: (tsv: string) => void; fail: (error: Error) => void } | null = null
  private idle: NodeJS.Timeout | null = null

  constructor(
    args: readonly string[],
    private readonly onEnd: (reader: Reader) => void,
  ) {
    this.folder = mkdtemp(join(tmpdir(), 'jigsa-read-')).then(async (folder) => {
      await writeFile(join(folder, 'empty.tif'), EMPTY)
      return folder
    })
    // Without stdbuf the last rows of a page wait in a buffer until the next page fills it.
    this.child = spawn(
      'stdbuf',
      ['-oL', 'tesseract', 'stdin', 'stdout', '-c', 'stream_filelist=true', ...args],
      { env: { ...process.env, OMP_THREAD_LIMIT: '1' }, stdio: ['pipe', 'pipe', 'pipe'] },
    )
    this.child.stdout!.setEncoding('utf8').on('data', (text: string) => this.hear(text))
    this.child.stderr!.setEncoding('utf8').on('data', (text: string) => {
      this.complaint = (this.complaint + text).slice(-300)
    })
    this.child.stdin!.on('error', () => undefined) // a reader that died says so in its exit code
    this.ended = new Promise<void>((done) => {
      this.child.on('error', (error) => {
        this.fail(`cannot be started: ${error.message}`)
        done()
      })
      this.child.on('close', (code) => {
        this.fail(`ended with ${code}: ${this.complaint}`)
        done()
      })
    }).then(() => this.clear())
  }

  async read(picture: Grey): Promise<string> {
    if (this.idle) clearTimeout(this.idle)
    const folder = await this.folder
    const path = join(folder, 'page.tif')
    await writeFile(path, toTiff(picture))
    this.hold(true)
    const patience = setTimeout(() => this.child.kill('SIGKILL'), PATIENCE_MS)
    try {
      return await new Promise<string>((done, fail) => {
        this.settle = { done, fail }
        this.said = []
        this.pages = 0
        this.child.stdin!.write(`${path}\n${join(folder, 'empty.tif')}\n`)
        if (this.child.exitCode !== null || this.child.signalCode !== null)
          this.fail(`ended before: ${this.complaint}`)
      })
    } finally {
      clearTimeout(patience)
      this.settle = null
      this.idle = setTimeout(() => void this.end(), IDLE_MS)
      this.idle.unref()
      this.hold(false)
    }
  }

  async end(): Promise<void> {
    if (this.idle) clearTimeout(this.idle)
    this.onEnd(this)
    this.hold(true)
    this.child.stdin!.end()
    await this.ended
  }

  /** A reader at rest keeps no process from ending. */
  private hold(on: boolean): void {
    for (const handle of [this.child, this.child.stdin, this.child.stdout, this.child.stderr] as unknown as {
      ref: () => void
      unref: () => void
    }[])
      if (on) handle.ref()
      else handle.unref()
  }

  private hear(text: string): void {
    const lines = (this.rest + text).split('\n')
    this.rest = lines.pop()!
    for (const line of lines) {
      if (line.startsWith('1\t') && ++this.pages === 2) this.settle?.done(this.said.join('\n'))
      this.said.push(line)
    }
  }

  private fail(why: string): void {
    this.onEnd(this)
    this.settle?.fail(new Error(`Tesseract ${why}`))
  }

  /** A folder that cannot be removed is the system's to clean; it must not end the process. */
  private clear = (): Promise<void> =>
    this.folder.then((folder) => rm(folder, { recursive: true, force: true })).catch(() => undefined)
}

/** Readers at rest, by their arguments. */
const atRest = new Map<string, Reader[]>()

async function run(args: readonly string[], picture: Grey): Promise<string> {
  const kind = args.join(' ')
  const rest = atRest.get(kind) ?? []
  atRest.set(kind, rest)
  const reader =
    rest.pop() ??
    new Reader(args, (ended) => {
      if (rest.includes(ended)) rest.splice(rest.indexOf(ended), 1)
    })
  const tsv = await reader.read(picture)
  rest.push(reader)
  return tsv
}

/** Ends the readers of this thread that are at rest; those that follow start anew. */
export async function endReaders(): Promise<void> {
  await Promise.all([...atRest.values()].flat().map((reader) => reader.end()))
}

/**
 * The French model spells ü and ö where the English one sees other letters, and reads figures and English as
 * well.
 */
const LANGUAGES = 'fra'

/**
 * Words of a picture with boxes as fractions of it. As many readers run at once as the caller asks for pages
 * at once.
 * @param layout Tesseract's page segmentation mode: 4 for a page, 6 for one block of lines
 */
export async function recognise(
  picture: Grey,
  dpi: number,
  { languages = LANGUAGES, layout = 4 } = {},
): Promise<Word[]> {
  // Resolution only sets what counts as a speck; in steps, so that one reader serves scans that differ by a dot.
  const resolution = Math.max(50, Math.round(dpi / 50) * 50)
  const tsv = await run(
    [
      '--dpi',
      String(resolution),
      '-l',
      languages,
      '--psm',
      String(layout),
      '-c',
      'preserve_interword_spaces=0',
      'tsv',
    ],
    picture,
  )
  const words: Word[] = []
  for (const line of tsv.split('\n')) {
    const cells = line.split('\t')
    if (cells[0] !== '5' || cells.length < 12) continue
    // The French model sees an opening quotation mark before a slanted euro.
    const text = cells
      .slice(11)
      .join('\t')
      .trim()
      .replace(/^[<«‹]+(?=\p{Sc}\s?-?\d)/u, '')
    const sure = Math.max(0, Number(cells[10])) / 100
    if (!text || (sure < 0.25 && !/[\p{L}\d]{2}/u.test(text))) continue
    const [left, top, width, height] = cells.slice(6, 10).map(Number)
    // Rules of a form come out as a tall bar or a long dash; a short one is a stroke between two days.
    if (height > dpi * TALLEST || (/^[|_—\-~.]+$/.test(text) && width > height * 3 && width > dpi * DASH))
      continue
    words.push({
      text,
      confidence: sure,
      box: [
        left / picture.width,
        top / picture.height,
        (left + width) / picture.width,
        (top + height) / picture.height,
      ],
    })
  }
  return joinSplitAmounts(
    splitGluedWords(clipOverlappingBoxes(words)).map(withLostLetter),
    picture.width / picture.height,
  )
}
