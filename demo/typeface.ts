import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { inflateSync } from 'node:zlib'

const require = createRequire(import.meta.url)
const known = new Map<string, Uint8Array>()

/**
 * A typeface of a fontsource package, unpacked once: the font library would unpack it for every paper, which
 * costs more than the paper.
 */
export function typeface(file: string): Uint8Array {
  let found = known.get(file)
  if (!found) known.set(file, (found = unpacked(readFileSync(require.resolve(`@fontsource/${file}`)))))
  return found
}

/** An OpenType font out of its WOFF wrapping. Source: W3C, "WOFF File Format 1.0", sections 3 to 5. */
function unpacked(woff: Buffer): Uint8Array {
  const tables = Array.from({ length: woff.readUInt16BE(12) }, (_, i) => {
    const at = 44 + i * 20
    const [offset, packed, size] = [
      woff.readUInt32BE(at + 4),
      woff.readUInt32BE(at + 8),
      woff.readUInt32BE(at + 12),
    ]
    const bytes = woff.subarray(offset, offset + packed)
    return {
      tag: woff.subarray(at, at + 4),
      check: woff.readUInt32BE(at + 16),
      bytes: packed < size ? inflateSync(bytes) : bytes,
    }
  })
  const head = Buffer.alloc(12 + tables.length * 16)
  woff.copy(head, 0, 4, 8)
  const power = Math.floor(Math.log2(tables.length))
  head.writeUInt16BE(tables.length, 4)
  head.writeUInt16BE(2 ** power * 16, 6)
  head.writeUInt16BE(power, 8)
  head.writeUInt16BE(tables.length * 16 - 2 ** power * 16, 10)
  const parts: Buffer[] = [head]
  let offset = head.length
  tables.forEach(({ tag, check, bytes }, i) => {
    const at = 12 + i * 16
    tag.copy(head, at)
    head.writeUInt32BE(check, at + 4)
    head.writeUInt32BE(offset, at + 8)
    head.writeUInt32BE(bytes.length, at + 12)
    const padded = Buffer.alloc(Math.ceil(bytes.length / 4) * 4)
    bytes.copy(padded)
    parts.push(padded)
    offset += padded.length
  })
  return new Uint8Array(Buffer.concat(parts))
}
