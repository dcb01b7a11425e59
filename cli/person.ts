import { Command } from 'commander'
import { eq } from 'drizzle-orm'
import { z } from 'zod'
import {
  inviteColleague,
  peopleOf,
  resetColleague,
  setDisabled,
  setRole,
} from '../server/access/colleagues.ts'
import { closeDatabase, database } from '../server/database/connection.ts'
import { organisations, roles, user } from '../server/database/schema.ts'
import { fitsDatabase } from './ready.ts'

/** People of any organisation, for the machine's own administrator: the first of each, and for emergencies. */

const emailSchema = z.email('that is no e-mail address')
const roleSchema = z.enum(roles, `the roles are ${roles.join(', ')}`)
const say = (text: string) => process.stdout.write(`${text}\n`)

async function find(email: string) {
  const [person] = await database()
    .select({ id: user.id, name: user.name, organisationId: user.organisationId })
    .from(user)
    .where(eq(user.email, emailSchema.parse(email).toLowerCase()))
  if (!person) throw new Error(`nobody signs in as ${email}`)
  return person
}

async function mustBeOrganisation(id: string): Promise<void> {
  const known = await database().select({ id: organisations.id }).from(organisations)
  if (!known.some((o) => o.id === id))
    throw new Error(`there is no organisation ${id}; there are ${known.map((o) => o.id).join(', ')}`)
}

const program = new Command('person')
  .description('People who sign in.')
  .configureOutput({
    writeErr: (text) => process.stderr.write(`jigsa person: ${text.replace(/^error: /, '')}`),
  })
  .exitOverride((refused) => process.exit(refused.exitCode === 0 ? 0 : 2))

program
  .command('add')
  .description('makes a person, and prints the link by which they choose a password')
  .requiredOption('--organisation <id>')
  .requiredOption('--name <name>')
  .requiredOption('--email <address>')
  .option('--role <role>', roles.join(', '), 'processor')
  .action(async (given: { organisation: string; name: string; email: string; role: string }) => {
    await mustBeOrganisation(given.organisation)
    const link = await inviteColleague(null, given.organisation, {
      name: given.name,
      email: emailSchema.parse(given.email),
      role: roleSchema.parse(given.role),
    })
    if (!link) throw new Error(`somebody signs in as ${given.email} already`)
    say(`${given.name} chooses a password at ${link}`)
  })
for (const [name, disabled, what] of [
  ['disable', true, 'lets a person sign in no more, and ends their sessions'],
  ['enable', false, 'lets a person sign in again'],
] as const)
  program
    .command(`${name} <address>`)
    .description(what)
    .action(async (email: string) => {
      const person = await find(email)
      await setDisabled(null, person.organisationId, person.id, disabled)
      say(`${person.name} ${disabled ? 'signs in no more' : 'may sign in again'}.`)
    })
program
  .command('reset <address>')
  .description('prints a link by which a person chooses another password, and takes their second factor away')
  .action(async (email: string) => {
    const person = await find(email)
    say(
      `${person.name} chooses a password at ${await resetColleague(null, person.organisationId, person.id)}`,
    )
  })
program
  .command('role <address> <role>')
  .description('gives a person another role')
  .action(async (email: string, role: string) => {
    const person = await find(email)
    await setRole(null, person.organisationId, person.id, roleSchema.parse(role))
    say(`${person.name} is ${role} now.`)
  })
program
  .command('list')
  .description('everybody, by organisation')
  .option('--organisation <id>')
  .action(async ({ organisation }: { organisation?: string }) => {
    if (organisation) await mustBeOrganisation(organisation)
    for (const { id, name } of await database().select().from(organisations).orderBy(organisations.id)) {
      if (organisation && organisation !== id) continue
      say(`${id} (${name})`)
      for (const p of await peopleOf(id))
        say(`  ${p.email.padEnd(34)} ${p.role.padEnd(14)} ${p.name}${p.disabledAt ? ' (switched off)' : ''}`)
    }
  })

await fitsDatabase()
  .then(() => program.parseAsync())
  .catch((error: unknown) => {
    const words = error instanceof z.ZodError ? error.issues[0].message : String((error as Error).message)
    process.stderr.write(`jigsa person: ${words}\n`)
    process.exitCode = 2
  })
  .finally(closeDatabase)
