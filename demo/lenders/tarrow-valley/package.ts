import { bound, cluttered, type MadePackage } from '../../binding.ts'
import { Dice } from '../../dice.ts'
import type { ScanQuality } from '../../scan.ts'
import type { Drawn } from '../../truth.ts'
import { drawStray, PAPERS, type PaperType, type Wishes } from './papers.ts'
import { makeStory } from './story.ts'

/** What can go wrong with a member's papers. */
export const mishaps = [
  'missing_insurance',
  'expired_license',
  'unsigned_order',
  'other_vin',
  'order_wrong',
  'statement_wrong',
  'old_payoff',
  'other_birth',
  'other_employer',
] as const
export type Mishap = (typeof mishaps)[number]

export interface PackageWishes {
  seed: number
  asOf: string
  program: 'vehicle-loan' | 'share-account'
  /** The layouts that types were described from, or those that nobody described. */
  layouts: 'seen' | 'unseen'
  mishaps?: readonly Mishap[]
  clutter?: boolean
  scan?: ScanQuality
  /** The forms that are kept in another language are filled in there; seen layouts alone. */
  language?: 'es'
}

const LOAN: readonly PaperType[] = [
  'vehicle_loan_application',
  'drivers_license',
  'pay_stub',
  'account_statement',
  'annual_wage_statement',
  'employment_letter',
  'buyers_order',
  'insurance_declarations',
  'title_certificate',
  'payoff_letter',
]
const ACCOUNT: readonly PaperType[] = ['share_account_application', 'drivers_license', 'voided_check']

/** Draws a package of a member with its truth; the same wishes give the same one. */
export async function makePackage({
  seed,
  asOf,
  program,
  layouts,
  scan,
  clutter,
  language,
  ...wishes
}: PackageWishes): Promise<MadePackage> {
  const dice = new Dice(seed)
  const story = makeStory(dice, asOf)
  const has = (mishap: Mishap) => wishes.mishaps?.includes(mishap) ?? false
  const loan = program === 'vehicle-loan'
  const papers: Drawn[] = []
  for (const type of loan ? LOAN : ACCOUNT) {
    const layout = layouts === 'seen' ? 0 : dice.int(1, 2)
    if (type === 'insurance_declarations' && has('missing_insurance')) continue
    const own: Wishes = {
      language,
      signed: !(type === 'buyers_order' && has('unsigned_order')),
      expired:
        (type === 'drivers_license' && has('expired_license')) ||
        (type === 'payoff_letter' && has('old_payoff')),
      wrongSum:
        (type === 'buyers_order' && has('order_wrong')) ||
        (type === 'account_statement' && has('statement_wrong')),
      vin:
        type === 'buyers_order' && has('other_vin')
          ? story.vehicle.vin.slice(0, -2) + (story.vehicle.vin.endsWith('47') ? '83' : '47')
          : undefined,
      born:
        type === 'drivers_license' && has('other_birth')
          ? `${Number(story.born.slice(0, 4)) - 1}${story.born.slice(4, 8)}11`
          : undefined,
      employer: type === 'pay_stub' && has('other_employer') ? 'Cibolo Ridge Fabricators, Inc.' : undefined,
    }
    papers.push(await PAPERS[type][layout](story, dice, own))
  }
  const strays = clutter ? [await drawStray(dice)] : []
  const conflicts = [
    ...(loan && has('other_vin') ? ['vin'] : []),
    ...(has('other_birth') ? ['date_of_birth'] : []),
    ...(loan && has('other_employer') ? ['employer'] : []),
    ...(loan && has('order_wrong') ? ['amount'] : []),
  ]
  const failed = [
    ...(loan && has('order_wrong') ? ['order_adds_up'] : []),
    ...(loan && has('statement_wrong') ? ['statement_adds_up'] : []),
  ]
  const checklist: Record<string, string> = loan
    ? {
        application: 'satisfied',
        photo_id: has('expired_license') ? 'expired' : 'satisfied',
        income: 'satisfied',
        statement: 'satisfied',
        order: has('unsigned_order') ? 'unsigned' : 'satisfied',
        insurance: has('missing_insurance') ? 'missing' : 'satisfied',
        title: 'satisfied',
        payoff: has('old_payoff') ? 'expired' : 'satisfied',
      }
    : {
        application: 'satisfied',
        photo_id: has('expired_license') ? 'expired' : 'satisfied',
        funding: 'satisfied',
      }
  return bound(
    clutter ? cluttered(papers, strays, dice) : papers,
    { scan, turned: scan !== undefined, blanks: clutter },
    dice,
    { checklist, conflicts, failedChecks: failed },
  )
}
