import { merrowSound, starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import { tarrowValley } from '../../demo/lenders/tarrow-valley/index.ts'
import { faultsOf } from './faults.ts'
import { askedBelow, documentTypeSchema, fieldSchema, programSchema } from './schema.ts'
import { unknownType, typeById } from './document-type.ts'

test.each([
  ['Merrow Sound', merrowSound],
  ['Tarrow Valley', tarrowValley],
])('types and programs of %s are data of the schema, and can be met', (_, { types, programs }) => {
  for (const type of types) expect(documentTypeSchema.parse(type)).toEqual(type)
  for (const program of programs) {
    expect(programSchema.parse(program)).toEqual(program)
    expect(faultsOf(program, types)).toEqual([])
  }
})
test('programs name only types and fields that exist', () => {
  const exists = (reference: string) => {
    const [type, field] = reference.split('.')
    const found = starterTypes.find((t) => t.id === type)
    return found !== undefined && (field === undefined || found.fields.some((f) => f.name === field))
  }
  for (const program of merrowSound.programs) {
    for (const fact of program.facts)
      for (const field of fact.fields) expect([field, exists(field)]).toEqual([field, true])
    for (const requirement of program.requirements)
      for (const way of requirement.ways)
        for (const need of way.needs) {
          expect([need.type, exists(need.type)]).toEqual([need.type, true])
          for (const field of [
            need.until,
            need.from,
            need.fresh?.field,
            need.months?.field,
            need.covers?.from,
            need.covers?.to,
            need.atLeast?.field,
            ...need.filled,
          ])
            if (field) expect([field, exists(`${need.type}.${field}`)]).toEqual([field, true])
        }
  }
})
test('a type whose rules name a field it lacks is refused, with the name', () => {
  const result = documentTypeSchema.safeParse({
    id: 'x',
    title: 'X',
    short: 'X',
    pages: { min: 1, max: 1 },
    titles: [],
    fields: [],
    person: 'holder',
  })
  expect(result.error?.issues[0].message).toContain('"holder"')
})
test('types are found by id, strange ones are unknown papers', () => {
  expect(typeById(starterTypes, 'payslip').title).toBe('Payslip')
  expect(typeById(starterTypes, 'nonsense')).toBe(unknownType)
})
test('a fact or field listed twice would count twice', () => {
  for (const type of starterTypes)
    expect(new Set(type.fields.map((f) => f.name)).size).toBe(type.fields.length)
})

describe('a question is asked where the slip to be expected costs more', () => {
  const field = (more: object) => fieldSchema.parse({ name: 'f', title: 'F', kind: 'id', ...more })
  test.each([
    [{ slip: 10, question: 1 }, 0.9],
    [{ slip: 100, question: 1 }, 0.99],
    [{ slip: 4, question: 3 }, 0.25],
    [{ slip: 1, question: 0 }, 1],
    [{ slip: 1, question: 5 }, 0],
    [{ slip: 0, question: 0 }, 0],
  ])('%o: below %d', (costs, below) => expect(askedBelow(field({ costs }))).toBeCloseTo(below))
})
