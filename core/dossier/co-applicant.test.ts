import { starterTypes, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { paperOf } from '../testing/paper-of.ts'
import { perPersonTypes, findCoApplicant, withCoApplicant } from './co-applicant.ts'
import { typeById } from '../program/document-type.ts'

const form = paperOf('form', 'loan_application', { applicant_name: 'Ewan Garvie', co_applicant_name: null })
const unread = {
  ...form,
  fields: form.fields.map((f) => (f.value === null ? { ...f, state: 'absent' as const } : f)),
}
const card = (name: string) => paperOf(`card ${name}`, 'identity_card', { full_name: name })
const consent = (name: string) => paperOf(`consent ${name}`, 'credit_consent', { applicant_name: name })
const second = (...papers: Parameters<typeof findCoApplicant>[0][number][]) =>
  findCoApplicant(papers, workingBoatLoan, 'Ewan Garvie', (type) => typeById(starterTypes, type).person)

test('cards and consents are what each person brings', () =>
  expect(perPersonTypes(workingBoatLoan).sort()).toEqual(['credit_consent', 'identity_card']))
test('a card and a consent of somebody else make a second person', () => {
  expect(
    second(
      unread,
      card('Ewan GARVIE'),
      consent('Ewan Garvie'),
      card('Maren THORNE'),
      consent('Maren Thorne'),
    ),
  ).toBe('Maren THORNE')
})
test('a card alone does not: it may have been filed here by mistake', () =>
  expect(second(unread, card('Ewan Garvie'), consent('Ewan Garvie'), card('Maren Thorne'))).toBeNull())
test("without the applicant's own papers the name on the form may be the misread one", () =>
  expect(second(unread, card('Maren Thorne'), consent('Maren Thorne'))).toBeNull())
test('a co-applicant who is on the form needs no guess', () => {
  expect(
    second(
      paperOf('form', 'loan_application', {
        applicant_name: 'Ewan Garvie',
        co_applicant_name: 'Maren Thorne',
      }),
      card('Ewan Garvie'),
      consent('Ewan Garvie'),
      card('Maren Thorne'),
      consent('Maren Thorne'),
    ),
  ).toBeNull()
})
test('nor does one whose doubtful name on the form is that very one; a garbled name gives way', () => {
  const read = (name: string) => ({
    ...form,
    fields: form.fields.map((f) =>
      f.name === 'co_applicant_name'
        ? { ...f, value: name, needsReview: true, confidence: 0.5, state: 'asked' as const }
        : f,
    ),
  })
  const others = [card('Ewan Garvie'), consent('Ewan Garvie'), card('Maren Thorne'), consent('Maren Thorne')]
  expect(second(read('Maren Thorne'), ...others)).toBeNull()
  expect(second(read('Mlarenl'), ...others)).toBe('Maren Thorne')
  expect(
    withCoApplicant([read('Mlarenl')], workingBoatLoan, 'Maren Thorne')[0].fields.find(
      (f) => f.name === 'co_applicant_name',
    ),
  ).toMatchObject({ value: 'Maren Thorne', needsReview: true, others: [{ value: 'Mlarenl' }] })
})
test('the person is put on the form to be confirmed', () => {
  const [filled] = withCoApplicant([unread], workingBoatLoan, 'Maren Thorne')
  expect(filled.fields.find((f) => f.name === 'co_applicant_name')).toMatchObject({
    value: 'Maren Thorne',
    needsReview: true,
    state: 'asked',
  })
})
