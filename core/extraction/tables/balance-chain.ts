import { editDistance } from '../../text/index.ts'
import { isTruncated } from '../scoring/digit-slips.ts'

/** A row of an account as read, in cents; null where a cell could not be read. */
export interface Step {
  amount: number | null
  balance: number | null
  /** Its figures were read weakly: one or two of them may be others. */
  weak: boolean
  /** Which way rows of its kind go, -1 out of the account; 0 where that is not known. */
  way: number
  /** No row, but a balance that the paper names: another one of its amounts may have been taken for it. */
  end?: true
}

/** What it costs to believe that a cell stands for something else than what was read. */
const COST = {
  sign: 0.3,
  against: 0.6,
  lostMinus: 1,
  lostFront: 1,
  lostOfAmount: 1,
  outsized: 1.5,
  lacking: 1,
  stroke: 1.5,
  blurredOne: 2,
  blurredTwo: 3,
  figuresMore: 2,
  sureBalance: 4,
  end: 3,
}
/** What it costs to leave a row unreconciled with the one before, as a paper with a slip of its own is. */
const BREAK = 5
/** What it costs to leave a balance open that nothing says. */
const OPEN = 2.5
/** So many ways of reading a row are followed up. */
const WAYS = 16
/** Shorter balances have too few figures for one to be a stain. */
const LONG = 5
/** What is left of a balance that lost its first figures has at least its cents and one more. */
const SHORTEST = 3
/** An amount so many times what four in five of the others are at most is unlikely where it could not be read. */
const OUTSIZED = 3
/** Fewer amounts do not say what is usual. */
const FEW = 6

interface Way {
  balance: number | null
  cost: number
  before: Way | null
  /** What the row's amount is then; what was read, where nothing bears it out. */
  amount: number | null
}

/** The balances that an account opens and closes with, in cents, as its paper says them; null where it does not. */
export interface Ends {
  opening: number | null
  closing: number | null
}

/** What leads from the last row to the balance that the paper closes with. */
const NOTHING = 0

/**
 * The likeliest amounts and balances of an account's rows, oldest first: each balance is the one before it
 * and the row's amount. Found over all rows at once (Viterbi's algorithm), since one lost balance leaves open
 * which way two amounts go. Cells keep what was read where no likely slip of a reader explains that they do
 * not add up.
 * @param ends balances that hold for the first row and the last
 */
export function followChain(
  rows: readonly Step[],
  { opening, closing }: Ends = { opening: null, closing: null },
): Pick<Step, 'amount' | 'balance'>[] {
  const before: Step[] =
    opening === null ? [] : [{ amount: null, balance: opening, weak: true, way: 0, end: true }]
  const behind: Step[] =
    closing === null ? [] : [{ amount: NOTHING, balance: closing, weak: true, way: 0, end: true }]
  return likeliestWay([...before, ...rows, ...behind]).slice(before.length, before.length + rows.length)
}

function likeliestWay(steps: readonly Step[]): Pick<Step, 'amount' | 'balance'>[] {
  const sizes = steps.flatMap(({ amount }) => (amount ? [Math.abs(amount)] : [])).sort((a, b) => a - b)
  const most = sizes.length < FEW ? Infinity : sizes[Math.floor(sizes.length * 0.8)] * OUTSIZED
  let ways: Way[] = []
  steps.forEach((step, i) => {
    const next = steps[i + 1]
    const balances = new Set<number | null>([step.balance])
    // An overdrawn account on a weak print loses its minus.
    if (step.balance !== null && step.balance > 0) balances.add(-step.balance)
    // A stain among its figures makes a balance that leads nowhere from either side.
    if (step.balance !== null && step.weak)
      for (const less of withoutOneFigure(step.balance)) balances.add(less)
    for (const { balance } of ways)
      if (step.balance !== null && balance !== null)
        for (const more of withFront(step.balance, balance)) balances.add(more)
    if (step.amount !== null)
      for (const { balance } of ways)
        if (balance !== null) balances.add(balance + step.amount).add(balance - step.amount)
    if (next?.balance != null && next.amount !== null)
      balances.add(next.balance - next.amount).add(next.balance + next.amount)
    // Between two rows that bear one another out a balance is wrong however clear it looks; at an end nothing does.
    const sure = step.end ? COST.end : i === 0 || !next ? BREAK : COST.sureBalance
    ways = [...balances]
      .map((balance) => cheapest(ways, step, balance, balanceCost(step, balance, sure), most))
      .sort((a, b) => a.cost - b.cost)
      .slice(0, WAYS)
  })
  const found: Pick<Step, 'amount' | 'balance'>[] = []
  for (let way: Way | null = ways[0] ?? null; way; way = way.before)
    found.unshift({ amount: way.amount, balance: way.balance })
  return found
}

/** What a balance may be if one of its figures is none. */
function withoutOneFigure(balance: number): number[] {
  const figures = String(Math.abs(balance))
  return figures.length < LONG
    ? []
    : [...figures].map((_, i) => Math.sign(balance) * Number(figures.slice(0, i) + figures.slice(i + 1)))
}

/** What a balance may be that lost its first figures: those of the balance before it, or one less. */
function withFront(balance: number, before: number): number[] {
  const [figures, longer] = [String(Math.abs(balance)), String(Math.abs(before))]
  const front = Number(longer.slice(0, -figures.length))
  return figures.length >= longer.length || figures.length < SHORTEST
    ? []
    : [front, front - 1].flatMap((lost) =>
        lost > 0 ? [Math.sign(before) * Number(`${lost}${figures}`)] : [],
      )
}

function cheapest(ways: readonly Way[], step: Step, balance: number | null, own: number, most: number): Way {
  if (ways.length === 0) return { balance, cost: own, before: null, amount: step.amount }
  let best: Way | null = null
  for (const before of ways) {
    const [amount, cost] = amountGiven(step, before.balance, balance, most)
    if (!best || before.cost + cost + own < best.cost)
      best = { balance, cost: before.cost + cost + own, before, amount }
  }
  return best!
}

function balanceCost({ balance: read, weak }: Step, balance: number | null, sure: number): number {
  if (balance === null) return OPEN
  if (read === null) return COST.lacking
  if (read === balance) return 0
  if (read === -balance) return read > 0 ? (weak ? COST.lostMinus : COST.lostMinus * 2) : sure
  return Math.min(sure, slipCost(read, balance, weak) ?? sure)
}

/**
 * The amount between two balances and what it costs to believe in it; the one read, where it would be another
 * paper's.
 */
function amountGiven(
  { amount: read, weak, way }: Step,
  before: number | null,
  after: number | null,
  most: number,
): [amount: number | null, cost: number] {
  if (before === null || after === null) return [read, 0]
  const amount = after - before
  const against = amount * way < 0 ? COST.against : 0
  if (amount === read) return [read, against]
  const unlikely = Math.abs(amount) > most ? COST.outsized : 0
  if (read === NOTHING) return [read, BREAK]
  if (read === null) return amount === 0 ? [null, BREAK] : [amount, COST.lacking + against + unlikely]
  if (amount === -read) return [amount, COST.sign + against]
  const slip = slipCost(read, amount, weak)
  if (slip === null) return [read, BREAK]
  // An amount is shorter than a balance, and has no mark of thousands to lose figures by.
  const more = isTruncated(read, amount) ? COST.lostOfAmount : 0
  return [amount, slip + more + against + unlikely + (Math.sign(amount) === Math.sign(read) ? 0 : COST.sign)]
}

const STROKE = /^[17]$/

/**
 * What it costs to take figures for others: some lost in front, a rule before them read as a 1, others
 * between them, or two at most misread, lost or added on a weak print; null where no slip explains it.
 */
function slipCost(read: number, meant: number, weak: boolean): number | null {
  const [seen, figures] = [String(Math.abs(read)), String(Math.abs(meant))]
  // A mark of thousands parts two figures in front from the rest at most times; more were hardly lost with them.
  if (isTruncated(read, meant)) return COST.lostFront * Math.max(1, figures.length - seen.length - 1)
  // Another figure in front than a rule looks like is the paper's, whatever its sums say.
  if (isTruncated(meant, read))
    return weak || STROKE.test(seen.slice(0, -figures.length)) ? COST.stroke : null
  if (seen.length > figures.length + 2) return COST.figuresMore
  // What is further off is another amount: a row between was lost, and its amount is not this one's.
  if (!weak) return null
  const slips = editDistance(seen, figures, 2)
  return slips === 1 ? COST.blurredOne : slips === 2 ? COST.blurredTwo : null
}
