import Ajv from 'ajv/dist/2020.js'
import { readFileSync } from 'node:fs'
import { programJsonSchema } from './json-schema.ts'

const valid = new Ajv({ strict: false }).compile(programJsonSchema())
const programs = JSON.parse(
  readFileSync(new URL('../../demo/lenders/merrow-sound/programs.json', import.meta.url), 'utf8'),
) as Record<string, unknown>[]
const file = (id: string) => programs.find((program) => program.id === id)

test.each(['working-boat-loan', 'trader-account'])('the file of %s is valid by the published schema', (id) =>
  expect([valid(file(id)), valid.errors]).toEqual([true, null]),
)
test('a file with a check of no known kind is not', () =>
  expect(valid({ ...file('trader-account'), checks: [{ kind: 'guess', id: 'x', title: 'X' }] })).toBe(false))
test('the published file is the schema of today', () =>
  expect(
    JSON.parse(readFileSync(new URL('../../docs/program.schema.json', import.meta.url), 'utf8')),
  ).toEqual(programJsonSchema()))
