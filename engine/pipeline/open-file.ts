import { activeContent } from '../screening/active.ts'
import type { MalwareScanner } from '../screening/scanner.ts'
import { refuseMalware } from '../screening/screen.ts'
import { expand, holdsFiles } from '../input/expand.ts'
import type { IncomingFile } from '../input/incoming-file.ts'
import { openSource, type Source } from '../input/source.ts'

/** A file that was opened: one with pages, or one with other files in it. */
export type OpenedFile =
  { kind: 'pages'; source: Source; notices: string[] } | { kind: 'files'; files: AsyncIterable<IncomingFile> }

/**
 * Opens a file as it came in, after it was screened; what is unpacked of it has to be opened in its turn.
 * @param unpacked it came out of another file and is not unpacked again
 * @throws UnusableFile with a sentence for the person who brought it; Error where nobody could screen it
 */
export async function openFile(
  file: IncomingFile,
  scanner: MalwareScanner,
  unpacked: boolean,
): Promise<OpenedFile> {
  await refuseMalware(file.bytes, scanner)
  if (!unpacked && (await holdsFiles(file.bytes))) return { kind: 'files', files: expand(file) }
  const source = await openSource(file.bytes)
  return { kind: 'pages', source, notices: await activeContent(file.bytes) }
}
