import { starterTypes, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { message } from '../model/messages/message.ts'
import type { FilledField } from '../answers/fill.ts'
import { pageOf } from '../testing/page-of.ts'
import type { Page } from '../model/page.ts'
import { reachConsensus } from './consensus.ts'
import type { Paper } from '../dossier/paper.ts'
import { paperOf } from '../testing/paper-of.ts'

const types = new Map(starterTypes.map((t) => [t.id, t]))

const sure = [
  paperOf('form', 'loan_application', {
    vessel_name: 'Pole Star',
    hull_number: 'SKR-01453',
    applicant_name: 'Ewan Garvie',
  }),
  paperOf('registry', 'vessel_registration', {
    vessel_name: 'Pole Star',
    hull_number: 'SKR-01453',
    owner_name: 'Ewan Garvie',
  }),
]
const quote = (change: Record<string, Partial<FilledField>>): Paper => {
  const paper = paperOf(
    'quote',
    'purchase_quote',
    { vessel_name: 'Pole Star', hull_number: 'SKR-01453', buyer_name: 'Ewan Garvie' },
    { pages: [2] },
  )
  return {
    ...paper,
    fields: paper.fields.map((f) => ({ ...f, page: 2, box: [0.9, 0.9, 0.95, 0.95], ...change[f.name] })),
  }
}
const pages = (...lines: string[]): Map<number, Page> => new Map([[2, pageOf(lines)]])
const echoed = (paper: Paper, on = pages()) =>
  Object.fromEntries(
    reachConsensus([...sure, paper], workingBoatLoan, on, types)
      .at(-1)!
      .fields.map((f) => [f.name, f]),
  )
const asked = (value: FilledField['value'], confidence = 0.6): Partial<FilledField> => ({
  value,
  confidence,
  needsReview: true,
  state: 'asked',
  reason: message('value.weak_print'),
})

test('a doubtful value that two other papers say too is certain', () => {
  expect(echoed(quote({ hull_number: asked('SKR-01453') })).hull_number).toMatchObject({
    needsReview: false,
    state: 'certain',
    reason: null,
  })
})
test('a value not found is looked for by what the others say, and asked', () => {
  expect(
    echoed(
      quote({ vessel_name: { value: null, state: 'absent', page: null, box: null } }),
      pages('Offer for Pole Star'),
    ).vessel_name,
  ).toMatchObject({ value: 'Pole Star', needsReview: true, page: 2 })
})
test('a misplaced reading gives way, and stays as a runner-up', () => {
  expect(echoed(quote({ buyer_name: asked('Puffin Telecom') }), pages('To | Ewan Garvie'))).toMatchObject({
    buyer_name: { value: 'Ewan Garvie', needsReview: true, others: [{ value: 'Puffin Telecom' }] },
  })
})
test('a clear value that differs is left alone: that is how a true conflict looks', () => {
  expect(
    echoed(quote({ vessel_name: { value: 'Grey Seal' } }), pages('Pole Star')).vessel_name,
  ).toMatchObject({ value: 'Grey Seal', needsReview: false })
})
describe('a letter apart and not spotless', () => {
  const slip = quote({ hull_number: { value: 'SKR-01458', confidence: 0.9 } })
  test('is asked on a scan', () =>
    expect(echoed(slip, new Map([[2, pageOf([], { source: 'ocr' })]])).hull_number).toMatchObject({
      value: 'SKR-01458',
      needsReview: true,
    }))
  test('differs on a text layer, which misreads no letter', () =>
    expect(echoed(slip).hull_number).toMatchObject({ value: 'SKR-01458', needsReview: false }))
})
describe('a name on a picture that no fact compares', () => {
  const letter = (sender: string): Paper => {
    const paper = paperOf('letter', 'cover_letter', { sender_name: sender }, { pages: [2] })
    return {
      ...paper,
      fields: paper.fields.map((f) => ({ ...f, page: 2, box: [0.1, 0.5, 0.3, 0.52], confidence: 0.98 })),
    }
  }
  const scan = new Map([[2, pageOf([], { source: 'ocr' })]])
  test('is asked about where its end is lost or a letter is off', () => {
    expect(echoed(letter('Ewan Garv'), scan).sender_name).toMatchObject({ needsReview: true })
    expect(echoed(letter('Ewan Garvle'), scan).sender_name).toMatchObject({ needsReview: true })
  })
  test('is put whole where its end is lost, with what was read beside it', () => {
    expect(echoed(letter('Ewan Garv'), scan).sender_name).toMatchObject({
      value: 'Ewan Garvie',
      repaired: true,
      reason: message('value.end_lost'),
      others: [{ value: 'Ewan Garv' }],
    })
  })
  test('is left alone where it is another, and on a text layer', () => {
    expect(echoed(letter('Osric Lorimer'), scan).sender_name).toMatchObject({ needsReview: false })
    expect(echoed(letter('Ewan Garv')).sender_name).toMatchObject({ needsReview: false })
  })
})
test('a whole word more is no slip of a letter, on a scan neither', () => {
  const second = quote({ vessel_name: { value: 'Pole Star II', confidence: 0.9 } })
  expect(echoed(second, new Map([[2, pageOf([], { source: 'ocr' })]])).vessel_name).toMatchObject({
    value: 'Pole Star II',
    needsReview: false,
  })
})
test('a whole word less is asked about on a scan, where it may be lost and is put as the others have it, and differs on a text layer', () => {
  const half = quote({ vessel_name: { value: 'Pole', confidence: 0.98 } })
  for (const confidence of [0.98, 0.6]) {
    const weak = quote({ vessel_name: { value: 'Pole', confidence, needsReview: confidence < 0.8 } })
    expect(echoed(weak, new Map([[2, pageOf([], { source: 'ocr' })]])).vessel_name).toMatchObject({
      value: 'Pole Star',
      needsReview: true,
      others: [{ value: 'Pole' }],
    })
  }
  expect(echoed(half).vessel_name).toMatchObject({ value: 'Pole', needsReview: false })
})
test('a name with words that no other paper has agrees with it and is not borne out by it', () => {
  const run = quote({ buyer_name: asked('Ewan Garvie Registered under') })
  expect(echoed(run, new Map([[2, pageOf([], { source: 'ocr' })]])).buyer_name).toMatchObject({
    needsReview: true,
  })
  expect(echoed(quote({ buyer_name: asked('E. Garvie') })).buyer_name).toMatchObject({ needsReview: false })
})
test('two letters off with every figure the same are one misread', () => {
  const registered = (address: string) => ({
    home: paperOf('form', 'loan_application', { home_address: address }),
    bill: paperOf('bill', 'utility_bill', { service_address: address }),
  })
  const { home, bill } = registered('66 Pilot Hill, Tarnwick SK8 3HN')
  const read = (address: string) => {
    const statement = paperOf('statement', 'bank_statement', { holder_address: address }, { pages: [2] })
    const weak = { ...statement, fields: statement.fields.map((f) => ({ ...f, page: 2, confidence: 0.87 })) }
    return reachConsensus(
      [home, bill, weak],
      workingBoatLoan,
      new Map([[2, pageOf([], { source: 'ocr' })]]),
      types,
    ).at(-1)!.fields[0]
  }
  expect(read('66 Pilot Hill, Tarriwick SK8 3HN')).toMatchObject({
    needsReview: true,
    reason: message('value.others_differ_by_letter'),
  })
  expect(read('68 Pilot Hill, Tarriwick SK8 3HN')).toMatchObject({ needsReview: false })
})
test("a person's answer is never touched", () => {
  expect(
    echoed(quote({ vessel_name: { value: null, state: 'empty' } }), pages('Pole Star')).vessel_name,
  ).toMatchObject({ value: null, state: 'empty' })
})
test('one witness is not enough', () => {
  const [form] = sure
  const [, paper] = reachConsensus(
    [form, quote({ hull_number: asked('SKR-01453') })],
    workingBoatLoan,
    pages(),
    types,
  )
  expect(paper.fields.find((f) => f.name === 'hull_number')!.needsReview).toBe(true)
})
test('two figures apart are two numbers, on a scan too', () => {
  const other = quote({ hull_number: { value: 'SKR-01435', confidence: 0.9 } })
  expect(echoed(other, new Map([[2, pageOf([], { source: 'ocr' })]])).hull_number).toMatchObject({
    value: 'SKR-01435',
    needsReview: false,
  })
})
test('the name over an address is no part of what other papers say', () => {
  const address = {
    home_address: '10 Harbour Road, Inverkell SK5 6RT',
    holder_address: '10 Harbour Road, Inverkell SK5 6RT',
  }
  const others = [
    paperOf('form', 'loan_application', { home_address: address.home_address }),
    paperOf('bank', 'bank_statement', { holder_address: address.holder_address }),
  ]
  const bill = paperOf('bill', 'utility_bill', { service_address: null }, { pages: [2] })
  const asked = {
    ...bill,
    fields: bill.fields.map((f) => ({ ...f, needsReview: true, state: 'asked' as const, confidence: 0.4 })),
  }
  const [, , found] = reachConsensus(
    [...others, asked],
    workingBoatLoan,
    pages('Linnea Teasdale', '10 Harbour Road', 'Inverkell SK5 6RT'),
    types,
  )
  expect(found.fields.find((f) => f.name === 'service_address')!.value).toBe(
    '10 Harbour Road, Inverkell SK5 6RT',
  )
})

describe('what is hardly readable and like what others say', () => {
  const weakly = (sure: number, source: 'ocr' | 'text' = 'ocr') =>
    new Map([
      [
        2,
        {
          ...pageOf([], { source }),
          words: [
            {
              text: 'SKR',
              confidence: sure,
              box: [0.9, 0.9, 0.95, 0.95] as [number, number, number, number],
            },
          ],
        },
      ],
    ])
  const read = (value: string, on = weakly(0.6)) =>
    echoed(quote({ hull_number: asked(value) }), on).hull_number
  test('is asked about as they say it, with what was made out beside it', () =>
    expect(read('SKR-0I4S3')).toMatchObject({
      value: 'SKR-01453',
      needsReview: true,
      others: [{ value: 'SKR-0I4S3' }],
    }))
  test('stays as it was read where its print is clear and only its place unusual, unlike, on a text layer, or where two figures changed places', () => {
    expect(read('SKR-01458', weakly(0.96)).value).toBe('SKR-01458')
    expect(read('SKR-77777').value).toBe('SKR-77777')
    expect(read('SKR-0I4S3', weakly(0.6, 'text')).value).toBe('SKR-0I4S3')
    expect(read('SKR-01543').value).toBe('SKR-01543')
  })
})
test('others are not proof enough where a slip costs more than they leave open', () => {
  const dear = new Map(
    starterTypes.map((t) => [
      t.id,
      { ...t, fields: t.fields.map((f) => ({ ...f, costs: { slip: 1e6, question: 1 } })) },
    ]),
  )
  const judge = (by: typeof types) =>
    reachConsensus([...sure, quote({ hull_number: asked('SKR-01453') })], workingBoatLoan, pages(), by)
      .at(-1)!
      .fields.find((f) => f.name === 'hull_number')!.needsReview
  expect([judge(types), judge(dear)]).toEqual([false, true])
})
