import type { Row, Value } from '../../core/model/value.ts'
import { dayOf, type TrueCase, type TruePaper } from './papers.ts'

/**
 * The true verdict on a thrown case, from the rules of the two programs alone; nothing of the core is used
 * but its shapes.
 */
export interface TrueVerdict {
  checklist: Record<string, string>
  conflicts: string[]
  failed: string[]
}

const ORDER = ['missing', 'incomplete', 'expired', 'unsigned', 'insufficient', 'satisfied']
const worst = (list: string[]): string => list.reduce((a, b) => (ORDER.indexOf(b) < ORDER.indexOf(a) ? b : a))
const best = (list: string[]): string =>
  list.reduce((a, b) => (ORDER.indexOf(b) > ORDER.indexOf(a) ? b : a), 'missing')
const cents = (value: Value): number => Math.round(Number((value as { amount: string }).amount) * 100)
const day = (paper: TruePaper, field: string): number => dayOf(paper.values[field] as string)

/** So many months before a day, as calendars have it. */
function monthsBefore(at: number, months: number): number {
  const d = new Date(at * 86_400_000)
  const last = new Date(Date.UTC(d.getUTCFullYear(), d.getUTCMonth() - months + 1, 0)).getUTCDate()
  return Date.UTC(d.getUTCFullYear(), d.getUTCMonth() - months, Math.min(d.getUTCDate(), last)) / 86_400_000
}

export function trueVerdict(given: TrueCase): TrueVerdict {
  return given.program === 'working-boat-loan' ? loan(given) : trade(given)
}

function loan({ asOf: iso, papers: all, second }: TrueCase): TrueVerdict {
  const asOf = dayOf(iso)
  const papers = withoutOlder(all.filter((p) => !p.copy))
  const of = (type: string, not?: TruePaper['whose']) =>
    papers.filter((p) => p.type === type && (not === undefined || p.whose !== not))
  const form = of('loan_application')[0]
  const amount = cents(form.values.loan_amount)
  const one = (type: string, fault: (p: TruePaper) => string | null) =>
    best(of(type).map((p) => (p.lacking ? 'incomplete' : (fault(p) ?? 'satisfied'))))
  const within = (p: TruePaper, field: string, days: number) =>
    day(p, field) <= asOf && day(p, field) >= asOf - days
  const each = (type: string, fault: (p: TruePaper) => string | null) => {
    const judged = (list: TruePaper[]) => best(list.map((p) => fault(p) ?? 'satisfied'))
    if (!second) return judged(of(type))
    const both = [judged(of(type, 'second')), judged(of(type).filter((p) => p.whose === 'second'))]
    return both.every((s) => s === 'missing')
      ? 'missing'
      : both.includes('missing')
        ? 'incomplete'
        : worst(both)
  }
  const checklist: Record<string, string> = {
    application_form: form.lacking
      ? 'incomplete'
      : !form.signed || form.values.signature_date === null
        ? 'unsigned'
        : 'satisfied',
    photo_id: each('identity_card', (p) => (day(p, 'expiry_date') < asOf ? 'expired' : null)),
    address_proof: one('utility_bill', (p) => (within(p, 'issue_date', 90) ? null : 'expired')),
    income_proof: form.values.employment_status === 'self_employed' ? ownIncome() : payslips(),
    bank_statements: statements(),
    purchase_quote: one('purchase_quote', (p) => (day(p, 'valid_until') < asOf ? 'expired' : null)),
    survey:
      amount <= 2_500_000
        ? 'not_applicable'
        : one('survey_report', (p) =>
            day(p, 'inspection_date') < monthsBefore(asOf, 12) ? 'expired' : p.signed ? null : 'unsigned',
          ),
    registration: one('vessel_registration', (p) => (day(p, 'expiry_date') < asOf ? 'expired' : null)),
    insurance: one('insurance_cover', (p) =>
      day(p, 'cover_start') > asOf || day(p, 'cover_end') < asOf
        ? 'expired'
        : cents(p.values.sum_insured) < amount
          ? 'insufficient'
          : null,
    ),
    berth:
      amount <= 4_000_000
        ? 'not_applicable'
        : one('berth_agreement', (p) =>
            day(p, 'start_date') > asOf || day(p, 'end_date') < asOf
              ? 'expired'
              : p.signed
                ? null
                : 'unsigned',
          ),
    consent: each('credit_consent', (p) => (p.signed ? null : 'unsigned')),
    mandate: one('debit_mandate', (p) => (p.signed ? null : 'unsigned')),
    payoff:
      form.values.existing_loan !== true
        ? 'not_applicable'
        : one('loan_payoff', (p) => (within(p, 'statement_date', 45) ? null : 'expired')),
  }

  function payslips(): string {
    const slips = of('payslip', 'second')
    if (slips.length === 0) return 'missing'
    const month = (p: TruePaper) => {
      const [y, m] = (p.values.period_end as string).split('-').map(Number)
      return y * 12 + m
    }
    const runs = slips.filter((p) => [1, 2].every((back) => slips.some((q) => month(q) === month(p) - back)))
    if (runs.length === 0) return 'incomplete'
    return runs.some((p) => within(p, 'pay_date', 45)) ? 'satisfied' : 'expired'
  }
  function ownIncome(): string {
    const year = Number(iso.slice(0, 4))
    const taxes = of('tax_assessment')
    const accounts = of('business_accounts')
    if (taxes.length === 0 && accounts.length === 0) return 'missing'
    if (
      accounts.length === 0 ||
      ![1, 2].every((back) => taxes.some((t) => t.values.tax_year === String(year - back)))
    )
      return 'incomplete'
    if (accounts.every((a) => a.lacking)) return 'incomplete'
    return accounts.some((a) => !a.lacking && day(a, 'period_end') >= monthsBefore(asOf, 18))
      ? 'satisfied'
      : 'expired'
  }
  function statements(): string {
    const list = of('bank_statement')
    if (list.length === 0) return 'missing'
    if (list.some((p) => p.lacking)) return 'incomplete'
    // Day by day: three months back from the end of some statement, every one of them covered.
    const covered = (d: number) =>
      list.some((p) => day(p, 'statement_start') <= d && d <= day(p, 'statement_end'))
    const whole = list
      .map((p) => day(p, 'statement_end'))
      .filter((end) => {
        const start = monthsBefore(end + 1, 3)
        for (let d = start; d <= end; d++) if (!covered(d)) return false
        return true
      })
    if (whole.length === 0) return 'incomplete'
    return whole.some((end) => end >= asOf - 45 && end <= asOf) ? 'satisfied' : 'expired'
  }

  const FACTS: Record<string, { fields: string[]; personal?: boolean }> = {
    applicant_name: {
      personal: true,
      fields: [
        'loan_application.applicant_name',
        'identity_card.full_name',
        'utility_bill.account_holder',
        'bank_statement.account_holder',
        'payslip.employee_name',
        'employment_letter.employee_name',
        'tax_assessment.taxpayer_name',
        'business_accounts.owner_name',
        'vessel_registration.owner_name',
        'purchase_quote.buyer_name',
        'insurance_cover.insured_name',
        'fishing_licence.holder_name',
        'berth_agreement.berth_holder',
        'loan_payoff.borrower_name',
        'credit_consent.applicant_name',
        'debit_mandate.account_holder',
      ],
    },
    date_of_birth: {
      personal: true,
      fields: ['loan_application.date_of_birth', 'identity_card.date_of_birth'],
    },
    national_number: {
      personal: true,
      fields: [
        'loan_application.national_number',
        'payslip.national_number',
        'tax_assessment.national_number',
        'credit_consent.national_number',
      ],
    },
    home_address: {
      fields: [
        'loan_application.home_address',
        'utility_bill.service_address',
        'bank_statement.holder_address',
      ],
    },
    employer_name: {
      personal: true,
      fields: ['loan_application.employer_name', 'payslip.employer_name', 'employment_letter.employer_name'],
    },
    iban: { personal: true, fields: ['loan_application.iban', 'bank_statement.iban', 'debit_mandate.iban'] },
    vessel_name: {
      fields: [
        'loan_application',
        'purchase_quote',
        'survey_report',
        'vessel_registration',
        'insurance_cover',
        'fishing_licence',
        'berth_agreement',
      ].map((t) => `${t}.vessel_name`),
    },
    hull_number: {
      fields: ['loan_application', 'purchase_quote', 'survey_report', 'vessel_registration'].map(
        (t) => `${t}.hull_number`,
      ),
    },
    purchase_price: { fields: ['loan_application.purchase_price', 'purchase_quote.total_price'] },
  }

  const slips = of('payslip', 'second')
  const mean = (field: string) => slips.reduce((t, p) => t + cents(p.values[field]), 0) / slips.length
  const apart = (value: number, from: number) => Math.abs(value - from) / from > 0.05
  const list = of('bank_statement').sort((a, b) => day(a, 'statement_start') - day(b, 'statement_start'))
  const rows = (p: TruePaper, field: string) => p.values[field] as Row[]
  const failed: string[] = []
  const fails = (check: string, does: boolean) => {
    if (does) failed.push(check)
  }
  fails(
    'loan_equals_price_less_deposit',
    cents(form.values.purchase_price) - cents(form.values.deposit_amount) !== amount,
  )
  fails(
    'stated_income_matches_pay',
    slips.length > 0 && apart(cents(form.values.monthly_net_income), mean('net_pay')),
  )
  fails(
    'pay_reaches_account',
    slips.some((slip) => {
      const paid = day(slip, 'pay_date')
      if (
        !list.some((p) => !p.lacking && day(p, 'statement_start') <= paid && paid <= day(p, 'statement_end'))
      )
        return false
      return !list.some(
        (p) =>
          !p.lacking &&
          rows(p, 'transactions').some(
            (r) =>
              cents(r.amount) === cents(slip.values.net_pay) && Math.abs(dayOf(r.date as string) - paid) <= 5,
          ),
      )
    }),
  )
  fails(
    'statement_adds_up',
    list.some((p) => {
      if (p.lacking) return false
      let balance = cents(p.values.opening_balance)
      for (const row of rows(p, 'transactions')) {
        balance += cents(row.amount)
        if (cents(row.balance) !== balance) return true
      }
      return balance !== cents(p.values.closing_balance)
    }),
  )
  fails(
    'statements_join_up',
    list.some(
      (p, i) =>
        i > 0 &&
        day(p, 'statement_start') === day(list[i - 1], 'statement_end') + 1 &&
        (p.names.iban ?? 0) === (list[i - 1].names.iban ?? 0) &&
        cents(p.values.opening_balance) !== cents(list[i - 1].values.closing_balance),
    ),
  )
  fails(
    'quote_adds_up',
    of('purchase_quote').some((p) => {
      const [net, tax, total] = ['net_amount', 'vat_amount', 'total_price'].map((f) => cents(p.values[f]))
      return (
        net + tax !== total ||
        (!p.lacking && rows(p, 'lines').reduce((t, r) => t + cents(r.amount as Value), 0) !== net)
      )
    }),
  )
  const surveys = of('survey_report')
  fails(
    'value_covers_loan',
    surveys.length > 0 && surveys.every((p) => cents(p.values.market_value) < amount),
  )
  const letter = of('employment_letter')[0]
  fails(
    'salary_matches_pay',
    letter !== undefined &&
      slips.length > 0 &&
      apart(cents(letter.values.annual_salary) / 12, mean('gross_pay')),
  )
  const opened = day(form, 'application_date')
  fails(
    'signed_after_opened',
    papers.some(
      (p) =>
        typeof p.values.signature_date === 'string' &&
        (day(p, 'signature_date') > asOf || day(p, 'signature_date') < opened - 90),
    ),
  )

  return { checklist, conflicts: conflictsOf(FACTS, papers), failed }
}

/** Of several surveys or quotes of one boat the newest counts, of those signed where any is. */
function withoutOlder(papers: TruePaper[]): TruePaper[] {
  const older = new Set<TruePaper>()
  for (const [type, date] of [
    ['survey_report', 'inspection_date'],
    ['purchase_quote', 'quote_date'],
  ]) {
    for (const name of [0, 1]) {
      const one = papers.filter((p) => p.type === type && p.names.hull_number === name)
      if (new Set(one.map((p) => p.values[date])).size < one.length) continue
      const able = one.some((p) => p.signed) ? one.filter((p) => p.signed) : one
      const last = Math.max(...able.map((p) => day(p, date)))
      for (const p of one) if (!able.includes(p) || day(p, date) < last) older.add(p)
    }
  }
  return papers.filter((p) => !older.has(p))
}

function trade({ asOf: iso, papers: all }: TrueCase): TrueVerdict {
  const asOf = dayOf(iso)
  const papers = all.filter((p) => !p.copy)
  const of = (type: string) => papers.filter((p) => p.type === type)
  const signed = (type: string) =>
    best(of(type).map((p) => (p.lacking ? 'incomplete' : p.signed === false ? 'unsigned' : 'satisfied')))
  const declaration = of('owners_declaration')[0]
  const owners = declaration ? (declaration.values.owners as Row[]) : []
  const cards = of('identity_card')
  const good = (list: TruePaper[]) =>
    best(list.map((p) => (day(p, 'expiry_date') < asOf ? 'expired' : 'satisfied')))
  const wanted = owners
    .map((o, i) => ({ i, share: Number(o.share) }))
    .filter((o) => o.share >= 25)
    .map(({ i }) => good(cards.filter((c) => c.names.full_name === i)))
  const checklist = {
    account_form: signed('account_application'),
    incorporation: signed('incorporation_certificate'),
    owners: signed('owners_declaration'),
    owner_ids:
      wanted.length === 0
        ? good(cards)
        : wanted.every((s) => s === 'missing')
          ? 'missing'
          : wanted.includes('missing')
            ? 'incomplete'
            : worst(wanted),
    business_address_proof: best(
      of('utility_bill').map((p) =>
        day(p, 'issue_date') > asOf || day(p, 'issue_date') < asOf - 90 ? 'expired' : 'satisfied',
      ),
    ),
    tax_status: signed('tax_self_certification'),
    mandate_to_act: owners.length > 1 ? signed('board_resolution') : 'not_applicable',
  }
  const facts = {
    business_name: {
      fields: [
        'account_application',
        'incorporation_certificate',
        'owners_declaration',
        'board_resolution',
      ].map((t) => `${t}.business_name`),
    },
    company_number: {
      fields: ['account_application', 'incorporation_certificate', 'owners_declaration'].map(
        (t) => `${t}.company_number`,
      ),
    },
    registered_address: {
      fields: ['account_application.registered_address', 'utility_bill.service_address'],
    },
  }
  const sum = owners.reduce((t, o) => t + Math.round(Number(o.share) * 10), 0)
  return {
    checklist,
    conflicts: conflictsOf(facts, papers),
    failed: declaration && !declaration.lacking && sum !== 1000 ? ['shares_total'] : [],
  }
}

/** Facts of which two papers that count name two things. */
function conflictsOf(
  facts: Record<string, { fields: string[]; personal?: boolean }>,
  papers: readonly TruePaper[],
): string[] {
  return Object.entries(facts).flatMap(([fact, { fields, personal }]) => {
    const named = new Set(
      fields.flatMap((reference) => {
        const [type, field] = reference.split('.')
        return papers
          .filter(
            (p) => p.type === type && !(personal && p.whose === 'second') && p.names[field] !== undefined,
          )
          .map((p) => p.names[field])
      }),
    )
    return named.size > 1 ? [fact] : []
  })
}
