import {
  allOf,
  cents,
  figuresIn,
  fromCents,
  isMoney,
  message,
  type Message,
  type MessageCode,
  type Money,
  type Row,
  sameCurrency,
  severalCurrencies,
  type Value,
} from '../model/index.ts'
import { type Answer, standingOf } from '../answers/index.ts'
import type { Settled } from './facts.ts'
import {
  type Check,
  type DocumentType,
  type Program,
  tableColumns,
  type TableColumns,
} from '../program/index.ts'
import { centsIn, newestFirst } from '../extraction/index.ts'
import { addDays, daysBetween, squeeze } from '../text/index.ts'
import {
  counting,
  counts,
  fieldOf,
  isAnothers,
  splitReference,
  usable,
  usableText,
  valueIn,
  type Paper,
} from './paper.ts'

/** One number of a sum with its place, so that arithmetic can be shown as arithmetic. */
export interface Term {
  label: Message
  amount: Money
  document: string
  field: string
  /** Row of a table, counted from 0. */
  row?: number
  /** What stands before it. */
  sign: '' | '+' | '−' | '=' | '≠' | '·' | '⇒' | '≈'
}

export interface CheckResult {
  check: string
  title: string
  status: 'passed' | 'failed' | 'not_applicable'
  detail: Message
  documents: string[]
  terms: Term[]
  settled: Settled<'accepted' | 'ask'> | null
}

/** Whether a decision to accept a failed check counts as things are. */
export const accepted = (check: Pick<CheckResult, 'settled'>): boolean =>
  check.settled?.decision === 'accepted' &&
  check.settled.state === 'holds' &&
  check.settled.against.length === 0

type Outcome = Pick<CheckResult, 'status' | 'detail' | 'documents' | 'terms'>

/** Why a check cannot be judged. */
type OpenCode = Extract<MessageCode, `check.no_${string}` | 'check.nothing_to_add'>

const none = (code: OpenCode): Outcome => ({
  status: 'not_applicable',
  detail: message(code),
  documents: [],
  terms: [],
})
const amountOf = (paper: Paper, name: string): Money | null => {
  const value = usable(paper, name)
  return isMoney(value) ? value : null
}
const rowsOf = (paper: Paper, name: string): Row[] | null => {
  const value = usable(paper, name)
  return Array.isArray(value) ? value : null
}
const term = (
  paper: Paper,
  field: string,
  amount: Money,
  sign: Term['sign'],
  said: { label?: Message; row?: number } = {},
): Term => ({
  label: message('term.paper', { paper: paper.label }),
  amount,
  document: paper.id,
  field,
  sign,
  ...said,
})

/** What checks are judged by. */
export interface Judging {
  program: Program
  types: readonly DocumentType[]
  answers: readonly Answer[]
  /** The day the package is judged on, ISO. */
  asOf: string
}

/** What one check is judged on. */
type Given = Pick<Judging, 'types' | 'asOf'> & { papers: readonly Paper[] }

/** The columns of a table by their roles, whatever a lender calls them. */
function columnsOf(types: readonly DocumentType[], reference: string): TableColumns {
  const [type, table] = splitReference(reference)
  const field = types.find((t) => t.id === type)?.fields.find((f) => f.name === table)
  return field ? tableColumns(field) : {}
}

/** A table changed since the program was written: nothing is found lacking in columns that nobody named. */
const NO_ROLES = 'check.no_roles'

const sumOf = (rows: readonly Row[], amount: string | undefined): number =>
  rows.reduce((sum, row) => sum + (centsIn(row, amount) ?? 0), 0)

/** Judges every check of the program, then applies people's decisions. */
export function judgeChecks(
  papers: readonly Paper[],
  { program, types, answers, asOf }: Judging,
): CheckResult[] {
  return program.checks.map((check) => {
    const standing = standingOf(
      answers,
      'check',
      check.id,
      (a) => a.decision === 'accepted' && program.signOff.differences,
    )
    const outcome = judgeOpen(check, { papers, types, asOf })
    // A figure that turns up later than a decision is a new failure.
    const known = standing?.answer.over
    const against =
      known && outcome.status === 'failed' ? figuresIn(outcome.detail).filter((f) => !known.includes(f)) : []
    return {
      check: check.id,
      title: check.title,
      ...outcome,
      settled: standing
        ? {
            decision: standing.answer.decision,
            reason: standing.answer.reason,
            state: standing.state,
            refusal: standing.refusal,
            against,
          }
        : null,
    }
  })
}

/**
 * A value still asked about may be misread: it may bear a check out, but it accuses no paper before a person
 * has answered.
 */
function judgeOpen(check: Check, given: Given): Outcome {
  const outcome = judge(check, given)
  if (outcome.status !== 'failed') return outcome
  const certain = given.papers.map((p) => ({
    ...p,
    fields: p.fields.map((f) => (f.needsReview ? { ...f, value: null } : f)),
  }))
  const sure = judge(check, { ...given, papers: certain })
  return sure.status === 'failed'
    ? sure
    : {
        ...outcome,
        status: 'not_applicable',
        detail: message('check.waits_for_answer', { otherwise: outcome.detail }),
      }
}

/** Amounts in two currencies are never reckoned together as if they were one: a person sees it. */
function judge(check: Check, given: Given): Outcome {
  const outcome = reckon(check, given)
  const currencies = reckonedIn(check, outcome, given)
  return currencies.length > 0
    ? { ...outcome, status: 'failed', detail: message('check.several_currencies', { currencies }) }
    : outcome
}

/** The currencies that a check reckons together, where they are several. */
function reckonedIn(check: Check, outcome: Outcome, { papers, types }: Given): string[] {
  const references = Object.values(check).filter(
    (part): part is string => typeof part === 'string' && part.includes('.'),
  )
  // Within one paper all that a check names belongs together.
  const within = papers
    .filter((paper) => counts(paper) && !isAnothers(paper))
    .flatMap((paper) =>
      severalCurrencies(
        references.flatMap((reference) => {
          const [type, name] = splitReference(reference)
          return type === paper.type ? amountsIn(usable(paper, name), columnsOf(types, reference)) : []
        }),
      ),
    )
  if (within.length > 0) return [...new Set(within)]
  // Statements of two accounts may well be in two currencies, each adding up for itself.
  return check.kind === 'running_balance' || check.kind === 'joins_up'
    ? []
    : severalCurrencies(outcome.terms.map((t) => t.amount))
}

/** The amounts of a value that sums take; what a card was charged abroad may stand in a column beside them. */
function amountsIn(value: Value, { amount, balance, unit_price: price }: TableColumns): Money[] {
  if (isMoney(value)) return [value]
  if (!Array.isArray(value)) return []
  return value.flatMap((row) =>
    [amount, balance, price].flatMap((name) => {
      const cell = name === undefined ? null : row[name]
      return isMoney(cell) ? [cell] : []
    }),
  )
}

function reckon(check: Check, given: Given): Outcome {
  const { papers, asOf } = given
  switch (check.kind) {
    case 'difference':
      return difference(check, papers)
    case 'near_mean':
      return nearMean(check, papers)
    case 'reaches_account':
      return reachesAccount(check, given)
    case 'running_balance':
      return runningBalance(check, given)
    case 'joins_up':
      return joinsUp(check, papers)
    case 'lines_and_tax':
      return linesAndTax(check, given)
    case 'column_total':
      return columnTotal(check, papers)
    case 'at_least':
      return atLeast(check, papers)
    case 'signed_within':
      return signedWithin(check, papers, asOf)
  }
}

function moneyAt(
  papers: readonly Paper[],
  reference: string,
): { paper: Paper; amount: Money; field: string } | null {
  const found = valueIn(papers, reference)
  return found && isMoney(found.value)
    ? { paper: found.paper, amount: found.value, field: splitReference(reference)[1] }
    : null
}

function difference(check: Check & { kind: 'difference' }, papers: readonly Paper[]): Outcome {
  const [total, minus, equals] = [check.total, check.minus, check.equals].map((r) => moneyAt(papers, r))
  if (!total || !minus || !equals) return none('check.no_amount')
  const should = cents(total.amount) - cents(minus.amount)
  const apart = Math.abs(cents(equals.amount) - should)
  const good = apart < 100
  const { currency } = total.amount
  const sum = { total: total.amount, minus: minus.amount, is: fromCents(should, currency) }
  return {
    status: good ? 'passed' : 'failed',
    detail: good
      ? message('difference.agrees', sum)
      : message('difference.differs', { ...sum, says: equals.amount, apart: fromCents(apart, currency) }),
    documents: [...new Set([total.paper.id, minus.paper.id, equals.paper.id])],
    terms: [
      term(total.paper, total.field, total.amount, ''),
      term(minus.paper, minus.field, minus.amount, '−'),
      term(equals.paper, equals.field, equals.amount, good ? '=' : '≠'),
    ],
  }
}

function nearMean(check: Check & { kind: 'near_mean' }, papers: readonly Paper[]): Outcome {
  const stated = moneyAt(papers, check.value)
  const [type, field] = splitReference(check.mean)
  const slips = counting(papers, type)
    .filter((p) => !isAnothers(p))
    .flatMap((paper) => {
      const amount = amountOf(paper, field)
      return amount ? [{ paper, amount }] : []
    })
  if (!stated || slips.length === 0) return none('check.no_amount')
  const mean = slips.reduce((sum, s) => sum + cents(s.amount), 0) / slips.length
  const compared = cents(stated.amount) / check.divide
  const apart = Math.abs(compared - mean) / mean
  const { currency } = stated.amount
  const meanAmount = fromCents(Math.round(mean), currency)
  const good = apart <= check.percent / 100 + 1e-9
  return {
    status: good ? 'passed' : 'failed',
    detail: message('mean.compared', {
      stated: fromCents(Math.round(compared), currency),
      mean: meanAmount,
      apart: apart * 100,
      allowed: check.percent,
    }),
    documents: [stated.paper.id, ...slips.map((s) => s.paper.id)],
    terms: [
      ...slips.map((s, i) => term(s.paper, field, s.amount, i ? '·' : '')),
      ...(slips.length > 1
        ? [term(slips[0].paper, field, meanAmount, '⇒', { label: message('term.mean') })]
        : []),
      term(
        stated.paper,
        stated.field,
        stated.amount,
        good ? '≈' : '≠',
        check.divide === 1
          ? {}
          : { label: message('term.divided', { paper: stated.paper.label, by: check.divide }) },
      ),
    ],
  }
}

function reachesAccount(check: Check & { kind: 'reaches_account' }, { papers, types }: Given): Outcome {
  const [slipType, amountField] = splitReference(check.amount)
  const [statementType, table] = splitReference(check.table)
  const dateField = splitReference(check.date)[1]
  const [from, to] = [splitReference(check.from)[1], splitReference(check.to)[1]]
  // A statement with a page lacking may carry the credit on that page: it covers nothing for sure.
  const statements = counting(papers, statementType)
    .filter((p) => p.lacking.length === 0)
    .flatMap((paper) => {
      const [start, end, rows] = [usableText(paper, from), usableText(paper, to), rowsOf(paper, table)]
      return start && end && rows ? [{ paper, start, end, rows }] : []
    })
  const columns = columnsOf(types, check.table)
  if (!columns.amount || !columns.date) return none(NO_ROLES)
  const bySum = new Map<number, { paper: Paper; row: Row; at: number }[]>()
  for (const { paper, rows } of statements)
    rows.forEach((row, at) => {
      const sum = centsIn(row, columns.amount)
      if (sum !== null) bySum.set(sum, [...(bySum.get(sum) ?? []), { paper, row, at }])
    })
  const terms: Term[] = []
  const lacking: { amount: Money; paper: string }[] = []
  const documents: string[] = []
  let seen = 0
  for (const slip of counting(papers, slipType).filter((p) => !isAnothers(p))) {
    const [amount, date] = [amountOf(slip, amountField), usableText(slip, dateField)]
    if (!amount || !date) continue
    const covering = statements.find((s) => s.start <= date && date <= s.end)
    if (!covering) continue
    seen++
    const near = bySum.get(cents(amount))?.find(({ row }) => {
      const booked = row[columns.date ?? '']
      return typeof booked === 'string' && Math.abs(daysBetween(date, booked)) <= check.days
    })
    documents.push(slip.id, (near ?? covering).paper.id)
    terms.push(term(slip, amountField, amount, ''))
    if (near) terms.push(term(near.paper, table, amount, '=', { row: near.at }))
    else lacking.push({ amount, paper: slip.label })
  }
  if (seen === 0) return none('check.no_pay_day_covered')
  return {
    status: lacking.length ? 'failed' : 'passed',
    detail: lacking.length
      ? message('account.credits_lacking', { payments: lacking })
      : message('account.credits_there', { count: seen }),
    documents: [...new Set(documents)],
    terms,
  }
}

function runningBalance(check: Check & { kind: 'running_balance' }, { papers, types }: Given): Outcome {
  const [type, table] = splitReference(check.table)
  const columns = columnsOf(types, check.table)
  if (!columns.amount) return none(NO_ROLES)
  const [openingField, closingField] = [splitReference(check.opening)[1], splitReference(check.closing)[1]]
  const breaks: Message[] = []
  const documents: string[] = []
  const terms: Term[] = []
  let judged = 0
  for (const paper of counting(papers, type)) {
    const [opening, closing, rows] = [
      amountOf(paper, openingField),
      amountOf(paper, closingField),
      rowsOf(paper, table),
    ]
    if (!opening || !closing || !rows || rows.length === 0 || paper.lacking.length > 0) continue
    judged++
    const own = (sum: number) => fromCents(sum, opening.currency)
    let balance = cents(opening)
    let broke = false
    const numbered = rows.map((row, at) => ({ row, at }))
    for (const { row, at } of newestFirst(rows, columns) ? numbered.reverse() : numbered) {
      const [step, printed] = [centsIn(row, columns.amount), centsIn(row, columns.balance)]
      if (step === null) continue
      balance += step
      if (!broke && printed !== null && printed !== balance) {
        broke = true
        breaks.push(
          message('balance.breaks', {
            paper: paper.label,
            row: at + 1,
            should: own(balance),
            says: own(printed),
          }),
        )
        terms.push(term(paper, table, own(balance), ''), term(paper, table, own(printed), '≠', { row: at }))
      }
      balance = printed ?? balance
    }
    const sum = cents(opening) + sumOf(rows, columns.amount)
    if (!broke && sum !== cents(closing)) {
      broke = true
      breaks.push(message('balance.ends_otherwise', { paper: paper.label, leads: own(sum), closes: closing }))
      terms.push(
        term(paper, openingField, opening, ''),
        term(paper, table, own(sum - cents(opening)), '+', { label: message('term.rows') }),
        term(paper, closingField, closing, '≠'),
      )
    }
    if (broke) documents.push(paper.id)
  }
  if (judged === 0) return none('check.no_rows')
  return {
    status: breaks.length ? 'failed' : 'passed',
    detail: breaks.length ? allOf(breaks) : message('balance.adds_up', { count: judged }),
    documents,
    terms,
  }
}

function joinsUp(check: Check & { kind: 'joins_up' }, papers: readonly Paper[]): Outcome {
  const [type, openingField] = splitReference(check.opening)
  const [closingField, from, to] = [check.closing, check.from, check.to].map((r) => splitReference(r)[1])
  const statements = counting(papers, type)
    .flatMap((paper) => {
      const [opening, closing, start, end] = [
        amountOf(paper, openingField),
        amountOf(paper, closingField),
        usableText(paper, from),
        usableText(paper, to),
      ]
      const account = squeeze(usableText(paper, check.account ? splitReference(check.account)[1] : '') ?? '')
      return opening && closing && start && end ? [{ paper, opening, closing, start, end, account }] : []
    })
    .sort((a, b) => a.start.localeCompare(b.start))
  const breaks: Message[] = []
  const documents = new Set<string>()
  const terms: Term[] = []
  let pairs = 0
  for (let i = 1; i < statements.length; i++) {
    const [before, next] = [statements[i - 1], statements[i]]
    if (before.account && next.account && before.account !== next.account) continue
    if (Math.abs(daysBetween(before.end, next.start)) > 1) continue
    pairs++
    const { currency } = before.closing
    if (sameCurrency(currency, next.opening.currency) && cents(before.closing) === cents(next.opening))
      continue
    breaks.push(
      message('statements.break', {
        before: before.paper.label,
        closes: before.closing,
        next: next.paper.label,
        opens: next.opening,
      }),
    )
    documents.add(before.paper.id).add(next.paper.id)
    terms.push(
      term(before.paper, closingField, before.closing, ''),
      term(next.paper, openingField, next.opening, '≠'),
    )
  }
  if (pairs === 0) return none('check.no_neighbours')
  return {
    status: breaks.length ? 'failed' : 'passed',
    detail: breaks.length ? allOf(breaks) : message('statements.join', { count: pairs + 1 }),
    documents: [...documents],
    terms,
  }
}

function linesAndTax(check: Check & { kind: 'lines_and_tax' }, { papers, types }: Given): Outcome {
  const [type, table] = splitReference(check.table)
  const columns = columnsOf(types, check.table)
  if (!columns.amount) return none(NO_ROLES)
  const [netField, taxField, totalField] = [check.net, check.tax, check.total].map(
    (r) => splitReference(r)[1],
  )
  const breaks: Message[] = []
  const documents: string[] = []
  const terms: Term[] = []
  let judged = 0
  let unseen = 0
  for (const paper of counting(papers, type)) {
    const [net, tax, total, rows] = [
      amountOf(paper, netField),
      amountOf(paper, taxField),
      amountOf(paper, totalField),
      rowsOf(paper, table),
    ]
    if (!net || !total) continue
    judged++
    if (rows && rows.length > 0 && paper.lacking.length === 0) {
      const sum = sumOf(rows, columns.amount)
      if (Math.abs(sum - cents(net)) > 1) {
        breaks.push(
          message('quote.lines_differ', { paper: paper.label, sum: fromCents(sum, net.currency), net }),
        )
        rows.forEach((row, at) => {
          const [amount, words] = [row[columns.amount ?? ''], row[columns.description ?? '']]
          if (isMoney(amount))
            terms.push(
              term(paper, table, amount, at ? '+' : '', {
                label: message('term.words', { words: typeof words === 'string' ? words : '' }),
                row: at,
              }),
            )
        })
        terms.push(term(paper, netField, net, '≠'))
      }
    } else unseen++
    if (tax && Math.abs(cents(net) + cents(tax) - cents(total)) > 1) {
      const makes = fromCents(cents(net) + cents(tax), net.currency)
      breaks.push(message('quote.total_differs', { paper: paper.label, makes, says: total }))
      terms.push(
        term(paper, netField, net, ''),
        term(paper, taxField, tax, '+'),
        term(paper, totalField, total, '≠'),
      )
    }
    documents.push(paper.id)
  }
  if (judged === 0) return none('check.nothing_to_add')
  return {
    status: breaks.length ? 'failed' : 'passed',
    detail: breaks.length ? allOf(breaks) : message(unseen === 0 ? 'quote.agrees' : 'quote.agrees_but_lines'),
    documents,
    terms,
  }
}

function columnTotal(check: Check & { kind: 'column_total' }, papers: readonly Paper[]): Outcome {
  const [type, table] = splitReference(check.table)
  const judged = counting(papers, type)
    .filter((p) => p.lacking.length === 0)
    .flatMap((paper) => {
      const numbers = rowsOf(paper, table)?.map((row) => Number(row[check.column] ?? NaN)) ?? []
      return numbers.length > 0 && numbers.every((n) => Number.isFinite(n))
        ? [{ paper, numbers, sum: Math.round(numbers.reduce((a, b) => a + b, 0) * 100) / 100 }]
        : []
    })
  if (judged.length === 0) return none('check.no_numbers')
  const wrong = judged.filter((j) => j.sum !== check.is)
  return {
    status: wrong.length ? 'failed' : 'passed',
    detail: allOf(
      (wrong.length ? wrong : judged).map(({ paper, numbers, sum }) =>
        message('column.total', { paper: paper.label, numbers, sum, is: check.is }),
      ),
    ),
    documents: (wrong.length ? wrong : judged).map((j) => j.paper.id),
    terms: [],
  }
}

function atLeast(check: Check & { kind: 'at_least' }, papers: readonly Paper[]): Outcome {
  const than = moneyAt(papers, check.than)
  const [type, field] = splitReference(check.value)
  const comparable = (amount: Money) => Number(than && sameCurrency(amount.currency, than.amount.currency))
  // Of several papers one that is good is enough, as on the checklist.
  const value = counting(papers, type)
    .flatMap((paper) => {
      const amount = amountOf(paper, field)
      return amount ? [{ paper, amount, field }] : []
    })
    .sort((a, b) => comparable(b.amount) - comparable(a.amount) || cents(b.amount) - cents(a.amount))[0]
  if (!value || !than) return none('check.no_amount')
  const good = cents(value.amount) >= cents(than.amount)
  return {
    status: good ? 'passed' : 'failed',
    detail: message(good ? 'amount.covers' : 'amount.does_not_cover', {
      amount: value.amount,
      than: than.amount,
    }),
    documents: [value.paper.id, than.paper.id],
    terms: [
      term(value.paper, value.field, value.amount, ''),
      term(than.paper, than.field, than.amount, good ? '=' : '≠'),
    ],
  }
}

function signedWithin(
  check: Check & { kind: 'signed_within' },
  papers: readonly Paper[],
  asOf: string,
): Outcome {
  const opened = valueIn(papers, check.opened)?.value
  const signed = papers
    .filter((p) => counts(p) && fieldOf(p, check.field))
    .flatMap((paper) => {
      const date = usableText(paper, check.field)
      return date ? [{ paper, date }] : []
    })
  if (signed.length === 0) return none('check.no_signing_date')
  const wrong = signed.filter(
    ({ date }) => date > asOf || (typeof opened === 'string' && date < addDays(opened, -check.daysBefore)),
  )
  return {
    status: wrong.length ? 'failed' : 'passed',
    detail: wrong.length
      ? allOf(
          wrong.map(({ paper, date }) =>
            date > asOf
              ? message('signing.later', { paper: paper.label, day: date })
              : message('signing.too_early', {
                  paper: paper.label,
                  day: date,
                  daysBefore: check.daysBefore,
                }),
          ),
        )
      : message('signing.in_order'),
    documents: (wrong.length ? wrong : signed).map((s) => s.paper.id),
    terms: [],
  }
}
