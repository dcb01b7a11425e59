import type {
  Check,
  ColumnRole,
  Condition,
  DocumentType,
  Field,
  FieldKind,
  Need,
  Program,
  Requirement,
} from './schema.ts'
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
  const look = new Lookup(types, faults)
  look.reference('who applies', program.persons.applicant, ['name'])
  if (program.persons.coApplicant) look.reference('the second person', program.persons.coApplicant, ['name'])
  namesOf(program, look)
  for (const requirement of program.requirements) requirementFaults(requirement, program, look)
  for (const fact of program.facts) factFaults(fact, look)
  for (const check of program.checks) checkFaults(check, look.at(`check “${check.title || check.id}”`))
  for (const limit of program.limits)
    conditionFaults(limit.when, look.at(`limit “${limit.title || limit.id}”`))
  return faults
}

type FieldShape = TypeShape['fields'][number]

/** Finds what rules name among the types there are; what is not there, or of another kind, is a fault. */
class Lookup {
  constructor(
    readonly types: readonly TypeShape[],
    private readonly faults: Fault[],
  ) {}

  fault(where: string, what: string): void {
    this.faults.push({ where, what })
  }

  type(id: string): TypeShape | undefined {
    return this.types.find((t) => t.id === id)
  }

  /** The field of a type, which must be of one of the kinds. */
  field(
    where: string,
    type: string,
    name: string | undefined,
    kinds?: readonly FieldKind[],
  ): FieldShape | undefined {
    if (type === '' || name === undefined || name === '') {
      this.fault(where, 'a value is not chosen yet')
      return undefined
    }
    const found = this.type(type)
    if (!found) {
      this.fault(where, `there is no document type “${type}”`)
      return undefined
    }
    const one = found.fields.find((f) => f.name === name)
    if (!one) this.fault(where, `“${found.title}” has no value “${name}”`)
    else if (kinds && !kinds.includes(one.kind))
      this.fault(
        where,
        `“${one.title}” of “${found.title}” is ${named(one.kind)}, where ${kinds.map(named).join(' or ')} is needed`,
      )
    return one
  }

  /** The field of `type.field`. */
  reference(where: string, ref: string, kinds?: readonly FieldKind[]): FieldShape | undefined {
    const [type, name] = ref.split('.')
    return this.field(where, type, name, kinds)
  }

  column(where: string, ref: string, name: string, kinds: readonly string[]): void {
    const table = this.reference(where, ref, ['table'])
    const one = table?.columns.find((c) => c.name === name)
    if (table && !one) this.fault(where, `the table “${table.title}” has no column “${name}”`)
    else if (one && !kinds.includes(one.kind))
      this.fault(where, `the column “${name}” is no ${kinds.join(' or ')}`)
  }

  roles(where: string, ref: string, wanted: readonly ColumnRole[]): void {
    const table = this.reference(where, ref, ['table'])
    const there = table ? tableColumns(table) : {}
    for (const role of wanted)
      if (table && there[role] === undefined)
        this.fault(
          where,
          `no column of the table “${table.title}” is said to be its ${role.replace('_', ' ')}`,
        )
  }

  /** The same, for one rule. */
  at(where: string) {
    return {
      types: this.types,
      type: (id: string) => this.type(id),
      fault: (what: string) => this.fault(where, what),
      field: (type: string, name: string | undefined, kinds?: readonly FieldKind[]) =>
        this.field(where, type, name, kinds),
      reference: (ref: string, kinds?: readonly FieldKind[]) => this.reference(where, ref, kinds),
      column: (ref: string, name: string, kinds: readonly string[]) => this.column(where, ref, name, kinds),
      roles: (ref: string, wanted: readonly ColumnRole[]) => this.roles(where, ref, wanted),
      money: (...refs: string[]) => refs.forEach((ref) => void this.reference(where, ref, ['money'])),
      days: (...refs: string[]) => refs.forEach((ref) => void this.reference(where, ref, ['date'])),
      /** Values that must be of the same paper as the first. */
      beside: (first: string, ...rest: string[]) => {
        for (const ref of rest)
          if (ref.split('.')[0] !== first.split('.')[0])
            this.fault(where, `“${ref}” must be a value of the same paper as “${first}”`)
      },
    }
  }
}
type Place = ReturnType<Lookup['at']>

/** Rules without a name, and ids that two rules of a kind have. */
function namesOf(program: Program, look: Lookup): void {
  for (const [what, list] of [
    ['requirement', program.requirements],
    ['fact', program.facts],
    ['check', program.checks],
    ['limit', program.limits],
  ] as const) {
    const seen = new Set<string>()
    for (const { id, title } of list) {
      if (seen.has(id)) look.fault(`${what} “${title || id}”`, `another ${what} has the same id “${id}”`)
      if (title.trim() === '') look.fault(`${what} “${id}”`, 'it has no name')
      seen.add(id)
    }
  }
}

function conditionFaults(given: Condition, at: Place): void {
  const told = [given.is, given.over, given.rowsOver].filter((said) => said !== undefined).length
  if (told !== 1)
    at.fault(
      'a condition says one thing of a value: what it is, over which amount, or more than how many rows',
    )
  const kinds: FieldKind[] | undefined =
    given.over !== undefined ? ['money'] : given.rowsOver !== undefined ? ['table'] : undefined
  const found = at.reference(given.field, kinds)
  if (given.is === undefined) return
  if (found?.kind === 'choice' && !found.choices.some((c) => c.value === given.is))
    at.fault(
      `“${found.title}” is never “${String(given.is)}”: it is ${found.choices.map((c) => c.value).join(' or ')}`,
    )
  if (found?.kind === 'yesno' && typeof given.is !== 'boolean') at.fault(`“${found.title}” is yes or no`)
}

function requirementFaults(requirement: Requirement, program: Program, look: Lookup): void {
  const where = `requirement “${requirement.title || requirement.id}”`
  const { ways, any } = requirement
  if (requirement.when) conditionFaults(requirement.when, look.at(`${where}, when it is asked for`))
  ways.forEach((way, i) => {
    const at = ways.length > 1 ? `${where}, way ${i + 1}` : where
    if (way.when) conditionFaults(way.when, look.at(`${at}, its case`))
    else if (!any && i < ways.length - 1)
      look.fault(at, 'it holds in every case, so the ways after it can never be asked for')
    for (const need of way.needs) needFaults(need, program, look.at(at))
  })
  if (any && ways.length < 2) look.fault(where, 'any one of its ways will do, but it has only one')
  if (ways.length > 1 && (any ? ways.every((w) => w.when) : ways.at(-1)!.when))
    look.fault(
      where,
      any ? 'one of its ways must hold in every case' : 'its last way must hold in every other case',
    )
}

function needFaults(need: Need, program: Program, at: Place): void {
  const type = at.type(need.type)
  if (!type) return at.fault(`there is no document type “${need.type}”`)
  if (need.signed && !type.signature)
    at.fault(`“${type.title}” has no place for a signature, so none is ever signed`)
  if (need.whose !== 'anyone' && !type.person) at.fault(`nothing on “${type.title}” says whose it is`)
  if (need.whose === 'each_person' && !program.persons.coApplicant)
    at.fault('this program names no second person, so no paper can be asked of each')
  if (need.whose === 'named') {
    if (need.namedBy === undefined) at.fault('choose the value that says whose it is to be')
    else at.reference(need.namedBy, ['name', 'org'])
  }
  for (const name of need.filled) at.field(need.type, name)
  const days = [
    need.from,
    need.until,
    need.fresh?.field,
    need.months?.field,
    need.covers?.from,
    need.covers?.to,
  ]
  for (const name of days) if (name !== undefined) at.field(need.type, name, ['date'])
  if (need.years) at.field(need.type, need.years.field, ['number'])
  if (need.fresh && (need.fresh.days === undefined) === (need.fresh.months === undefined))
    at.fault('how old it may be is said in days or in months, in one of them')
  if (need.months && (need.covers || need.years))
    at.fault('it is asked for by months, by years or by what its periods cover, by one of them')
  if (need.atLeast) {
    at.field(need.type, need.atLeast.field, ['money'])
    at.reference(need.atLeast.than, ['money'])
    if (need.atLeast.than === `${need.type}.${need.atLeast.field}`)
      at.fault('a value is always as much as itself')
  }
  if (need.until !== undefined && need.until === need.from)
    at.fault('it would be in force on one day only: it begins and ends by the same value')
  if (need.listed) listedFaults(need.type, need.listed, at)
}

function listedFaults(type: string, listed: NonNullable<Need['listed']>, at: Place): void {
  at.column(listed.table, listed.name, ['name', 'text'])
  at.column(listed.table, listed.column, ['percent', 'number'])
  at.field(type, listed.field, ['name'])
  const isShare = at.types.some((t) =>
    t.fields.some(
      (f) =>
        `${t.id}.${f.name}` === listed.table &&
        f.columns.some((c) => c.name === listed.column && c.kind === 'percent'),
    ),
  )
  if (listed.atLeast > 100 && isShare)
    at.fault('nobody has a share of more than 100 %, so nobody would ever be asked for it')
}

function factFaults(fact: Program['facts'][number], look: Lookup): void {
  const at = look.at(`fact “${fact.title || fact.id}”`)
  if (fact.fields.length === 0) at.fault('nothing is compared yet')
  for (const ref of fact.fields) at.reference(ref, COMPARABLE[fact.kind])
  if (new Set(fact.fields).size < fact.fields.length)
    at.fault('a value is named twice and would be compared with itself')
  // One value alone is no fault: a register may say it, too.
}

function checkFaults(c: Check, at: Place): void {
  switch (c.kind) {
    case 'difference':
      at.money(c.total, c.minus, c.equals)
      if (c.minus === c.equals && c.total === c.minus) at.fault('three times the same value')
      break
    case 'near_mean':
      at.money(c.value, c.mean)
      if (c.percent < 0) at.fault('nothing is nearer than 0 %')
      if (c.divide === 0) at.fault('nothing can be divided by 0')
      break
    case 'reaches_account':
      at.money(c.amount)
      at.days(c.date, c.from, c.to)
      at.roles(c.table, ['date', 'amount'])
      at.beside(c.amount, c.date)
      at.beside(c.table, c.from, c.to)
      break
    case 'running_balance':
      at.roles(c.table, ['amount', 'balance'])
      at.money(c.opening, c.closing)
      at.beside(c.table, c.opening, c.closing)
      break
    case 'joins_up':
      at.money(c.opening, c.closing)
      at.days(c.from, c.to)
      at.beside(c.opening, c.closing, c.from, c.to)
      if (c.account) {
        at.reference(c.account)
        at.beside(c.opening, c.account)
      }
      break
    case 'lines_and_tax':
      at.roles(c.table, ['amount'])
      at.money(c.net, c.tax, c.total)
      at.beside(c.table, c.net, c.tax, c.total)
      break
    case 'column_total':
      at.column(c.table, c.column, ['percent', 'number'])
      break
    case 'at_least':
      at.money(c.value, c.than)
      if (c.value === c.than) at.fault('a value is always as much as itself')
      break
    case 'signed_within':
      at.days(c.opened)
      if (!at.types.some((t) => t.fields.some((f) => f.name === c.field && f.kind === 'date')))
        at.fault(`no document type has a day “${c.field}”`)
      break
  }
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
