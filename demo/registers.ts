import { DEMO_PACKAGES } from './demo-packages.ts'
import { Dice } from './dice.ts'
import { makeStory } from './story.ts'
import { addressLine, fullName } from './world.ts'

interface Household {
  seed: number
  coApplicant?: boolean
  selfEmployed?: boolean
}

/**
 * What the registers of the demo world know: people, firms and boats of its packages, and as many that are in
 * none.
 */
function demoRegisters(wishes: readonly Household[], asOf: string) {
  const strangers = Array.from({ length: 40 }, (_, i): Household => ({ seed: 900_000 + i }))
  const stories = [...wishes, ...strangers].map((w) =>
    makeStory(new Dice(w.seed), asOf, w.coApplicant, w.selfEmployed),
  )
  return {
    customers: csv(
      ['name', 'national_number', 'date_of_birth', 'address', 'iban'],
      stories.map((s) => [
        fullName(s.applicant),
        s.applicant.nationalNumber,
        s.applicant.born,
        addressLine(s.home),
        s.iban,
      ]),
    ),
    employers: csv(
      ['name'],
      [...new Set(stories.map((s) => s.employer))].map((name) => [name]),
    ),
    vessels: stories.map((s) => ({ hull_number: s.hull, name: s.vessel, owner: s.yard })),
  }
}

const csv = (head: string[], rows: string[][]): string =>
  [head, ...rows].map((row) => row.map((cell) => `"${cell.replaceAll('"', '""')}"`).join(',')).join('\n')

/** People, firms and boats of the demo's packages, as registers outside know them. */
export const demoWorld = () =>
  demoRegisters(
    DEMO_PACKAGES.flatMap((p) => (p.wishes ? [p.wishes] : [])),
    new Date().toISOString().slice(0, 10),
  )
