import { merrowSound, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { localeOfLender } from '../locale/index.ts'
import { dollarLender, euroLender } from '../testing/lender.ts'
import type { FactResult } from './facts.ts'
import { registered, registerSides, soughtIn, type RegisterEntry } from './register.ts'

const fact = (id: string, value: string | null): FactResult => ({
  fact: id,
  title: id,
  status: value === null ? 'absent' : 'agreed',
  value,
  evidence: [],
  settled: null,
})
const facts = [
  fact('applicant_name', 'O. Varnham'),
  fact('national_number', '140380-2211'),
  fact('date_of_birth', '1980-03-15'),
  fact('home_address', null),
  fact('vessel_name', 'Pole Star'),
]
const [customers, employers, vessels] = merrowSound.registers
const customer: RegisterEntry = {
  register: customers,
  by: 'number',
  score: 1,
  row: {
    name: 'Ottilie Varnham',
    national_number: '140380-2211',
    date_of_birth: '1980-03-14',
    address: '12 Gannet Row, Port Ellery SK4 2QD',
  },
}
const sides = registerSides(
  [
    customer,
    {
      register: vessels,
      by: 'name',
      score: 0.8,
      row: { name: 'Pole Star', hull_number: 'SKR-88241', owner: 'Bram Teasdale' },
    },
  ],
  facts,
  workingBoatLoan,
  localeOfLender(euroLender),
)

test('a register confirms, by another spelling too', () => {
  expect(sides.get('national_number')).toMatchObject({ relation: 'same', completes: false, by: 'number' })
  expect(sides.get('applicant_name')).toMatchObject({ relation: 'variant', value: 'Ottilie Varnham' })
})
test('it differs, and says with what', () =>
  expect(sides.get('date_of_birth')).toMatchObject({ relation: 'different', value: '1980-03-14' }))
test('it completes what no paper says', () => {
  expect(sides.get('home_address')).toMatchObject({
    completes: true,
    value: '12 Gannet Row, Port Ellery SK4 2QD',
  })
  expect(sides.get('hull_number')).toMatchObject({
    completes: true,
    value: 'SKR-88241',
    register: 'Vessels',
    score: 0.8,
  })
})
test('the owner of the boat before it is bought is no second name of the applicant', () =>
  expect(sides.get('applicant_name')?.register).toBe('Customers'))
test('an entry is sought by number and name, where the papers say one', () => {
  expect(soughtIn(customers, facts)).toEqual({ key: '140380-2211', name: 'O. Varnham' })
  expect(soughtIn(employers, facts)).toBeNull()
})

test('a register writes days and amounts as its lender does', () => {
  const [euros, dollars] = [euroLender, dollarLender].map(localeOfLender)
  expect(registered({ kind: 'date' }, '03/04/1980', euros)).toBe('1980-04-03')
  expect(registered({ kind: 'date' }, '03/04/1980', dollars)).toBe('1980-03-04')
  expect(registered({ kind: 'money' }, '1,250.00', dollars)).toEqual({ currency: 'USD', amount: '1250.00' })
  expect(registered({ kind: 'date' }, 'not known', dollars)).toBeNull()
})
