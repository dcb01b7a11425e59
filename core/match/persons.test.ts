import { workingBoatLoan } from '../program/working-boat-loan.ts'
import { builtInTypes, typeById } from '../program/types/index.ts'
import { paperOf } from './paper-of.ts'
import { applicantOf } from './persons.ts'

const form = (name: string | null, asked = false) => {
  const paper = paperOf('form', 'loan_application', { applicant_name: name })
  return { ...paper, fields: paper.fields.map((f) => ({ ...f, needsReview: asked })) }
}
const slip = (id: string, name: string) => paperOf(id, 'payslip', { employee_name: name })
const who = (...papers: Parameters<typeof applicantOf>[0][number][]) => applicantOf(papers, workingBoatLoan, (type) => typeById(builtInTypes, type).person)
const slips = [slip('a', 'Ewan Garvie'), slip('b', 'Garvie, Ewan'), slip('c', 'E. Garvie')]

test('who applies stands on the form', () => expect(who(form('Maren Thorne'), ...slips)).toBe('Maren Thorne'))
test('where the form was not read, the papers say', () => expect(who(form(null), ...slips, slip('d', 'Maren Thorne'))).toBe('Ewan Garvie'))
test('a doubtful reading gives way to what they say', () => expect(who(form('O Self-employed', true), ...slips)).toBe('Ewan Garvie'))
test('two papers are not enough to speak for a person', () => expect(who(form(null), slips[0], slips[1])).toBeNull())
