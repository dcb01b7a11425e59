import { starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import type { Answer } from '../answers/answer.ts'
import { paperOf } from '../testing/paper-of.ts'
import type { Paper } from './paper.ts'
import { markVersions } from './versions.ts'

const types = new Map(starterTypes.map((t) => [t.id, t]))
const quote = (
  id: string,
  date: string,
  seller = 'Tern Yard Ltd',
  hull = 'SKR-40417',
  more: Partial<Paper> = {},
) =>
  paperOf(
    id,
    'purchase_quote',
    { seller_name: seller, hull_number: hull, quote_date: date },
    { pages: [Number(id)], ...more },
  )
const survey = (id: string, date: string, signed: boolean) =>
  paperOf(
    id,
    'survey_report',
    { hull_number: 'SKR-40417', inspection_date: date },
    { pages: [Number(id)], signed },
  )
const older = (papers: Paper[], answers: Answer[] = []) =>
  markVersions(papers, types, answers).flatMap((p) =>
    p.supersededBy ? [`${p.id} by ${p.supersededBy}`] : [],
  )

test('the newest of several quotes for one boat counts', () =>
  expect(older([quote('1', '2026-01-10'), quote('2', '2026-03-02'), quote('3', '2026-02-01')])).toEqual([
    '1 by 2',
    '3 by 2',
  ]))
test('the spelling of seller and number does not matter', () =>
  expect(
    older([quote('1', '2026-01-10'), quote('2', '2026-03-02', 'TERN YARD LIMITED', 'SKR 40417')]),
  ).toEqual(['1 by 2']))
test('another seller, another boat or the same day is another paper', () => {
  expect(older([quote('1', '2026-01-10'), quote('2', '2026-03-02', 'Avocet Boatworks')])).toEqual([])
  expect(older([quote('1', '2026-01-10'), quote('2', '2026-03-02', 'Tern Yard Ltd', 'SKR-40999')])).toEqual(
    [],
  )
  expect(older([quote('1', '2026-01-10'), quote('2', '2026-01-10')])).toEqual([])
})
test('the newest that is signed counts', () =>
  expect(
    older([
      survey('1', '2025-06-01', true),
      survey('2', '2025-09-01', true),
      survey('3', '2026-01-01', false),
    ]),
  ).toEqual(['1 by 2', '3 by 2']))
test('a person may let an older one count', () =>
  expect(older([quote('1', '2026-01-10'), quote('2', '2026-03-02')], [{ kind: 'version', page: 1 }])).toEqual(
    ['2 by 1'],
  ))
test('a date that is still asked about supersedes nothing', () => {
  const doubtful = quote('2', '2026-03-02')
  expect(
    older([
      quote('1', '2026-01-10'),
      {
        ...doubtful,
        fields: doubtful.fields.map((f) => (f.name === 'quote_date' ? { ...f, needsReview: true } : f)),
      },
    ]),
  ).toEqual([])
})
