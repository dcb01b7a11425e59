import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { euroLender } from '../../testing/lender.ts'
import { inkOf, none } from '../../testing/ink-of.ts'
import { pageOf } from '../../testing/page-of.ts'
import { extractDocument } from '../fields/extract.ts'
import { typeById } from '../../program/document-type.ts'

const application = typeById(starterTypes, 'loan_application')

const choice = (line: string, dark: (x: number, y: number) => boolean = none) =>
  extractDocument([pageOf(['Loan application', line], { ink: inkOf(dark) })], application, euroLender).fields
const field = (fields: ReturnType<typeof choice>, name: string) => fields.find((f) => f.name === name)!.value
test.each([
  ['Employment status | [X] Employed [ ] Self-employed', 'employed'],
  ['Employment status | ☐ Employed ☒ Self-employed', 'self_employed'],
  ['Employment status | Self-employed', 'self_employed'],
  ['Employment status | Employed &Xl | Self-employed 1', 'employed'],
])('%s means %s', (line, value) => expect(field(choice(line), 'employment_status')).toBe(value))
test.each([
  ['Existing loan | Yes', true],
  ['Existing loan | No', false],
  ['Existing loan | [ ] Yes [X] No', false],
])('%s means %s', (line, value) => expect(field(choice(line), 'existing_loan')).toBe(value))
test('two empty boxes say nothing', () =>
  expect(field(choice('Existing loan | [ ] Yes [ ] No'), 'existing_loan')).toBeNull())

describe('boxes of a scan', () => {
  const frame = (x: number, y: number, left: number, top: number) =>
    x >= left &&
    x < left + 5 &&
    y >= top &&
    y < top + 5 &&
    (x === left || x === left + 4 || y === top || y === top + 4)
  const lines = ['Loan application', '', 'Employment status:', 'Employed | Self-employed']
  // The words stand on rows 31 to 35 of the grid; their boxes hang two rows higher.
  const status = (ticked: number, words = lines, sure = 0.96) => {
    const inside = (x: number, y: number) => x > ticked && x < ticked + 4 && y > 29 && y < 33
    const page = pageOf(words, {
      at: [0.16, 0.5],
      source: 'ocr',
      confidence: sure,
      ink: inkOf((x, y) => frame(x, y, 25, 29) || frame(x, y, 93, 29) || inside(x, y)),
    })
    return extractDocument([page], application, euroLender).fields.find(
      (f) => f.name === 'employment_status',
    )!.value
  }
  test('that hang higher than their words tell by what is in them', () =>
    expect([status(25), status(93)]).toEqual(['employed', 'self_employed']))
  test('are boxes too where a reader spells one with three letters and a bracket', () => {
    const page = (ticked: number) => {
      const whole = pageOf(lines, {
        at: [0.16, 0.5],
        source: 'ocr',
        confidence: 0.96,
        ink: inkOf(
          (x, y) =>
            frame(x, y, 25, 29) || frame(x, y, 93, 29) || (x > ticked && x < ticked + 4 && y > 29 && y < 33),
        ),
      })
      const option = whole.words.find((w) => w.text === 'Employed')!
      return {
        ...whole,
        words: [
          ...whole.words,
          {
            text: '[ES]',
            confidence: 0.62,
            box: [0.122, option.box[1], 0.152, option.box[3]] as [number, number, number, number],
          },
        ],
      }
    }
    const said = (ticked: number) =>
      extractDocument([page(ticked)], application, euroLender).fields.find(
        (f) => f.name === 'employment_status',
      )!
    expect(said(25)).toMatchObject({ value: 'employed' })
    expect(said(93)).not.toMatchObject({ value: 'employed', needsReview: false })
  })
})
test('an empty ring that ran into its option is none of its letters', () => {
  const words = ['Loan application', 'Any existing loan? @ Yes | ONo']
  const [left, top, right, bottom] = pageOf(words).words.find((w) => w.text === '@')!.box
  const filled = inkOf((x, y) => x >= left * 200 && x <= right * 200 && y >= top * 283 && y <= bottom * 283)
  const read = extractDocument(
    [pageOf(words, { source: 'ocr', confidence: 0.96, ink: filled })],
    application,
    euroLender,
  ).fields.find((f) => f.name === 'existing_loan')!
  expect(read).toMatchObject({ value: true })
})
test('ink that contradicts what was read in a box makes it a question', () => {
  const page = pageOf(['Loan application', 'Existing loan | no ES] | yes []'], {
    source: 'ocr',
    confidence: 0.96,
    ink: inkOf((x, y) => x > 130 && x < 140 && y > 18 && y < 25),
  })
  const read = extractDocument([page], application, euroLender).fields.find(
    (f) => f.name === 'existing_loan',
  )!
  expect(read).toMatchObject({ value: false, needsReview: true })
})

describe('choices on scans', () => {
  const scanned = (line: string) =>
    field(
      extractDocument(
        [pageOf(['Loan application', line], { ink: inkOf(none), source: 'ocr' })],
        application,
        euroLender,
      ).fields,
      'employment_status',
    )
  test('a letter misread leaves the choice what it is', () =>
    expect(scanned('Employment status | Setf-employed')).toBe('self_employed'))
  test('words that go on with the label answer nothing', () =>
    expect(scanned('Status in employment | Self -employed')).toBe('self_employed'))
  test('boxes that ran into their options are boxes', () => {
    expect(scanned('Are you: | [*x]Employed | []Self-employed | []Retired')).toBe('employed')
    expect(scanned('Are you: | []Employed | [x]Self-employed | []Retired')).toBe('self_employed')
  })
  test('the box behind the label is the first option’s, however near it stands', () =>
    expect(scanned('Employment status: O Employed &] Self-employed')).not.toBe('employed'))
})

test.each([
  ['Employment status [X] An employee | [ ] Own business', 'employed'],
  ['Employment status ○ An employee | ● Own business', 'self_employed'],
  ['Occupational status [X] In employment | [ ] Self employed', 'employed'],
  ['Are you Own business', 'self_employed'],
])('%s is answered %s, though no gap parts the label from its boxes', (line, status) =>
  expect(field(choice(line), 'employment_status')).toBe(status),
)

describe('rings on scans', () => {
  const filledAt = (line: string, ring: string, at = 0) => {
    const words = ['Loan application', line]
    const boxes = pageOf(words)
      .words.filter((w) => w.text.startsWith(ring))
      .map((w) => w.box)
    const [left, top, right, bottom] = boxes[at]
    return extractDocument(
      [
        pageOf(words, {
          source: 'ocr',
          confidence: 0.9,
          ink: inkOf(
            (x, y) =>
              x >= left * 200 &&
              x <= Math.min(right, left + 0.012) * 200 &&
              y >= top * 283 &&
              y <= bottom * 283,
          ),
        }),
      ],
      application,
      euroLender,
    ).fields
  }
  const of = (fields: ReturnType<typeof filledAt>, name: string) => fields.find((f) => f.name === name)!
  test('stand before small words as well', () => {
    expect(
      of(filledAt('Occupational status @ An employee | © Self employed', '@'), 'employment_status').value,
    ).toBe('employed')
    expect(
      of(filledAt('Occupational status @ An employee | © Self employed', '©'), 'employment_status').value,
    ).toBe('self_employed')
  })
  test('run into the option behind them', () =>
    expect(of(filledAt('Any existing loan? © Yes | @No', '@'), 'existing_loan').value).toBe(false))
  test('before the one option that was read make it a question: another may be marked', () => {
    expect(of(filledAt('Any existing loan? © Yes', '©'), 'existing_loan').needsReview).toBe(true)
  })
})
