import { readFile } from 'node:fs/promises'
import * as modules from 'node:module'

/** A file that ships inside an npm package, by its public name; nothing is fetched. */
export async function packageFile(name: string): Promise<ArrayBuffer> {
  const bytes = await readFile(modules.createRequire(import.meta.url).resolve(name))
  return bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length)
}
