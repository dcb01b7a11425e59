import type { PictureFault } from '../../core/picture-check/index.ts'

/** Milliseconds after which a picture is sent unseen: an old phone must not keep anybody waiting. */
const PATIENCE = 4000

/** What seems wrong with a picture, looked at beside the page; null for what is no picture, or cannot be opened here. */
export function lookAtPicture(file: File): Promise<PictureFault | null> {
  if (!file.type.startsWith('image/') || typeof OffscreenCanvas === 'undefined') return Promise.resolve(null)
  return new Promise((done) => {
    const worker = new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module' })
    const end = (fault: PictureFault | null) => {
      clearTimeout(late)
      worker.terminate()
      done(fault)
    }
    const late = setTimeout(() => end(null), PATIENCE)
    worker.onmessage = ({ data }: MessageEvent<PictureFault | null>) => end(data)
    worker.onerror = () => end(null)
    worker.postMessage(file)
  })
}
