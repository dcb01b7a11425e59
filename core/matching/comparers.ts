import type { Fact } from '../program/index.ts'
import { plain } from '../model/index.ts'
import { compareAddresses } from './addresses.ts'
import { WEAK, type Agreement, type Comparer } from './agreement.ts'
import { compareNames, compareOrgs } from './names.ts'
import { compareDates, compareIds, compareMoney, textComparer } from './values.ts'

/**
 * How many pairs are kept of one kind: a package's values are compared again with every answer, and only few
 * are new.
 */
const MOST = 20_000

/**
 * A comparer that remembers. What it says rests on both texts and on whether one of them was read weakly, on
 * nothing else.
 */
function remembering(compare: Comparer): Comparer {
  const known = new Map<string, Agreement>()
  return (a, b) => {
    const key = `${plain(a.value)}\n${plain(b.value)}\n${Math.min(a.confidence, b.confidence) < WEAK}`
    let found = known.get(key)
    if (!found) {
      found = compare(a, b)
      if (known.size >= MOST) known.clear()
      known.set(key, found)
    }
    return found
  }
}

/** The comparer of each kind of fact. */
export const comparers: Record<Fact['kind'], Comparer> = {
  name: remembering(compareNames),
  org: remembering(compareOrgs),
  address: remembering(compareAddresses),
  date: compareDates,
  money: compareMoney,
  id: remembering(compareIds),
  text: remembering(textComparer([])),
}

const byFact = new WeakMap<Fact, Comparer>()

/** The comparer of a fact, which may leave words out of account. */
export function comparerOf(fact: Fact): Comparer {
  if (fact.kind !== 'text' || fact.leaves.length === 0) return comparers[fact.kind]
  let own = byFact.get(fact)
  if (!own) byFact.set(fact, (own = remembering(textComparer(fact.leaves))))
  return own
}
