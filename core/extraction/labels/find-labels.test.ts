import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../../testing/page-of.ts'
import { labelLike, findLabels } from './find-labels.ts'
import { typeById } from '../../program/document-type.ts'

const payslip = typeById(starterTypes, 'payslip')
const fieldsOn = (lines: string[], type = payslip) =>
  findLabels(pageOf(lines), type)
    .filter((l) => l.similarity > 0.6)
    .flatMap((l) => l.meanings.flatMap((m) => (m.role === 'field' ? [m.field] : [])))

test('known wordings are found where labels stand', () => {
  const [label] = findLabels(pageOf(['Net pay: EUR 2,140.55']), payslip)
  expect(label).toMatchObject({ leads: true, colon: true, similarity: 1 })
})
test('a wording nobody listed is found by its words', () =>
  expect(fieldsOn(['Gross so far this year | 5.00'])).toContain('year_to_date_gross'))
test('a known word inside another label counts for less', () => {
  const [name] = findLabels(
    pageOf(['Boat name: Grey Seal']),
    typeById(starterTypes, 'purchase_quote'),
  ).filter((l) => l.meanings.some((m) => m.role === 'field' && m.field === 'buyer_name'))
  expect(name === undefined || name.similarity < 0.8).toBe(true)
})
test('bilingual labels are one label, not a label and its value', () => {
  const labels = findLabels(
    pageOf(['Date of birth / Date de naissance | 14/03/1980']),
    typeById(starterTypes, 'identity_card'),
  )
  expect(
    labels.some(
      (l) =>
        l.alone &&
        l.similarity > 0.9 &&
        l.meanings.some((m) => m.role === 'field' && m.field === 'date_of_birth'),
    ),
  ).toBe(true)
})
test('column heads of a table are no labels of single values', () => {
  const fields = fieldsOn(['Date | Description | Amount | Balance'], typeById(starterTypes, 'bank_statement'))
  expect(fields).not.toContain('closing_balance')
})
test('an address is no label, though its street be called like one', () =>
  expect(fieldsOn(['77 Netmakers Close'], typeById(starterTypes, 'bank_statement'))).toEqual([]))
test('texts made of nothing but label words are no values', () => {
  expect(labelLike('Net pay', payslip)).toBe(true)
  expect(labelLike('Ottilie Varnham', payslip)).toBe(false)
})
test('the half in another language is no value of the first half', () => {
  const [label] = findLabels(
    pageOf(['Given names / Prénoms', 'MIRREN']),
    typeById(starterTypes, 'identity_card'),
  ).filter((l) => l.meanings.some((m) => m.role === 'given'))
  expect(label).toMatchObject({ alone: true, similarity: 1, twice: true })
  expect(label.to - label.from).toBe(4)
})
test('a hint in brackets does not hide whose name is asked for', () => {
  expect(
    fieldsOn(
      ['Full name of joint applicant (leave blank if none)'],
      typeById(starterTypes, 'loan_application'),
    ),
  ).toContain('co_applicant_name')
})
test('an option beside a box is the label of nothing', () =>
  expect(fieldsOn(['Self-employed | Retired'], typeById(starterTypes, 'loan_application'))).not.toContain(
    'employer_name',
  ))
test('an amount with words behind it is no label', () =>
  expect(fieldsOn(['€884.00 including insurance tax'], typeById(starterTypes, 'insurance_cover'))).toEqual(
    [],
  ))

test('a stroke of the pen in the next column makes no label bilingual', () => {
  const labels = findLabels(
    pageOf(['Name of applicant | / | Ottilie Varnham', 'Date of birth | / Name']),
    typeById(starterTypes, 'loan_application'),
  )
  expect(
    labels
      .filter((l) => l.leads && l.meanings.some((m) => m.role === 'field' && m.field === 'applicant_name'))
      .map((l) => [l.from, l.to]),
  ).toContainEqual([0, 3])
})

test('a label that its narrow column breaks in two is one, beside what its first line begins', () => {
  const labels = findLabels(
    pageOf(['Registered | 45 Anchor Court, | Period', 'address: | Cullen Point SK6 4WE']),
    typeById(starterTypes, 'bank_statement'),
  )
  const [whole] = labels.filter(
    (l) => l.similarity > 0.9 && l.meanings.some((m) => m.role === 'field' && m.field === 'holder_address'),
  )
  expect(whole).toMatchObject({ line: 0, lastLine: 1 })
})
test('two labels one under the other are not put together', () => {
  expect(fieldsOn(['Employee | Ottilie Varnham', 'Net pay | 2,140.55'])).toEqual(
    expect.arrayContaining(['employee_name', 'net_pay']),
  )
})
test('a label in three tongues is one label', () => {
  const [label] = findLabels(
    pageOf(['Surname / Nom / Apellidos', 'VARNHAM']),
    typeById(starterTypes, 'identity_card'),
  ).filter((l) => l.meanings.some((m) => m.role === 'surname'))
  expect(label).toMatchObject({ from: 0, to: 5, alone: true })
})
test('a stroke at the head of the next column ends no search', () => {
  expect(() =>
    findLabels(pageOf(['Date of birth / Naissance | / Nacimiento']), typeById(starterTypes, 'identity_card')),
  ).not.toThrow()
})
test('how a day is to be written hides no caption', () => {
  const [label] = findLabels(pageOf(['Date (DD/MM/YYYY)']), typeById(starterTypes, 'credit_consent')).filter(
    (l) => l.meanings.some((m) => m.role === 'field' && m.field === 'signature_date'),
  )
  expect(label).toMatchObject({ alone: true, similarity: 1 })
})
test('an answer behind a label is no part of it', () => {
  const [label] = findLabels(
    pageOf(['Your work Own business']),
    typeById(starterTypes, 'loan_application'),
  ).filter((l) => l.meanings.some((m) => m.role === 'field' && m.field === 'employment_status'))
  expect(label.similarity).toBe(1)
})
test('a wording given twice, with its points and without, is one label of its field', () => {
  const type = {
    ...payslip,
    fields: payslip.fields.map((f) =>
      f.name === 'net_pay' ? { ...f, labels: ['hand-over sum', 'Hand-over sum.'] } : f,
    ),
  }
  const [label] = findLabels(pageOf(['Hand-over sum | 2,140.55']), type).filter((l) =>
    l.meanings.some((m) => m.role === 'field' && m.field === 'net_pay'),
  )
  expect(label.meanings).toHaveLength(1)
})

describe('labels in several lines', () => {
  const loan = typeById(starterTypes, 'loan_application')
  const first = (lines: string[], field: string, type = loan) =>
    findLabels(pageOf(lines), type).filter(
      (l) => l.similarity > 0.9 && l.meanings.some((m) => m.role === 'field' && m.field === field),
    )
  test('two lines that both say the same are one label', () => {
    const labels = first(['Applicant | Hélène', 'name | Penhallow'], 'applicant_name')
    expect(labels).toMatchObject([{ line: 0, lastLine: 1 }])
  })
  test('a line over a question in two lines is no part of it', () => {
    expect(
      first(['Are you | Employed', 'Who do you | Fathom & Daughters', 'work for?: | Ltd'], 'employer_name'),
    ).toMatchObject([{ line: 1, lastLine: 2 }])
  })
  test('a wording to the letter is one label, whatever its lines would say alone', () => {
    expect(
      first(
        ['This statement | 01-Mar-2026 to 31-Mar-2026', 'covers'],
        'statement_start',
        typeById(starterTypes, 'bank_statement'),
      ),
    ).toMatchObject([{ line: 0, lastLine: 1 }])
  })
})
