import type { RGB } from 'pdf-lib'
import type { Dice } from '../../dice.ts'
import { colours, Paper } from '../../sheet.ts'
import { dateForms, moneyForms } from '../../story.ts'
import type { Drawn } from '../../truth.ts'
import { fullName } from '../../world.ts'
import { truthOf, type Plan } from '../plan.ts'
import { PLAN_LAYOUTS, type Layout } from './plan-layouts.ts'

/** Draws a paper in one of two layouts of its kind. */
export async function drawPlan(plan: Plan, layout: number, dice: Dice): Promise<Drawn> {
  const looks = PLAN_LAYOUTS[plan.type][layout]
  const paper = await Paper.begin(looks.face)
  const sheet = new Sheet(paper, looks, dice)
  const forms = { d: dateForms[looks.date], m: moneyForms[looks.money] }
  const values = new Map(plan.said.map((s) => [s.field, [s.print(forms)].flat().join(', ')]))
  if (plan.people) values.set(plan.people.field, plan.people.rows.map((r) => fullName(r.person)).join(', '))
  const filled = (text: string) =>
    text.replace(/\{(\w+)\}/g, (_, field: string) => values.get(field) ?? (field === 'firm' ? plan.firm : ''))
  const items = (labels: Layout['first']) =>
    labels.map(([label, value]): [string, string] => [label, filled(value)])
  const total = 1 + (looks.pages?.length ?? 0)
  sheet.head(plan, filled(looks.title), total)
  sheet.items(items(looks.first))
  for (const text of looks.text ?? []) sheet.prose(filled(text))
  if (plan.people && looks.heads)
    sheet.people(
      looks.heads,
      plan.people.rows.map((r) =>
        r.share === null
          ? [fullName(r.person), 'Director']
          : [fullName(r.person), forms.d(r.person.born), `${r.share} %`],
      ),
    )
  looks.pages?.forEach((texts, i) => {
    sheet.next(plan, i + 2, total)
    for (const text of texts) sheet.prose(filled(text))
  })
  if (looks.last) sheet.items(items(looks.last))
  if (plan.signed !== null && looks.sign)
    sheet.sign(plan, [filled(looks.sign[0]), looks.sign[1]], plan.signDay ? forms.d(plan.signDay.day) : null)
  return {
    type: plan.type,
    bytes: await paper.bytes(),
    pages: paper.pages,
    signed: plan.signed,
    fields: truthOf(plan).fields,
  }
}

/** One paper in the looks of its layout, filled from the top. */
class Sheet {
  private y = 60

  constructor(
    private readonly paper: Paper,
    private readonly looks: Layout,
    private readonly dice: Dice,
  ) {}

  private get tone(): RGB {
    return colours[this.looks.colour]
  }

  head(plan: Plan, title: string, total: number): void {
    const { paper } = this
    if (this.looks.house === 'framed') {
      paper.box([36, 34, 523, 66], undefined, this.tone)
      paper.text(48, 46, title, { size: 15, bold: true, colour: this.tone })
      paper.text(48, 72, plan.firm, { size: 10 })
      if (plan.under) paper.text(547, 74, plan.under, { size: 8, align: 'right' })
      this.y = 124
    } else if (this.looks.house === 'rows') {
      paper.text(559, 36, plan.firm, { size: 14, bold: true, align: 'right', colour: this.tone })
      if (plan.under) paper.text(559, 56, plan.under, { size: 8, align: 'right', colour: colours.grey })
      paper.text(44, 92, title, { size: 17 })
      paper.rule(44, 118, 559, this.tone, 1.4)
      this.y = 134
    } else {
      paper.text(70, 48, plan.firm, { size: 15, bold: true })
      if (plan.under) paper.text(70, 68, plan.under, { size: 8.5 })
      paper.text(70, 116, title, { size: 12.5, bold: true })
      this.y = 146
    }
    this.foot(1, total)
  }

  next(plan: Plan, page: number, total: number): void {
    this.paper.newPage()
    this.paper.text(44, 28, `${plan.firm} · ${this.looks.title.replace(/\{\w+\}/g, '').trim()}`, {
      size: 7.5,
      colour: colours.grey,
    })
    this.foot(page, total)
    this.y = 60
  }

  private foot(page: number, total: number): void {
    if (total > 1)
      this.paper.text(
        this.looks.house === 'rows' ? 559 : 297,
        818,
        this.looks.house === 'framed' ? `p. ${page} / ${total}` : `Page ${page} of ${total}`,
        { size: 7.5, align: this.looks.house === 'rows' ? 'right' : 'center' },
      )
  }

  items(items: readonly [string, string][]): void {
    const { paper } = this
    items.forEach(([label, value], i) => {
      if (this.looks.house === 'framed') {
        const long = paper.measure(value, { size: 10.5 }) > 240
        paper.box([36, this.y, 523, long ? 36 : 22], undefined, colours.rule)
        paper.upright(210, this.y, this.y + (long ? 36 : 22))
        paper.text(42, this.y + 6, label, { size: 9 })
        paper.prose(218, this.y + 5, value, 330, { size: 10.5, leading: 1.3 })
        this.y += long ? 36 : 22
      } else if (this.looks.house === 'rows') {
        const [x, y] = [44 + (i % 2) * 262, this.y + Math.floor(i / 2) * 40]
        paper.text(x, y, label, { size: 7.5, colour: this.tone })
        paper.text(x, y + 12, value, { size: paper.measure(value, { size: 11 }) > 250 ? 8.5 : 11 })
        paper.rule(x, y + 29, x + 248, colours.rule, 0.5)
      } else {
        paper.text(70, this.y, `${label}:`, { size: 10.5 })
        paper.text(240, this.y, value, { size: 10.5, bold: true })
        this.y += 20
      }
    })
    if (this.looks.house === 'rows') this.y += Math.ceil(items.length / 2) * 40
    this.y += 16
  }

  prose(text: string): void {
    const left = this.looks.house === 'plain' ? 70 : 44
    this.y = this.paper.prose(left, this.y, text, 555 - left, { size: 10.5, leading: 1.5 }) + 8
  }

  people(heads: readonly string[], rows: readonly (readonly string[])[]): void {
    const places = [52, 290, 430]
    heads.forEach((head, i) =>
      this.paper.text(places[i], this.y, head, { size: 9, bold: true, colour: this.tone }),
    )
    this.paper.rule(44, this.y + 15, 559, this.tone)
    for (const row of rows) {
      this.y += 22
      row.forEach((cell, i) => this.paper.text(places[i], this.y, cell, { size: 10.5 }))
    }
    this.y += 34
  }

  sign(plan: Plan, [sign, date]: readonly [string, string], day: string | null): void {
    const { paper } = this
    const y = Math.min(Math.max(this.y + 40, 560), 730)
    const left = this.looks.house === 'plain' ? 70 : 44
    if (this.looks.house === 'framed') {
      paper.box([36, y - 34, 300, 62], undefined, colours.rule)
      paper.text(42, y - 30, sign, { size: 8 })
      if (day !== null) {
        paper.box([336, y - 34, 223, 62], undefined, colours.rule)
        paper.text(342, y - 30, date, { size: 8 })
      }
      if (plan.signed) {
        paper.scrawl(this.dice, 70, y + 12)
        if (day !== null) paper.text(350, y - 8, day, { size: 11 })
      }
    } else {
      if (plan.signed) paper.scrawl(this.dice, left + 20, y)
      paper.rule(left, y + 8, left + 190, colours.ink, 0.6)
      paper.text(left, y + 12, sign, { size: 8.5 })
      if (day !== null) {
        paper.text(330, y - 6, `${date}${plan.signed ? ` ${day}` : ' ____________'}`, { size: 10.5 })
      }
      if (plan.signer && this.looks.house === 'plain') paper.text(left, y + 26, plan.signer, { size: 9.5 })
    }
    this.y = y + 60
  }
}
