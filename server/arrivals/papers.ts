import { Readable } from 'node:stream'
import type { Rotation } from '../../core/model/index.ts'
import { isFilesFault } from '../../engine/box/index.ts'
import { scannerOf } from '../../engine/screening/scanner.ts'
import { refuseMalware } from '../../engine/screening/screen.ts'
import { readers } from '../jobs/readers.ts'
import { settings } from '../settings.ts'
import { fetchContents } from '../storage/contents.ts'

/** Dots across of the picture by which a paper is known. */
const PREVIEW_WIDTH = 480
const UPRIGHT: Rotation = 0

/** The first page of a paper that came, as WebP; null where it shows none. */
export const previewOf = (sha256: string): Promise<Uint8Array | null> =>
  readers()
    .picture(sha256, 0, UPRIGHT, PREVIEW_WIDTH)
    .catch((error: unknown) => {
      if (!isFilesFault(error)) throw error
      return null
    })

/** What came, as it came. @throws UnusableFile where it would harm whoever opens it */
export async function originalOf(sha256: string): Promise<ReadableStream<Uint8Array>> {
  const bytes = await fetchContents(sha256)
  await refuseMalware(bytes, scannerOf(settings().MALWARE_SCANNER))
  return Readable.toWeb(Readable.from([bytes])) as ReadableStream<Uint8Array>
}
