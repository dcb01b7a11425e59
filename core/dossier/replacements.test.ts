import { starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import { markDuplicates, markReplaced } from './index.ts'
import { paperOf } from '../testing/paper-of.ts'

const slip = (id: string, pages: number[], more = {}) =>
  paperOf(
    id,
    'payslip',
    {
      employee_name: 'Ottilie Varnham',
      employer_name: 'Petrel Ltd',
      pay_date: '2026-02-28',
      period_end: '2026-02-28',
    },
    { pages, ...more },
  )
const poor = slip('poor', [3])
const better = slip('better', [9])
const asked = [{ pages: [3], by: [9, 10], meant: true }]
const of = (papers: ReturnType<typeof slip>[], answers: Parameters<typeof markReplaced>[2] = []) =>
  markReplaced(papers, asked, answers).map((p) => p.supersededBy)

test('a better copy that was asked for counts in place of the poor one', () => {
  expect(of([poor, better])).toEqual(['better', null])
})
test('it is no copy of what it replaces', () => {
  const types = new Map(starterTypes.map((t) => [t.id, t]))
  const marked = markDuplicates(markReplaced([poor, better], asked, []), types)
  expect(marked.map((p) => p.copyOf)).toEqual([null, null])
})
test('what came and is something else replaces nothing', () => {
  expect(of([poor, paperOf('card', 'identity_card', {}, { pages: [9] })])).toEqual([null, null])
  expect(of([poor, slip('elsewhere', [5])])).toEqual([null, null])
})
test('a person may say that the older one counts', () => {
  expect(of([poor, better], [{ kind: 'version', page: 3 }])).toEqual([null, null])
})
test('what may be another kind of paper replaces nothing until somebody says what it is', () => {
  expect(of([poor, { ...better, typeAsked: true }])).toEqual([null, null])
})

const heap = [{ pages: [3], by: [9, 10], meant: false }]
const inHeap = (...papers: ReturnType<typeof slip>[]) =>
  markReplaced(papers, heap, []).map((p) => p.supersededBy)

test('what comes in a heap replaces the one paper of its name, and no other month', () => {
  const [older, newer] = [
    slip('older', [3], { label: 'Payslip February 2026' }),
    slip('newer', [9], { label: 'Payslip February 2026' }),
  ]
  expect(inHeap(older, newer)).toEqual(['newer', null])
  expect(inHeap(older, { ...newer, label: 'Payslip March 2026' })).toEqual([null, null])
  expect(inHeap(older, slip('another', [5], { label: older.label }), newer)).toEqual([null, null, null])
})
