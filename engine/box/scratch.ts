import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const NAME = 'jigsa-reader-'

/**
 * A folder for what a reader writes on its way: pictures of pages, handed to commands. It is gone with the reader,
 * however that ends; an applicant's pages must not stay on the disk.
 */
export const makeScratch = (): string => mkdtempSync(join(tmpdir(), `${NAME}${process.pid}-`))

export const clearScratch = (folder: string): void => rmSync(folder, { recursive: true, force: true })

/** Takes away the folders of processes that were killed before they could. @returns how many there were */
export function sweepScratch(): number {
  const left = readdirSync(tmpdir()).filter((name) => {
    const pid = new RegExp(`^${NAME}(\\d+)-`).exec(name)?.[1]
    return pid !== undefined && !isAlive(Number(pid))
  })
  for (const name of left) clearScratch(join(tmpdir(), name))
  return left.length
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    // One of another user is alive all the same.
    return (error as NodeJS.ErrnoException).code === 'EPERM'
  }
}
