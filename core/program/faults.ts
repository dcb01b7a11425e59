import type { Condition, DocumentType, Field, FieldKind, Need, Program, ColumnRole } from './schema.ts'
import { tableColumns } from './table-columns.ts'

/** What is known of a document type where programs are written. */
export type TypeShape = Pick<DocumentType, 'id' | 'title' | 'person'> & {
  signature: unknown
  fields: Pick<Field, 'name' | 'title' | 'kind' | 'columns' | 'choices'>[]
}

/** Something in a program that cannot be as it is: where, in words a lead reads, and what. */
export interface Fault {
  where: string
  what: string
}

/**
 * Goes through a program for rules that name what does not exist, compare what cannot be compared, or can
 * never be met. A program with faults is refused: one that asks for the impossible would hold up every
 * package it judges.
 */
export function faultsOf(program: Program, types: readonly TypeShape[]): Fault[] {
  const faults: Fault[] = []
  const fault = (where: string, what: string) => void faults.push({ where, what })
  const typeOf = (id: string) => types.find((t) => t.id === id)

  /** The field of `type.field`, which must be of one of the kinds. */
  const field = (
    where: string,
    type: string,
    name: string | undefined,
    kinds?: readonly FieldKind[],
  ): TypeShape['fields'][number] | undefined => {
    if (type === '' || name === undefined || name === '') {
      fault(where, 'a value is not chosen yet')
      return undefined
    }
    const found = typeOf(type)
    if (!found) {
      fault(where, `there is no document type “${type}”`)
      return undefined
    }
    const one = found.fields.find((f) => f.name === name)
    if (!one) fault(where, `“${found.title}” has no value “${name}”`)
    else if (kinds && !kinds.includes(one.kind))
      fault(
        where,
        `“${one.title}” of “${found.title}” is ${named(one.kind)}, where ${kinds.map(named).join(' or ')} is needed`,
      )
    return one
  }
  const reference = (where: string, ref: string, kinds?: readonly FieldKind[]) => {
    const [type, name] = ref.split('.')
    return field(where, type, name, kinds)
  }
  const column = (where: string, ref: string, name: string, kinds: readonly string[]) => {
    const table = reference(where, ref, ['table'])
    const one = table?.columns.find((c) => c.name === name)
    if (table && !one) fault(where, `the table “${table.title}” has no column “${name}”`)
    else if (one && !kinds.includes(one.kind))
      fault(where, `the column “${name}” is no ${kinds.join(' or ')}`)
  }
  const roles = (where: string, ref: string, wanted: readonly ColumnRole[]) => {
    const table = reference(where, ref, ['table'])
    const there = table ? tableColumns(table) : {}
    for (const role of wanted)
      if (table && there[role] === undefined)
        fault(where, `no column of the table “${table.title}” is said to be its ${role.replace('_', ' ')}`)
  }
  const condition = (where: string, given: Condition) => {
    const told = [given.is !== undefined, given.over !== undefined, given.rowsOver !== undefined].filter(
      Boolean,
    ).length
    if (told !== 1)
      fault(
        where,
        'a condition says one thing of a value: what it is, over which amount, or more than how many rows',
      )
    const found = reference(
      where,
      given.field,
      given.over !== undefined ? ['money'] : given.rowsOver !== undefined ? ['table'] : undefined,
    )
    if (
      found?.kind === 'choice' &&
      given.is !== undefined &&
      !found.choices.some((c) => c.value === given.is)
    )
      fault(
        where,
        `“${found.title}” is never “${String(given.is)}”: it is ${found.choices.map((c) => c.value).join(' or ')}`,
      )
    if (found?.kind === 'yesno' && given.is !== undefined && typeof given.is !== 'boolean')
      fault(where, `“${found.title}” is yes or no`)
  }

  const need = (where: string, given: Need) => {
    const type = typeOf(given.type)
    if (!type) return fault(where, `there is no document type “${given.type}”`)
    if (given.signed && !type.signature)
      fault(where, `“${type.title}” has no place for a signature, so none is ever signed`)
    if (given.whose !== 'anyone' && !type.person) fault(where, `nothing on “${type.title}” says whose it is`)
    if (given.whose === 'each_person' && !program.persons.coApplicant)
      fault(where, 'this program names no second person, so no paper can be asked of each')
    const days = (name: string | undefined) => {
      if (name !== undefined) field(where, given.type, name, ['date'])
    }
    for (const name of given.filled) field(where, given.type, name)
    for (const name of [
      given.from,
      given.until,
      given.fresh?.field,
      given.months?.field,
      given.covers?.from,
      given.covers?.to,
    ])
      days(name)
    if (given.years) field(where, given.type, given.years.field, ['number'])
    if (given.fresh && (given.fresh.days === undefined) === (given.fresh.months === undefined))
      fault(where, 'how old it may be is said in days or in months, in one of them')
    if (given.months && (given.covers || given.years))
      fault(where, 'it is asked for by months, by years or by what its periods cover, by one of them')
    if (given.atLeast) {
      field(where, given.type, given.atLeast.field, ['money'])
      reference(where, given.atLeast.than, ['money'])
      if (given.atLeast.than === `${given.type}.${given.atLeast.field}`)
        fault(where, 'a value is always as much as itself')
    }
    if (given.until !== undefined && given.until === given.from)
      fault(where, 'it would be in force on one day only: it begins and ends by the same value')
    if (given.listed) {
      column(where, given.listed.table, given.listed.name, ['name', 'text'])
      column(where, given.listed.table, given.listed.column, ['percent', 'number'])
      field(where, given.type, given.listed.field, ['name'])
      if (
        given.listed.atLeast > 100 &&
        types.some((t) =>
          t.fields.some(
            (f) =>
              `${t.id}.${f.name}` === given.listed!.table &&
              f.columns.some((c) => c.name === given.listed!.column && c.kind === 'percent'),
          ),
        )
      )
        fault(where, 'nobody has a share of more than 100 %, so nobody would ever be asked for it')
    }
  }

  reference('who applies', program.persons.applicant, ['name'])
  if (program.persons.coApplicant) reference('the second person', program.persons.coApplicant, ['name'])
  for (const [what, list] of [
    ['requirement', program.requirements],
    ['fact', program.facts],
    ['check', program.checks],
    ['limit', program.limits],
  ] as const) {
    const seen = new Set<string>()
    for (const { id, title } of list) {
      if (seen.has(id)) fault(`${what} “${title || id}”`, `another ${what} has the same id “${id}”`)
      if (title.trim() === '') fault(`${what} “${id}”`, 'it has no name')
      seen.add(id)
    }
  }
  for (const r of program.requirements) {
    const where = `requirement “${r.title || r.id}”`
    if (r.when) condition(`${where}, when it is asked for`, r.when)
    r.ways.forEach((way, i) => {
      const at = r.ways.length > 1 ? `${where}, way ${i + 1}` : where
      if (way.when) condition(`${at}, its case`, way.when)
      else if (!r.any && i < r.ways.length - 1)
        fault(at, 'it holds in every case, so the ways after it can never be asked for')
      for (const one of way.needs) need(at, one)
    })
    if (r.any && r.ways.length < 2) fault(where, 'any one of its ways will do, but it has only one')
    if (r.ways.length > 1 && (r.any ? r.ways.every((w) => w.when) : r.ways.at(-1)!.when))
      fault(
        where,
        r.any ? 'one of its ways must hold in every case' : 'its last way must hold in every other case',
      )
  }
  for (const f of program.facts) {
    const where = `fact “${f.title || f.id}”`
    const kinds = COMPARABLE[f.kind]
    if (f.fields.length === 0) fault(where, 'nothing is compared yet')
    for (const ref of f.fields) reference(where, ref, kinds)
    if (new Set(f.fields).size < f.fields.length)
      fault(where, 'a value is named twice and would be compared with itself')
    if (f.fields.length === 1 && !repeated(f.fields[0], program))
      fault(where, 'one value of one paper has nothing to be compared with')
  }
  for (const c of program.checks) {
    const where = `check “${c.title || c.id}”`
    const money = (...refs: string[]) => refs.forEach((ref) => void reference(where, ref, ['money']))
    const days = (...refs: string[]) => refs.forEach((ref) => void reference(where, ref, ['date']))
    const beside = (first: string, ...rest: string[]) => {
      for (const ref of rest)
        if (ref.split('.')[0] !== first.split('.')[0])
          fault(where, `“${ref}” must be a value of the same paper as “${first}”`)
    }
    switch (c.kind) {
      case 'difference':
        money(c.total, c.minus, c.equals)
        if (c.minus === c.equals && c.total === c.minus) fault(where, 'three times the same value')
        break
      case 'near_mean':
        money(c.value, c.mean)
        if (c.percent < 0) fault(where, 'nothing is nearer than 0 %')
        if (c.divide === 0) fault(where, 'nothing can be divided by 0')
        break
      case 'reaches_account':
        money(c.amount)
        days(c.date, c.from, c.to)
        roles(where, c.table, ['date', 'amount'])
        beside(c.amount, c.date)
        beside(c.table, c.from, c.to)
        break
      case 'running_balance':
        roles(where, c.table, ['amount', 'balance'])
        money(c.opening, c.closing)
        beside(c.table, c.opening, c.closing)
        break
      case 'joins_up':
        money(c.opening, c.closing)
        days(c.from, c.to)
        beside(c.opening, c.closing, c.from, c.to)
        if (c.account) {
          reference(where, c.account)
          beside(c.opening, c.account)
        }
        break
      case 'lines_and_tax':
        roles(where, c.table, ['amount'])
        money(c.net, c.tax, c.total)
        beside(c.table, c.net, c.tax, c.total)
        break
      case 'column_total':
        column(where, c.table, c.column, ['percent', 'number'])
        break
      case 'at_least':
        money(c.value, c.than)
        if (c.value === c.than) fault(where, 'a value is always as much as itself')
        break
      case 'signed_within':
        days(c.opened)
        if (!types.some((t) => t.fields.some((f) => f.name === c.field && f.kind === 'date')))
          fault(where, `no document type has a day “${c.field}”`)
        break
    }
  }
  for (const l of program.limits) condition(`limit “${l.title || l.id}”`, l.when)
  return faults
}

const COMPARABLE: Record<Program['facts'][number]['kind'], readonly FieldKind[]> = {
  name: ['name'],
  org: ['org', 'name'],
  address: ['address'],
  date: ['date'],
  money: ['money'],
  id: ['id', 'iban'],
  text: ['text', 'name', 'org'],
}
const NAMED: Record<FieldKind, string> = {
  name: 'a person’s name',
  org: 'a firm’s name',
  address: 'an address',
  date: 'a day',
  money: 'an amount',
  number: 'a number',
  percent: 'a percentage',
  id: 'a number or code',
  iban: 'an account',
  email: 'an e-mail address',
  phone: 'a telephone number',
  text: 'words',
  choice: 'a choice',
  yesno: 'yes or no',
  table: 'a table',
}
const named = (kind: FieldKind): string => NAMED[kind]

/** Whether several papers of a value's type are asked for, so that their values can be compared with one another. */
const repeated = (ref: string, program: Program): boolean =>
  program.requirements.some((r) =>
    r.ways.some((w) =>
      w.needs.some(
        (n) => n.type === ref.split('.')[0] && (n.months ?? n.years ?? n.covers ?? n.listed) !== undefined,
      ),
    ),
  )
