import { UnusableFile } from '../input/unusable-file.ts'
import { TooLargeToScan, type MalwareScanner } from './scanner.ts'

/** Nobody could look into a file: that is no fault of the file, and it waits until somebody can. */
export class ScannerAway extends Error {}

/**
 * Has a file looked into before it is opened.
 * @throws UnusableFile where malware was found, or the file is too large to be looked into; ScannerAway where nobody
 *   could look
 */
export async function refuseMalware(bytes: Uint8Array, scanner: MalwareScanner): Promise<void> {
  let found: string | null
  try {
    found = await scanner.scan(bytes)
  } catch (error) {
    if (error instanceof TooLargeToScan)
      throw new UnusableFile('This file is larger than the malware scanner looks into; it was not opened.')
    throw new ScannerAway(error instanceof Error ? error.message : 'the malware scanner is away')
  }
  if (found !== null) throw new UnusableFile(`Malware was found in this file (${found}); it was not opened.`)
}
