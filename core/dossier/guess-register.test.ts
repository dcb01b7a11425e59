import { workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { guessRegister } from './guess-register.ts'

test('what columns say is guessed from what they and the facts are called', () => {
  const guessed = guessRegister(
    'Customers',
    ['customer_no', 'applicant_name', 'national_number', 'birth_date'],
    workingBoatLoan.facts,
  )
  expect(guessed).toMatchObject({ number: 'national_number', name: 'applicant_name' })
  expect(guessed.columns.map((c) => c.fact)).toEqual([
    null,
    'applicant_name',
    'national_number',
    'date_of_birth',
  ])
})
test('a column called no more than “name” is what the register is of', () =>
  expect(guessRegister('Employers', ['name'], workingBoatLoan.facts)).toEqual({
    columns: [{ name: 'name', fact: 'employer_name' }],
    number: null,
    name: 'name',
  }))
test('what a person said of a column stays, with another file too; only new columns are guessed', () => {
  const said = {
    columns: [
      { name: 'applicant_name', fact: null },
      { name: 'ref', fact: 'national_number' },
    ],
    number: 'ref',
    name: null,
  }
  expect(guessRegister('Customers', ['applicant_name', 'ref', 'iban'], workingBoatLoan.facts, said)).toEqual({
    columns: [...said.columns, { name: 'iban', fact: 'iban' }],
    number: 'ref',
    name: null,
  })
})
