import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs'
import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { availableParallelism, tmpdir } from 'node:os'
import { join } from 'node:path'
import pLimit from 'p-limit'
import { PDFDocument } from 'pdf-lib'
import { makePackage } from '../demo/package.ts'
import { toTiff } from '../engine/image/greyscale.ts'
import { Pdf } from '../engine/pdf/pdfium.ts'

/** What a command took, with everything that it started. */
export interface Taken {
  wallSeconds: number
  cpuSeconds: number
  peakMegabytes: number
}

export interface Speed {
  text: { pages: number; process: Taken; pdftotext: Taken; ratio: number }
  /** Peak memory of the headless run on text of so many pages. */
  memory: { pages: number; peakMegabytes: number }[]
  /**
   * Tesseract as it comes, with as many threads to a page as there are cores, and held to one thread, as it
   * is thriftiest.
   */
  scan: {
    pages: number
    process: Taken
    tesseract: Taken
    tesseractOneThread: Taken
    cpuRatio: number
    cpuRatioOneThread: number
    coresBusy: number
  }
}

/**
 * Side by side in one run, since the machine is shared: the headless run on a 500-page text PDF beside
 * `pdftotext -bbox` on it, and on a scanned package beside Tesseract alone on the same page pictures.
 */
export async function measureSpeed(folder: string): Promise<Speed> {
  mkdirSync(folder, { recursive: true })
  const work = await mkdtemp(join(tmpdir(), 'jigsa-speed-'))
  try {
    const text = await textPdf(join(folder, 'text-500.pdf'), 500)
    const textRun = await take('./jigsa', [
      'process',
      '--program',
      'working-boat-loan',
      '--as-of',
      '2026-04-10',
      '--out',
      join(work, 'text'),
      text.path,
    ])
    const pdftotext = await take('pdftotext', ['-bbox', text.path, join(work, 'bbox.html')])
    const memory: Speed['memory'] = []
    for (const pages of [100, 1000]) {
      const { path } = await textPdf(join(folder, `text-${pages}.pdf`), pages)
      const { peakMegabytes } = await take('./jigsa', [
        'process',
        '--program',
        'working-boat-loan',
        '--as-of',
        '2026-04-10',
        '--out',
        join(work, `text-${pages}`),
        path,
      ])
      memory.push({ pages, peakMegabytes })
    }
    const scan = await scannedPdf(join(folder, 'scan.pdf'))
    const scanRun = await take('./jigsa', [
      'process',
      '--program',
      'working-boat-loan',
      '--as-of',
      '2026-04-10',
      '--out',
      join(work, 'scan'),
      scan.path,
    ])
    const pictures = await drawPictures(scan.path, join(work, 'pictures'))
    const tesseract = await tesseractOn(pictures, join(work, 'out'), 1, {})
    const tesseractOneThread = await tesseractOn(pictures, join(work, 'out'), availableParallelism(), {
      OMP_THREAD_LIMIT: '1',
    })
    return {
      memory,
      text: {
        pages: text.pages,
        process: textRun,
        pdftotext,
        ratio: textRun.wallSeconds / pdftotext.wallSeconds,
      },
      scan: {
        pages: scan.pages,
        process: scanRun,
        tesseract,
        tesseractOneThread,
        cpuRatio: scanRun.cpuSeconds / tesseract.cpuSeconds,
        cpuRatioOneThread: scanRun.cpuSeconds / tesseractOneThread.cpuSeconds,
        coresBusy: scanRun.cpuSeconds / scanRun.wallSeconds,
      },
    }
  } finally {
    await rm(work, { recursive: true, force: true })
  }
}

/** Tesseract alone, with one language, on pictures one by one: so many of them at once. */
async function tesseractOn(
  pictures: readonly string[],
  out: string,
  atOnce: number,
  env: NodeJS.ProcessEnv,
): Promise<Taken> {
  const started = Date.now()
  const limit = pLimit(atOnce)
  const runs = await Promise.all(
    pictures.map((picture, i) =>
      limit(() => take('tesseract', [picture, `${out}-${i}`, '--psm', '4', 'tsv'], env)),
    ),
  )
  return {
    wallSeconds: (Date.now() - started) / 1000,
    cpuSeconds: runs.reduce((s, r) => s + r.cpuSeconds, 0),
    peakMegabytes: Math.max(...runs.map((r) => r.peakMegabytes)),
  }
}

/** Runs a command to its end. The shell's own `time` counts what its children and theirs took. */
function take(command: string, args: string[], env: NodeJS.ProcessEnv = {}): Promise<Taken> {
  return new Promise((done, fail) => {
    const child = spawn(
      'bash',
      ['-c', 'TIMEFORMAT="%R %U %S"; time "$@" >/dev/null 2>/dev/null', 'bash', command, ...args],
      { env: { ...process.env, ...env }, stdio: ['ignore', 'ignore', 'pipe'] },
    )
    let said = ''
    let peak = 0
    child.stderr.on('data', (part: Buffer) => (said += part.toString()))
    const timer = setInterval(() => (peak = Math.max(peak, memoryOf(child.pid!))), 60)
    child.on('error', fail)
    child.on('close', (code) => {
      clearInterval(timer)
      const [wall, user, system] = said.trim().split('\n').at(-1)!.split(' ').map(Number)
      if (code !== 0) return fail(new Error(`${command} ended with ${code}`))
      done({ wallSeconds: wall, cpuSeconds: user + system, peakMegabytes: peak })
    })
  })
}

/** Resident megabytes of a process and all below it. */
function memoryOf(root: number): number {
  const below = new Map<number, number[]>()
  const resident = new Map<number, number>()
  for (const name of readdirSync('/proc')) {
    if (!/^\d+$/.test(name)) continue
    try {
      const stat = readFileSync(`/proc/${name}/stat`, 'utf8')
      const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
      const parent = Number(fields[1])
      below.set(parent, [...(below.get(parent) ?? []), Number(name)])
      resident.set(Number(name), Number(fields[21]) * 4096)
    } catch {
      // It ended between the listing and the look.
    }
  }
  const sum = (pid: number): number =>
    (resident.get(pid) ?? 0) + (below.get(pid) ?? []).reduce((s, p) => s + sum(p), 0)
  return sum(root) / 1024 / 1024
}

async function textPdf(path: string, pages: number): Promise<{ path: string; pages: number }> {
  if (!existsSync(path)) {
    const out = await PDFDocument.create()
    for (let seed = 900; out.getPageCount() < pages; seed++) {
      const source = await PDFDocument.load(
        (await makePackage({ seed, papers: 'tuning', asOf: '2026-04-10', clutter: true })).bytes,
      )
      for (const page of await out.copyPages(
        source,
        source.getPageIndices().slice(0, pages - out.getPageCount()),
      ))
        out.addPage(page)
    }
    await writeFile(path, await out.save())
  }
  return { path, pages }
}

async function scannedPdf(path: string): Promise<{ path: string; pages: number }> {
  if (!existsSync(path))
    await writeFile(
      path,
      (await makePackage({ seed: 901, papers: 'tuning', asOf: '2026-04-10', scan: 'light', turned: false }))
        .bytes,
    )
  const pdf = await Pdf.open(new Uint8Array(readFileSync(path)))
  const { pages } = pdf
  pdf.close()
  return { path, pages }
}

/** The pages as pictures of the resolution that the reader itself uses. */
async function drawPictures(path: string, folder: string): Promise<string[]> {
  mkdirSync(folder, { recursive: true })
  const pdf = await Pdf.open(new Uint8Array(readFileSync(path)))
  const paths: string[] = []
  for (let i = 0; i < pdf.pages; i++) {
    const at = join(folder, `${i}.tif`)
    await writeFile(at, toTiff(pdf.render(i, 200)))
    paths.push(at)
  }
  pdf.close()
  return paths
}
