import { starterTypes, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../testing/page-of.ts'
import { paperOf } from '../testing/paper-of.ts'
import { applicantOf } from './persons.ts'
import { typeById } from '../program/document-type.ts'

const form = (name: string | null, asked = false) => {
  const paper = paperOf('form', 'loan_application', { applicant_name: name })
  return { ...paper, fields: paper.fields.map((f) => ({ ...f, needsReview: asked })) }
}
const slip = (id: string, name: string) => paperOf(id, 'payslip', { employee_name: name })
const who = (...papers: Parameters<typeof applicantOf>[0][number][]) =>
  applicantOf(
    papers,
    workingBoatLoan,
    (type) => typeById(starterTypes, type).person,
    new Map([[1, pageOf([], { source: 'ocr' })]]),
  )
const slips = [slip('a', 'Ewan Garvie'), slip('b', 'Garvie, Ewan'), slip('c', 'E. Garvie')]

test('who applies stands on the form', () => expect(who(form('Maren Thorne'), ...slips)).toBe('Maren Thorne'))
test('where the form was not read, the papers say', () =>
  expect(who(form(null), ...slips, slip('d', 'Maren Thorne'))).toBe('Ewan Garvie'))
test('a doubtful reading gives way to what they say', () =>
  expect(who(form('O Self-employed', true), ...slips)).toBe('Ewan Garvie'))
test('two papers are not enough to speak for a person', () =>
  expect(who(form(null), slips[0], slips[1])).toBeNull())
test('a form read from a picture, a letter off what three say, was misread: their papers are nobody else’s', () => {
  expect(who(form('Ewan Garvle'), ...slips)).toBe('Ewan Garvie')
  expect(who(form('Ewan Garvle'), slips[0], slips[1])).toBe('Ewan Garvle')
  expect(who(form('Owen Garvie'), ...slips)).toBe('Owen Garvie')
})
test('what a person said of the form stands, and so does a text layer', () => {
  const said = form('Ewan Garvle')
  expect(
    who({ ...said, fields: said.fields.map((f) => ({ ...f, state: 'corrected' as const })) }, ...slips),
  ).toBe('Ewan Garvle')
  expect(
    applicantOf(
      [said, ...slips],
      workingBoatLoan,
      (type) => typeById(starterTypes, type).person,
      new Map([[1, pageOf([])]]),
    ),
  ).toBe('Ewan Garvle')
})
