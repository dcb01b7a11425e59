import { workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../testing/page-of.ts'
import { chainStatements } from './statement-chain.ts'
import { eur, paperOf } from '../testing/paper-of.ts'

const statement = (id: string, month: string, opening: string, closing: string) =>
  paperOf(id, 'bank_statement', {
    statement_start: `2026-${month}-01`,
    statement_end: `2026-${month}-28`,
    opening_balance: eur(opening),
    closing_balance: eur(closing),
  })
const asked = (source: 'ocr' | 'text', opening: string, next = '03') =>
  chainStatements(
    [statement('feb', '02', '100.00', '4648.57'), statement('mar', next, opening, '900.00')],
    workingBoatLoan,
    new Map([[1, pageOf([], { source })]]),
  ).flatMap((p) => p.fields.filter((f) => f.needsReview).map((f) => `${p.id} ${f.name}`))

test('a figure lost in front is asked about on a scan', () =>
  expect(asked('ocr', '648.57')).toEqual(['mar opening_balance']))
test('and not on a text layer, which loses none', () => expect(asked('text', '648.57')).toEqual([]))
test('an amount that is another one is left to the check', () => expect(asked('ocr', '4684.57')).toEqual([]))
test('statements that do not follow one another say nothing of each other', () =>
  expect(asked('ocr', '648.57', '05')).toEqual([]))
