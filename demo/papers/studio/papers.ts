import { Dice } from '../../dice.ts'
import type { Story } from '../../story.ts'
import type { Drawn, Ledger } from '../../truth.ts'
import { addressLine, fullName } from '../../world.ts'
import type { StatementWishes } from '../tuning/bank-statement.ts'
import type { CardWishes } from '../tuning/identity-card.ts'
import type { ConsentWishes } from '../tuning/credit-consent.ts'
import type { CoverWishes } from '../tuning/insurance-cover.ts'
import type { ApplicationWishes } from '../tuning/loan-application.ts'
import type { PayslipWishes } from '../tuning/payslip.ts'
import type { QuoteWishes } from '../tuning/purchase-quote.ts'
import type { BillWishes } from '../tuning/utility-bill.ts'
import type { RegistrationWishes } from '../tuning/vessel-registration.ts'
import * as facts from '../facts.ts'
import { truthOf, type Plan } from '../plan.ts'
import { esc, print } from '../printed/print.ts'
import { zoneLines } from '../zone.ts'
import { Studio, type Saying } from './studio.ts'
import { WORDINGS, type Wording } from './words.ts'

/** A paper being set: its studio, its words, and what it has to say by field. */
interface Work {
  s: Studio
  w: Wording
  said: Map<string, string>
}

function begin(
  type: string,
  truth: Ledger,
  dice: Dice,
  printed: Readonly<Record<string, string>> = {},
): Work {
  const w = dice.pick(WORDINGS[type])
  const s = new Studio(dice, w === WORDINGS[type][0])
  const said = new Map<string, string>()
  for (const [field, { value }] of Object.entries(truth.fields)) {
    if (typeof value === 'string')
      said.set(
        field,
        printed[field] ??
          (/^\d{4}-\d\d-\d\d$/.test(value)
            ? s.d(value)
            : field === 'iban' && dice.chance(0.6)
              ? value.replace(/(.{4})(?=.)/g, '$1 ')
              : value),
      )
    else if (!Array.isArray(value) && value !== null && typeof value === 'object' && 'amount' in value)
      said.set(field, s.m(Math.round(Number(value.amount) * 100)))
  }
  return { s, w, said }
}

/** Labels with values of those fields that the paper's words know; a stretch of days may stand under one label. */
function sayings(
  { s, w, said }: Work,
  fields: readonly string[],
  period?: { start: string; end: string; text: string },
): Saying[] {
  const one = period && w.labels.period && (!w.labels[period.start] || s.dice.chance(0.5)) ? period : null
  return fields.flatMap((field): Saying[] => {
    if (one && field === one.end) return []
    if (one && field === one.start) return [{ label: s.label(w.labels.period), value: one.text }]
    const value = said.get(field)
    return value === undefined || !w.labels[field] ? [] : [{ label: s.label(w.labels[field]), value }]
  })
}

const inWords = ({ said }: Work, text: string): string =>
  text
    .split('|')
    .map((part) =>
      part
        ? `<p>${esc(part.replace(/\{(\w+)\}/g, (_, field: string) => said.get(field) ?? ''))}</p>`
        : '<br>',
    )
    .join('')

/** Draws with dice that depend on the layout alone, so that a story's payslips look alike. */
const own = (layout: number): Dice => new Dice(layout + 7)

export function drawPayslip(
  story: Story,
  layout: number,
  _dice: Dice,
  wishes: PayslipWishes,
): Promise<Drawn> {
  const f = facts.payslipFacts(story, wishes)
  const work = begin('payslip', f.truth, own(layout))
  const { s, w, said } = work
  const { month } = f
  const period = { start: 'period_start', end: 'period_end', text: s.period(month.start, month.end) }
  const labels = {
    ...w.labels,
    period_start: ['From', 'Period from', 'Start of period'],
    period_end: ['To', 'Period to', 'End of period'],
  }
  const top = sayings(
    { ...work, w: { ...w, labels } },
    s.dice.shuffle(['employee_name', 'national_number', 'period_start', 'period_end', 'pay_date']),
    period,
  )
  const lines: Saying[] = [
    { label: s.label(['Basic pay', 'Salary', 'Monthly salary']), value: s.m(month.gross) },
    ...sayings(work, ['gross_pay']),
    { label: s.label(['Income tax', 'PAYE', 'Tax']), value: s.m(month.tax) },
    { label: s.label(['Social insurance', 'NI', 'Pension contribution']), value: s.m(month.insurance) },
  ]
  const ends = sayings(work, ['net_pay', 'year_to_date_gross'])
  const body = s.dice.pick([
    () => s.say([...lines, ...ends], 0),
    () =>
      '<div style="display:flex;gap:6mm"><div style="flex:1"><b>' +
      `${s.label(['Payments', 'Earnings', 'Pay'])}</b>${s.sums(lines.slice(0, 2))}` +
      `</div><div style="flex:1"><b>${s.label(['Deductions', 'Taken off', 'Less'])}</b>` +
      `${s.sums([...lines.slice(2), { label: s.label(['Total deductions', 'Total']), value: s.m(month.tax + month.insurance) }])}` +
      `</div></div>${s.say(ends)}`,
    () =>
      s.table(
        s
          .label(['Description', 'Element', 'Item'])
          .split('|')
          .concat([
            s.label(['This month', 'Amount', 'Current']),
            s.label(['Year to date', 'To date', 'YTD']),
          ]),
        [
          ['Basic pay', s.bare(month.gross), s.bare(month.yearToDate)],
          [s.label(['Total gross', 'Gross pay', 'Gross']), s.bare(month.gross), s.bare(month.yearToDate)],
          ['Income tax', s.bare(month.tax), s.bare(Math.round(month.yearToDate * 0.16))],
          ['Social insurance', s.bare(month.insurance), s.bare(Math.round(month.yearToDate * 0.074))],
          [
            s.label(['Net pay', 'Net', 'Take-home pay']),
            s.bare(month.net),
            s.bare(Math.round(month.yearToDate * 0.766)),
          ],
        ],
        [0],
      ),
    () => s.say(lines) + s.say(ends, 4),
  ])()
  return print(
    'payslip',
    f,
    s.css,
    s.page(
      s.head(
        said.get('employer_name')!,
        w.titles,
        s.dice.chance(0.5) ? addressLine(story.employerAddress) : '',
      ),
      s.say(top),
      '<br>',
      body,
      s.small(w.small),
    ),
  )
}

export function drawBill(story: Story, layout: number, dice: Dice, wishes: BillWishes): Promise<Drawn> {
  const f = facts.billFacts(story, dice, wishes)
  const work = begin('utility_bill', f.truth, own(layout))
  const { s, w } = work
  const posted = s.dice.chance(0.5)
  const top = sayings(
    work,
    s.dice.shuffle(
      posted
        ? ['issue_date', 'account_number']
        : ['account_holder', 'service_address', 'issue_date', 'account_number'],
    ),
  )
  const used = s.dice.pick([
    ['Standing charge', 'Units used: 412 kWh'],
    ['Fixed charge', 'Water used 23 m³'],
    ['Line rental', 'Monthly package'],
  ])
  const charges: Saying[] = [
    { label: used[0], value: s.m(1100) },
    { label: used[1], value: s.m(f.due - 1100) },
  ]
  const due = sayings(work, ['amount_due'])
  return print(
    'utility_bill',
    f,
    s.css,
    s.page(
      s.head(
        story.utility,
        w.titles,
        s.dice.chance(0.5) ? 'Registered office: 3 Grid Street, Merrow SK1 1MS' : '',
      ),
      posted
        ? `<p style="margin:8mm 0 8mm ${s.dice.pick([0, 0, 95])}mm">${esc(f.holder)}<br>${esc(f.street)}<br>${esc(f.place)}</p>`
        : '',
      s.say(top),
      s.dice.chance(0.5)
        ? s.sums([...charges, ...due])
        : `${s.say(charges, 5)}<p style="font-size:14pt;border:.4mm solid #333;padding:3mm">${esc(due[0].label)} <b>${esc(due[0].value)}</b></p>`,
      s.small(w.small),
    ),
  )
}

export function drawCover(story: Story, layout: number, dice: Dice, wishes: CoverWishes): Promise<Drawn> {
  const f = facts.coverFacts(story, dice, wishes)
  const work = begin('insurance_cover', f.truth, own(layout))
  const { s, w, said } = work
  const text = s.period(f.start, f.end)
  said.set(
    'period',
    text.includes(' to ') || /until|through/.test(text) ? text : `${s.d(f.start)} to ${s.d(f.end)}`,
  )
  const body = s.dice.chance(0.25)
    ? inWords(work, s.dice.pick(w.prose!))
    : s.say(
        sayings(
          work,
          [
            'policy_number',
            'insured_name',
            'vessel_name',
            'cover_start',
            'cover_end',
            'sum_insured',
            'premium',
          ],
          { start: 'cover_start', end: 'cover_end', text },
        ).concat({ label: s.label(['Excess', 'Deductible']), value: s.m(40000) }),
      )
  return print('insurance_cover', f, s.css, s.page(s.head(story.insurer, w.titles), body, s.small(w.small)))
}

export function drawRegistration(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: RegistrationWishes,
): Promise<Drawn> {
  const f = facts.registrationFacts(story, dice, wishes)
  const work = begin('vessel_registration', f.truth, own(layout))
  const { s, w } = work
  const body = s.dice.chance(0.25)
    ? inWords(work, s.dice.pick(w.prose!))
    : s.say([
        ...sayings(work, s.dice.shuffle(['registration_number', 'vessel_name', 'hull_number', 'owner_name'])),
        {
          label: s.label(['Length', 'Gross tonnage', 'Year built']),
          value: s.dice.pick(['9.2', '11.4', '2009']),
        },
        ...sayings(work, ['issue_date', 'expiry_date']),
      ])
  return print(
    'vessel_registration',
    f,
    s.css,
    s.page(
      s.head(
        s.dice.pick(['Skerrow Isles Registry of Shipping', 'Registrar of Shipping and Seamen, Merrow']),
        w.titles,
      ),
      body,
      s.small(w.small),
    ),
  )
}

export function drawConsent(
  story: Story,
  layout: number,
  _dice: Dice,
  wishes: ConsentWishes,
): Promise<Drawn> {
  const f = facts.consentFacts(story, wishes)
  const work = begin('credit_consent', f.truth, own(layout))
  const { s, w } = work
  const body = s.dice.chance(0.4)
    ? inWords(work, s.dice.pick(w.prose!))
    : `${s.say(sayings(work, ['applicant_name', 'national_number']))}<p>I agree that Merrow Sound Mutual asks credit reference agencies about me.</p>`
  return print(
    'credit_consent',
    f,
    s.css,
    s.page(
      s.head('Merrow Sound Mutual', w.titles),
      body,
      s.small(w.small),
      s.signature(f.signed, s.label(w.sign!), s.d(f.on), s.label(w.signDate!)),
    ),
    f.signed,
  )
}

export function drawQuote(story: Story, layout: number, dice: Dice, wishes: QuoteWishes): Promise<Drawn> {
  const f = facts.quoteFacts(story, dice, wishes)
  const work = begin('purchase_quote', f.truth, own(layout))
  const { s, w } = work
  const heads = s.dice.pick(w.heads!)
  const top = sayings(work, ['quote_number', 'quote_date', 'valid_until'])
  const boat = sayings(work, ['buyer_name', 'vessel_name', 'hull_number'])
  return print(
    'purchase_quote',
    f,
    s.css,
    s.page(
      s.head(story.yard, w.titles, addressLine(story.yardAddress)),
      s.dice.chance(0.5)
        ? `<div class="spread"><div style="width:55%">${s.say(boat, 8)}</div><div>${s.say(top, 0)}</div></div>`
        : s.say(s.dice.shuffle([...top, ...boat])),
      s.table(
        heads,
        f.lines.map((l) => [l.text, String(l.quantity), s.bare(l.unit), s.bare(l.amount)]),
        [0],
      ),
      s.sums(sayings(work, ['net_amount', 'vat_amount', 'total_price'])),
      s.small(w.small),
    ),
  )
}

export async function drawStatement(
  story: Story,
  layout: number,
  _dice: Dice,
  wishes: StatementWishes,
): Promise<Drawn> {
  const f = facts.statementFacts(story, wishes)
  const work = begin('bank_statement', f.truth, own(layout))
  const { s, w } = work
  const { statement } = f
  const heads = s.dice.pick(w.heads!)
  const per = s.dice.pick([14, 17, 20])
  const labels = {
    ...w.labels,
    statement_start: ['From', 'Start date', 'Statement from'],
    statement_end: ['To', 'End date', 'Statement to'],
  }
  const posted = s.dice.chance(0.5)
  const top = sayings(
    { ...work, w: { ...w, labels } },
    [...(posted ? [] : ['account_holder', 'holder_address']), 'iban', 'statement_start', 'statement_end'],
    { start: 'statement_start', end: 'statement_end', text: s.period(statement.start, statement.end) },
  )
  const balances = sayings(work, ['opening_balance', 'closing_balance'])
  const shortDay = s.dice.chance(0.3) ? (iso: string) => `${iso.slice(8)}/${iso.slice(5, 7)}` : s.d
  const cells = (amount: number): string[] =>
    heads.length === 4
      ? [s.bare(amount)]
      : [amount < 0 ? s.bare(-amount) : '', amount > 0 ? s.bare(amount) : '']
  const title = s.head(story.bank, w.titles)
  const foot = s.dice.pick<(n: number, of: number) => string>([
    (n, of) => `Page ${n} of ${of}`,
    (n, of) => `${n}/${of}`,
    (n, of) => `Sheet ${n} of ${of}`,
  ])
  const carry = s.dice.chance(0.4)
  const sheets = Array.from({ length: Math.ceil(statement.rows.length / per) }, (_, i) =>
    statement.rows.slice(i * per, (i + 1) * per),
  )
  const drawn = sheets.map((rows, i) => {
    const lines = rows.map((r) => [shortDay(r.date), r.text, ...cells(r.amount), s.bare(r.balance)])
    if (carry && i > 0)
      lines.unshift(['', 'Brought forward', ...cells(0).map(() => ''), s.bare(sheets[i - 1].at(-1)!.balance)])
    if (carry && i < sheets.length - 1)
      lines.push(['', 'Carried forward', ...cells(0).map(() => ''), s.bare(rows.at(-1)!.balance)])
    return s.page(
      i === 0 ? title : `<div class="spread"><b>${esc(story.bank)}</b><span>IBAN ${f.iban}</span></div><br>`,
      i === 0 && posted
        ? `<p style="margin:6mm 0">${esc(f.holder)}<br>${esc(f.street)}<br>${esc(f.place)}</p>`
        : '',
      i === 0 ? s.say(top) + s.say(balances, 4) : '',
      s.table(heads, lines, [0, 1]),
      i === sheets.length - 1 ? s.small(w.small) : '',
      `<div class="foot">${foot(i + 1, sheets.length)}</div>`,
    )
  })
  const lost = wishes.dropPage !== undefined && sheets.length > 1 && wishes.dropPage <= sheets.length
  if (lost) {
    f.truth.put(
      'transactions',
      f.rows(statement.rows.filter((_, i) => Math.floor(i / per) !== wishes.dropPage! - 1)),
    )
    drawn.splice(wishes.dropPage! - 1, 1)
  }
  return { ...(await print('bank_statement', f, s.css, drawn.join(''))), dropped: lost }
}

export function drawApplication(
  story: Story,
  layout: number,
  _dice: Dice,
  wishes: ApplicationWishes,
): Promise<Drawn> {
  const f = facts.applicationFacts(story, wishes)
  const work = begin('loan_application', f.truth, own(layout), { loan_term_months: String(story.term) })
  const { s, w } = work
  const yes = s.dice.pick([
    ['Yes', 'No'],
    ['yes', 'no'],
    ['YES', 'NO'],
  ])
  const way = s.dice.pick([0, 1, 2, 3, 4, 5, 6, 7])
  const tick = s.dice.chance(0.7)
  const status: (readonly [string, boolean])[] = [
    [s.label(['Employed', 'In employment', 'An employee']), !story.selfEmployed],
    [s.label(['Self-employed', 'Self employed', 'Own business']), story.selfEmployed],
  ]
  const first = [
    s.head('Merrow Sound Mutual', w.titles),
    s.say(sayings(work, ['application_number', 'application_date']), 7),
    s.dice.chance(0.5) ? `<h3>${s.label(['About you', '1 Personal details', 'The applicant'])}</h3>` : '',
    s.say(
      sayings(work, [
        'applicant_name',
        'date_of_birth',
        'national_number',
        'home_address',
        'phone',
        'email',
        'co_applicant_name',
      ]),
      way,
    ),
    tick
      ? s.tick(s.label(w.labels.employment_status), status)
      : s.say([{ label: s.label(w.labels.employment_status), value: status.find(([, on]) => on)![0] }], way),
    s.say(sayings(work, ['employer_name', 'monthly_net_income']), way),
    '<div class="foot">Page 1 of 2</div>',
  ]
  const second = [
    s.dice.chance(0.5)
      ? `<h3>${s.label(['Your loan', '2 What you need', 'The boat and the loan'])}</h3>`
      : '',
    s.say(sayings(work, s.dice.shuffle(['vessel_name', 'hull_number'])), way),
    s.say(
      sayings(
        work,
        s.dice.chance(0.5)
          ? ['purchase_price', 'deposit_amount', 'loan_amount', 'loan_term_months', 'iban']
          : ['loan_amount', 'loan_term_months', 'purchase_price', 'deposit_amount', 'iban'],
      ),
      way,
    ),
    tick
      ? s.tick(s.label(w.labels.existing_loan), [
          [yes[0], story.existingLoan],
          [yes[1], !story.existingLoan],
        ])
      : s.say([{ label: s.label(w.labels.existing_loan), value: story.existingLoan ? yes[0] : yes[1] }], way),
    s.small(w.small),
    s.signature(f.signed, s.label(w.sign!), s.d(f.on), s.label(w.signDate!)),
    '<div class="foot">Page 2 of 2</div>',
  ]
  return print('loan_application', f, s.css, s.page(...first) + s.page(...second), f.signed)
}

/** Fields whose value is the paper's own letterhead. */
const LETTERHEAD = ['employer_name', 'harbour_name', 'lender_name']

/** Papers that are forms, letters, contracts or reports. */
export async function drawPlan(plan: Plan, _layout: number, dice: Dice): Promise<Drawn> {
  const truth = truthOf(plan)
  const work = begin(plan.type, truth, new Dice(dice.int(1, 1_000_000)))
  const { s, w, said } = work
  for (const one of plan.said) {
    const printed = one.print({ d: s.d, m: s.m })
    if (typeof printed === 'string') said.set(one.field, printed)
  }
  if (plan.people) said.set(plan.people.field, plan.people.rows.map((r) => fullName(r.person)).join(' and '))
  const [start, end] = plan.said
    .filter((x) => /(?:start_date|period_start|valid_from|end_date|period_end|valid_until)$/.test(x.field))
    .map((x) => x.field)
  const at = (field: string): string => {
    const value = plan.said.find((x) => x.field === field)?.value
    return typeof value === 'string' ? value : ''
  }
  const period = end ? { start, end, text: s.period(at(start), at(end)) } : undefined
  const last = new Set(w.last ?? [])
  const fields = plan.said
    .map((x) => x.field)
    .filter(
      (field) =>
        !last.has(field) &&
        !(LETTERHEAD.includes(field) && s.dice.chance(0.6)) &&
        !(field === 'business_name' && plan.firm === at(field) && s.dice.chance(0.5)),
    )
  const listed = plan.people?.rows.map((r) =>
    r.share === null
      ? [fullName(r.person), s.dice.pick(['Director', 'Secretary', 'Managing director'])]
      : [fullName(r.person), s.d(r.person.born), `${r.share}${s.dice.pick(['%', ' %', ' per cent'])}`],
  )
  const told = w.prose && s.dice.chance(0.5) ? w.prose : null
  const open = told
    ? inWords(work, s.dice.pick(told))
    : s.say(sayings(work, fields, period)) +
      (listed ? s.small(w.small) + s.table(s.dice.pick(w.heads!), listed, [0, 1, 2]) : '')
  // The truth of a plan whose list stands in a sentence says no more than that sentence.
  const pages = 1 + (w.pages ? s.dice.pick(w.pages) - 1 : 0)
  const signature =
    plan.signed === null || !w.sign
      ? ''
      : s.signature(
          plan.signed,
          s.label(w.sign),
          s.d(plan.signDay?.day ?? plan.story?.asOf ?? '2026-01-01'),
          plan.signDay ? s.label(w.signDate ?? ['Date']) : null,
        )
  const ending = s.say(sayings(work, [...last])) + (listed && !told ? '' : s.small(w.small)) + signature
  const body = w.body ? s.dice.shuffle(w.body) : []
  const html = Array.from({ length: pages }, (_, i) => {
    const share = Math.ceil(body.length / pages)
    const own = body.slice(i * share, (i + 1) * share)
    const text = (own.length > 0 || body.length === 0 ? own : [body[i % body.length]])
      .map((part, k) => `<p>${s.dice.chance(0.5) ? `${i + 1}.${k + 1} ` : ''}${esc(part)}</p>`)
      .join('')
    return s.page(
      i === 0 ? s.head(plan.firm, w.titles, plan.under) + open : '',
      text,
      i === pages - 1 ? ending : '',
      pages > 1
        ? `<div class="foot">${s.dice.chance(0.5) ? `Page ${i + 1} of ${pages}` : `${i + 1} / ${pages}`}</div>`
        : '',
    )
  }).join('')
  return print(plan.type, { truth }, s.css, html, plan.signed)
}

/** Labels of a card or passport page, each in one to three tongues. */
const CARD = {
  family: [
    ['Surname', 'Nom', 'Apellidos'],
    ['Family name', 'Nom de famille', 'Apellido'],
    ['Last name', 'Nom', 'Apellidos'],
  ],
  given: [
    ['Given names', 'Prénoms', 'Nombre'],
    ['First names', 'Prénom(s)', 'Nombres'],
    ['Forenames', 'Prénoms', 'Nombre'],
  ],
  number: [
    ['Card number', 'N° de carte', 'Número'],
    ['Document no.', 'Document n°', 'N.º documento'],
    ['Identity card no.', 'Carte n°', 'N.º'],
    ['Passport No', 'Passeport N°', 'Pasaporte N.º'],
  ],
  born: [
    ['Date of birth', 'Date de naissance', 'Fecha de nacimiento'],
    ['Born', 'Né(e) le', 'Nacido el'],
    ['Birth date', 'Naissance', 'Nacimiento'],
  ],
  issued: [
    ['Date of issue', 'Date de délivrance', 'Fecha de expedición'],
    ['Issued on', 'Délivrée le', 'Expedido el'],
    ['Issue date', 'Émission', 'Emisión'],
  ],
  expiry: [
    ['Date of expiry', 'Date d’expiration', 'Fecha de caducidad'],
    ['Valid until', 'Valable jusqu’au', 'Válido hasta'],
    ['Expires', 'Expire le', 'Caduca el'],
  ],
  nation: [
    ['Nationality', 'Nationalité', 'Nacionalidad'],
    ['Citizenship', 'Nationalité', 'Nacionalidad'],
  ],
} as const
const FACE =
  '<svg viewBox="0 0 60 76" style="width:28mm"><rect width="60" height="76" fill="#dde3e8"/>' +
  '<circle cx="30" cy="28" r="14" fill="#8b98a5"/>' +
  '<path d="M6 76q0-30 24-30t24 30" fill="#8b98a5"/></svg>'

export function drawCard(story: Story, layout: number, dice: Dice, wishes: CardWishes): Promise<Drawn> {
  const s = new Studio(own(layout))
  const passport = s.dice.chance(0.4)
  const nation = s.dice.pick(passport ? ['UTOPIAN', 'Utopia'] : ['UTO', 'Utopian'])
  const f = facts.cardFacts(story, dice, wishes, passport ? 10 : 5, nation)
  const tongues = s.dice.int(1, 3)
  const label = (of: keyof typeof CARD) =>
    s.dice
      .pick<readonly string[]>(
        of === 'number' ? CARD.number.slice(passport ? 3 : 0, passport ? 4 : 3) : CARD[of],
      )
      .slice(0, tongues)
      .join(s.dice.pick([' / ', '/']))
  const capital = s.dice.chance(0.6) ? (text: string) => text.toUpperCase() : (text: string) => text
  const lines = s.dice.shuffle<Saying>([
    { label: label('number'), value: f.number },
    { label: label('nation'), value: nation },
    { label: label('born'), value: s.d(f.born) },
    { label: label('issued'), value: s.d(f.issued) },
    { label: label('expiry'), value: s.d(f.expiry) },
    { label: 'Sex', value: s.dice.pick(['F', 'M', 'X']) },
  ])
  const zone = zoneLines(!passport, {
    number: f.number,
    born: f.born,
    expiry: f.expiry,
    given: f.given,
    family: f.family,
  })
    .map(esc)
    .join('<br>')
  const title = passport
    ? s.dice.pick(['PASSPORT', 'PASSPORT · PASSEPORT', 'Utopia Passport'])
    : s.dice.pick([
        'IDENTITY CARD',
        'National Identity Card',
        'PERSONAL ID CARD',
        'CARTE D’IDENTITÉ · IDENTITY CARD',
      ])
  const way = s.dice.pick([1, 4, 7, 8])
  return print(
    'identity_card',
    f,
    `${s.css}.z{font-family:"DejaVu Sans Mono";font-size:11.5pt;line-height:1.4;margin-top:5mm}` +
      `.card{border:.3mm solid #789;border-radius:3mm;padding:5mm;width:${passport ? 165 : 150}mm}`,
    s.page(
      s.dice.chance(0.3) ? '<p class="sub">Copy taken at the counter</p>' : '',
      `<div class="card"><b>${title}</b><div class="sub">UTOPIA</div>` +
        '<div style="display:flex;gap:6mm;margin-top:4mm">' +
        `<div>${FACE}</div><div style="flex:1">${s.say(
          [
            { label: label('family'), value: capital(f.family) },
            { label: label('given'), value: capital(f.given) },
          ],
          8,
        )}${s.say(lines, way)}</div></div>${s.dice.chance(0.85) ? `<div class="z">${zone}</div>` : ''}</div>`,
    ),
  )
}

export { drawLetter, drawStray } from '../printed/papers.ts'
