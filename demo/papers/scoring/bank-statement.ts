import type { Row } from '../../../core/model/index.ts'
import type { Dice } from '../../dice.ts'
import { colours, Paper } from '../../sheet.ts'
import { dateForms, moneyForms, type Story } from '../../story.ts'
import { Ledger, money, type Drawn } from '../../truth.ts'
import { fullName } from '../../world.ts'
import type { StatementWishes } from '../tuning/bank-statement.ts'

const PER_PAGE = [19, 26]

/**
 * A month's statement: debit and credit columns with the running balance first, or ruled lines with CR and DR
 * behind.
 */
export async function drawStatement(
  story: Story,
  layout: number,
  _dice: Dice,
  wishes: StatementWishes,
): Promise<Drawn> {
  const { statement } = wishes
  const paper = await Paper.begin(layout === 0 ? 'humanist' : 'typewriter')
  const truth = new Ledger()
  const date = dateForms[layout === 0 ? 'medium' : 'slashes']
  const holder = wishes.holderName ?? fullName(story.applicant)
  const home = wishes.address ?? story.home
  const iban = wishes.iban ?? story.iban
  const spaced = iban.replace(/(.{4})(?=.)/g, '$1 ')
  const [street, place] = [`${home.number} ${home.street}`, `${home.town} ${home.code}`]
  const plain = moneyForms.plain
  truth.put('bank_name', story.bank)
  truth.put('account_holder', holder)
  truth.put('holder_address', `${street}, ${place}`)
  truth.put('iban', iban)
  truth.put('statement_start', statement.start)
  truth.put('statement_end', statement.end)
  truth.put('opening_balance', money(statement.opening))
  const per = PER_PAGE[layout]
  const total = Math.ceil(statement.rows.length / per)
  const rows: Row[] = []
  for (let page = 1; page <= total; page++) {
    if (page > 1) paper.newPage()
    let y = layout === 0 ? first0(page) : first1(page)
    for (const row of statement.rows.slice((page - 1) * per, page * per)) {
      if (layout === 0) {
        paper.text(46, y, dateForms.medium(row.date).slice(0, -5), { size: 9 })
        paper.text(104, y, row.text, { size: 9 })
        paper.text(row.amount < 0 ? 400 : 475, y, plain(Math.abs(row.amount)), { size: 9, align: 'right' })
        paper.text(550, y, plain(row.balance), { size: 9, align: 'right' })
        paper.rule(42, y + 13, 554, colours.mist)
        y += 20
      } else {
        paper.text(40, y, dateForms.slashes(row.date), { size: 8.5 })
        paper.text(112, y, row.text, { size: 8.5 })
        paper.text(440, y, `${plain(Math.abs(row.amount))} ${row.amount < 0 ? 'DR' : 'CR'}`, {
          size: 8.5,
          align: 'right',
        })
        paper.text(553, y, plain(row.balance), { size: 8.5, align: 'right' })
        y += 16
      }
      if (page !== wishes.dropPage)
        rows.push({
          date: row.date,
          description: row.text,
          amount: money(row.amount),
          balance: money(row.balance),
        })
    }
    if (layout === 1 && page === total) {
      paper.text(112, y + 8, `Balance on ${date(statement.end)}`, { size: 8.5, bold: true })
      paper.text(553, y + 8, plain(statement.closing), { size: 8.5, bold: true, align: 'right' })
      if (page !== wishes.dropPage) truth.put('closing_balance', money(statement.closing), page)
    }
    paper.text(
      layout === 0 ? 40 : 297,
      812,
      layout === 0 ? `${page}/${total}` : `sheet ${page} of ${total}`,
      { size: 8, align: layout === 0 ? 'left' : 'center' },
    )
  }
  truth.put('transactions', rows)
  if (layout === 0) truth.put('closing_balance', money(statement.closing), 1)
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

  function first0(page: number): number {
    paper.text(42, 34, story.bank, { size: page === 1 ? 20 : 12, bold: true, colour: colours.teal })
    let y = 70
    if (page === 1) {
      paper.text(42, 62, 'Account statement', { size: 13 })
      const lines = [
        ['Statement for', holder],
        ['Living at', `${street}, ${place}`],
        ['IBAN', spaced],
        ['Dates', `${date(statement.start)} to ${date(statement.end)}`],
      ]
      lines.forEach(([label, value], i) => {
        paper.text(42, 92 + i * 16, label, { size: 9, colour: colours.grey })
        paper.text(130, 92 + i * 16, value, { size: 10 })
      })
      paper.box([380, 88, 174, 58], colours.mist)
      paper.text(388, 94, 'Start balance', { size: 9 })
      paper.text(546, 94, moneyForms.sign(statement.opening), { size: 9, align: 'right' })
      paper.text(388, 122, 'End balance', { size: 9, bold: true })
      paper.text(546, 122, moneyForms.sign(statement.closing), { size: 9, bold: true, align: 'right' })
      y = 178
    }
    ;(['Day', 'What for', 'Debit', 'Credit', 'Balance'] as const).forEach((head, i) =>
      paper.text([46, 104, 400, 475, 550][i], y, head, {
        size: 9,
        bold: true,
        align: i > 1 ? 'right' : 'left',
      }),
    )
    return y + 22
  }
  function first1(page: number): number {
    paper.text(40, 32, story.bank.toUpperCase(), { size: 11, bold: true })
    paper.text(553, 32, `A/C ${spaced}`, { size: 9, align: 'right' })
    let y = 64
    if (page === 1) {
      paper.text(40, 52, 'STATEMENT OF YOUR ACCOUNT', { size: 11 })
      ;[holder, street, home.town, home.code].forEach((line, i) =>
        paper.text(40, 80 + i * 13, line, { size: 10 }),
      )
      truth.put('holder_address', `${street}, ${home.town}, ${home.code}`)
      paper.text(330, 80, `From ${date(statement.start)} until ${date(statement.end)}`, { size: 9 })
      paper.text(330, 96, `Balance brought forward ${moneyForms.eur(statement.opening)}`, { size: 9 })
      y = 150
    }
    paper.rule(40, y - 3, 555)
    ;(['Posted', 'Entry', 'Amount', 'Balance'] as const).forEach((head, i) =>
      paper.text([40, 112, 440, 553][i], y, head, { size: 8.5, bold: true, align: i > 1 ? 'right' : 'left' }),
    )
    paper.rule(40, y + 13, 555)
    return y + 20
  }
}
