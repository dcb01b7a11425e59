import { addDays } from '../core/text/index.ts'
import type { Dice } from './dice.ts'
import { makeAddress, makeFirm, makePerson, makeUtility, type Address, type Person } from './world.ts'

/** All that is true of one application for a business account. */
export interface Trade {
  asOf: string
  caseNumber: string
  business: string
  companyNumber: string
  address: Address
  contact: Person
  owners: { person: Person; share: number }[]
  turnover: number
  applied: string
  incorporated: string
  declared: string
  met: string
  taxNumber: string
  utility: string
}

/** Whole and half shares that make up a hundred, the largest first. */
const SHARES: Record<number, readonly (readonly number[])[]> = {
  1: [[100]],
  2: [
    [60, 40],
    [50, 50],
    [80, 20],
    [75.5, 24.5],
  ],
  3: [
    [40, 35, 25],
    [50, 30, 20],
    [70, 20, 10],
  ],
  4: [
    [40, 30, 20, 10],
    [25, 25, 25, 25],
  ],
}

/** Invents a business that wants an account, and the people behind it. */
export function makeTrade(dice: Dice, asOf: string): Trade {
  const shares = dice.pick(SHARES[dice.pick([1, 2, 2, 3, 3, 4])])
  const owners: Trade['owners'] = []
  while (owners.length < shares.length) {
    const person = makePerson(dice)
    if (!owners.some((o) => o.person.given === person.given || o.person.family === person.family))
      owners.push({ person, share: shares[owners.length] })
  }
  const applied = addDays(asOf, -dice.int(3, 20))
  return {
    asOf,
    owners,
    applied,
    caseNumber: `MSM-${asOf.slice(2, 4)}-${dice.digits(6)}`,
    business: makeFirm(dice).replace(/ Co\.$/, ' Ltd'),
    companyNumber: dice.pick([`SK${dice.digits(6)}`, `C-${dice.digits(5)}`, `${dice.digits(7)}`]),
    address: makeAddress(dice),
    contact: owners[0].person,
    turnover: dice.int(8, 220) * 100000,
    incorporated: addDays(asOf, -dice.int(200, 6000)),
    declared: addDays(applied, -dice.int(0, 6)),
    met: addDays(applied, -dice.int(2, 30)),
    taxNumber: dice.pick([
      `${dice.digits(3)} ${dice.digits(3)} ${dice.digits(4)}`,
      `SKT${dice.digits(8)}`,
      `${dice.digits(2)}-${dice.digits(7)}`,
    ]),
    utility: makeUtility(dice),
  }
}
