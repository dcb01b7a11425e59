import { inflateSync } from 'node:zlib'
import { kindOf } from '../input/kind.ts'

/** What a PDF may carry that acts or hides, and how a person is told of it. None of it is ever run. */
const ACTIVE: readonly (readonly [form: RegExp, told: string])[] = [
  [/\/(?:JavaScript|JS)(?![A-Za-z0-9])/, 'carries a script'],
  [/\/Launch(?![A-Za-z0-9])/, 'wants to start a program'],
  [/\/(?:EmbeddedFile|EmbeddedFiles|FileAttachment)(?![A-Za-z0-9])/, 'carries other files inside'],
  [/\/(?:SubmitForm|ImportData)(?![A-Za-z0-9])/, 'wants to send data away'],
  [/\/RichMedia(?![A-Za-z0-9])/, 'carries films or sounds'],
]

/** Object streams larger than this, once unpacked, are not looked into further. */
const MOST = 64 * 1024 * 1024

/**
 * Says of a file what active content it carries, in words that go on from its name; empty where there is
 * none. Names in a PDF are looked for in its plain objects and in its packed ones (ISO 32000-1, 7.5.7), with
 * their escapes undone (7.3.5).
 */
export async function activeContent(bytes: Uint8Array): Promise<string[]> {
  if ((await kindOf(bytes)) !== 'application/pdf') return []
  const file = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.length)
  const parts = [objectsOf(file), ...packedObjects(file)].map(unescaped)
  return ACTIVE.filter(([form]) => parts.some((part) => form.test(part))).map(([, told]) => told)
}

const unescaped = (text: string): string =>
  text.replace(/#([0-9A-F]{2})/gi, (_, code: string) => String.fromCharCode(parseInt(code, 16)))

/** The file without the contents of its streams, in which any bytes may stand. */
function objectsOf(file: Buffer): string {
  const parts: string[] = []
  let at = 0
  for (;;) {
    const start = file.indexOf('stream', at, 'latin1')
    if (start < 0) break
    parts.push(file.toString('latin1', at, start))
    const end = file.indexOf('endstream', start, 'latin1')
    if (end < 0) return parts.join('\n')
    at = end + 9
  }
  parts.push(file.toString('latin1', at))
  return parts.join('\n')
}

function packedObjects(file: Buffer): string[] {
  const found: string[] = []
  for (
    let at = file.indexOf('/ObjStm', 0, 'latin1');
    at >= 0;
    at = file.indexOf('/ObjStm', at + 7, 'latin1')
  ) {
    const start = file.indexOf('stream', at, 'latin1')
    const end = file.indexOf('endstream', start, 'latin1')
    if (start < 0 || end < 0) break
    const from = start + (file[start + 6] === 13 ? 8 : 7)
    try {
      found.push(
        inflateSync(file.subarray(from, end), { maxOutputLength: MOST, finishFlush: 2 }).toString('latin1'),
      )
    } catch {
      // Encrypted or damaged: what cannot be unpacked here cannot be run by the readers either.
    }
  }
  return found
}
