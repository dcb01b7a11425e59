import { starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import { message } from '../model/messages/message.ts'
import { pageOf } from '../testing/page-of.ts'
import type { Row } from '../model/value.ts'
import { eur, paperOf } from '../testing/paper-of.ts'
import { repairRowSpelling } from './row-spelling.ts'

const types = new Map(starterTypes.map((t) => [t.id, t]))

const row = (description: string): Row => ({
  date: '2026-02-03',
  description,
  amount: eur('-10.00'),
  balance: eur('90.00'),
})
const usual = [
  'Card payment Chandlery',
  'Direct debit Isles Water',
  'Card payment Saltholm Stores',
  'Card payment Chandlery',
  'Direct debit Isles Water',
  'Card payment Chandlery',
  'Card payment Saltholm Stores',
  'Card payment Chandlery',
].map(row)
const statement = (id: string, rows: Row[]) => paperOf(id, 'bank_statement', { transactions: rows })
const read = (source: 'ocr' | 'text', ...tables: Row[][]) =>
  repairRowSpelling(
    tables.map((rows, i) => statement(`s${i}`, rows)),
    new Map([[1, pageOf([], { source })]]),
    types,
  ).map((p) => p.fields[0])
const words = (field: { value: unknown }) => (field.value as Row[]).map((r) => r.description)

test('a word a letter off one that other statements have often is spelt so, and asked about', () => {
  const [, field] = read('ocr', usual, [row('Card payrnent Chandery'), row('Direct debit Isles Water')])
  expect(words(field)).toEqual(['Card payment Chandlery', 'Direct debit Isles Water'])
  expect(field).toMatchObject({
    needsReview: true,
    state: 'asked',
    repaired: true,
    reason: message('table.words_spelt_as_other_rows'),
  })
})
test('a word of its own stays, however often others stand there', () =>
  expect(words(read('ocr', usual, [row('Transfer to savings'), row('Cash machine Merrow')])[1])).toEqual([
    'Transfer to savings',
    'Cash machine Merrow',
  ]))
test('the statement that spells as all do is left alone', () =>
  expect(read('ocr', usual, [row('Card payrnent Chandery')])[0]).toMatchObject({ needsReview: false }))
test('a text layer misreads no letter, and one statement alone has nobody to ask', () => {
  expect(words(read('text', usual, [row('Card payrnent Chandery')])[1])).toEqual(['Card payrnent Chandery'])
  expect(words(read('ocr', [...usual, row('Card payrnent Chandery')])[0]).at(-1)).toBe(
    'Card payrnent Chandery',
  )
})
test('what a person said stays as it was said', () => {
  const said = statement('s1', [row('Card payrnent Chandery')])
  const papers = [
    statement('s0', usual),
    { ...said, fields: said.fields.map((f) => ({ ...f, state: 'corrected' as const })) },
  ]
  expect(
    words(repairRowSpelling(papers, new Map([[1, pageOf([], { source: 'ocr' })]]), types)[1].fields[0]),
  ).toEqual(['Card payrnent Chandery'])
})
describe('words read badly', () => {
  /** The last row is read so weakly, all others surely. */
  const last = (descriptions: string[], sure = 0.5) => {
    const pages = [
      pageOf(
        descriptions.slice(0, -1).map((d) => `03/02/2026 | ${d}`),
        { source: 'ocr', confidence: 0.95 },
      ),
      pageOf([`03/02/2026 | ${descriptions.at(-1)!}`], { source: 'ocr', confidence: sure, number: 2 }),
    ]
    const paper = statement('s0', descriptions.map(row))
    const places = descriptions.map((_, i): { page: number; box: [number, number, number, number] } =>
      i < descriptions.length - 1
        ? { page: 1, box: [0, 0.05 + i * 0.02, 1, 0.065 + i * 0.02] }
        : { page: 2, box: [0, 0.05, 1, 0.065] },
    )
    const field = repairRowSpelling(
      [{ ...paper, fields: paper.fields.map((f) => ({ ...f, rowPlaces: places })) }],
      new Map(pages.map((p) => [p.number, p])),
      types,
    )[0].fields[0]
    return words(field).at(-1)
  }
  const often = ['Kelpnet Broadband', 'Kelpnet Broadband fee', 'Kelpnet Broadband again']
  test('are put as the rows usually have them', () =>
    expect(last([...often, 'Kepnt Broaand refund'])).toBe('Kelpnet Broadband refund'))
  test('not where they were read surely, or stand too seldom elsewhere', () => {
    expect(last([...often, 'Kepnt Broaand refund'], 0.95)).toBe('Kepnt Broaand refund')
    expect(last([...often.slice(1), 'Kepnt Broaand refund'])).toBe('Kepnt Broaand refund')
  })
})
describe('held against the words of English', () => {
  const english = () =>
    new Set(['chandlery', 'keepnet', 'broadband', 'debit', 'direct', 'payment', 'hydraulic'])
  const held = (source: 'ocr' | 'text', descriptions: string[], language?: 'fr') => {
    const lines = descriptions.map((d) => `03/02/2026 | ${d}`)
    const page = pageOf(lines, { source, confidence: 0.8, ...(language ? { language } : {}) })
    const paper = statement('s0', descriptions.map(row))
    const placed = {
      ...paper,
      fields: paper.fields.map((f) => ({
        ...f,
        rowPlaces: descriptions.map((_, i) => ({
          page: 1,
          box: [0, 0.05 + i * 0.02, 1, 0.065 + i * 0.02] as [number, number, number, number],
        })),
      })),
    }
    return repairRowSpelling([placed], new Map([[1, page]]), types, english)[0].fields[0]
  }
  test('what is none is spelt as the one word that looks like it, and asked about', () => {
    const field = held('ocr', ['Card payment Chandiery', 'Hydraukic hose'])
    expect(words(field)).toEqual(['Card payment Chandlery', 'Hydraulic hose'])
    expect(field).toMatchObject({ needsReview: true, repaired: true })
  })
  test('what stands in several rows is a name, unless its strokes look like others', () => {
    expect(words(held('ocr', ['Direct debit Kelpnet Broadband', 'Direct debit Kelpnet Broadband']))).toEqual([
      'Direct debit Kelpnet Broadband',
      'Direct debit Kelpnet Broadband',
    ])
    expect(words(held('ocr', ['Chandiery', 'Chandiery']))).toEqual(['Chandlery', 'Chandlery'])
  })
  test('no text layer is, nor a page in another language', () => {
    expect(words(held('text', ['Card payment Chandiery']))).toEqual(['Card payment Chandiery'])
    expect(words(held('ocr', ['Card payment Chandiery'], 'fr'))).toEqual(['Card payment Chandiery'])
  })
})
test('people whose names are a letter apart are two people', () => {
  const owner = (name: string): Row => ({ name, date_of_birth: '1980-03-14', share: '50' })
  const papers = [Array.from({ length: 5 }, () => owner('Elspeth Lorimer')), [owner('Elspeth Lorimar')]].map(
    (owners, i) => paperOf(`o${i}`, 'owners_declaration', { owners }),
  )
  expect(
    repairRowSpelling(papers, new Map([[1, pageOf([], { source: 'ocr' })]]), types)[1].fields[0].value,
  ).toEqual([owner('Elspeth Lorimar')])
})
test('a name that a person gives is known from then on, though the rows stay the same', () => {
  const page = pageOf(['03/02/2026 | Card payment Chandiery'], { source: 'ocr', confidence: 0.8 })
  const paper = statement('s0', [row('Card payment Chandiery')])
  const placed = {
    ...paper,
    fields: paper.fields.map((f) => ({
      ...f,
      rowPlaces: [{ page: 1, box: [0, 0.05, 1, 0.065] as [number, number, number, number] }],
    })),
  }
  const judged = (...more: ReturnType<typeof paperOf>[]) =>
    repairRowSpelling([placed, ...more], new Map([[1, page]]), types, () => new Set(['chandlery']))[0]
      .fields[0]
  expect(judged()).toMatchObject({
    needsReview: true,
    reason: message('table.words_spelt_as_nearest'),
  })
  expect(words(judged(paperOf('q', 'purchase_quote', { seller_name: 'Chandiery Boats' })))).toEqual([
    'Card payment Chandiery',
  ])
})
