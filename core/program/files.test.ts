import { loadProgram, loadType, loadTypes } from './files.ts'
import { askedBelow, FORMAT_VERSION, type DocumentType } from './schema.ts'
import { estimate, passbook, pledge } from '../testing/small-types.ts'

/** A type as the first form has it: no version, and no roles. */
const firstForm = (type: DocumentType): unknown => {
  const rest = JSON.parse(JSON.stringify(type)) as Partial<DocumentType>
  delete rest.formatVersion
  for (const field of rest.fields!) for (const column of field.columns) delete column.role
  return rest
}

describe('a document type from its file', () => {
  test('comes back as it went out', () => {
    for (const type of [passbook, estimate, pledge])
      expect(loadType(JSON.parse(JSON.stringify(type)))).toEqual({ value: type, assumed: [] })
  })
  test('of the first form gets roles for its columns, and says which', () => {
    expect(loadType(firstForm(passbook))).toEqual({
      value: passbook,
      assumed: [
        'passbook.entries: took day as its date, note as its description, moved as its amount, left as its balance',
      ],
    })
    expect(loadType(firstForm(estimate))).toMatchObject({ value: estimate })
  })
  test('two amounts of dated rows are no amount and balance unless something says so', () => {
    const file = {
      id: 'log',
      title: 'Log',
      short: 'Log',
      pages: { min: 1, max: 1 },
      titles: ['log'],
      fields: [
        {
          name: 'trips',
          title: 'Trips',
          kind: 'table',
          columns: [
            { name: 'day', kind: 'date', labels: ['Day'] },
            { name: 'toll', kind: 'money', labels: ['Toll'] },
            { name: 'fuel', kind: 'money', labels: ['Fuel'] },
          ],
        },
      ],
    }
    expect(loadType(file).value.fields[0].columns.map((c) => c.role)).toEqual(['date', undefined, undefined])
  })
  test.each([0, 0.6, 0.9, 1])('of the third form with a threshold of %d asks as it did', (threshold) => {
    const file = JSON.parse(JSON.stringify(pledge)) as { fields: object[] }
    const fields = file.fields.map((field) => ({ ...field, costs: undefined, threshold }))
    for (const field of loadType({ ...file, fields, formatVersion: 3 }).value.fields)
      expect(askedBelow(field)).toBeCloseTo(threshold)
  })
  test('of the second form, ends of stretches and parts of zones are told by their names no more', () => {
    const period = (name: string) => ({ name, title: name, kind: 'date', sources: ['period'] })
    const { value, assumed } = loadType({
      formatVersion: 2,
      id: 'lease',
      title: 'Lease',
      short: 'Lease',
      pages: { min: 1, max: 1 },
      titles: ['lease'],
      fields: [
        period('commencing'),
        period('lease_end'),
        { name: 'expiry_date', title: 'Expiry', kind: 'date', sources: ['zone'] },
      ],
      relations: [{ kind: 'not_after', first: 'commencing', second: 'lease_end' }],
    })
    expect(value.fields.map((f) => f.sources)).toEqual([['period_start'], ['period_end'], ['zone_expiry']])
    expect(assumed[0]).toBe('lease.commencing: took its source as period start')
  })
  test('of today without roles keeps it so: nothing is assumed of it', () => {
    const plain = { ...(firstForm(passbook) as object), formatVersion: FORMAT_VERSION }
    const { value, assumed } = loadType(plain)
    expect([assumed, value.fields.at(-1)!.columns.map((c) => c.role)]).toEqual([
      [],
      [undefined, undefined, undefined, undefined],
    ])
  })
  test.each([
    ['a number', 7, 'This is no document type.'],
    ['a type of a form to come', { ...pledge, formatVersion: 99 }, /form 99.*up to 4/],
    ['a field of no kind', { ...pledge, fields: [{ name: 'x', title: 'X' }] }, /fields\.0\.kind/],
  ])('that is %s is refused in a sentence', (_, file, sentence) =>
    expect(() => loadType(file)).toThrow(sentence),
  )
})
test('a file of types is an array in which each is there once', () => {
  expect(loadTypes([passbook, pledge]).value).toEqual([passbook, pledge])
  expect(() => loadTypes(passbook)).toThrow('an array')
  expect(() => loadTypes([passbook, passbook])).toThrow('passbook is there twice')
})
test('what is no program is refused', () =>
  expect(() => loadProgram({ id: 'x' })).toThrow('This is no program'))
