import type { Value } from '../../core/model/value.ts'
import { Dice } from '../../demo/dice.ts'

/**
 * Packages as lists of papers with their true values and what is true of them, thrown at random: none is
 * drawn or read. The verdict on them is worked out twice, by `rules.ts` here, which is written from the rules
 * of the two programs and shares nothing with the core, and by the core.
 */
export interface TruePaper {
  type: string
  whose: 'applicant' | 'second' | 'stranger' | null
  values: Record<string, Value>
  signed: boolean | null
  /** A page of its own numbering is not there. */
  lacking: boolean
  /** Says every value of an earlier paper again. */
  copy: boolean
  /** By field: which thing it names. 0 is what is true; values of one number are one thing however it is spelt. */
  names: Record<string, number>
}

export interface TrueCase {
  program: 'working-boat-loan' | 'trader-account'
  asOf: string
  second: boolean
  papers: TruePaper[]
}

const DAY = 86_400_000
/** Days are whole numbers here, counted from 1970. */
export const dayOf = (iso: string): number => Date.parse(`${iso}T00:00:00Z`) / DAY
export const iso = (day: number): string => new Date(day * DAY).toISOString().slice(0, 10)
export const eur = (cents: number): Value => ({ amount: (cents / 100).toFixed(2), currency: 'EUR' })

const GIVEN = ['Ottilie', 'Brannock', 'Zoë', 'Marguerite', 'Íñigo', 'Fenella', 'Tobias', 'Solveig']
const MIDDLE = ['Anne', 'Peter', 'Isolde', 'James']
const FAMILY = [
  'Varnham',
  'Northcott',
  'O’Rourke',
  'Brändström',
  'Kerrigan-Holt',
  'de Vries',
  'Penhallow',
  'Tregarth',
]
const FIRMS = ['Cormorant Slipway', 'Petrel Ropes', 'Gannet & Sons', 'Saltholm Ferries']
const STREETS = ['Gannet Road', 'Harbour Street', 'Net Loft Lane', 'Kelp Avenue']
const TOWNS = ['Port Ellery SK4 2QD', 'Saltholm SK1 7HB']

interface Person {
  given: string
  middle: string
  family: string
}

/** A name in one of its harmless forms. */
function spelt(dice: Dice, { given, middle, family }: Person): string {
  return dice.pick([
    `${given} ${family}`,
    `${given} ${middle} ${family}`,
    `${family}, ${given}`,
    `${given} ${family}`.toUpperCase(),
    `${given[0]}. ${family}`,
    `${dice.pick(['Mr', 'Ms', 'Capt.'])} ${given} ${family}`,
    `${given} ${family}`.normalize('NFD').replace(/\p{M}/gu, ''),
  ])
}
const cased = (dice: Dice, text: string): string => (dice.chance(0.3) ? text.toUpperCase() : text)
const spaced = (dice: Dice, code: string): string =>
  dice.chance(0.3) ? code.replace(/[- ]/g, '') : dice.chance(0.3) ? code.replace(/-/g, ' ') : code
const suffixed = (dice: Dice, firm: string): string =>
  `${cased(dice, firm)} ${dice.pick(['Ltd', 'Limited', 'Ltd.'])}`
const addressed = (dice: Dice, at: string): string => {
  const short = dice.chance(0.4)
    ? at
        .replace(/ Road/, ' Rd')
        .replace(/ Street/, ' St')
        .replace(/ Lane/, ' Ln')
        .replace(/ Avenue/, ' Ave')
    : at
  return dice.chance(0.3) ? short.toUpperCase() : dice.chance(0.3) ? `${short}, Skerrow Isles` : short
}
/** A number with two of its figures changed about, or one changed. */
function otherNumber(dice: Dice, code: string): string {
  const at = [...code].map((c, i) => (/\d/.test(c) ? i : -1)).filter((i) => i >= 0)
  const i = dice.pick(at)
  return code.slice(0, i) + String((Number(code[i]) + dice.int(1, 9)) % 10) + code.slice(i + 1)
}

/** Throws a whole case. The same seed gives the same. */
export function throwCase(seed: number): TrueCase {
  const dice = new Dice(seed)
  return dice.chance(0.25) ? throwTrade(dice) : throwLoan(dice)
}

class Heap {
  readonly papers: TruePaper[] = []
  constructor(private readonly dice: Dice) {}

  put(type: string, values: Record<string, Value>, more: Partial<TruePaper> = {}): void {
    const paper: TruePaper = {
      type,
      whose: null,
      values,
      signed: null,
      lacking: false,
      copy: false,
      names: {},
      ...more,
    }
    this.papers.push(paper)
    if (this.dice.chance(0.04) && Object.keys(values).length >= 4) this.papers.push({ ...paper, copy: true })
  }
}

function throwPerson(dice: Dice, not: readonly Person[] = []): Person {
  for (;;) {
    const person = { given: dice.pick(GIVEN), middle: dice.pick(MIDDLE), family: dice.pick(FAMILY) }
    if (!not.some((n) => n.given[0] === person.given[0] || n.family === person.family)) return person
  }
}

function throwLoan(dice: Dice): TrueCase {
  const asOf = dayOf('2026-04-10') + dice.int(-400, 400)
  const heap = new Heap(dice)
  const applicant = throwPerson(dice)
  const second = dice.chance(0.3) ? throwPerson(dice, [applicant]) : null
  const stranger = throwPerson(dice, second ? [applicant, second] : [applicant])
  const rare = () => dice.chance(0.08)
  const firm = dice.pick(FIRMS)
  const home = `${dice.int(1, 90)} ${dice.pick(STREETS)}, ${dice.pick(TOWNS)}`
  const vessel = dice.pick(['Kittiwake', 'Marigold Rose', 'Étoile du Nord', 'Skua'])
  const number = {
    hull: `SKR-${dice.digits(5)}`,
    national: `${dice.digits(6)}-${dice.digits(4)}`,
    iban: `SK${dice.digits(2)} MSMB ${dice.digits(4)} ${dice.digits(4)}`,
  }
  const born = dayOf('1980-05-20') + dice.int(-6000, 3000)
  const price = dice.int(200, 900) * 10000
  const deposit = dice.int(20, 100) * 5000 * 2
  const loan = price - deposit
  const stated = loan + (rare() ? dice.pick([-1, 1]) * dice.int(50, 4000) * 100 : 0)
  const selfEmployed = dice.chance(0.25)
  const existing = dice.chance(0.3)

  /** A value of a fact on one paper: true in one of its spellings, seldom another, seldom not legible. */
  const said = (
    values: Record<string, Value>,
    names: Record<string, number>,
    field: string,
    truth: Value,
    other: Value,
  ) => {
    if (dice.chance(0.04)) {
      values[field] = null
      return
    }
    const wrong = dice.chance(0.02)
    values[field] = wrong ? other : truth
    names[field] = wrong ? 1 : 0
  }
  const paper = (
    type: string,
    whose: TruePaper['whose'],
    nameField: string | null,
    facts: [field: string, kind: 'vessel' | 'hull' | 'national' | 'iban' | 'home' | 'firm' | 'born'][],
    { own, ...more }: Partial<TruePaper> & { own: Record<string, Value> },
  ) => {
    const values: Record<string, Value> = {}
    const names: Record<string, number> = {}
    if (nameField) {
      const who = whose === 'second' ? second! : whose === 'stranger' ? stranger : applicant
      values[nameField] = spelt(dice, who)
      names[nameField] = whose === 'stranger' ? 1 : 0
    }
    const otherPerson = whose === 'second'
    for (const [field, kind] of facts) {
      if (kind === 'vessel') said(values, names, field, cased(dice, vessel), `${vessel} II`)
      else if (kind === 'born')
        said(values, names, field, iso(otherPerson ? born + 900 : born), iso(born + 31))
      else if (kind === 'home') said(values, names, field, addressed(dice, home), `9${home}`)
      else if (kind === 'firm')
        said(
          values,
          names,
          field,
          otherPerson ? 'Tern Chandlery Ltd' : suffixed(dice, firm),
          'Avocet Boatworks Ltd',
        )
      else
        said(
          values,
          names,
          field,
          otherPerson ? otherNumber(dice, otherNumber(dice, number[kind])) : spaced(dice, number[kind]),
          wrongNumber[kind],
        )
    }
    heap.put(type, { ...values, ...own }, { whose, names, ...more })
  }
  // Everybody who is wrong is wrong alike, so that two who are do not differ between them.
  const wrongNumber = {
    hull: otherNumber(dice, number.hull),
    national: otherNumber(dice, number.national),
    iban: otherNumber(dice, number.iban),
  }

  const applied = asOf - dice.int(0, 30)
  const dated = () =>
    rare() ? dice.pick([asOf + dice.int(1, 20), applied - dice.int(91, 200)]) : applied - dice.int(0, 80)
  paper(
    'loan_application',
    'applicant',
    'applicant_name',
    [
      ['vessel_name', 'vessel'],
      ['hull_number', 'hull'],
      ['national_number', 'national'],
      ['iban', 'iban'],
      ['home_address', 'home'],
      ...(selfEmployed ? [] : [['employer_name', 'firm'] as [string, 'firm']]),
      ['date_of_birth', 'born'],
    ],
    {
      own: {
        application_number: 'A1',
        application_date: iso(applied),
        employment_status: selfEmployed ? 'self_employed' : 'employed',
        loan_amount: eur(stated),
        purchase_price: eur(price),
        deposit_amount: eur(deposit),
        existing_loan: existing,
        co_applicant_name: second ? spelt(dice, second) : null,
        signature_date: rare() ? null : iso(dated()),
        monthly_net_income: eur(0),
      },
      signed: !rare(),
      lacking: rare(),
    },
  )
  const form = heap.papers[0]
  form.names.purchase_price = 0

  const cards = (whose: 'applicant' | 'second') => {
    for (let n = rare() ? 0 : dice.chance(0.15) ? 2 : 1; n > 0; n--)
      paper('identity_card', whose, 'full_name', [['date_of_birth', 'born']], {
        own: {
          document_number: `UT${dice.digits(7)}`,
          expiry_date: iso(asOf + (rare() ? -dice.int(1, 300) : dice.int(0, 2000))),
          issue_date: iso(asOf - dice.int(400, 3000)),
        },
      })
  }
  cards('applicant')
  if (second) cards('second')
  for (let n = rare() ? 0 : dice.chance(0.15) ? 2 : 1; n > 0; n--) {
    paper(
      'utility_bill',
      second && dice.chance(0.3) ? 'second' : rare() ? 'stranger' : 'applicant',
      'account_holder',
      [['service_address', 'home']],
      {
        own: {
          issue_date: iso(asOf - (rare() ? dice.int(91, 300) : dice.int(0, 90))),
          account_number: dice.digits(8),
          amount_due: eur(dice.int(2000, 30000)),
        },
        lacking: dice.chance(0.03),
      },
    )
  }

  // Pay and the account it goes to, month by month, the newest first.
  const months = Array.from({ length: 5 }, (_, back) => {
    const first =
      new Date(
        Date.UTC(new Date(asOf * DAY).getUTCFullYear(), new Date(asOf * DAY).getUTCMonth() - 1 - back, 1),
      ).getTime() / DAY
    const next =
      new Date(
        Date.UTC(new Date(first * DAY).getUTCFullYear(), new Date(first * DAY).getUTCMonth() + 1, 1),
      ).getTime() / DAY
    return { first, last: next - 1 }
  })
  const skip = rare() ? dice.int(1, 2) : 0
  const net = dice.int(180000, 400000)
  const pays = months.map((m) => ({ ...m, paid: m.last - dice.int(0, 4), net: net + dice.int(-4000, 4000) }))
  if (!selfEmployed) {
    for (const [i, p] of pays.entries()) {
      if (i < skip || i >= skip + (dice.chance(0.2) ? 4 : 3) || rare()) continue
      paper(
        'payslip',
        'applicant',
        'employee_name',
        [
          ['employer_name', 'firm'],
          ['national_number', 'national'],
        ],
        {
          own: {
            pay_date: iso(p.paid),
            period_start: iso(p.first),
            period_end: iso(p.last),
            gross_pay: eur(Math.round(p.net * 1.3)),
            net_pay: eur(p.net),
            year_to_date_gross: eur(p.net * (5 - i)),
          },
        },
      )
    }
    if (second && dice.chance(0.5))
      paper(
        'payslip',
        'second',
        'employee_name',
        [
          ['employer_name', 'firm'],
          ['national_number', 'national'],
        ],
        {
          own: {
            pay_date: iso(pays[0].paid),
            period_start: iso(pays[0].first),
            period_end: iso(pays[0].last),
            gross_pay: eur(412345),
            net_pay: eur(312345),
            year_to_date_gross: eur(912345),
          },
        },
      )
    if (dice.chance(0.3))
      paper('employment_letter', 'applicant', 'employee_name', [['employer_name', 'firm']], {
        own: {
          job_title: 'Deckhand',
          annual_salary: eur(Math.round(net * 1.3 * 12 * (rare() ? 1.2 : 1))),
          letter_date: iso(applied),
          start_date: iso(applied - 900),
        },
        signed: true,
      })
  } else {
    const year = new Date(asOf * DAY).getUTCFullYear()
    for (const back of [1, 2, 3])
      if (back < 3 ? !rare() : dice.chance(0.1))
        paper('tax_assessment', 'applicant', 'taxpayer_name', [['national_number', 'national']], {
          own: {
            tax_year: String(year - back),
            total_income: eur(3_000_000 + back),
            tax_due: eur(300_000 + back),
            issue_date: iso(asOf - 300 * back),
          },
        })
    if (!rare())
      paper('business_accounts', 'applicant', 'owner_name', [], {
        own: {
          period_end: iso(asOf - (rare() ? dice.int(560, 900) : dice.int(0, 540))),
          period_start: iso(asOf - 1200),
          turnover: eur(9_000_000),
          net_profit: eur(4_000_000),
        },
        signed: true,
        lacking: dice.chance(0.03),
      })
  }
  form.values.monthly_net_income = eur(Math.round(net * (rare() ? 1.2 : 1)))

  let balance = dice.int(50000, 500000)
  const oldest = 2 + skip + (dice.chance(0.2) ? 1 : 0)
  for (let i = Math.min(4, oldest); i >= skip; i--) {
    const p = pays[i]
    const opening = balance + (rare() && i < oldest ? 700 : 0)
    balance = opening
    const credit = Math.min(p.last, p.paid + dice.int(0, 3))
    const late = rare()
    const rows = [
      ...Array.from({ length: dice.int(2, 6) }, (_, k) => ({
        day: p.first + k * 3,
        cents: -dice.int(500, 9000),
      })),
      ...(late ? [] : [{ day: credit, cents: p.net }]),
    ].sort((a, b) => a.day - b.day)
    const told = rows.map((r) => ({
      date: iso(r.day),
      description: r.cents > 0 ? 'Salary' : 'Card',
      amount: eur(r.cents) as { amount: string; currency: string },
      balance: eur((balance += r.cents)) as { amount: string; currency: string },
    }))
    const closing = balance + (rare() ? 900 : 0)
    if (dice.chance(0.06)) {
      balance = closing
      continue
    }
    paper(
      'bank_statement',
      'applicant',
      'account_holder',
      [
        ['holder_address', 'home'],
        ['iban', 'iban'],
      ],
      {
        own: {
          statement_start: iso(p.first),
          statement_end: iso(p.last),
          opening_balance: eur(opening),
          closing_balance: eur(closing),
          transactions: told,
        },
        lacking: dice.chance(0.04),
      },
    )
    balance = closing
  }

  for (let n = rare() ? 0 : dice.chance(0.1) ? 2 : 1; n > 0; n--) {
    const lines = Array.from({ length: dice.int(2, 4) }, (_, i) => ({
      description: `Part ${i}`,
      quantity: '1',
      unit_price: null,
      amount: eur(Math.floor((price / 1.2) * (i === 0 ? 0.7 : 0.1)) + i) as {
        amount: string
        currency: string
      },
    }))
    const sum = lines.reduce((t, l) => t + Math.round(Number(l.amount.amount) * 100), 0)
    const slip = rare() ? 5000 : 0
    const netAmount = sum + slip
    const differs = rare()
    const total = differs ? price + 250000 : price
    paper(
      'purchase_quote',
      rare() ? 'stranger' : 'applicant',
      'buyer_name',
      [
        ['vessel_name', 'vessel'],
        ['hull_number', 'hull'],
      ],
      {
        own: {
          seller_name: 'Tern Yard',
          quote_number: `Q${dice.digits(5)}`,
          quote_date: iso(asOf - dice.int(5, 40)),
          valid_until: iso(asOf + (rare() ? -dice.int(1, 40) : dice.int(0, 60))),
          net_amount: eur(netAmount),
          vat_amount: eur(total - netAmount + (dice.chance(0.04) ? 3000 : 0)),
          total_price: eur(total),
          lines,
        },
        lacking: dice.chance(0.03),
      },
    )
    heap.papers
      .filter((p) => p.type === 'purchase_quote')
      .slice(n === 1 ? -2 : 0)
      .forEach((p) => {
        p.names.total_price ??= differs ? 1 : 0
      })
  }
  for (let n = rare() ? 0 : dice.chance(0.1) ? 2 : 1; n > 0; n--)
    paper(
      'survey_report',
      null,
      null,
      [
        ['vessel_name', 'vessel'],
        ['hull_number', 'hull'],
      ],
      {
        own: {
          report_number: `R${dice.digits(5)}`,
          surveyor_name: 'Ada Quill',
          inspection_date: iso(asOf - (rare() ? dice.int(370, 700) : dice.int(0, 360))),
          market_value: eur(stated + (rare() ? -50000 : dice.int(0, 900000))),
        },
        signed: !rare(),
        lacking: rare(),
      },
    )
  for (let n = rare() ? 0 : 1; n > 0; n--)
    paper(
      'vessel_registration',
      rare() ? 'stranger' : 'applicant',
      'owner_name',
      [
        ['vessel_name', 'vessel'],
        ['hull_number', 'hull'],
      ],
      {
        own: {
          registration_number: `V${dice.digits(5)}`,
          issue_date: iso(asOf - 500),
          expiry_date: iso(asOf + (rare() ? -dice.int(1, 200) : dice.int(0, 900))),
        },
      },
    )
  for (let n = rare() ? 0 : dice.chance(0.1) ? 2 : 1; n > 0; n--)
    paper('insurance_cover', 'applicant', 'insured_name', [['vessel_name', 'vessel']], {
      own: {
        policy_number: `P${dice.digits(6)}`,
        cover_start: iso(asOf + (rare() ? dice.int(1, 30) : -dice.int(0, 100))),
        cover_end: iso(asOf + (rare() ? -dice.int(1, 30) : dice.int(0, 300))),
        sum_insured: eur(stated + (rare() ? -100 : dice.int(0, 900000))),
        premium: eur(45000),
      },
    })
  for (let n = rare() ? 0 : 1; n > 0; n--)
    paper('berth_agreement', 'applicant', 'berth_holder', [['vessel_name', 'vessel']], {
      own: {
        harbour_name: 'Ellery Harbour',
        start_date: iso(asOf + (rare() ? 5 : -dice.int(0, 300))),
        end_date: iso(asOf + (rare() ? -3 : dice.int(0, 300))),
        annual_fee: eur(120000),
      },
      signed: !rare(),
      lacking: rare(),
    })
  if (dice.chance(0.3))
    paper('fishing_licence', 'applicant', 'holder_name', [['vessel_name', 'vessel']], {
      own: {
        licence_number: `L${dice.digits(5)}`,
        valid_from: iso(asOf - 90),
        valid_until: iso(asOf + 200),
      },
    })
  for (const whose of second ? (['applicant', 'second'] as const) : (['applicant'] as const))
    if (!rare())
      paper('credit_consent', whose, 'applicant_name', [['national_number', 'national']], {
        own: { signature_date: iso(dated()) },
        signed: !rare(),
      })
  if (!rare())
    paper('debit_mandate', 'applicant', 'account_holder', [['iban', 'iban']], {
      own: { signature_date: iso(dated()) },
      signed: !rare(),
    })
  for (let n = existing && !rare() ? 1 : dice.chance(0.05) ? 1 : 0; n > 0; n--)
    paper('loan_payoff', 'applicant', 'borrower_name', [], {
      own: {
        lender_name: 'Isles Savings',
        loan_number: `N${dice.digits(5)}`,
        outstanding_balance: eur(912300),
        monthly_payment: eur(31000),
        statement_date: iso(asOf - (rare() ? dice.int(46, 200) : dice.int(0, 45))),
      },
    })
  return {
    program: 'working-boat-loan',
    asOf: iso(asOf),
    second: second !== null,
    papers: dice
      .shuffle(heap.papers.filter((p) => !p.copy))
      .flatMap((p) => [p, ...heap.papers.filter((c) => c.copy && c.values === p.values)]),
  }
}

function throwTrade(dice: Dice): TrueCase {
  const asOf = dayOf('2026-04-10') + dice.int(-400, 400)
  const heap = new Heap(dice)
  const rare = () => dice.chance(0.1)
  const firm = dice.pick(FIRMS)
  const company = `SK-${dice.digits(6)}`
  const wrongCompany = otherNumber(dice, company)
  const home = `${dice.int(1, 90)} ${dice.pick(STREETS)}, ${dice.pick(TOWNS)}`
  const owners: { person: Person; share: number }[] = []
  for (const share of dice.pick([
    [100],
    [60, 40],
    [75.5, 24.5],
    [50, 25, 25],
    [40, 20, 20, 20],
    [24, 24, 26, 26],
  ]))
    owners.push({
      person: throwPerson(
        dice,
        owners.map((o) => o.person),
      ),
      share,
    })
  if (rare()) owners.at(-1)!.share -= 4
  const business = (
    values: Record<string, Value>,
    numbered = true,
    more: Partial<TruePaper> = {},
    type = '',
  ) => {
    const [wrongName, wrongNumber] = [dice.chance(0.03), dice.chance(0.03)]
    const names: Record<string, number> = {
      business_name: wrongName ? 1 : 0,
      ...(numbered ? { company_number: wrongNumber ? 1 : 0 } : {}),
      ...more.names,
    }
    heap.put(
      type,
      {
        business_name: wrongName ? 'Avocet Boatworks Ltd' : suffixed(dice, firm),
        ...(numbered ? { company_number: wrongNumber ? wrongCompany : spaced(dice, company) } : {}),
        ...values,
      },
      { ...more, names },
    )
  }
  const moved = dice.chance(0.06)
  business(
    {
      application_number: 'A7',
      application_date: iso(asOf - 9),
      registered_address: addressed(dice, home),
      contact_name: spelt(dice, owners[0].person),
      signature_date: iso(asOf - 9),
    },
    true,
    { signed: !rare(), lacking: rare(), names: { registered_address: 0 } },
    'account_application',
  )
  if (!rare()) business({ incorporation_date: iso(asOf - 3000) }, true, {}, 'incorporation_certificate')
  const declared = !rare()
  if (declared)
    business(
      {
        declaration_date: iso(asOf - 12),
        owners: owners.map((o) => ({
          name: `${o.person.given} ${o.person.family}`,
          date_of_birth: null,
          share: String(o.share),
        })),
      },
      true,
      { signed: !rare(), lacking: dice.chance(0.04) },
      'owners_declaration',
    )
  for (const [i, { person, share }] of owners.entries()) {
    if (share < 25 ? dice.chance(0.8) : rare()) continue
    heap.put(
      'identity_card',
      {
        full_name: spelt(dice, person),
        document_number: `UT${dice.digits(7)}`,
        expiry_date: iso(asOf + (rare() ? -dice.int(1, 300) : dice.int(0, 900))),
        issue_date: iso(asOf - 900 - i),
        date_of_birth: iso(4000 + i),
      },
      { names: { full_name: i } },
    )
  }
  if (!rare())
    heap.put(
      'utility_bill',
      {
        supplier_name: 'Isles Water',
        account_holder: suffixed(dice, firm),
        service_address: moved ? `9${home}` : addressed(dice, home),
        issue_date: iso(asOf - (rare() ? dice.int(91, 200) : dice.int(0, 90))),
        account_number: dice.digits(8),
        amount_due: eur(8000),
      },
      { names: { service_address: moved ? 1 : 0 } },
    )
  if (!rare())
    heap.put(
      'tax_self_certification',
      {
        holder_name: suffixed(dice, firm),
        tax_number: dice.digits(9),
        tax_country: 'Skerrow Isles',
        signature_date: iso(asOf - 9),
      },
      { signed: !rare() },
    )
  if (!rare())
    business(
      {
        meeting_date: iso(asOf - 20),
        signatories: [{ name: `${owners[0].person.given} ${owners[0].person.family}` }],
      },
      false,
      { signed: !rare() },
      'board_resolution',
    )
  return { program: 'trader-account', asOf: iso(asOf), second: false, papers: heap.papers }
}
