import { Readable } from 'node:stream'
import { eq, inArray } from 'drizzle-orm'
import { nameOrganisation } from '../server/access/organisations.ts'
import { addPerson } from '../server/access/people.ts'
import type { Answer } from '../core/answers/index.ts'
import { historyOf } from '../server/audit.ts'
import { database } from '../server/database/connection.ts'
import { FIRST_ORGANISATION, packages, user } from '../server/database/schema.ts'
import { giveAnswers } from '../server/packages/answer.ts'
import { finish, signOff } from '../server/packages/finish.ts'
import { bringFile, newPackage } from '../server/packages/intake.ts'
import { packageRow } from '../server/packages/queries.ts'
import { loadRegister, registersOf } from '../server/registers.ts'
import { DEMO_PACKAGES } from './demo-packages.ts'
import { demoWorld } from './registers.ts'
import { makePackage } from './package.ts'
import { DEMO_PASSWORD, DEMO_PEOPLE } from './people.ts'
import { makeTradePackage } from './trade-package.ts'

/** Puts the demo's people and packages into an empty database; what is there already stays. */
export async function loadDemo(say: (text: string) => void): Promise<void> {
  await nameOrganisation(FIRST_ORGANISATION, 'Merrow Sound Mutual', 'MSM')
  for (const person of DEMO_PEOPLE) await addPerson(person.name, person.email, DEMO_PASSWORD, person.role)
  const asOf = new Date().toISOString().slice(0, 10)
  const numbers = DEMO_PACKAGES.map((p) => p.caseNumber)
  const known = new Map(
    (
      await database()
        .select({ id: packages.id, caseNumber: packages.caseNumber, state: packages.state })
        .from(packages)
        .where(inArray(packages.caseNumber, numbers))
    ).map((p) => [p.caseNumber, p]),
  )
  for (const [i, given] of DEMO_PACKAGES.entries()) {
    const there = known.get(given.caseNumber)
    if (there && there.state !== 'empty') continue
    // A load that was broken off left a package without its file: it is made again.
    if (there) await database().delete(packages).where(eq(packages.id, there.id))
    say(`Drawing demo package ${i + 1} of ${DEMO_PACKAGES.length}: ${given.caseNumber}`)
    const made = given.trade
      ? await makeTradePackage({ ...given.trade, asOf })
      : await makePackage({ papers: 'tuning', seed: 1, ...given.wishes, caseNumber: given.caseNumber, asOf })
    const id = await newPackage(given.trade ? 'trader-account' : 'working-boat-loan', null, {
      caseNumber: given.caseNumber,
      asOf,
      createdAt: new Date(Date.now() - given.hoursOld * 3_600_000),
    })
    await bringFile(id, given.file, Readable.from([made.bytes]), null)
  }
}

/** The registers of the demo world, in place of none; those that were taken in stay. */
export async function loadRegisters(): Promise<void> {
  const [ada] = await database().select().from(user).where(eq(user.email, 'ada@merrowsound.example'))
  const { customers, employers } = demoWorld()
  for (const register of await registersOf(ada))
    if (register.rows === 0 && register.kind !== 'vessels')
      await loadRegister(ada, register.kind, register.kind === 'customers' ? customers : employers)
}

/**
 * Settles and finishes the demo's earlier packages once they are read, as a processor did weeks ago: types
 * that were asked about are said. Those that were finished before, and perhaps opened again, stay as they
 * are.
 */
export async function finishEarlier(): Promise<void> {
  const [ivo] = await database().select().from(user).where(eq(user.email, 'ivo@merrowsound.example'))
  const [reviewer] = await database().select().from(user).where(eq(user.role, 'reviewer'))
  const rows = await database()
    .select({ id: packages.id, caseNumber: packages.caseNumber })
    .from(packages)
    .where(
      inArray(
        packages.caseNumber,
        DEMO_PACKAGES.filter((p) => p.finished).map((p) => p.caseNumber),
      ),
    )
  for (const { id } of rows.sort((a, b) => a.caseNumber.localeCompare(b.caseNumber))) {
    if (
      (await historyOf(id)).some(
        (act) => act.act === 'finished the package' || act.act === 'signed the package off',
      )
    )
      continue
    let row = await packageRow(id, ivo)
    while (row?.state !== 'open') {
      if (!row || row.state === 'finished' || row.state === 'review') break
      await new Promise((done) => setTimeout(done, 1000))
      row = await packageRow(id, ivo)
    }
    if (!row?.assessment || row.state !== 'open') continue
    const said = row.assessment.documents
      .filter((d) => d.needsReview && !d.typeSaid)
      .map((d): Answer => ({ kind: 'type', page: d.pages[0], type: d.type }))
    if (said.length > 0) await giveAnswers(id, said, ivo)
    await finish(id, ivo)
    // Where the program asks for a second person, the reviewer looked at it.
    await signOff(id, reviewer)
  }
}
