import { contentWords, Wordings } from './wording-similarity.ts'

test.each([
  ['Your monthly wages', ['month', 'pay']],
  ['Pay of the month', ['pay', 'month']],
  ['Nom du client', ['name', 'buyer']],
  ['N.º de póliza', ['n', 'o', 'policy']],
  ['the', ['the']],
])('the gist of %s', (text, words) => expect(contentWords(text).toSorted()).toEqual([...words].toSorted()))

const labels = new Wordings<string>(
  [
    ['income', 'monthly net income'],
    ['income', 'net pay per month'],
    ['price', 'purchase price'],
    ['deposit', 'deposit'],
    ['hull', 'hull number'],
  ],
  ['tax to date'],
)

test.each([
  ['Net income each month', 'income'],
  ['Purchase price agreed', 'price'],
  ['Deposit from you', 'deposit'],
  ['No. of the hull', 'hull'],
  ['Prénom / Purchase price', 'price'],
])('%s means %s', (text, key) => expect(labels.nearest(text)[0]?.key).toBe(key))

test('a known wording is as near as can be', () =>
  expect(labels.nearest('Hull number')[0]).toEqual({ key: 'hull', similarity: 1 }))
test('words nobody knows mean nothing', () => expect(labels.nearest('Favourite colour')).toEqual([]))
test('a foreign label that fits better wins, and means none of the keys', () =>
  expect(labels.nearest('Tax to date')).toEqual([]))
test('whole sentences are no labels', () =>
  expect(
    labels.nearest('I declare that the purchase price stated above was agreed between both parties'),
  ).toEqual([]))
