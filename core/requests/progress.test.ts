import { isAnswered, progressOf, type RequestItem } from './index.ts'

const item = (id: string, why: RequestItem['why'] = { kind: 'differs' }): RequestItem => ({
  id,
  kind: 'bring',
  title: id,
  why,
  ways: [],
  says: [],
  pages: [],
})
const nothing = { came: new Set<string>(), said: [], reading: false }
const id = item('requirement:photo_id')

test('an item is open until something comes, and done once nothing asks for it any more', () => {
  expect(progressOf([id], [id], nothing).get(id.id)).toBe('open')
  expect(progressOf([id], [], nothing).get(id.id)).toBe('done')
})

test('what came for it is read first; then it does, or does not yet', () => {
  const came = new Set([id.id])
  expect(progressOf([id], [id], { ...nothing, came, reading: true }).get(id.id)).toBe('reading')
  expect(progressOf([id], [id], { ...nothing, came }).get(id.id)).toBe('not yet')
})

test('a paper that explains what does not fit is weighed by a person', () => {
  const sum = { ...item('check:sum', { kind: 'does not fit' }), kind: 'say' as const }
  expect(progressOf([sum], [sum], { ...nothing, came: new Set([sum.id]) }).get(sum.id)).toBe('said')
})

test('what an applicant says is an answer, and settles nothing by itself', () => {
  const said = [{ item: id.id, kind: 'cannot' as const, text: 'I have none.' }]
  const states = progressOf([id], [id], { ...nothing, said })
  expect(states.get(id.id)).toBe('said')
  expect(isAnswered(states)).toBe(true)
})

test('what somebody asked for by hand is done by what comes', () => {
  const own = item('own:1', { kind: 'own words', text: 'A plan of the boat' })
  expect(progressOf([own], [own], nothing).get(own.id)).toBe('open')
  const came = new Set([own.id])
  expect(progressOf([own], [own], { ...nothing, came, reading: true }).get(own.id)).toBe('reading')
  expect(progressOf([own], [own], { ...nothing, came }).get(own.id)).toBe('done')
})

test('one that is open keeps the request from being answered', () => {
  const other = item('fact:birth')
  expect(isAnswered(progressOf([id, other], [other], nothing))).toBe(false)
})
