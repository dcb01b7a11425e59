import type * as Library from 'zxing-wasm/reader'
import type { PageCode } from '../../core/page/page.ts'
import { packageFile } from '../package-file.ts'
import { barPatches, type Patch } from '../picture/bars.ts'
import type { Grey } from '../picture/grey.ts'

let reader: Promise<typeof Library> | null = null

/** Loaded when the first code may be there; its program comes from the package, never from the network. */
function load(): Promise<typeof Library> {
  reader ??= (async () => {
    const [library, wasmBinary] = await Promise.all([import('zxing-wasm/reader'), packageFile('zxing-wasm/reader/zxing_reader.wasm')])
    library.prepareZXingModule({ overrides: { wasmBinary } })
    return library
  })()
  return reader
}

const BARS = ['Code128', 'Code39', 'Code93', 'ITF', 'Codabar', 'EAN13', 'EAN8', 'UPCA'] as const
const SQUARES = ['QRCode', 'DataMatrix', 'Aztec', 'PDF417'] as const
/** A page with fewer words may be a sheet that is all barcode: it is looked at closely. */
const FEW_WORDS = 60

/**
 * Barcodes and square codes of a page's picture. Where bars stand is found first and only that is read; square codes are
 * looked for on the picture at half its size.
 * @param words how many words the page has
 */
export async function readCodes(picture: Grey, words: number): Promise<PageCode[]> {
  const { width, height } = picture
  if (words < FEW_WORDS) return decode(picture, { left: 0, top: 0, width, height }, picture, [...BARS, ...SQUARES], true)
  const found: PageCode[] = []
  for (const patch of barPatches(picture).slice(0, 6)) found.push(...(await decode(cut(picture, patch), patch, picture, BARS, true)))
  const small = halved(picture)
  found.push(...(await decode(small, { left: 0, top: 0, width, height }, picture, SQUARES, false)))
  return [...new Map(found.map((c) => [`${c.format} ${c.text}`, c])).values()]
}

async function decode(part: Grey, place: Patch, whole: Grey, formats: readonly string[], closely: boolean): Promise<PageCode[]> {
  const { readBarcodes } = await load()
  const data = new Uint8ClampedArray(part.data.length * 4)
  const dots = new Uint32Array(data.buffer)
  for (let i = 0; i < dots.length; i++) dots[i] = 0xff000000 | (part.data[i] * 0x010101)
  const results = await readBarcodes({ data, width: part.width, height: part.height, colorSpace: 'srgb' }, { formats: [...formats] as never, tryHarder: closely, tryRotate: closely, tryInvert: false, maxNumberOfSymbols: 8 })
  const [sx, sy] = [place.width / part.width, place.height / part.height]
  return results.filter((r) => r.isValid && r.text).map((r): PageCode => {
    const corners = [r.position.topLeft, r.position.topRight, r.position.bottomRight, r.position.bottomLeft]
    const [xs, ys] = [corners.map((c) => (place.left + c.x * sx) / whole.width), corners.map((c) => (place.top + c.y * sy) / whole.height)]
    return { format: r.format, text: r.text, box: [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)] }
  })
}

function cut({ width, data }: Grey, { left, top, width: w, height: h }: Patch): Grey {
  const out = new Uint8Array(w * h)
  for (let y = 0; y < h; y++) out.set(data.subarray((top + y) * width + left, (top + y) * width + left + w), y * w)
  return { width: w, height: h, data: out }
}

function halved({ width, height, data }: Grey): Grey {
  const [w, h] = [width >> 1, height >> 1]
  const out = new Uint8Array(w * h)
  for (let y = 0; y < h; y++)
    for (let x = 0, from = 2 * y * width; x < w; x++, from += 2) out[y * w + x] = (data[from] + data[from + 1] + data[from + width] + data[from + width + 1]) >> 2
  return { width: w, height: h, data: out }
}
