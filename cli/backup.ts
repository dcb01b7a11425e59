import { execFile } from 'node:child_process'
import { existsSync, renameSync, rmSync } from 'node:fs'
import { promisify } from 'node:util'
import { settings } from '../server/settings.ts'
import { postgresBin } from './postgres.ts'

const execute = promisify(execFile)

/** Runs a program of PostgreSQL on the database as its owner; other people's lists of processes show no password. */
async function run(name: string, words: readonly string[]): Promise<void> {
  const { DATABASE_URL, DATABASE_OWNER_URL } = settings()
  const url = new URL(DATABASE_OWNER_URL ?? DATABASE_URL)
  const PGPASSWORD = decodeURIComponent(url.password)
  url.password = ''
  await execute(postgresBin(name), [...words, '--dbname', url.href], { env: { ...process.env, PGPASSWORD } })
}

/**
 * Writes the whole database into one file (PostgreSQL's custom format): papers, answers, trail, people, set-up. A file
 * appears under its name only once it is whole.
 */
export async function backUp(file: string): Promise<void> {
  if (existsSync(file)) throw new Error(`${file} is there already; a backup overwrites nothing`)
  const half = `${file}.part`
  try {
    // Pictures and papers are packed already.
    await run('pg_dump', ['--format=custom', '--compress=1', '--file', half])
    renameSync(half, file)
  } finally {
    rmSync(half, { force: true })
  }
}

/** Puts a backup into an empty database. @throws Error where it is not empty: nothing there is overwritten */
export async function putBack(file: string, isEmpty: () => Promise<boolean>): Promise<void> {
  if (!existsSync(file)) throw new Error(`there is no file ${file}`)
  if (!(await isEmpty())) throw new Error('the database is not empty: a backup is put back into a new one')
  await run('pg_restore', ['--no-owner', '--exit-on-error', '--single-transaction', file])
}
