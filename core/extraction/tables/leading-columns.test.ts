import { entries } from '../../testing/small-types.ts'
import { entry, tableOf } from '../../testing/table-of.ts'
import { dropLeadingColumns } from './leading-columns.ts'

const wordsOf = (...said: string[]) => {
  const table = tableOf(said.map((words) => entry('2026-03-01', words, '-1.00', '5.00')))
  dropLeadingColumns(table, entries)
  return table.rows.map(({ cells }) => cells.note)
}

test('numbers that count the rows on are no words of theirs, whatever the step', () => {
  expect(wordsOf('1 Net loft', '2 Ferry', '3 Bakery')).toEqual(['Net loft', 'Ferry', 'Bakery'])
  expect(wordsOf('10 Net loft', '20 Ferry', '30 Bakery')).toEqual(['Net loft', 'Ferry', 'Bakery'])
})
test('a second day before the words goes', () =>
  expect(wordsOf('02.03. Net loft', '03.03. Ferry', '05.03. Bakery')).toEqual([
    'Net loft',
    'Ferry',
    'Bakery',
  ]))
test('what goods are counted in is no word of theirs; where only some rows begin so, it is', () => {
  expect(wordsOf('pc Hull and deck', 'set Navigation lights', 'Hr. Fitting out')).toEqual([
    'Hull and deck',
    'Navigation lights',
    'Fitting out',
  ])
  expect(wordsOf('Set of sails', 'Anchor', 'Warps')).toEqual(['Set of sails', 'Anchor', 'Warps'])
})
test('numbers that do not go on are of the words', () =>
  expect(wordsOf('24 Rope Walk', '7 Seas Ferry', '3 Bakers')).toEqual([
    '24 Rope Walk',
    '7 Seas Ferry',
    '3 Bakers',
  ]))
test('two rows are too few to tell', () => expect(wordsOf('1 Net', '2 Rope')).toEqual(['1 Net', '2 Rope']))
