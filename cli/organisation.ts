import { parseArgs } from 'node:util'
import { z } from 'zod'
import { idFrom } from '../core/program/index.ts'
import { nameOrganisation, organisationName } from '../server/access/organisations.ts'
import { addColleague } from '../server/access/colleagues.ts'
import { closeDatabase } from '../server/database/connection.ts'
import { fitsDatabase } from './ready.ts'

const USAGE = 'jigsa organisation --name NAME --letters ABC --administrator E-MAIL --person NAME'
const wordsSchema = z.object({
  name: z.string({ error: 'the organisation needs a name' }).trim().min(1).max(200),
  letters: z
    .string({ error: 'its case numbers need letters in front' })
    .regex(/^[A-Z]{2,6}$/, 'the letters in front of its case numbers are two to six capitals'),
  administrator: z.email('the administrator needs an e-mail address'),
  person: z.string({ error: 'the administrator needs a name' }).trim().min(1).max(120),
})

/** Makes an organisation with nothing in it but its first administrator, and prints their first password. */
async function run(): Promise<void> {
  const { values } = parseArgs({
    options: {
      name: { type: 'string' },
      letters: { type: 'string' },
      administrator: { type: 'string' },
      person: { type: 'string' },
    },
  })
  const words = wordsSchema.safeParse(values)
  if (!words.success) throw new Error(`${words.error.issues[0].message}\n${USAGE}`)
  const { name, letters, administrator, person } = words.data
  await fitsDatabase()
  const id = idFrom(name).replaceAll('_', '-')
  if (id === '') throw new Error('the name has no letter that an id could be made of')
  if ((await organisationName(id)) !== '') throw new Error(`there is an organisation ${id} already`)
  await nameOrganisation(id, name, letters)
  const password = await addColleague(null, id, { name: person, email: administrator, role: 'administrator' })
  if (password === null) throw new Error(`somebody signs in as ${administrator} already`)
  process.stdout.write(`${name} is there. ${person} signs in as ${administrator} with ${password}\n`)
}

await run()
  .catch((error: unknown) => {
    process.stderr.write(`jigsa organisation: ${error instanceof Error ? error.message : String(error)}\n`)
    process.exitCode = 2
  })
  .finally(closeDatabase)
