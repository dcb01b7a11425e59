import { meaningOf } from './meaning.ts'

const near = (a: string, b: string): number => {
  const [x, y] = [meaningOf(a).vector!, meaningOf(b).vector!]
  return x.reduce((sum, part, i) => sum + part * y[i], 0)
}

test.each([
  ['Wages each month', 'Monthly salary', 'Name of the vessel'],
  ['Holder of the account', 'Account owner', 'Date of birth'],
  ['Left at the end', 'Remaining balance', 'Insurance company'],
])('"%s" comes nearer to "%s" than to "%s"', (caption, meant, other) =>
  expect(near(caption, meant)).toBeGreaterThan(near(caption, other) + 0.1),
)
test('other languages mean what their English words mean', () => {
  expect(near('Salaire brut', 'Gross salary')).toBeGreaterThan(0.9)
  expect(near('Fecha de nacimiento', 'Date of birth')).toBeGreaterThan(0.8)
})
test('what has no word that is known has no direction', () => expect(meaningOf('xqzzv 12').vector).toBeNull())
