import { pictureFault, type PictureFault } from '../../core/picture-check/index.ts'

/** Pixels of the longer side at which pictures are measured. */
const SIDE = 1000

addEventListener('message', ({ data: file }: MessageEvent<File>) => {
  void look(file)
    .catch(() => null)
    .then((fault) => postMessage(fault))
})

async function look(file: File): Promise<PictureFault | null> {
  const whole = await createImageBitmap(file)
  const scale = Math.min(1, SIDE / Math.max(whole.width, whole.height))
  const [width, height] = [Math.round(whole.width * scale), Math.round(whole.height * scale)]
  const canvas = new OffscreenCanvas(width, height)
  const context = canvas.getContext('2d')!
  context.imageSmoothingQuality = 'high'
  context.drawImage(whole, 0, 0, width, height)
  whole.close()
  const { data } = context.getImageData(0, 0, width, height)
  const grey = new Uint8ClampedArray(width * height)
  // Luma of ITU-R BT.601.
  for (let i = 0; i < grey.length; i++)
    grey[i] = 0.299 * data[4 * i] + 0.587 * data[4 * i + 1] + 0.114 * data[4 * i + 2]
  return pictureFault({ width, height, grey })
}
