import { type Answer, ask } from '../../core/ask/index.ts'
import type { Assessment } from '../../core/pipeline/index.ts'
import type { Person } from '../access/person.ts'
import { database } from '../database/connection.ts'
import { typesOf } from '../configuration/types.ts'
import { pagesOf } from './judge.ts'

/** Answers a question from a package's papers, or from one document of it. */
export async function askPackage(
  who: Person,
  packageId: string,
  assessment: Assessment,
  question: string,
  only: number | null,
): Promise<Answer[]> {
  const documents =
    only === null ? assessment.documents : assessment.documents.filter((d) => d.pages.includes(only))
  const numbers = new Set(documents.flatMap((d) => d.pages))
  const pages = (await pagesOf(database(), packageId)).filter((p) => numbers.has(p.number))
  return ask(question, { documents, pages, types: await typesOf(database(), who.organisationId) })
}
