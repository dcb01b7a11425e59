import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { linesOf } from '../../layout/lines.ts'
import { pageOf } from '../../testing/page-of.ts'
import type { Candidate } from '../scoring/candidate.ts'
import { findLabels } from '../labels/find-labels.ts'
import { withoutCapitals, withoutLabel, withoutLabelWords } from './strip-labels.ts'
import { typeById } from '../../program/document-type.ts'

const form = typeById(starterTypes, 'loan_application')
const words = (text: string) => pageOf([text]).words
const candidate = (text: string, page = pageOf([text])): Candidate => ({
  field: 'applicant_name',
  value: text,
  raw: text,
  words: words(text),
  page,
  score: 1,
  repaired: false,
})

describe('a label set close to a name', () => {
  test.each([
    ['Name Elspeth Mossman', 'Elspeth Mossman'],
    ['Applicant Ottilie Jane Varnham', 'Ottilie Jane Varnham'],
  ])('%s is %s', (text, name) => expect(withoutLabel(candidate(text), form).value).toBe(name))
  test.each(['Elspeth Jane Mossman', 'Name Mossman'])('%s stays', (text) =>
    expect(withoutLabel(candidate(text), form).value).toBe(text),
  )
})

describe('a label in capitals goes on in capitals', () => {
  const behind = (line: string, label: string) => {
    const page = pageOf([line])
    const [found] = findLabels(page, form)
    const rest = linesOf(page)[0].words.slice(label.split(' ').length)
    return withoutCapitals(
      { ...candidate(rest.map((w) => w.text).join(' '), page), words: rest },
      { ...found, from: 0, to: label.split(' ').length },
      form,
    )
  }
  test('up to a value that is not', () =>
    expect(behind('VESSEL CONCERNED Bright Water', 'VESSEL')).toMatchObject({ value: 'Bright Water' }))
  test('in small letters it has none of that', () =>
    expect(behind('Vessel CONCERNED Bright Water', 'Vessel').value).toBe('CONCERNED Bright Water'))
})

describe('words of a label in small letters', () => {
  const left = (text: string) =>
    withoutLabelWords(words(text))
      .map((w) => w.text)
      .join(' ')
  test.each([
    ['name Joren Finn', 'Joren Finn'],
    ['(in full) Joren Finn', 'Joren Finn'],
    ['Joren Finn', 'Joren Finn'],
    ['no. 12', '12'],
    ['seagoing', 'seagoing'],
  ])('of “%s” stays %s', (text, value) => expect(left(text)).toBe(value))
  test('a name that goes on from its label is no value', () => expect(left('of Skerrow')).toBe(''))
})
