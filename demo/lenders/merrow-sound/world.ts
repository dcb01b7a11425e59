import { Dice } from '../../dice.ts'
import { csvOf } from '../../desk.ts'
import { makeStory } from '../../story.ts'
import { addressLine, fullName } from '../../world.ts'
import { type Household, households } from './packages.ts'

/**
 * What the registers of the demo know: people, firms and boats of its packages, and as many that are in none.
 * Boats are asked for over HTTP.
 */
export function world(asOf: string) {
  const strangers = Array.from({ length: 40 }, (_, i): Household => ({ seed: 900_000 + i }))
  const stories = [...households, ...strangers].map((w) =>
    makeStory(new Dice(w.seed), asOf, w.coApplicant, w.selfEmployed),
  )
  return {
    customers: csvOf(
      ['name', 'national_number', 'date_of_birth', 'address', 'iban'],
      stories.map((s) => [
        fullName(s.applicant),
        s.applicant.nationalNumber,
        s.applicant.born,
        addressLine(s.home),
        s.iban,
      ]),
    ),
    employers: csvOf(
      ['name'],
      [...new Set(stories.map((s) => s.employer))].map((name) => [name]),
    ),
    vessels: stories.map((s) => ({ hull_number: s.hull, name: s.vessel, owner: s.yard })),
  }
}
