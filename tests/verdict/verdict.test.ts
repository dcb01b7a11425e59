import { merrowSound, starterLender, starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import { inWords } from '../../wording/index.ts'
import { assess, type Assessment } from '../../core/pipeline/assess.ts'
import { pageOf } from '../../core/testing/page-of.ts'
import { NEUTRAL } from '../../core/locale/index.ts'
import type { FieldValue } from '../../core/model/field-value.ts'
import { throwCase, type TrueCase } from './papers.ts'
import { trueVerdict } from './rules.ts'

/** With the true values in place of read ones, the verdict must be the true one, on every case. */
const CASES = 2400

/** Judges a thrown case as if its papers had been cut and read without a fault. */
function judged({ program, asOf, papers }: TrueCase): Assessment {
  // A paper that lacks a page is one page that says that there are two.
  const pages = papers.map((paper, i) => ({
    ...pageOf([paper.lacking ? 'Page 1 of 2' : 'Page 1 of 1']),
    number: i + 1,
    filePage: i + 1,
  }))
  const pieces = papers.map((paper, i) => ({
    pages: [i + 1],
    type: paper.type,
    confidence: 1,
    types: [{ type: paper.type, confidence: 1 }],
    cutBefore: 1,
  }))
  return assess(
    {
      files: [],
      pages,
      pieces,
      program: merrowSound.programs.find((p) => p.id === program)!,
      types: starterTypes,
      lender: starterLender,
      answers: [],
      asOf,
    },
    ([number], type) => {
      const paper = papers[number - 1]
      const fields = type.fields.map(({ name }): FieldValue => ({
        name,
        value: paper.values[name] ?? null,
        raw: null,
        confidence: 1,
        needsReview: false,
        reason: null,
        others: [],
        repaired: false,
        page: number,
        box: [0.1, 0.1, 0.2, 0.2],
      }))
      return {
        locale: NEUTRAL,
        fields,
        signature: type.signature
          ? { signed: paper.signed === true, confidence: 1, page: number, box: [0.1, 0.8, 0.4, 0.9] }
          : null,
      }
    },
  )
}

/** What the core says otherwise than the rules, in words that find the case again. */
function faults(seed: number): string[] {
  const thrown = throwCase(seed)
  const truth = trueVerdict(thrown)
  const { checklist, facts, checks } = judged(thrown)
  const conflicts = facts.filter((f) => f.status === 'conflict').map((f) => f.fact)
  const failed = checks.filter((c) => c.status === 'failed').map((c) => c.check)
  const sets = (what: string, core: readonly string[], rules: readonly string[]) => [
    ...core.filter((c) => !rules.includes(c)).map((c) => `${seed}: ${what} ${c} is none`),
    ...rules.filter((c) => !core.includes(c)).map((c) => `${seed}: ${what} ${c} is not seen`),
  ]
  return [
    ...checklist
      .filter((c) => c.status !== truth.checklist[c.requirement])
      .map(
        (c) =>
          `${seed}: ${c.requirement} is ${truth.checklist[c.requirement]}, not ${c.status} (${inWords(c.reason)})`,
      ),
    ...sets('conflict', conflicts, truth.conflicts),
    ...sets('check', failed, truth.failed),
  ]
}

test(`on ${CASES} packages with their true values, every requirement, conflict and check is as the rules have it`, () => {
  const wrong: string[] = []
  for (let seed = 1; seed <= CASES; seed++) wrong.push(...faults(seed))
  expect(wrong).toEqual([])
})
test('the thrown packages have every status, conflict and failed check among them', () => {
  const seen = new Set<string>()
  for (let seed = 1; seed <= 400; seed++) {
    const { checklist, conflicts, failed } = trueVerdict(throwCase(seed))
    for (const s of [...Object.values(checklist), ...conflicts, ...failed]) seen.add(s)
  }
  for (const one of [
    'missing',
    'incomplete',
    'expired',
    'unsigned',
    'insufficient',
    'satisfied',
    'not_applicable',
    'applicant_name',
    'date_of_birth',
    'national_number',
    'home_address',
    'employer_name',
    'iban',
    'vessel_name',
    'hull_number',
    'purchase_price',
    'business_name',
    'company_number',
    'registered_address',
    'loan_equals_price_less_deposit',
    'stated_income_matches_pay',
    'pay_reaches_account',
    'statement_adds_up',
    'statements_join_up',
    'quote_adds_up',
    'value_covers_loan',
    'salary_matches_pay',
    'signed_after_opened',
    'shares_total',
  ])
    expect([one, seen.has(one)]).toEqual([one, true])
})
test('another good paper never makes a requirement that was met one whose paper is missing', () => {
  const status = (given: TrueCase) => new Map(judged(given).checklist.map((c) => [c.requirement, c.status]))
  for (let seed = 1; seed <= 300; seed++) {
    const thrown = throwCase(seed)
    const before = status(thrown)
    const other = throwCase(seed + 5000)
    if (other.program !== thrown.program) continue
    // Its days are those of another case: only papers of the same person and kind are added, good or not.
    for (const paper of other.papers.filter(
      (p) =>
        !p.copy &&
        !p.lacking &&
        p.type !== 'loan_application' &&
        p.type !== 'account_application' &&
        p.type !== 'owners_declaration',
    )) {
      const after = status({ ...thrown, papers: [...thrown.papers, paper] })
      for (const [requirement, was] of before)
        if (was === 'satisfied')
          expect([seed, paper.type, requirement, after.get(requirement)]).not.toEqual([
            seed,
            paper.type,
            requirement,
            'missing',
          ])
    }
  }
})
