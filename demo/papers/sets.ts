import * as scoringStatement from './scoring/bank-statement.ts'
import * as scoringLetter from './scoring/cover-letter.ts'
import * as scoringConsent from './scoring/credit-consent.ts'
import * as scoringCard from './scoring/identity-card.ts'
import * as scoringCover from './scoring/insurance-cover.ts'
import * as scoringApplication from './scoring/loan-application.ts'
import * as scoringPayslip from './scoring/payslip.ts'
import * as scoringQuote from './scoring/purchase-quote.ts'
import * as scoringStray from './scoring/stray.ts'
import * as scoringBill from './scoring/utility-bill.ts'
import * as scoringRegistration from './scoring/vessel-registration.ts'
import { Dice } from '../dice.ts'
import * as diced from './tuning/dice-papers.ts'
import * as tuningStatement from './tuning/bank-statement.ts'
import * as tuningLetter from './tuning/cover-letter.ts'
import * as tuningConsent from './tuning/credit-consent.ts'
import * as tuningCard from './tuning/identity-card.ts'
import * as tuningCover from './tuning/insurance-cover.ts'
import * as tuningApplication from './tuning/loan-application.ts'
import * as tuningPayslip from './tuning/payslip.ts'
import * as tuningQuote from './tuning/purchase-quote.ts'
import * as tuningStray from './tuning/stray.ts'
import * as tuningBill from './tuning/utility-bill.ts'
import * as tuningRegistration from './tuning/vessel-registration.ts'
import * as studio from './studio/papers.ts'
import * as printed from './printed/papers.ts'
import { drawPlan as dicedPlan } from './tuning/dice-plans.ts'
import { drawPlan as scoringPlan } from './scoring/plans.ts'
import type { Plan } from './plan.ts'
import type { Story } from '../story.ts'
import type { Drawn } from '../truth.ts'

/** Draws with a designer's dice that depend on the layout alone, so that a story's payslips look alike. */
const byDice =
  <W>(draw: (story: Story, dice: Dice, wishes: W) => Promise<Drawn>) =>
  (story: Story, layout: number, _dice: Dice, wishes: W) =>
    draw(story, new Dice(layout + 1), wishes)

/** The same for papers drawn from a plan. */
const drawPlan = (plan: Plan, _layout: number, dice: Dice): Promise<Drawn> =>
  dicedPlan(plan, new Dice(dice.int(1, 1_000_000)))

/**
 * Sets of layouts that share no design. Rules, wordings and weights are tuned on the first three; scores are
 * quoted on the last, whose misses nobody tunes on.
 */
export const paperSets = {
  tuning: {
    layouts: 4,
    drawPlan,
    ...tuningStatement,
    ...tuningLetter,
    ...tuningConsent,
    ...tuningCard,
    ...tuningCover,
    ...tuningApplication,
    ...tuningPayslip,
    ...tuningQuote,
    ...tuningStray,
    ...tuningBill,
    ...tuningRegistration,
  },
  dice: {
    layouts: 1_000_000,
    drawPlan,
    drawLetter: (story: Story, layout: number, dice: Dice) =>
      tuningLetter.drawLetter(story, layout % 4, dice),
    drawCard: (story: Story, layout: number, dice: Dice, wishes: tuningCard.CardWishes) =>
      tuningCard.drawCard(story, layout % 4, dice, wishes),
    drawStray: (layout: number, dice: Dice) => tuningStray.drawStray(layout % 4, dice),
    drawPayslip: byDice(diced.dicePayslip),
    drawBill: byDice(diced.diceBill),
    drawCover: byDice(diced.diceCover),
    drawRegistration: byDice(diced.diceRegistration),
    drawConsent: byDice(diced.diceConsent),
    drawQuote: byDice(diced.diceQuote),
    drawStatement: byDice(diced.diceStatement),
    drawApplication: byDice(diced.diceApplication),
  },
  printed: { layouts: 2, drawPlan, ...printed },
  studio: {
    ...studio,
    layouts: 1_000_000,
    drawLetter: (story: Story, layout: number, dice: Dice) => studio.drawLetter(story, layout % 2, dice),
    drawStray: (layout: number) => studio.drawStray(layout % 2),
  },
  scoring: {
    layouts: 2,
    drawPlan: scoringPlan,
    ...scoringStatement,
    ...scoringLetter,
    ...scoringConsent,
    ...scoringCard,
    ...scoringCover,
    ...scoringApplication,
    ...scoringPayslip,
    ...scoringQuote,
    ...scoringStray,
    ...scoringBill,
    ...scoringRegistration,
  },
} as const
export type PaperSet = keyof typeof paperSets
