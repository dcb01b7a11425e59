import { eur, paperOf } from '../../core/testing/paper-of.ts'
import { type XmlMapping, xmlMappingSchema } from '../../core/receivers/index.ts'
import { xmlOf } from './xml.ts'

const source = {
  about: {
    caseNumber: 'MSM-1',
    reference: 'R&D',
    applicant: 'Ottilie Varnham',
    program: 'boats',
    asOf: '2026-04-10',
  },
  papers: [
    paperOf('form', 'loan_application', { loan_amount: eur('48750.00'), first_time: true }),
    paperOf('a', 'payslip', { net_pay: eur('2140.55'), pay_date: '2026-01-30' }),
    paperOf('b', 'payslip', { net_pay: eur('2140.55') }),
    paperOf('c', 'bank_statement', { transactions: [{ date: '2026-01-03', amount: eur('-4.00') }] }),
  ],
  facts: [{ fact: 'birth', value: '1980-03-14' }],
}
const mapping = (elements: XmlMapping['elements'], namespace: string | null = null): XmlMapping =>
  xmlMappingSchema.parse({ root: 'application', namespace, elements })
const made = (elements: XmlMapping['elements'], namespace?: string) =>
  xmlOf(mapping(elements, namespace ?? null), source)
    .replace(/<\?xml[^>]*\?>/, '')
    .replace(/\n\s*/g, '')

test('values go into elements and attributes, those of one element together', () =>
  expect(
    made([
      { path: '@case', from: 'case' },
      { path: 'applicant/name', from: 'applicant' },
      { path: 'applicant/born', from: 'fact:birth' },
      { path: 'loan/amount', from: 'loan_application.loan_amount' },
      { path: 'loan/amount/@currency', from: 'loan_application.loan_amount:currency' },
      { path: 'loan/first', from: 'loan_application.first_time' },
    ]),
  ).toBe(
    '<application case="MSM-1"><applicant><name>Ottilie Varnham</name><born>1980-03-14</born></applicant>' +
      '<loan><amount currency="EUR">48750.00</amount><first>true</first></loan></application>',
  ))

test('an element stands for each paper of a type, and for each row of a table', () =>
  expect(
    made([
      {
        path: 'pay/slip',
        each: 'payslip',
        elements: [
          { path: '@day', from: 'pay_date' },
          { path: 'net', from: 'net_pay' },
        ],
      },
      {
        path: 'booking',
        each: 'bank_statement.transactions',
        elements: [{ path: 'amount', from: 'amount' }],
      },
    ]),
  ).toBe(
    '<application><pay><slip day="2026-01-30"><net>2140.55</net></slip><slip><net>2140.55</net></slip></pay>' +
      '<booking><amount>-4.00</amount></booking></application>',
  ))

test('what a paper says is text and no markup, in the receiver’s namespace', () =>
  expect(made([{ path: 'reference', from: 'reference' }], 'urn:boats')).toBe(
    '<application xmlns="urn:boats"><reference>R&amp;D</reference></application>',
  ))

test.each(['', '/a', 'a//b', '1a', 'a b', '@a/b'])('%p is no path of elements', (path) =>
  expect(() => mapping([{ path, from: 'case' }])).toThrow(),
)
