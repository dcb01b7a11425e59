import { createReadStream } from 'node:fs'
import { mkdir, readdir, rename, stat } from 'node:fs/promises'
import { basename, join, relative } from 'node:path'
import { freeName } from '../../engine/input/free-name.ts'
import { wellFormed } from '../../core/text/index.ts'
import { settings } from '../settings.ts'
import { keep, TooLarge } from '../storage/contents.ts'
import type { Arrived } from './take.ts'
import type { ArrivedFile } from '../database/schema.ts'

/** Where what was taken goes, and what cannot be: nobody's papers vanish, and none is taken twice. */
export const [DONE, FAILED] = ['done', 'failed']
/** Names of files that are still being written, or are none of anybody's papers. */
const NOT_YET = /^\.|~$|\.(?:part|partial|tmp|temp|crdownload|filepart)$|^(?:thumbs\.db|desktop\.ini)$/i
/** Files of one folder that are one package. */
const MOST_FILES = 500

/** What a look at a folder says to people when it fails. */
const WHY: Record<string, string> = {
  ENOENT: 'The folder is not there.',
  EACCES: 'Jigsa may not look into the folder.',
  ENOTDIR: 'This is no folder.',
}

export const folderProblem = (error: unknown): string =>
  WHY[(error as NodeJS.ErrnoException).code ?? ''] ?? 'The folder cannot be looked at.'

/** An entry of a watched folder as it was seen: two looks that agree, and it is whole. */
interface Seen {
  name: string
  /** Path below the folder, size and time of change of each of its files. */
  files: { path: string; size: number; changed: number }[]
}

/** What lies in a watched folder now. @throws Error where the folder cannot be looked at */
export async function look(folder: string): Promise<Seen[]> {
  const seen: Seen[] = []
  for (const entry of await readdir(folder, { withFileTypes: true })) {
    if (entry.name === DONE || entry.name === FAILED || NOT_YET.test(entry.name)) continue
    if (entry.isFile()) seen.push({ name: entry.name, files: await filesOf(folder, [entry.name]) })
    else if (entry.isDirectory()) {
      const inside = await readdir(join(folder, entry.name), { withFileTypes: true, recursive: true })
      const paths = inside
        .filter((one) => one.isFile() && !NOT_YET.test(one.name))
        .map((one) => relative(folder, join(one.parentPath, one.name)))
      // Somebody made a folder and has put nothing into it yet.
      if (paths.length > 0) seen.push({ name: entry.name, files: await filesOf(folder, paths.sort()) })
    }
  }
  return seen
}

async function filesOf(folder: string, paths: readonly string[]): Promise<Seen['files']> {
  const found: Seen['files'] = []
  for (const path of paths.slice(0, MOST_FILES + 1)) {
    const { size, mtimeMs } = await stat(join(folder, path)).catch(() => ({ size: -1, mtimeMs: 0 }))
    found.push({ path, size, changed: Math.round(mtimeMs) })
  }
  return found
}

/** By which an entry is told from every other, and from itself before it changed. */
export const identityOf = ({ name, files }: Seen): string => JSON.stringify([name, files])

/** Milliseconds that nothing of an entry may have changed: copiers write a page, and think, and write the next. */
const STILL_MS = 2000

/** Whether an entry is there whole: it is as it was at the last look, and still for a while. */
export const isWhole = (seen: Seen, before: ReadonlySet<string>, now = Date.now()): boolean =>
  before.has(identityOf(seen)) && seen.files.every((f) => f.size >= 0 && now - f.changed >= STILL_MS)

/** An entry cannot be taken, in a sentence. */
export class NotTaken extends Error {}

/**
 * Puts the files of an entry into the store.
 * @returns null where one changed while it was read: it is looked at again
 * @throws NotTaken
 */
export async function keepEntry(folder: string, seen: Seen): Promise<Arrived | null> {
  if (seen.files.length > MOST_FILES)
    throw new NotTaken(`A folder of more than ${MOST_FILES} files is not taken.`)
  const files: ArrivedFile[] = []
  for (const { path, size, changed } of seen.files) {
    const at = join(folder, path)
    const kept = await keep(createReadStream(at), settings().MOST_FILE_BYTES).catch((error: unknown) => {
      if (error instanceof TooLarge) throw new NotTaken(`${basename(path)} ${error.message}.`)
      throw error
    })
    const now = await stat(at)
    if (now.size !== size || Math.round(now.mtimeMs) !== changed) return null
    const name = wellFormed(
      freeName(
        basename(path),
        files.map((f) => f.name),
      ),
    )
    files.push({ name, ...kept })
  }
  return { identity: identityOf(seen), name: wellFormed(seen.name), files }
}

/** Moves an entry out of the way, beside those before; one of its name is never written over. @param to `DONE`, `FAILED` */
export async function clear(folder: string, name: string, to: string): Promise<void> {
  const there = join(folder, to)
  await mkdir(there, { recursive: true })
  await rename(join(folder, name), join(there, freeName(name, await readdir(there))))
}
