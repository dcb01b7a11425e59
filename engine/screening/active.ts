import { constants, inflateSync } from 'node:zlib'
import { kindOf } from '../input/kind.ts'

/** What a PDF may carry that acts or hides, and how a person is told of it. None of it is ever run. */
const ACTIVE: readonly (readonly [form: RegExp, told: string])[] = [
  [/\/(?:JavaScript|JS)(?![A-Za-z0-9])/, 'carries a script'],
  [/\/Launch(?![A-Za-z0-9])/, 'wants to start a program'],
  [/\/(?:EmbeddedFile|EmbeddedFiles|FileAttachment)(?![A-Za-z0-9])/, 'carries other files inside'],
  [/\/(?:SubmitForm|ImportData)(?![A-Za-z0-9])/, 'wants to send data away'],
  [/\/RichMedia(?![A-Za-z0-9])/, 'carries films or sounds'],
]

/** Packed objects beyond this, unpacked and all together, are not looked into. */
const MOST = 64 * 1024 * 1024

/**
 * Says of a file what active content it carries, in words that go on from its name; empty where there is
 * none. Names in a PDF are looked for in its plain objects and in its packed ones (ISO 32000-1, 7.5.7), with
 * their escapes undone (7.3.5).
 */
export async function activeContent(bytes: Uint8Array): Promise<string[]> {
  if ((await kindOf(bytes)) !== 'application/pdf') return []
  const file = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.length)
  const { parts, whole } = partsOf(file)
  const plain = parts.map(unescaped)
  const told = ACTIVE.filter(([form]) => plain.some((part) => form.test(part))).map(([, told]) => told)
  return whole ? told : [...told, 'packs more than was looked into']
}

const unescaped = (text: string): string =>
  text.replace(/#([0-9A-F]{2})/gi, (_, code: string) => String.fromCharCode(parseInt(code, 16)))

/** A stream's dictionary stands before it; one that is longer is none, and searching it costs time. */
const DICTIONARY = 4096

/**
 * The file without the contents of its streams, in which any bytes may stand, and what is packed in its object
 * streams. Each stream is looked at once, from the front of the file to its end: whatever words it repeats, its cost
 * grows with its size.
 */
function partsOf(file: Buffer): { parts: string[]; whole: boolean } {
  const plain: string[] = []
  const packed: string[] = []
  let left = MOST
  let at = 0
  for (;;) {
    const start = file.indexOf('stream', at, 'latin1')
    plain.push(file.toString('latin1', at, start < 0 ? undefined : start))
    if (start < 0) break
    const end = file.indexOf('endstream', start, 'latin1')
    if (end < 0) break
    const dictionary = file.toString('latin1', Math.max(at, start - DICTIONARY), start)
    if (left > 0 && dictionary.includes('/ObjStm')) {
      const unpacked = inflated(file.subarray(start + (file[start + 6] === 13 ? 8 : 7), end), left)
      left = unpacked === null ? 0 : left - unpacked.length
      packed.push(unpacked ?? '')
    }
    at = end + 9
  }
  return { parts: [plain.join('\n'), ...packed], whole: left > 0 }
}

/** What a stream holds: null where that is more than is asked for, empty where it is encrypted or damaged. */
function inflated(bytes: Uint8Array, most: number): string | null {
  try {
    return inflateSync(bytes, { maxOutputLength: most, finishFlush: constants.Z_SYNC_FLUSH }).toString(
      'latin1',
    )
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'ERR_BUFFER_TOO_LARGE' ? null : ''
  }
}
