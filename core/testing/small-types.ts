import { documentTypeSchema, type DocumentType, type Field } from '../program/schema.ts'

/**
 * Three small document types for tests of the engine, with names that no shipped type uses: what depends on a
 * name of a shipped type fails here.
 */

const money = (name: string, title: string) => ({ name, title, kind: 'money' as const, labels: [title] })
const date = (name: string, title: string) => ({ name, title, kind: 'date' as const, labels: [title] })

/** A book of bookings with a running balance. */
export const passbook: DocumentType = documentTypeSchema.parse({
  id: 'passbook',
  title: 'Passbook',
  short: 'Passbook',
  pages: { min: 1, max: 4 },
  titles: ['savings passbook'],
  person: 'saver',
  fields: [
    { name: 'saver', title: 'Saver', kind: 'name', labels: ['saver'] },
    date('from', 'From'),
    date('until', 'Until'),
    money('begun_with', 'Begun with'),
    money('ended_with', 'Ended with'),
    {
      name: 'entries',
      title: 'Entries',
      kind: 'table',
      columns: [
        { name: 'day', kind: 'date', role: 'date', labels: ['date'] },
        { name: 'note', kind: 'text', role: 'description', labels: ['description'] },
        { name: 'moved', kind: 'money', role: 'amount', labels: ['amount'] },
        { name: 'left', kind: 'money', role: 'balance', labels: ['balance'] },
      ],
    },
  ],
  relations: [
    { kind: 'not_after', first: 'from', second: 'until' },
    { kind: 'running', table: 'entries', opening: 'begun_with', closing: 'ended_with' },
  ],
})

/** An estimate of goods with quantities and prices. */
export const estimate: DocumentType = documentTypeSchema.parse({
  id: 'estimate',
  title: 'Estimate',
  short: 'Estimate',
  pages: { min: 1, max: 2 },
  titles: ['estimate'],
  fields: [
    money('before_tax', 'Before tax'),
    money('tax', 'Tax'),
    money('to_pay', 'To pay'),
    {
      name: 'goods',
      title: 'Goods',
      kind: 'table',
      columns: [
        { name: 'what', kind: 'text', role: 'description', labels: ['item'] },
        { name: 'count', kind: 'number', role: 'quantity', labels: ['number'] },
        { name: 'each', kind: 'money', role: 'unit_price', labels: ['each'] },
        { name: 'all', kind: 'money', role: 'amount', labels: ['price'] },
      ],
    },
  ],
  relations: [
    { kind: 'lines_sum', table: 'goods', total: 'before_tax' },
    { kind: 'sum', parts: ['before_tax', 'tax'], total: 'to_pay' },
  ],
})

/** A form with choices and a place to sign. */
export const pledge: DocumentType = documentTypeSchema.parse({
  id: 'pledge',
  title: 'Pledge',
  short: 'Pledge',
  pages: { min: 1, max: 2 },
  titles: ['pledge of goods'],
  person: 'giver',
  signature: { labels: ['signature of the giver'] },
  fields: [
    { name: 'giver', title: 'Giver', kind: 'name', labels: ['giver'] },
    { name: 'pledge_number', title: 'Pledge number', kind: 'id', labels: ['pledge number'] },
    date('given_on', 'Given on'),
    money('worth', 'Worth'),
    { name: 'insured', title: 'Insured', kind: 'yesno', labels: ['insured'] },
    {
      name: 'kept',
      title: 'Kept',
      kind: 'choice',
      labels: ['kept'],
      choices: [
        { value: 'here', words: ['at our store'] },
        { value: 'there', words: ['with the giver'] },
      ],
    },
  ],
})

/** A field of a type by its name. */
export function fieldNamed(type: DocumentType, name: string): Field {
  const field = type.fields.find((f) => f.name === name)
  if (!field) throw new Error(`${type.id} has no field ${name}`)
  return field
}

export const entries = fieldNamed(passbook, 'entries')
export const goods = fieldNamed(estimate, 'goods')
