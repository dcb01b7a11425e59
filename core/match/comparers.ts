import type { Fact } from '../program/schema.ts'
import { compareAddresses } from './addresses.ts'
import type { Comparer } from './agreement.ts'
import { compareNames, compareOrgs } from './names.ts'
import { compareDates, compareIds, compareMoney, compareTexts } from './plain.ts'

/** The comparer of each kind of fact. */
export const comparers: Record<Fact['kind'], Comparer> = {
  name: compareNames,
  org: compareOrgs,
  address: compareAddresses,
  date: compareDates,
  money: compareMoney,
  id: compareIds,
  text: compareTexts,
}
