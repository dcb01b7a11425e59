import type * as Library from 'zxing-wasm/reader'
import type { InkGrid, PageCode } from '../../core/model/index.ts'
import { packageFile } from '../package-file.ts'
import { darkBars, densePatches, type Patch } from '../image/dark-bars.ts'
import type { Grey } from '../image/greyscale.ts'
import { inkGrid } from '../image/measure.ts'

let reader: Promise<typeof Library> | null = null

/** Loaded when the first code may be there; its program comes from the package, never from the network. */
function load(): Promise<typeof Library> {
  reader ??= (async () => {
    const [library, wasmBinary] = await Promise.all([
      import('zxing-wasm/reader'),
      packageFile('zxing-wasm/reader/zxing_reader.wasm'),
    ])
    library.prepareZXingModule({ overrides: { wasmBinary } })
    return library
  })()
  return reader
}

const BARS = ['Code128', 'Code39', 'Code93', 'ITF', 'Codabar', 'EAN13', 'EAN8', 'UPCA'] as const
const SQUARES = ['QRCode', 'DataMatrix', 'Aztec', 'PDF417'] as const
/** A page with fewer words may be a sheet that is all barcode: it is looked at closely, all over. */
const FEW_WORDS = 25
/** On one with fewer than this bars may lie on their side, as on a label stuck on askew. */
const SOME_WORDS = 60

/**
 * Barcodes and square codes of a page's picture. Where bars stand, or dark and light squares lie side by
 * side, is found first, and only that is read.
 * @param words how many words the page has
 * @param ink where the picture is dark, if that was measured already
 */
export async function readBarcodes(
  picture: Grey,
  words: number,
  ink: InkGrid = inkGrid(picture),
): Promise<PageCode[]> {
  const { width, height } = picture
  if (words < FEW_WORDS)
    return decode(picture, { left: 0, top: 0, width, height }, picture, [...BARS, ...SQUARES], true)
  const found: PageCode[] = []
  const bars = darkBars(picture)
  if (words < SOME_WORDS) bars.push(...darkBars(picture, true))
  for (const patch of bars.slice(0, 6))
    found.push(...(await decode(cut(picture, patch), patch, picture, BARS, true)))
  for (const patch of densePatches(picture, ink).slice(0, 4))
    found.push(...(await decode(cut(picture, patch), patch, picture, SQUARES, true)))
  return [...new Map(found.map((c) => [`${c.format} ${c.text}`, c])).values()]
}

async function decode(
  part: Grey,
  place: Patch,
  whole: Grey,
  formats: readonly string[],
  closely: boolean,
): Promise<PageCode[]> {
  const { readBarcodes } = await load()
  const data = new Uint8ClampedArray(part.data.length * 4)
  const dots = new Uint32Array(data.buffer)
  for (let i = 0; i < dots.length; i++) dots[i] = 0xff000000 | (part.data[i] * 0x010101)
  const results = await readBarcodes(
    { data, width: part.width, height: part.height, colorSpace: 'srgb' },
    {
      formats: [...formats] as never,
      tryHarder: closely,
      tryRotate: closely,
      tryInvert: false,
      maxNumberOfSymbols: 8,
    },
  )
  const [sx, sy] = [place.width / part.width, place.height / part.height]
  return results
    .filter((r) => r.isValid && r.text)
    .map((r): PageCode => {
      const corners = [r.position.topLeft, r.position.topRight, r.position.bottomRight, r.position.bottomLeft]
      const [xs, ys] = [
        corners.map((c) => (place.left + c.x * sx) / whole.width),
        corners.map((c) => (place.top + c.y * sy) / whole.height),
      ]
      return {
        format: r.format,
        text: r.text,
        box: [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)],
      }
    })
}

function cut({ width, data }: Grey, { left, top, width: w, height: h }: Patch): Grey {
  const out = new Uint8Array(w * h)
  for (let y = 0; y < h; y++)
    out.set(data.subarray((top + y) * width + left, (top + y) * width + left + w), y * w)
  return { width: w, height: h, data: out }
}
