import { starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import type { Document } from '../findings/index.ts'
import { paperOf } from '../testing/paper-of.ts'
import { goingOut, pathsOf, receiverFaults, receiverSchema, usualReceiver, type Receiver } from './index.ts'

const receiver = (more: Partial<Receiver> = {}): Receiver =>
  receiverSchema.parse({
    id: 'archive',
    title: 'Archive',
    pattern: '{type}',
    contents: ['documents'],
    ...more,
  })
const slip = (id: string, day: string, more: Partial<Document> = {}) =>
  paperOf(
    id,
    'payslip',
    { pay_date: day, employee_name: 'Ottilie Varnham' },
    { label: 'Payslip', ...more },
  ) as Document
const card = paperOf('card', 'identity_card', {}, { label: 'Identity card' }) as Document
const about = { caseNumber: 'MSM-1', reference: '', applicant: 'Ottilie Varnham', program: 'Boats' }
const named = (documents: Document[], more: Partial<Receiver>) => [
  ...pathsOf(documents, receiver(more), starterTypes, about).values(),
]

test('papers go in the receiver’s order, the others behind as they lie', () => {
  const ids = goingOut(
    [slip('a', '2026-01-28'), card, slip('b', '2026-02-28')],
    receiver({ order: ['identity_card'] }),
  )
  expect(ids.map((d) => d.id)).toEqual(['card', 'a', 'b'])
})

test('copies, older versions and types that are left out stay here', () => {
  const papers = [card, slip('a', '2026-01-28'), slip('copy', '2026-01-28', { copyOf: 'a' })]
  expect(goingOut(papers, receiver({ papers: 'counting' })).map((d) => d.id)).toEqual(['card', 'a'])
  expect(goingOut(papers, receiver({ leaveOut: ['payslip'] })).map((d) => d.id)).toEqual(['card'])
})

test('files are named by the receiver’s words and the papers’ values', () => {
  const pattern = '{applicant}/{number} {type}[ {pay_date:yyyy-MM}]'
  const names = { types: { payslip: 'Bulletin de paie' }, fields: {} }
  expect(named([card, slip('a', '2026-01-28')], { pattern, names })).toEqual([
    'Ottilie Varnham/01 Identity card.pdf',
    'Ottilie Varnham/02 Bulletin de paie 2026-01.pdf',
  ])
})

test('a paper of no known type is called so', () =>
  expect(named([slip('a', '2026-01-28', { type: 'unknown' })], {})).toEqual(['Unknown paper.pdf']))

test('a value that is likelier wrong than right names nothing', () => {
  const doubtful = slip('a', '2026-01-28')
  doubtful.fields[0].confidence = 0.3
  expect(named([doubtful], { pattern: '{type}[ {pay_date:yyyy-MM}]' })).toEqual(['Payslip.pdf'])
})

const usual = (...labels: string[]) => {
  const papers = labels.map((label, i) => slip(String(i), '2026-01-28', { label }))
  return [...pathsOf(papers, usualReceiver, starterTypes, about).values()]
}
test('whoever asked for nothing else gets every paper by its number and label, in plain letters', () => {
  expect(usual('Payslip January 2026', 'Relevé n° 4/2026 (2)', '…')).toEqual([
    'documents/01-Payslip-January-2026.pdf',
    'documents/02-Releve-n-4-2026-2.pdf',
    'documents/03.pdf',
  ])
  const many = usual(...Array.from({ length: 120 }, () => 'Payslip'))
  expect([many[0], many[119]]).toEqual(['documents/001-Payslip.pdf', 'documents/120-Payslip.pdf'])
})

test('what cannot be used is told before it is stored', () => {
  const faults = (more: Partial<Receiver>) => receiverFaults(receiver(more), starterTypes)
  expect(faults({ pattern: '{type} {pay_date:yyyy}' })).toEqual([])
  expect(faults({ pattern: '{type} {no_such_value}' })).toEqual(['No type has a value “no_such_value”.'])
  expect(faults({ pattern: '{type:yyyy}' })).toEqual(['“type” is no day and has no form.'])
  expect(receiverFaults(usualReceiver, starterTypes)).toEqual([])
  expect(faults({ order: ['gone'] })).toEqual(['There is no type “gone”.'])
  expect(faults({ contents: ['xml'] })).toEqual(['Say which values go into which elements.'])
  expect(receiverSchema.safeParse({ ...receiver(), pattern: '{type' }).success).toBe(false)
})
