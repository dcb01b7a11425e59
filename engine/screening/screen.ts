import { UnusableFile } from '../input/source.ts'
import type { MalwareScanner } from './scanner.ts'

/**
 * Has a file looked into before it is opened.
 * @throws UnusableFile where malware was found; Error where nobody could look
 */
export async function refuseMalware(bytes: Uint8Array, scanner: MalwareScanner): Promise<void> {
  const found = await scanner.scan(bytes)
  if (found !== null) throw new UnusableFile(`Malware was found in this file (${found}); it was not opened.`)
}
