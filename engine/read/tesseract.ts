import { spawn } from 'node:child_process'
import type { Rotation, Word } from '../../core/page/page.ts'
import { unglue } from '../../core/page/unglue.ts'
import { toPgm, type Grey } from '../picture/grey.ts'

/** Tesseract runs as a separate command, one thread each; as many run at once as the caller starts. */
function run(args: string[], picture: Grey): Promise<string> {
  return new Promise((resolve, reject) => {
    const child = spawn('tesseract', ['stdin', 'stdout', ...args], { env: { ...process.env, OMP_THREAD_LIMIT: '1' }, stdio: ['pipe', 'pipe', 'pipe'] })
    const out: Buffer[] = []
    const err: Buffer[] = []
    child.stdout.on('data', (chunk: Buffer) => out.push(chunk))
    child.stderr.on('data', (chunk: Buffer) => err.push(chunk))
    child.on('error', (error) => reject(new Error(`Tesseract cannot be started: ${error.message}`)))
    child.on('close', (code) => (code === 0 ? resolve(Buffer.concat(out).toString('utf8')) : reject(new Error(`Tesseract ended with ${code}: ${Buffer.concat(err).toString('utf8').slice(-300)}`))))
    child.stdin.on('error', () => undefined) // a reader that died says so in its exit code
    child.stdin.end(toPgm(picture))
  })
}

/** Words of a picture with boxes as fractions of it. */
export async function recognise(picture: Grey, dpi: number, languages = 'eng'): Promise<Word[]> {
  const tsv = await run(['--dpi', String(Math.round(dpi)), '-l', languages, '--psm', '4', '-c', 'preserve_interword_spaces=0', 'tsv'], picture)
  const words: Word[] = []
  for (const line of tsv.split('\n')) {
    const cells = line.split('\t')
    if (cells[0] !== '5' || cells.length < 12) continue
    const text = cells.slice(11).join('\t').trim()
    const sure = Math.max(0, Number(cells[10])) / 100
    if (!text || (sure < 0.25 && !/[\p{L}\d]{2}/u.test(text))) continue
    const [left, top, width, height] = cells.slice(6, 10).map(Number)
    // Rules of a form come out as a tall bar or a long dash.
    if (height > picture.height * 0.12 || (/^[|_—\-~.]+$/.test(text) && width > height * 3)) continue
    words.push({ text, sure, box: [left / picture.width, top / picture.height, (left + width) / picture.width, (top + height) / picture.height] })
  }
  return unglue(words)
}

/** Degrees clockwise that bring the picture upright, as Tesseract's own detection sees it; null where it cannot tell. */
export async function orientation(picture: Grey, dpi: number): Promise<{ rotation: Rotation; sure: number } | null> {
  try {
    const text = await run(['--dpi', String(Math.round(dpi)), '-l', 'osd', '--psm', '0'], picture)
    const rotation = Number(/Rotate: (\d+)/.exec(text)?.[1])
    const sure = Number(/Orientation confidence: ([\d.]+)/.exec(text)?.[1])
    return [0, 90, 180, 270].includes(rotation) ? { rotation: rotation as Rotation, sure } : null
  } catch {
    return null // too few letters to tell: the page is read as it lies
  }
}
