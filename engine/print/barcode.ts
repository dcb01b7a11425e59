import type * as Library from 'zxing-wasm/writer'
import { packageFile } from '../package-file.ts'

let writer: Promise<typeof Library> | null = null

function load(): Promise<typeof Library> {
  writer ??= (async () => {
    const [library, wasmBinary] = await Promise.all([
      import('zxing-wasm/writer'),
      packageFile('zxing-wasm/writer/zxing_writer.wasm'),
    ])
    library.prepareZXingModule({ overrides: { wasmBinary } })
    return library
  })()
  return writer
}

/** Dark stretches of a code: each begins so many modules from the left in its row, and is so many wide. */
export interface Modules {
  width: number
  height: number
  runs: { x: number; y: number; width: number }[]
}

/** A code's modules, one row for bars. @throws where the text cannot be written in that format */
export async function modulesOf(text: string, format: 'Code128' | 'QRCode'): Promise<Modules> {
  const { writeBarcode } = await load()
  const { symbol, error } = await writeBarcode(text, { format })
  if (!symbol) throw new Error(`no code of ${text}: ${error}`)
  const height = format === 'Code128' ? 1 : symbol.height
  const runs: Modules['runs'] = []
  for (let y = 0; y < height; y++)
    for (let x = 0; x < symbol.width; x++) {
      if (symbol.data[y * symbol.width + x] !== 0) continue
      const last = runs.at(-1)
      if (last && last.y === y && last.x + last.width === x) last.width++
      else runs.push({ x, y, width: 1 })
    }
  return { width: symbol.width, height, runs }
}
