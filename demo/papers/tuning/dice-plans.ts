import type { Dice } from '../../dice.ts'
import { fullName } from '../../world.ts'
import type { Drawn } from '../../truth.ts'
import { truthOf, type Plan } from '../plan.ts'
import { Designer, type Saying } from './designer.ts'
import { PLAN_WORDS, type Wordings } from './plan-wordings.ts'

/** Papers that are forms, letters, contracts or reports, by the designer who throws dice. */
export async function drawPlan(plan: Plan, dice: Dice): Promise<Drawn> {
  const words = dice.pick(PLAN_WORDS[plan.type])
  const d = await Designer.begin(dice)
  const forms = { d: d.date, m: d.money }
  const printed = new Map(plan.said.map((s) => [s.field, s.print(forms)]))
  if (plan.people && plan.people.rows.every((r) => r.share === null))
    printed.set(plan.people.field, plan.people.rows.map((r) => fullName(r.person)).join(' and '))
  const titles =
    plan.type === 'tax_assessment' && dice.chance(0.3)
      ? words.title.map((t) => `${t} ${String(printed.get('tax_year'))}`)
      : words.title
  const yearInTitle = titles !== words.title
  const letterhead = (field: string) =>
    ['employer_name', 'harbour_name', 'lender_name'].includes(field) ||
    (field === 'business_name' && plan.firm === printed.get('business_name'))
  const top = d.head(plan.firm, titles, plan.under)
  let y: number
  const prose = words.prose && dice.chance(words.inProse ?? 0)
  const last: Saying[] = []
  if (prose) {
    y = top + 10
    for (const part of dice.pick(words.prose!).split('|'))
      y =
        d.prose(
          y,
          part.replace(/\{(\w+)\}/g, (_, field: string) => [printed.get(field)].flat().join(', ')),
        ) + 8
  } else {
    const sayings: Saying[] = []
    for (const said of plan.said) {
      if (letterhead(said.field) && dice.chance(0.6)) continue
      if (said.field === 'tax_year' && yearInTitle) continue
      if (said.field === 'period_end' && words.labels.period) continue
      const wordings =
        said.field === 'period_start' && words.labels.period ? words.labels.period : words.labels[said.field]
      const value =
        said.field === 'period_start' && words.labels.period
          ? `${String(printed.get('period_start'))} ${dice.pick(['to', '-', 'until'])} ${String(printed.get('period_end'))}`
          : printed.get(said.field)!
      ;(words.last?.includes(said.field) ? last : sayings).push({ wordings, value })
    }
    const posted = (plan.type === 'tax_assessment' || plan.type === 'loan_payoff') && dice.chance(0.3)
    const home = plan.story?.home
    if (posted && home)
      d.addressee(top, [
        String(printed.get(plan.type === 'tax_assessment' ? 'taxpayer_name' : 'borrower_name')),
        `${home.number} ${home.street}`,
        `${home.town} ${home.code}`,
      ])
    const shown = posted
      ? sayings.filter(
          (s) => s.wordings !== words.labels.taxpayer_name && s.wordings !== words.labels.borrower_name,
        )
      : sayings
    y = d.say(posted ? top + 80 : top, plan.type === 'business_accounts' ? shown : dice.shuffle(shown))
    if (words.small && plan.people?.rows.every((r) => r.share === null))
      y = d.prose(y + 6, dice.pick(words.small))
    if (plan.people)
      y = d.people(
        y + 6,
        dice.pick(words.heads!),
        plan.people.rows.map((r) =>
          r.share === null
            ? [fullName(r.person), dice.pick(['Director', 'Secretary', 'Partner'])]
            : [fullName(r.person), d.date(r.person.born), `${r.share}${dice.chance(0.6) ? ' %' : '%'}`],
        ),
      )
    else if (words.small && !words.more) y = d.prose(y + 8, dice.pick(words.small))
  }
  if (words.more) y = pagesOf(d, plan, { words, dice, from: y, last })
  if (plan.signed !== null && words.sign)
    d.signature(
      Math.min(y + 24, 720),
      plan.signed,
      plan.signDay?.day ?? plan.story?.asOf ?? '2026-01-01',
      {
        sign: plan.signer && dice.chance(0.2) ? [plan.signer, plan.firm, `for ${plan.firm}`] : words.sign,
        date: words.date ?? ['Date'],
      },
      plan.signDay !== undefined,
    )
  return {
    type: plan.type,
    bytes: await d.paper.bytes(),
    pages: d.paper.pages,
    signed: plan.signed,
    fields: truthOf(plan).fields,
  }
}

/** Pages of running text behind the first; what the last says of values stands there. */
function pagesOf(
  d: Designer,
  plan: Plan,
  { words, dice, from, last }: { words: Wordings; dice: Dice; from: number; last: readonly Saying[] },
): number {
  const { paper } = d
  const pages = 1 + dice.pick(words.more!)
  const body = dice.shuffle(words.body!)
  const number = plan.said.find((s) => /_number$/.test(s.field))?.value
  const head = dice.pick([
    `${plan.firm}`,
    `${dice.pick(words.title)} ${typeof number === 'string' ? number : ''}`,
    '',
  ])
  const foot = dice.pick<((n: number) => string) | null>([
    (n) => `Page ${n} of ${pages}`,
    (n) => `${n}/${pages}`,
    (n) => `- ${n} -`,
    (n) => `${n}`,
    null,
  ])
  let y = from
  for (let page = 1; page <= pages; page++) {
    if (page > 1) {
      paper.newPage()
      y = 60
      if (head) paper.text(60, 34, head, { size: 8.5 })
    }
    const share = page === 1 ? 1 : Math.ceil(body.length / pages)
    for (let i = 0; i < share && y < 640; i++) {
      const part = body[(page * 3 + i) % body.length]
      y = d.prose(y + 6, dice.chance(0.4) ? `${page}.${i + 1} ${part}` : part)
    }
    if (page === pages) {
      y = last.length > 0 ? d.say(y + 12, last) : y
      if (words.small) y = d.prose(y + 6, dice.pick(words.small))
    }
    if (foot) paper.text(dice.pick([297, 297, 540]), 816, foot(page), { size: 8, align: 'center' })
  }
  return y
}
