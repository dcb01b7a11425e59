import { merrowSound } from '../demo/lenders/merrow-sound/index.ts'
import { readFile } from 'node:fs/promises'
import type { Lender } from '../core/locale/index.ts'
import { type Knowledge, loadKnowledge } from '../core/classification/index.ts'
import {
  type DocumentType,
  faultsOf,
  type Loaded,
  loadLender,
  loadProgram,
  loadTypes,
  type Program,
} from '../core/program/index.ts'
import { given } from './paths.ts'

/** Words of the command are off, or nothing could be used: exit 2 with one line. */
export class Refused extends Error {}

/** What a file of JSON holds. @param what it is, for the sentence where it is not */
async function jsonIn(path: string, what: string): Promise<unknown> {
  const text = await readFile(given(path), 'utf8').catch(() => {
    throw new Refused(`${what} ${path} cannot be read`)
  })
  try {
    return JSON.parse(text)
  } catch {
    throw new Refused(`${path} is no JSON file`)
  }
}

/** The document types of a file, as the application exports them; the starter set where none is named. */
export async function typesOf(path: string | undefined): Promise<readonly DocumentType[]> {
  if (path === undefined) return merrowSound.types
  return told(path, loadTypes(await jsonIn(path, 'the file of document types')))
}

/**
 * A program by its id in the starter set, or from its file, as the application exports it.
 * @param path a file with one program, or with several of which `named` is one
 */
export async function programOf(
  named: string,
  types: readonly DocumentType[],
  path = named.endsWith('.json') ? named : undefined,
): Promise<Program> {
  const program =
    path === undefined
      ? merrowSound.programs.find((p) => p.id === named)
      : programIn(await jsonIn(path, 'the program'), named, path)
  if (!program) throw new Refused(`there is no program "${named}"`)
  const [fault] = faultsOf(program, types)
  if (fault) throw new Refused(`the program ${named} cannot be used: in ${fault.where}: ${fault.what}`)
  return program
}

function programIn(file: unknown, named: string, path: string): Program | undefined {
  if (!Array.isArray(file)) return told(path, loadProgram(file))
  return file.map((one) => told(path, loadProgram(one))).find((program) => program.id === named)
}

/** The lender of a file; the starter set's where none is named. */
export async function lenderOf(path: string | undefined): Promise<Lender> {
  if (path === undefined) return merrowSound.lender
  return told(path, loadLender(await jsonIn(path, 'the lender')))
}

/** Rules and samples of a file, as the application exports them; none where none is named. */
export async function knowledgeOf(path: string | undefined): Promise<Knowledge> {
  return path === undefined
    ? {}
    : told(path, loadKnowledge(await jsonIn(path, 'the file of rules and samples')))
}

/** What a file holds; what its older form left to be assumed is said. */
function told<T>(path: string, { value, assumed }: Loaded<T>): T {
  for (const line of assumed) process.stderr.write(`${path}: ${line}\n`)
  return value
}
