import { builtInPrograms, programById } from './starter/programs.ts'
import { documentTypeSchema, programSchema } from './schema.ts'
import { builtInTypes } from './starter/types/index.ts'
import { unknownType, typeById } from './document-type.ts'

test('the built-in types and programs are data of the schema', () => {
  for (const type of builtInTypes) expect(documentTypeSchema.parse(type)).toEqual(type)
  for (const program of builtInPrograms) expect(programSchema.parse(program)).toEqual(program)
})
test('programs name only types and fields that exist', () => {
  const exists = (reference: string) => {
    const [type, field] = reference.split('.')
    const found = builtInTypes.find((t) => t.id === type)
    return found !== undefined && (field === undefined || found.fields.some((f) => f.name === field))
  }
  for (const program of builtInPrograms) {
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
test('ids are found, strange ones are unknown papers or no program', () => {
  expect(typeById(builtInTypes, 'payslip').title).toBe('Payslip')
  expect(typeById(builtInTypes, 'nonsense')).toBe(unknownType)
  expect(programById('nonsense')).toBeUndefined()
})
test('a fact or field listed twice would count twice', () => {
  for (const type of builtInTypes)
    expect(new Set(type.fields.map((f) => f.name)).size).toBe(type.fields.length)
})
