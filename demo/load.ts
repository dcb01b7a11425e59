import { Readable } from 'node:stream'
import { and, eq, inArray, isNull } from 'drizzle-orm'
import nodemailer from 'nodemailer'
import type { Answer } from '../core/answers/index.ts'
import { nameOrganisation, setColour } from '../server/access/organisations.ts'
import { addPerson } from '../server/access/people.ts'
import type { Person } from '../server/access/person.ts'
import { knowSources } from '../server/arrivals/sources.ts'
import { historyOf } from '../server/audit.ts'
import { countedRegisters, loadRegister } from '../server/configuration/registers.ts'
import { programsOf } from '../server/configuration/programs.ts'
import { takeStarter } from '../server/configuration/starter.ts'
import { database } from '../server/database/connection.ts'
import { messages, packages, sources, user, type Role } from '../server/database/schema.ts'
import { receiversOf, saveReceiver } from '../server/handover/receivers.ts'
import { giveAnswers } from '../server/packages/answer.ts'
import { finish, signOff } from '../server/packages/finish.ts'
import { bringFile, newPackage } from '../server/packages/intake.ts'
import { packageRow } from '../server/packages/queries.ts'
import { requestsOf } from '../server/requests/drafts.ts'
import { sendRequest } from '../server/requests/send.ts'
import { DEMO_PASSWORD, type DemoDesk } from './desk.ts'

/** Makes a desk of the demo: its organisation, set-up and people. What is there already stays. */
export async function openDesk(desk: DemoDesk): Promise<void> {
  await nameOrganisation(desk.id, desk.set.lender.name, desk.casePrefix)
  if ((await programsOf(database(), desk.id)).length === 0)
    await database().transaction(async (work) => {
      await takeStarter(work, null, desk.id, desk.set)
      await setColour(work, desk.id, desk.set.lender.colour)
    })
  for (const person of desk.people)
    await addPerson(person.name, person.email, DEMO_PASSWORD, person.role, desk.id)
  if ((await receiversOf(database(), desk.id)).length === 0)
    for (const receiver of desk.receivers) await saveReceiver(await oneOf(desk, 'lead'), receiver)
}

const today = (): string => new Date().toISOString().slice(0, 10)

/** Puts a desk's packages into the database, and the entries of its registers in place of none. */
export async function fillDesk(desk: DemoDesk, say: (text: string) => void): Promise<void> {
  const entries = desk.registers(today())
  const administrator = await oneOf(desk, 'administrator')
  for (const { register, rows } of await countedRegisters(desk.id))
    if (rows === 0 && entries[register.id])
      await loadRegister(administrator, register.id, entries[register.id])
  const known = new Map(
    (
      await database()
        .select({ id: packages.id, caseNumber: packages.caseNumber, state: packages.state })
        .from(packages)
        .where(
          and(
            eq(packages.organisationId, desk.id),
            inArray(
              packages.caseNumber,
              desk.packages.map((p) => p.caseNumber),
            ),
          ),
        )
    ).map((p) => [p.caseNumber, p]),
  )
  for (const [i, given] of desk.packages.entries()) {
    const there = known.get(given.caseNumber)
    if (there && there.state !== 'empty') continue
    // A load that was broken off left a package without its file: it is made again.
    if (there) await database().delete(packages).where(eq(packages.id, there.id))
    say(`Drawing package ${i + 1} of ${desk.packages.length} of ${desk.set.lender.name}: ${given.caseNumber}`)
    const files = await given.files(today())
    const id = await newPackage(given.program, null, {
      organisationId: desk.id,
      caseNumber: given.caseNumber,
      asOf: today(),
      createdAt: new Date(Date.now() - given.hoursOld * 3_600_000),
    })
    for (const { name, bytes } of files) await bringFile(id, name, Readable.from([bytes]), null)
  }
}

/** Somebody of a desk who has a role. */
async function oneOf(desk: DemoDesk, role: Role): Promise<Person> {
  const email = desk.people.find((p) => p.role === role)!.email
  const [found] = await database().select().from(user).where(eq(user.email, email))
  return found
}

/**
 * Settles and finishes a desk's earlier packages once they are read, as a processor did weeks ago: types that
 * were asked about are said. Those that were finished before, and perhaps opened again, stay as they are.
 */
export async function finishEarlier(desk: DemoDesk): Promise<void> {
  const numbers = desk.packages.filter((p) => p.finished).map((p) => p.caseNumber)
  if (numbers.length === 0) return
  const [processor, reviewer] = [await oneOf(desk, 'processor'), await oneOf(desk, 'reviewer')]
  const rows = await database()
    .select({ id: packages.id, caseNumber: packages.caseNumber })
    .from(packages)
    .where(and(eq(packages.organisationId, desk.id), inArray(packages.caseNumber, numbers)))
  for (const { id } of rows.sort((a, b) => a.caseNumber.localeCompare(b.caseNumber))) {
    if (
      (await historyOf(id)).some(
        (act) => act.act === 'finished the package' || act.act === 'signed the package off',
      )
    )
      continue
    const row = await openRow(id, processor)
    if (!row?.assessment) continue
    const said = row.assessment.documents
      .filter((d) => d.needsReview && !d.typeSaid)
      .map((d): Answer => ({ kind: 'type', page: d.pages[0], type: d.type }))
    if (said.length > 0) await giveAnswers(id, said, processor)
    await finish(id, processor)
    // Where the program asks for a second person, the reviewer looked at it.
    if ((await packageRow(id, processor))?.state === 'review') await signOff(id, reviewer)
  }
}

/** A package once it is read; null where it is not open then. */
async function openRow(id: string, who: Person): ReturnType<typeof packageRow> {
  let row = await packageRow(id, who)
  while (row?.state === 'reading' || row?.state === 'empty') {
    await new Promise((done) => setTimeout(done, 1000))
    row = await packageRow(id, who)
  }
  return row?.state === 'open' ? row : null
}

/** Asks whoever sent the second of the samples for what lacks, as a processor does who has looked at them. */
export async function askSample(desk: DemoDesk): Promise<void> {
  const processor = await oneOf(desk, 'processor')
  const [came] = await database()
    .select({ packageId: messages.packageId })
    .from(messages)
    .where(and(eq(messages.organisationId, desk.id), eq(messages.sender, ASKED)))
  if (!came?.packageId || (await requestsOf(database(), came.packageId)).length > 0) return
  if (await openRow(came.packageId, processor)) await sendRequest(processor, came.packageId)
}

/** A writer of the samples who is asked for more. */
const ASKED = 'ignacio@robles.example'

/** Sends a desk some mail, where none came to it yet: papers of an applicant, and two letters that are nothing for it. */
export async function postSamples(smtp: string, desk: DemoDesk): Promise<void> {
  const [earlier] = await database()
    .select({ id: messages.id })
    .from(messages)
    .where(eq(messages.organisationId, desk.id))
    .limit(1)
  if (earlier || !desk.device) return
  const office = nodemailer.createTransport(smtp)
  const papers = await desk.device.papers(today())
  const attachments = papers.map(({ name, bytes }) => ({
    filename: `${name}.pdf`,
    content: Buffer.from(bytes),
  }))
  await office.sendMail({
    from: 'Wenna Trask <wenna@traskboats.example>',
    to: desk.mail,
    subject: 'My papers for the loan',
    text: 'Good morning,\n\nhere are the first papers of a client who wants to finance a boat. The rest follows this week.\n\nWenna Trask, Trask Boats',
    attachments: attachments.slice(0, 3),
  })
  await office.sendMail({
    from: `Ignacio Robles <${ASKED}>`,
    to: desk.mail,
    subject: 'Documentos',
    text: 'Buenos días, adjunto los documentos que me pidieron para el préstamo. Si falta algo, díganme qué es.',
    attachments: attachments.slice(3),
  })
  await office.sendMail({
    from: 'Harbour Office <office@harbour.example>',
    to: desk.mail,
    subject: 'Automatic reply: Registration of the Kittiwake',
    text: 'The office is closed until Monday.',
    headers: { 'Auto-Submitted': 'auto-replied' },
  })
}

/** Has what arrives at a desk by itself judged by the program of its first package, until somebody says another. */
export async function watchFor(desk: DemoDesk): Promise<void> {
  await knowSources()
  const [{ program }] = desk.packages
  await database()
    .update(sources)
    .set({ program })
    .where(and(eq(sources.organisationId, desk.id), isNull(sources.program)))
}
