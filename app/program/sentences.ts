import type { Check, Condition, FieldKind, Need } from '../../core/program/index.ts'

/** A place in a sentence that whoever writes a rule fills. */
export type Slot =
  /** A value of a paper; `here` where the paper is named already. */
  | { is: 'value'; kinds?: readonly FieldKind[]; here?: true; optional?: string }
  | { is: 'number'; least?: number }
  /** A column of the table that another slot names. */
  | { is: 'column'; of: string; kinds: readonly string[] }
  | { is: 'choice'; options: readonly (readonly [value: string, words: string])[] }
  /** What the value of another slot may be. */
  | { is: 'answer'; of: string }

export type Filling = string | number | boolean | undefined
export type Fillings = Record<string, Filling>

/** A kind of rule as a sentence: words with slots in braces. Editors and plain text are both made from it. */
export interface Sentence {
  name: string
  words: string
  slots: Record<string, Slot>
}

const money: Slot = { is: 'value', kinds: ['money'] }
const day: Slot = { is: 'value', kinds: ['date'] }
const table: Slot = { is: 'value', kinds: ['table'] }
const number: Slot = { is: 'number', least: 0 }

/** Every kind of check. The slots are the fields of its schema. */
export const CHECKS: Record<Check['kind'], Sentence> = {
  difference: {
    name: 'one amount less another is a third',
    words: '{total} less {minus} is {equals}',
    slots: { total: money, minus: money, equals: money },
  },
  at_least: {
    name: 'an amount covers another',
    words: '{value} is at least {than}',
    slots: { value: money, than: money },
  },
  near_mean: {
    name: 'an amount is near the mean of others',
    words: '{value} divided by {divide} is within {percent} % of the mean of {mean}',
    slots: { value: money, divide: { is: 'number', least: 1 }, percent: number, mean: money },
  },
  reaches_account: {
    name: 'amounts are on an account',
    words: '{amount} is in {table} within {days} days of {date}, where {from} to {to} covers that day',
    slots: { amount: money, table, days: number, date: day, from: day, to: day },
  },
  running_balance: {
    name: 'a running balance adds up',
    words: '{opening} and the rows of {table} lead to {closing}',
    slots: { opening: money, table, closing: money },
  },
  joins_up: {
    name: 'papers follow one another',
    words: '{opening} is {closing} of the one before, by {from} and {to}, each {account} for itself',
    slots: {
      opening: money,
      closing: money,
      from: day,
      to: day,
      account: { is: 'value', optional: 'all together' },
    },
  },
  lines_and_tax: {
    name: 'lines, tax and total',
    words: 'the rows of {table} sum to {net}, which with {tax} makes {total}',
    slots: { table, net: money, tax: money, total: money },
  },
  column_total: {
    name: 'a column sums to a number',
    words: 'the column {column} of {table} sums to {is}',
    slots: { table, column: { is: 'column', of: 'table', kinds: ['percent', 'number'] }, is: number },
  },
  signed_within: {
    name: 'days of signing',
    words: 'no {field} lies after the day of checking, or more than {daysBefore} days before {opened}',
    slots: {
      field: { is: 'choice', options: [['signature_date', 'signature date']] },
      daysBefore: number,
      opened: day,
    },
  },
}

/** What a condition may say of a value. */
export const CONDITIONS = {
  is: {
    name: 'is',
    words: '{field} is {is}',
    slots: { field: { is: 'value', kinds: ['choice', 'yesno'] }, is: { is: 'answer', of: 'field' } },
  },
  over: { name: 'is over an amount', words: '{field} is over {over}', slots: { field: money, over: number } },
  rowsOver: {
    name: 'has more rows than',
    words: '{field} has more than {rowsOver} rows',
    slots: { field: table, rowsOver: number },
  },
} as const satisfies Record<string, Sentence>
export type ConditionKind = keyof typeof CONDITIONS

export const conditionKind = (condition: Condition): ConditionKind =>
  condition.over !== undefined ? 'over' : condition.rowsOver !== undefined ? 'rowsOver' : 'is'

/** By which value of another paper somebody is named whose paper is asked for. */
export const NAMED_BY: Sentence = {
  name: 'named by another paper',
  words: 'named as {namedBy}',
  slots: { namedBy: { is: 'value', kinds: ['name', 'org'] } },
}

/** Something asked of a paper of a requirement. */
export interface Clause extends Sentence {
  read: (need: Need) => Fillings | null
  write: (need: Need, fillings: Fillings) => Need
  without: (need: Need) => Need
}

const here = (kinds: readonly FieldKind[]): Slot => ({ is: 'value', kinds, here: true })
const text = (filling: Filling): string => String(filling ?? '')
const amount = (filling: Filling): number => Number(filling ?? 0)

/** A clause that is one field of a need's schema. */
function clause<K extends keyof Need>(
  key: K,
  sentence: Sentence,
  read: (value: NonNullable<Need[K]>) => Fillings | null,
  write: (fillings: Fillings) => Need[K],
  none: Need[K],
): Clause {
  return {
    ...sentence,
    read: (need) => (need[key] === undefined || need[key] === null ? null : read(need[key])),
    write: (need, fillings) => ({ ...need, [key]: write(fillings) }),
    without: (need) => ({ ...need, [key]: none }),
  }
}

/** One of several values that must be filled in. */
const filledAt = (at: number): Clause => ({
  name: at === 0 ? 'a value filled in' : 'another value filled in',
  words: '{field} is filled in',
  slots: { field: { is: 'value', here: true } },
  read: ({ filled }) => (filled[at] === undefined ? null : { field: filled[at] }),
  write: (need, fillings) => ({ ...need, filled: need.filled.toSpliced(at, 1, text(fillings.field)) }),
  without: (need) => ({ ...need, filled: need.filled.toSpliced(at, 1) }),
})

/** All that may be asked of a paper, in the order in which it is read. */
export const CLAUSES: Record<string, Clause> = {
  signed: clause(
    'signed',
    { name: 'signed', words: 'it is signed', slots: {} },
    (v) => (v ? {} : null),
    () => true,
    false,
  ),
  ...Object.fromEntries([0, 1, 2, 3].map((at) => [`filled${at}`, filledAt(at)])),
  fresh: clause(
    'fresh',
    {
      name: 'not too old',
      words: '{field} is at most {count} {unit} ago',
      slots: {
        field: here(['date']),
        count: { is: 'number', least: 1 },
        unit: {
          is: 'choice',
          options: [
            ['days', 'days'],
            ['months', 'months'],
          ],
        },
      },
    },
    (v) => ({ field: v.field, count: v.days ?? v.months, unit: v.days !== undefined ? 'days' : 'months' }),
    (f) => ({
      field: text(f.field),
      [f.unit === 'months' ? 'months' : 'days']: Math.max(1, amount(f.count)),
    }),
    undefined,
  ),
  from: clause(
    'from',
    { name: 'in force already', words: 'it is in force from {field}', slots: { field: here(['date']) } },
    (v) => ({ field: v }),
    (f) => text(f.field),
    undefined,
  ),
  until: clause(
    'until',
    { name: 'still good', words: 'it is good until {field}', slots: { field: here(['date']) } },
    (v) => ({ field: v }),
    (f) => text(f.field),
    undefined,
  ),
  months: clause(
    'months',
    {
      name: 'one for each month',
      words: 'there is one for each of {count} months in a row, by {field}',
      slots: { count: { is: 'number', least: 1 }, field: here(['date']) },
    },
    (v) => ({ ...v }),
    (f) => ({ field: text(f.field), count: Math.max(1, amount(f.count)) }),
    undefined,
  ),
  years: clause(
    'years',
    {
      name: 'one for each year',
      words: 'there is one for each of the last {count} calendar years, by {field}',
      slots: { count: { is: 'number', least: 1 }, field: here(['number']) },
    },
    (v) => ({ ...v }),
    (f) => ({ field: text(f.field), count: Math.max(1, amount(f.count)) }),
    undefined,
  ),
  covers: clause(
    'covers',
    {
      name: 'without a gap',
      words: '{from} to {to} together cover {months} months without a gap',
      slots: { from: here(['date']), to: here(['date']), months: { is: 'number', least: 1 } },
    },
    (v) => ({ ...v }),
    (f) => ({ from: text(f.from), to: text(f.to), months: Math.max(1, amount(f.months)) }),
    undefined,
  ),
  atLeast: clause(
    'atLeast',
    {
      name: 'high enough',
      words: '{field} is at least {than}',
      slots: { field: here(['money']), than: money },
    },
    (v) => ({ ...v }),
    (f) => ({ field: text(f.field), than: text(f.than) }),
    undefined,
  ),
  listed: clause(
    'listed',
    {
      name: 'one for everybody on a list',
      words:
        'there is one for everybody in {table} whose {column} is at least {atLeast}: {name} there is {field} here',
      slots: {
        table,
        column: { is: 'column', of: 'table', kinds: ['percent', 'number'] },
        atLeast: number,
        name: { is: 'column', of: 'table', kinds: ['name', 'text'] },
        field: here(['name']),
      },
    },
    (v) => ({ ...v }),
    (f) => ({
      table: text(f.table),
      name: text(f.name),
      column: text(f.column),
      atLeast: amount(f.atLeast),
      field: text(f.field),
    }),
    undefined,
  ),
}

/** A sentence's parts: words, and names of slots. */
export const partsOf = (sentence: Sentence): ({ words: string } | { slot: string })[] =>
  sentence.words
    .split(/(\{\w+\})/)
    .filter(Boolean)
    .map((part) => (part.startsWith('{') ? { slot: part.slice(1, -1) } : { words: part }))
