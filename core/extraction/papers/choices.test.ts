import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { euroLender } from '../../testing/lender.ts'
import { pageOf } from '../../testing/page-of.ts'
import { extractDocument } from '../fields/extract.ts'
import { typeById } from '../../program/document-type.ts'

const form = typeById(starterTypes, 'loan_application')
const says = (field: string, ...lines: string[]) =>
  extractDocument(
    [
      pageOf([
        'Application for a boat loan',
        '',
        'Applicant | Ottilie Varnham',
        ...lines,
        'IBAN | IE59 ISSB 1699 2260 6379 60',
      ]),
    ],
    form,
    euroLender,
  ).fields.find((f) => f.name === field)!.value

test.each([
  [['Employment status | Employed']],
  [['Are you employed or self-employed? | Employed']],
  [['Employment: employee']],
  [['Occupation status', 'Employed']],
  [['[X] Employed | [ ] Self-employed']],
  [['Work | ☒ employed ☐ self-employed']],
  [['Employment status: (X) employed ( ) self-employed']],
  [['I am | ☑ an employee | ☐ self-employed']],
  [['Status of employment | ● Employed ○ Self-employed']],
  [['Working as | employee']],
  [['Employed / self-employed: | employed']],
  [['Employment | Permanent employee']],
])('%j says employed', (lines) => expect(says('employment_status', ...lines)).toBe('employed'))

test.each([
  [['Employment status | Self-employed']],
  [['Employment status', 'self-employed']],
  [['[ ] Employed | [X] Self-employed']],
  [['Are you employed or self-employed? | Self-employed']],
  [['Occupation | Sole trader']],
  [['Work status: ☐ employed ☒ self-employed']],
  [['Employed ( ) | Self-employed (x)']],
  [['Employed / self-employed: | self-employed']],
])('%j says self-employed', (lines) => expect(says('employment_status', ...lines)).toBe('self_employed'))

test.each([
  [['Existing loan | Yes'], true],
  [['Do you have other loans? | Yes']],
  [['Existing loans: [X] yes [ ] no'], true],
  [['Any other loan at present', 'Yes'], true],
  [['Other credit running? | ☒ Yes ☐ No'], true],
  [['Do you already have a loan? Yes'], true],
  [['Loans with other lenders | Yes, one'], true],
  [['Existing loan | No'], false],
  [['Do you have other loans? | No'], false],
  [['Existing loan (yes/no) | no'], false],
  [['Existing loans: [ ] yes [X] no'], false],
  [['Any other loan at present', 'None'], false],
  [['Other credit running? | ☐ Yes ☒ No'], false],
] as [string[], boolean | undefined][])('%j is an existing loan: %s', (lines, yes = true) =>
  expect(says('existing_loan', ...lines)).toBe(yes),
)
