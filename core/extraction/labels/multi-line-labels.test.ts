import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { euroLender } from '../../testing/lender.ts'
import { pageOf } from '../../testing/page-of.ts'
import { extractDocument } from '../fields/extract.ts'
import { typeById } from '../../program/document-type.ts'

const card = typeById(starterTypes, 'identity_card')
const read = (lines: string[], at?: number[]) =>
  Object.fromEntries(
    extractDocument([pageOf(lines, { at })], card, euroLender)
      .fields.filter((f) => f.value !== null)
      .map((f) => [f.name, f.value]),
  )

describe('labels in several tongues that a narrow cell breaks over its lines', () => {
  test('with the value in the next column', () => {
    expect(
      read([
        'Identity card',
        'Date of | 02/05/2027',
        'expiry / Date',
        'd’expiration/Fecha',
        'de caducidad:',
        '',
        'Sex: | M',
      ]),
    ).toMatchObject({ expiry_date: '2027-05-02' })
  })
  test('with the value beneath', () => {
    expect(
      read([
        'Identity card',
        'Document',
        'no./Document n°/N.º',
        'documento',
        'SK1842726',
        '',
        'Valid',
        'until / Valable',
        'jusqu’au/Válido',
        'hasta',
        '12/02/2033',
      ]),
    ).toMatchObject({ document_number: 'SK1842726', expiry_date: '2033-02-12' })
  })
  test('a value of words under a label that is all there is no part of it', () => {
    expect(read(['Identity card', 'Nationality / Nationalité / Nacionalidad', 'UTOPIAN'])).toMatchObject({
      nationality: 'UTOPIAN',
    })
  })
  test('tongues that speak of different things are two labels', () => {
    expect(
      read(['Identity card', 'Date of birth / | 14/03/1980', 'Date of expiry | 02/05/2027']),
    ).toMatchObject({ date_of_birth: '1980-03-14', expiry_date: '2027-05-02' })
  })
})

describe('labels in two lines', () => {
  const bill = typeById(starterTypes, 'utility_bill')
  const bound = (lines: string[]) => extractDocument([pageOf(lines)], bill, euroLender).fields
  test('a half that says nothing alone is read with the other', () => {
    expect(
      bound(['Electricity bill', 'Supply | 12 Gannet Row,', 'address: | Port Ellery SK4 2QD']).find(
        (f) => f.name === 'service_address',
      )!.value,
    ).toBe('12 Gannet Row, Port Ellery SK4 2QD')
  })
  test('two labels one under the other stay two', () => {
    const fields = bound(['Electricity bill', 'Account number: | 5520 8814', 'Bill date: | 04/03/2026'])
    expect(
      ['account_number', 'issue_date'].map((name) => fields.find((f) => f.name === name)!.value),
    ).toEqual(['55208814', '2026-03-04'])
  })
})
