import type { Row } from '../../../core/model/index.ts'
import type { Dice } from '../../dice.ts'
import { colours, Paper, type Face } from '../../sheet.ts'
import {
  dateForms,
  moneyForms,
  type DateForm,
  type MoneyForm,
  type Statement,
  type Story,
} from '../../story.ts'
import { Ledger, money, type Drawn } from '../../truth.ts'
import { fullName, type Address } from '../../world.ts'
import { block } from '../blocks.ts'

export interface StatementWishes {
  statement: Statement
  holderName?: string
  address?: Address
  iban?: string
  /** Pages of its own numbering that are left out. */
  dropPage?: number
}

interface Look {
  face: Face
  date: DateForm
  row: DateForm | 'day'
  money: MoneyForm
  rowMoney: MoneyForm
  title: string
  perPage: number
  words: {
    holder: string | null
    address: string | null
    iban: string
    period: string
    opening: string
    closing: string
    heads: string[]
  }
}

const LOOKS: Look[] = [
  {
    face: 'sans',
    date: 'long',
    row: 'slashes',
    money: 'eur',
    rowMoney: 'plain',
    title: 'Statement of account',
    perPage: 22,
    words: {
      holder: null,
      address: null,
      iban: 'IBAN',
      period: 'Statement period',
      opening: 'Opening balance',
      closing: 'Closing balance',
      heads: ['Date', 'Description', 'Amount', 'Balance'],
    },
  },
  {
    face: 'serif',
    date: 'slashes',
    row: 'slashes',
    money: 'sign',
    rowMoney: 'plain',
    title: 'Your account statement',
    perPage: 24,
    words: {
      holder: 'Account holder',
      address: 'Address',
      iban: 'Account number (IBAN)',
      period: 'Period',
      opening: 'Balance at start',
      closing: 'Balance at end',
      heads: ['Date', 'Details', 'Money out', 'Money in', 'Balance'],
    },
  },
  {
    face: 'humanist',
    date: 'dots',
    row: 'dots',
    money: 'dotted',
    rowMoney: 'dotted',
    title: 'Account statement',
    perPage: 20,
    words: {
      holder: 'Account name',
      address: 'Postal address',
      iban: 'IBAN',
      period: 'Statement covers',
      opening: 'Balance brought forward',
      closing: 'New balance',
      heads: ['Booked', 'Particulars', 'Paid out', 'Paid in', 'Balance'],
    },
  },
  {
    face: 'mono',
    date: 'short',
    row: 'short',
    money: 'plain',
    rowMoney: 'plain',
    title: 'CURRENT ACCOUNT STATEMENT',
    perPage: 30,
    words: {
      holder: null,
      address: null,
      iban: 'Account IBAN',
      period: 'From',
      opening: 'Previous balance',
      closing: 'Final balance',
      heads: ['Date', 'Transaction', 'Amount EUR', 'Balance EUR'],
    },
  },
]

/** A month's statement in one of four banks' ways, over as many pages as its rows need. */
export async function drawStatement(
  story: Story,
  layout: number,
  _dice: Dice,
  wishes: StatementWishes,
): Promise<Drawn> {
  const look = LOOKS[layout]
  const { statement } = wishes
  const paper = await Paper.begin(look.face)
  const truth = new Ledger()
  const date = dateForms[look.date]
  const amount = moneyForms[look.money]
  const rowAmount = moneyForms[look.rowMoney]
  const holder = wishes.holderName ?? fullName(story.applicant)
  const home = wishes.address ?? story.home
  const iban = wishes.iban ?? story.iban
  const spaced = iban.replace(/(.{4})(?=.)/g, '$1 ')
  const w = look.words
  const street = `${home.number} ${home.street}`
  const place = `${home.town} ${home.code}`
  truth.put('bank_name', story.bank)
  truth.put('account_holder', holder)
  truth.put('holder_address', `${street}, ${place}`)
  truth.put('iban', iban)
  truth.put('statement_start', statement.start)
  truth.put('statement_end', statement.end)
  truth.put('opening_balance', money(statement.opening))
  const twoColumns = w.heads.length === 5
  const total = Math.ceil(statement.rows.length / look.perPage)
  const rights = twoColumns ? [0, 0, 400, 475, 553] : [0, 0, 452, 553]
  const drawHead = (y: number) => {
    paper.box([40, y - 4, 515, 18], layout % 2 ? colours.sand : colours.mist)
    w.heads.forEach((head, i) =>
      paper.text(i === 0 ? 44 : i === 1 ? 118 : rights[i], y, head, {
        size: 9,
        bold: true,
        align: i > 1 ? 'right' : 'left',
      }),
    )
  }
  const sheet: Sheet = {
    paper,
    look,
    w,
    story,
    statement,
    truth,
    holder,
    home,
    street,
    place,
    iban,
    spaced,
    date,
    amount,
  }
  const rows: Row[] = []
  let y = 0
  for (let page = 1; page <= total; page++) {
    if (page > 1) paper.newPage()
    if (page === 1) {
      y = FIRST_PAGES[layout](sheet)
    } else {
      paper.text(40, 40, story.bank, {
        size: 11,
        bold: true,
        colour: layout === 2 ? colours.forest : colours.navy,
      })
      paper.text(555, 42, spaced, { size: 9, align: 'right' })
      y = 78
    }
    drawHead(y)
    y += 24
    if (page > 1 && layout === 1) {
      paper.text(118, y, 'Balance brought forward', { size: 9 })
      paper.text(553, y, rowAmount(statement.rows[(page - 1) * look.perPage - 1].balance), {
        size: 9,
        align: 'right',
      })
      y += 17
    }
    for (const row of statement.rows.slice((page - 1) * look.perPage, page * look.perPage)) {
      y = bookedRow(row, y, { paper, look, layout, rights })
      if (page !== wishes.dropPage)
        rows.push({
          date: row.date,
          description: row.text,
          amount: money(row.amount),
          balance: money(row.balance),
        })
    }
    if (page < total && layout === 1)
      paper.text(118, y + 4, 'Balance carried forward', { size: 9, bold: true })
    if (page === total) {
      if (page !== wishes.dropPage) truth.put('closing_balance', money(statement.closing), page)
      if (layout === 0 || layout === 3) {
        paper.text(118, y + 10, w.closing, { bold: true, size: 10 })
        paper.text(553, y + 10, amount(statement.closing), { bold: true, size: 10, align: 'right' })
      }
    }
    paper.text(
      layout === 1 ? 297 : 555,
      800,
      layout === 3 ? `Sheet ${page} / ${total}` : `Page ${page} of ${total}`,
      { size: 8, align: layout === 1 ? 'center' : 'right', colour: colours.grey },
    )
    if (layout !== 3)
      paper.text(40, 800, `${story.bank} · Registered in Port Ellery`, { size: 7, colour: colours.grey })
  }
  truth.put('transactions', rows)
  if (layout === 1 || layout === 2) truth.put('closing_balance', money(statement.closing), 1)
  const dropped = wishes.dropPage !== undefined && wishes.dropPage <= total && total > 1
  if (dropped) paper.pdf.removePage(wishes.dropPage! - 1)
  return {
    type: 'bank_statement',
    bytes: await paper.bytes(),
    pages: dropped ? paper.pages - 1 : paper.pages,
    signed: null,
    fields: truth.fields,
    dropped,
  }
}

/** What the first page is drawn from. */
interface Sheet {
  paper: Paper
  look: (typeof LOOKS)[number]
  w: (typeof LOOKS)[number]['words']
  story: Story
  statement: StatementWishes['statement']
  truth: Ledger
  holder: string
  home: Story['home']
  street: string
  place: string
  iban: string
  /** In groups of four. */
  spaced: string
  date: (iso: string) => string
  amount: (cents: number) => string
}

/** One booking; words that are many go on in a second line where the bank does so. @returns where the next one begins */
function bookedRow(
  row: Story['statements'][number]['rows'][number],
  y: number,
  { paper, look, layout, rights }: Pick<Sheet, 'paper' | 'look'> & { layout: number; rights: number[] },
): number {
  const rowAmount = moneyForms[look.rowMoney]
  const twoColumns = look.words.heads.length === 5
  paper.text(44, y, dateForms[look.row as DateForm](row.date), { size: 9 })
  const words = row.text.split(' ')
  const wrapped = layout === 2 && words.length > 4
  paper.text(118, y, wrapped ? words.slice(0, 3).join(' ') : row.text, { size: 9 })
  if (twoColumns)
    paper.text(row.amount < 0 ? rights[2] : rights[3], y, rowAmount(Math.abs(row.amount)), {
      size: 9,
      align: 'right',
    })
  else
    paper.text(
      rights[2],
      y,
      layout === 3 && row.amount < 0 ? `${rowAmount(-row.amount)}-` : rowAmount(row.amount),
      { size: 9, align: 'right' },
    )
  paper.text(553, y, rowAmount(row.balance), { size: 9, align: 'right' })
  if (wrapped) paper.text(118, y + 11, words.slice(3).join(' '), { size: 9 })
  const next = (wrapped ? y + 11 : y) + (layout === 2 ? 17 : 18)
  if (layout === 0) paper.rule(40, next - 4, 555)
  return next
}

/** The bank in large letters over a rule, whose account it is as a letter is addressed. */
function bankOverRule({
  paper,
  look,
  w,
  story,
  statement,
  truth,
  holder,
  home,
  street,
  spaced,
  date,
  amount,
}: Sheet): number {
  paper.text(40, 40, story.bank, { size: 22, bold: true, colour: colours.navy })
  paper.text(555, 48, look.title, { size: 12, align: 'right' })
  paper.rule(40, 74, 555, colours.navy, 2)
  ;[holder, street, home.town, home.code].forEach((line, i) => paper.text(60, 104 + i * 13, line))
  truth.put('holder_address', `${street}, ${home.town}, ${home.code}`)
  return (
    block(
      paper,
      'columns',
      [320, 104, 240],
      [
        { label: w.iban, value: spaced },
        { label: w.period, value: [`${date(statement.start)}`, `to ${date(statement.end)}`] },
        { label: w.opening, value: amount(statement.opening) },
      ],
      { size: 9 },
    ) + 26
  )
}

/** Centred, all in lines. */
function centred({
  paper,
  look,
  w,
  story,
  statement,
  holder,
  street,
  place,
  spaced,
  date,
  amount,
}: Sheet): number {
  paper.text(297, 40, story.bank.toUpperCase(), { size: 17, bold: true, align: 'center' })
  paper.text(297, 66, look.title, { size: 13, align: 'center' })
  const y = block(
    paper,
    'inline',
    [44, 100, 500],
    [
      { label: w.holder!, value: holder },
      { label: w.address!, value: `${street}, ${place}` },
      { label: w.iban, value: spaced },
      { label: w.period, value: `${date(statement.start)} to ${date(statement.end)}` },
    ],
    { size: 10, gap: 4 },
  )
  return (
    block(
      paper,
      'inline',
      [44, y + 6, 400],
      [
        { label: w.opening, value: amount(statement.opening) },
        { label: w.closing, value: amount(statement.closing) },
      ],
      { size: 10, columns: 2 },
    ) + 18
  )
}

/** A bar of colour, all in boxes. */
function boxed({
  paper,
  look,
  w,
  story,
  statement,
  holder,
  street,
  place,
  spaced,
  date,
  amount,
}: Sheet): number {
  paper.box([40, 34, 8, 34], colours.forest)
  paper.text(56, 36, story.bank, { size: 18, bold: true })
  paper.text(56, 60, look.title, { size: 10, colour: colours.grey })
  return (
    block(
      paper,
      'boxed',
      [40, 92, 520],
      [
        { label: w.holder!, value: holder },
        { label: w.iban, value: spaced },
        { label: w.address!, value: [street, place] },
        { label: w.period, value: `${date(statement.start)} - ${date(statement.end)}` },
        { label: w.opening, value: amount(statement.opening) },
        { label: w.closing, value: amount(statement.closing) },
      ],
      { size: 10 },
    ) + 14
  )
}

/** An address, and columns beside it. */
function addressed({
  paper,
  look,
  w,
  story,
  statement,
  holder,
  street,
  place,
  iban,
  date,
  amount,
}: Sheet): number {
  paper.text(40, 40, story.bank, { size: 12, bold: true })
  paper.text(40, 56, look.title, { size: 12 })
  ;[holder, street, place].forEach((line, i) => paper.text(40, 88 + i * 13, line, { size: 10 }))
  return (
    block(
      paper,
      'columns',
      [300, 88, 260],
      [
        { label: w.iban, value: iban },
        { label: w.period, value: date(statement.start) },
        { label: 'To', value: date(statement.end) },
        { label: w.opening, value: amount(statement.opening) },
      ],
      { size: 9, gap: 4 },
    ) + 24
  )
}

/** The first pages of four banks, by layout; each says where its table begins. */
const FIRST_PAGES = [bankOverRule, centred, boxed, addressed]
