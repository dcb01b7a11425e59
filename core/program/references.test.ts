import { traderAccount, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { tarrowValley } from '../../demo/lenders/tarrow-valley/index.ts'
import { typesIn } from './references.ts'

test('a program speaks of the types of its papers, facts, checks and limits', () => {
  expect(typesIn(traderAccount)).toContain('owners_declaration')
  expect(typesIn(workingBoatLoan)).toContain('purchase_quote')
  expect(typesIn(workingBoatLoan)).not.toContain('owners_declaration')
})
test('what a requirement is called is no type, though a type were called so', () => {
  const [loan] = tarrowValley.programs
  expect(loan.requirements.map((r) => r.id)).toContain('income')
  expect([...typesIn(loan)].filter((id) => !tarrowValley.types.some((t) => t.id === id))).toEqual([])
})
test('whoever another paper names is a reference, too', () => {
  const need = {
    type: 'payslip',
    whose: 'named' as const,
    namedBy: 'pledge.guarantor',
    signed: false,
    filled: [],
  }
  const program = {
    ...workingBoatLoan,
    requirements: [{ id: 'x', title: 'menu.card', any: false, ways: [{ needs: [need] }] }],
    facts: [],
    checks: [],
    limits: [],
  }
  expect([...typesIn(program)].sort()).toEqual(['loan_application', 'payslip', 'pledge'])
})
