import { addDays } from '../core/text/index.ts'
import { bound, cluttered, type MadePackage } from './binding.ts'
import { Dice } from './dice.ts'
import { tradePlans, type TradePaperWishes } from './papers/plan.ts'
import { paperSets, type PaperSet } from './papers/sets.ts'
import type { ScanQuality } from './scan.ts'
import { makeStory } from './story.ts'
import { makeTrade } from './trade.ts'
import type { Drawn } from './truth.ts'
import { makeAddress, addressLine } from './world.ts'

/** What can go wrong with the papers of a business. */
export const tradeMishaps = [
  'missing_incorporation',
  'missing_owners',
  'unsigned_form',
  'unsigned_owners',
  'unsigned_tax',
  'missing_card',
  'expired_card',
  'old_bill',
  'missing_bill',
  'missing_tax',
  'missing_resolution',
  'unsigned_resolution',
  'other_number',
  'other_business',
  'other_address',
  'shares_wrong',
] as const
export type TradeMishap = (typeof tradeMishaps)[number]

export interface TradePackageWishes {
  seed: number
  asOf: string
  papers: PaperSet
  mishaps?: readonly TradeMishap[]
  scan?: ScanQuality
  clutter?: boolean
  turned?: boolean
}

/** Draws the package of a business that wants an account, with its truth. */
export async function makeTradePackage(wishes: TradePackageWishes): Promise<MadePackage> {
  const dice = new Dice(wishes.seed)
  const trade = makeTrade(dice, wishes.asOf)
  const story = { ...makeStory(dice, wishes.asOf), home: trade.address, utility: trade.utility }
  const set = paperSets[wishes.papers]
  const has = (m: TradeMishap) => wishes.mishaps?.includes(m) ?? false
  const layout = () => dice.int(0, set.layouts - 1)
  const papers: Drawn[] = []
  const draw = async (type: keyof typeof tradePlans, given: TradePaperWishes = {}) =>
    void papers.push(await set.drawPlan(tradePlans[type](trade, dice, given), layout(), dice))
  const conflicts = new Set<string>()
  const several = trade.owners.length > 1 && !has('missing_owners')

  await draw('account_application', {
    signed: !has('unsigned_form'),
    address: has('other_address') ? addressLine(differentFrom(trade.address.code)) : undefined,
  })
  if (!has('missing_incorporation')) {
    await draw('incorporation_certificate', {
      number: has('other_number') ? `SK${dice.digits(6)}` : undefined,
      business: has('other_business') ? `Lodestar ${trade.business}` : undefined,
    })
    if (has('other_number')) conflicts.add('company_number')
    if (has('other_business')) conflicts.add('business_name')
  }
  const shares = trade.owners.map((o, i) =>
    has('shares_wrong') && i === trade.owners.length - 1 ? o.share - 5 : o.share,
  )
  if (!has('missing_owners')) await draw('owners_declaration', { signed: !has('unsigned_owners'), shares })
  // The declaration may be missing: then nobody is known to need a card, and the cards that are there count.
  const needed = trade.owners.filter((_, i) => shares[i] >= 25)
  const carded = needed.filter((_, i) => !(has('missing_card') && i === needed.length - 1))
  for (const [i, owner] of carded.entries())
    papers.push(
      await set.drawCard(story, layout(), dice, {
        person: owner.person,
        expiry: has('expired_card') && i === 0 ? addDays(wishes.asOf, -dice.int(5, 400)) : undefined,
      }),
    )
  if (!has('missing_bill')) {
    papers.push(
      await set.drawBill(story, layout(), dice, {
        holder: trade.business,
        issued: has('old_bill') ? addDays(wishes.asOf, -dice.int(95, 200)) : undefined,
      }),
    )
    if (has('other_address')) conflicts.add('registered_address')
  }
  if (!has('missing_tax')) await draw('tax_self_certification', { signed: !has('unsigned_tax') })
  if (trade.owners.length > 1 && !has('missing_resolution'))
    await draw('board_resolution', { signed: !has('unsigned_resolution') })

  const unsigned = (missing: boolean, bare: boolean) =>
    missing ? 'missing' : bare ? 'unsigned' : 'satisfied'
  const expired = has('expired_card') && (!has('missing_owners') || carded.length === 1)
  const checklist = {
    account_form: unsigned(false, has('unsigned_form')),
    incorporation: unsigned(has('missing_incorporation'), false),
    owners: unsigned(has('missing_owners'), has('unsigned_owners')),
    owner_ids:
      carded.length === 0
        ? 'missing'
        : carded.length < needed.length && !has('missing_owners')
          ? 'incomplete'
          : expired
            ? 'expired'
            : 'satisfied',
    business_address_proof: has('missing_bill') ? 'missing' : has('old_bill') ? 'expired' : 'satisfied',
    tax_status: unsigned(has('missing_tax'), has('unsigned_tax')),
    mandate_to_act: several
      ? unsigned(has('missing_resolution'), has('unsigned_resolution'))
      : 'not_applicable',
  }
  const strays: Drawn[] = wishes.clutter ? [await set.drawStray(layout(), dice)] : []
  return bound(
    wishes.clutter ? cluttered(papers, strays, dice) : papers,
    { scan: wishes.scan, turned: wishes.turned, blanks: wishes.clutter },
    dice,
    {
      checklist,
      conflicts: [...conflicts],
      failedChecks: has('shares_wrong') && !has('missing_owners') ? ['shares_total'] : [],
    },
  )

  function differentFrom(code: string) {
    let other = makeAddress(dice)
    while (other.code === code) other = makeAddress(dice)
    return other
  }
}
