import type { DemoPackage } from '../../desk.ts'
import { makePackage, type PackageWishes } from '../../package.ts'
import { makeTradePackage, type TradePackageWishes } from '../../trade-package.ts'

/** A package as one file: for a working-boat loan, or else for a trader's account. */
interface Wished extends Omit<DemoPackage, 'files' | 'program'> {
  file: string
  wishes?: Omit<PackageWishes, 'asOf'>
  trade?: Omit<TradePackageWishes, 'asOf'>
}

const drawn = ({ file, wishes, trade, ...given }: Wished): DemoPackage => ({
  ...given,
  program: trade ? 'trader-account' : 'working-boat-loan',
  files: async (asOf) => {
    const made = trade
      ? await makeTradePackage({ ...trade, asOf })
      : await makePackage({ papers: 'tuning', seed: 1, ...wishes, caseNumber: given.caseNumber, asOf })
    return [{ name: file, bytes: made.bytes }]
  },
})

const DAY = 24
const earlier = (number: number, days: number, more: Pick<Wished, 'wishes' | 'trade'>): Wished => ({
  caseNumber: `MSM-26-00${number}`,
  hoursOld: days * DAY,
  file: 'papers.pdf',
  finished: true,
  ...more,
})

/**
 * The demo's packages: a clean one, one with papers lacking, one with true conflicts among harmless variants,
 * scans, a business.
 */
const WISHED: readonly Wished[] = [
  {
    caseNumber: 'MSM-26-004817',
    hoursOld: 52,
    file: 'application-and-papers.pdf',
    wishes: {
      seed: 104817,
      papers: 'tuning',
      mishaps: ['other_employer', 'other_hull', 'loan_wrong'],
      variants: true,
      clutter: true,
    },
  },
  {
    caseNumber: 'MSM-26-004818',
    hoursOld: 30,
    file: 'complete-package.pdf',
    wishes: { seed: 204818, papers: 'tuning' },
  },
  {
    caseNumber: 'MSM-26-004819',
    hoursOld: 26,
    file: 'papers-first-part.pdf',
    wishes: {
      seed: 304819,
      papers: 'tuning',
      mishaps: ['missing_payslip', 'expired_card', 'unsigned_consent', 'old_bill'],
      variants: true,
      coApplicant: true,
    },
  },
  {
    caseNumber: 'MSM-26-004820',
    hoursOld: 7,
    file: 'scanned-at-counter.pdf',
    wishes: {
      seed: 404820,
      papers: 'tuning',
      mishaps: ['other_birth', 'low_cover'],
      variants: true,
      clutter: true,
      scan: 'light',
      turned: true,
    },
  },
  {
    caseNumber: 'MSM-26-004821',
    hoursOld: 2,
    file: 'fax-copies.pdf',
    wishes: {
      seed: 504821,
      papers: 'tuning',
      mishaps: ['missing_registration', 'balance_wrong'],
      scan: 'bad',
      clutter: true,
    },
  },
  {
    caseNumber: 'MSM-26-004822',
    hoursOld: 19,
    file: 'harbour-trader.pdf',
    trade: { seed: 604822, papers: 'tuning', mishaps: ['missing_card', 'shares_wrong'], clutter: true },
  },
  ...[4811, 4812, 4813, 4814].map((number, i) =>
    earlier(number, 40 - 6 * i, { wishes: { seed: number, papers: 'tuning', clutter: true } }),
  ),
  earlier(4815, 12, { trade: { seed: 4815, papers: 'tuning' } }),
  {
    caseNumber: 'MSM-26-004823',
    hoursOld: 4,
    file: 'filled-in-by-hand.pdf',
    wishes: {
      seed: 704823,
      papers: 'dice',
      mishaps: ['missing_tax_year'],
      selfEmployed: true,
      handwritten: true,
      separators: true,
      scan: 'light',
    },
  },
]

export const packages = WISHED.map(drawn)
/** Whom a package was drawn for. */
export type Household = Pick<PackageWishes, 'seed' | 'coApplicant' | 'selfEmployed'>
/** The households of the packages: their people are in the registers. */
export const households: readonly Household[] = WISHED.flatMap((p) => (p.wishes ? [p.wishes] : []))
