import { merrowSound, starterTypes } from '../demo/lenders/merrow-sound/index.ts'
import { readFile } from 'node:fs/promises'
import { eq } from 'drizzle-orm'
import { readPackage } from '../engine/pipeline/read-package.ts'
import { addPerson } from '../server/access/people.ts'
import { takeStarter } from '../server/configuration/starter.ts'
import { closeDatabase, database } from '../server/database/connection.ts'
import { migrateDatabase } from '../server/database/migrate.ts'
import { FIRST_ORGANISATION, files, packages, pages } from '../server/database/schema.ts'
import { giveAnswers } from '../server/packages/answer.ts'
import { newPackage } from '../server/packages/intake.ts'
import { judge } from '../server/packages/judge.ts'
import { answersTo, middleAndSlowest, type Rejudging } from './rejudge.ts'

/**
 * What an answer in a large package takes on the server, from being given until the new verdict stands in the
 * database.
 */
export interface Answering extends Rejudging {
  /** The first one, with what a server does only once. */
  firstMs: number
}

/**
 * Answers the loose pieces of a package one by one.
 * @param path a PDF of several hundred pages; `DATABASE_URL` names an empty database
 */
export async function measureAnswering(path: string): Promise<Answering> {
  const read = await readPackage(
    [{ name: 'large.pdf', bytes: new Uint8Array(await readFile(path)) }],
    starterTypes,
  )
  await migrateDatabase()
  await takeStarter(database(), null, FIRST_ORGANISATION, merrowSound)
  try {
    const email = 'bench@merrowsound.example'
    const who = {
      id: await addPerson('Bench', email, 'a-long-password', 'processor'),
      name: 'Bench',
      email,
      role: 'processor' as const,
      organisationId: FIRST_ORGANISATION,
    }
    const id = await newPackage('working-boat-loan', who, { asOf: '2026-04-10' })
    const [file] = await database()
      .insert(files)
      .values({ packageId: id, name: 'large.pdf', state: 'read', pages: read.pages.length })
      .returning({ id: files.id })
    await database()
      .insert(pages)
      .values(
        read.pages.map((page) => ({
          packageId: id,
          number: page.number,
          fileId: file.id,
          filePage: page.number,
          body: page,
        })),
      )
    await database()
      .update(packages)
      .set({ state: 'reading', pageCount: read.pages.length, pagesRead: read.pages.length })
      .where(eq(packages.id, id))
    const first = await database().transaction((work) => judge(work, id, 'anew'))
    const took: number[] = []
    for (const answer of answersTo(first.deck)) {
      const started = performance.now()
      await giveAnswers(id, [answer], who)
      took.push(performance.now() - started)
    }
    return {
      pages: read.pages.length,
      documents: first.documents.length,
      ...middleAndSlowest(took.slice(1)),
      firstMs: took[0] ?? 0,
    }
  } finally {
    await closeDatabase()
  }
}
