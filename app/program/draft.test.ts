import { emptyProgram, named } from './draft.ts'

const rule = (id: string, title: string) => ({ id, title })

test('a new rule is known by its name', () =>
  expect(named(rule('new_1', 'Proof of address'), rule('new_1', ''), [], true).id).toBe('proof_of_address'))
test('a stored one keeps what it is known by, since answers name it so', () =>
  expect(named(rule('address', 'Proof of home'), rule('address', 'Proof of address'), [], false).id).toBe(
    'address',
  ))
test('a name that another rule has, and one without letters, change nothing', () => {
  const before = rule('new_2', '')
  expect(named(rule('new_2', 'Consent'), before, [rule('consent', 'Consent')], true).id).toBe('new_2')
  expect(named(rule('new_2', '42'), before, [], true).id).toBe('new_2')
})
test('what is not its name leaves its id', () =>
  expect(named(rule('new_3', 'Berth'), rule('new_3', 'Berth'), [], true).id).toBe('new_3'))

test('a new program is applied for by whom the first type with a person names, whatever a lender calls it', () => {
  const type = (id: string, person: string | null = null) => ({
    id,
    title: id,
    person,
    signature: null,
    fields: [],
  })
  const applicant = (...types: ReturnType<typeof type>[]) => emptyProgram(types).persons.applicant
  expect(applicant(type('price_list'), type('pledge', 'giver'), type('passbook', 'saver'))).toBe(
    'pledge.giver',
  )
  expect(applicant(type('price_list'))).toBe('no_type.no_value')
})
