import { brokenOff, mostAlike, nearMiss, wordMore } from './near-miss.ts'

describe('values a reader’s slip apart', () => {
  test.each([
    ['Tamsin Teasdaie', 'Tamsin Teasdale'],
    ['SKR-57061', 'SKR-57081'],
    ['12 Gannet Row, Tarriwick SK8', '12 Gannet Row, Tarnwick SK8'],
    ['Dougal Quillfe', 'Dougal Quillfeather'],
    ['E Northcott', 'Fenella Northcott'],
  ])('%s and %s are', (read, known) => expect(nearMiss(read, known)).toBe(true))
  test.each([
    ['SKR-57061', 'SKR-57061'],
    ['SKR-57061', 'SKR-51081'],
    ['Silver Darling', 'Silver Darling II'],
    ['Ewan Garvie', 'Fenella Northcott'],
    ['M Northcott', 'Fenella Northcott'],
    ['1200', '1300'],
  ])('%s and %s are not', (read, known) => expect(nearMiss(read, known)).toBe(false))
})

test('a word whose end was lost is the known one so far as it goes; few letters may be many', () => {
  expect(brokenOff('dougalquillfe', 'dougalquillfeather')).toBe(true)
  expect([brokenOff('dou', 'dougal'), brokenOff('skr57061', 'skr570612')]).toEqual([false, false])
})
test('one whole word more is no slip', () => {
  expect(wordMore('Silver Darling II', 'silver darling')).toBe(true)
  expect(wordMore('Silver Darlings', 'Silver Darling')).toBe(false)
})
test('of many spellings of one name the one in the same form is compared with', () => {
  const known = ['Teasdale, Tamsin', 'T. Teasdale', 'TAMSIN TEASDALE', 'Tamsin Teasdale']
  expect(mostAlike('Tamsin Teasdaie', known)).toBe('Tamsin Teasdale')
  expect(mostAlike('Teasdaie, Tamsin', known)).toBe('Teasdale, Tamsin')
})
