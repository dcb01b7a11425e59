import {
  EMPTY,
  isReady,
  linesOf,
  shareOf,
  withField,
  withIds,
  withMoved,
  withNewField,
  withSaid,
  withTable,
  withUsualRoles,
  withoutField,
} from './edit.ts'

const titled = (...titles: string[]) =>
  titles.reduce((type, title, i) => withField(withNewField(type), i, { title }), {
    ...EMPTY,
    title: 'Berth permit',
    titles: ['berth permit'],
  })
const names = (type: typeof EMPTY) => type.fields.map((f) => f.name)

test('a new field has a name that no other has, until it has a title', () => {
  const type = withNewField(withNewField(EMPTY))
  expect(names(type)).toEqual(['value_1', 'value_2'])
  expect(names(withNewField({ ...type, fields: [type.fields[1]] }))).toEqual(['value_2', 'value_3'])
})
test('ids come of titles; of two alike the second keeps its own', () => {
  const { id, short, fields } = withIds(titled('Harbour dues', 'Valid until'))
  expect([id, short, fields.map((f) => f.name)]).toEqual([
    'berth_permit',
    'Berth permit',
    ['harbour_dues', 'valid_until'],
  ])
  const taken = titled('Owner', 'Owner')
  taken.fields[0].name = 'owner'
  expect(names(withIds(taken))).toEqual(['owner', 'value_2'])
})
test('what says whose paper it is follows its field to a new name, and goes with it', () => {
  const type = { ...titled('Owner', 'Dues'), person: 'value_1', tellsApart: 'value_2' }
  expect(withIds(type)).toMatchObject({ person: 'owner', tellsApart: 'dues' })
  expect(withoutField(type, 0)).toMatchObject({ person: null, tellsApart: 'value_2' })
})
test('a field moves up and down', () => {
  expect(names(withMoved(titled('A', 'B', 'C'), 2, -1))).toEqual(['value_1', 'value_3', 'value_2'])
  expect(names(withMoved(titled('A', 'B', 'C'), 0, 1))).toEqual(['value_2', 'value_1', 'value_3'])
})
test('a type is ready with a name, something that tells it, and titles for all of its fields', () => {
  expect(isReady(titled('Owner'), false)).toBe(true)
  expect(isReady({ ...titled('Owner'), titles: [] }, false)).toBe(false)
  expect(isReady({ ...titled('Owner'), titles: [] }, true)).toBe(true)
  expect(isReady(withNewField(titled('Owner')), false)).toBe(false)
})
test('lines are had once, without empty ones', () =>
  expect(linesOf(' berth permit \n\nmooring\nberth permit')).toEqual(['berth permit', 'mooring']))
test('what is typed for a share stays within its bounds', () =>
  expect(['80', '0', '250', 'x'].map((typed) => shareOf(typed, 1, 99))).toEqual([0.8, 0.01, 0.99, 0.01]))

test('a value that a sample says brings its wording; the first name says whose paper it is', () => {
  const one = withSaid(EMPTY, { label: 'Account holder', kind: 'name' })
  expect(one.fields[0]).toMatchObject({ title: 'Account holder', labels: ['account holder'], kind: 'name' })
  const two = withSaid(one, { label: 'Contact', kind: 'name' })
  expect(withIds({ ...two, title: 'Bill' })).toMatchObject({ person: 'account_holder' })
})

test('a table that a sample shows has a column for each head, with what such columns usually mean', () => {
  const { fields } = withTable(EMPTY, [
    { head: 'Posted', kind: 'date' },
    { head: 'Details', kind: 'text' },
    { head: 'Amount', kind: 'money' },
    { head: 'Balance', kind: 'money' },
  ])
  expect(fields[0].columns.map((c) => [c.name, c.role])).toEqual([
    ['posted', 'date'],
    ['details', 'description'],
    ['amount', 'amount'],
    ['balance', 'balance'],
  ])
})
test('a meaning that nobody chose follows the head; one that was chosen stays', () => {
  const column = (label: string, role?: 'amount' | 'balance') => ({
    name: 'c',
    kind: 'money' as const,
    labels: [label],
    optional: false,
    role,
  })
  const guessed = withUsualRoles([], [column('Toll')])
  expect(guessed[0].role).toBe('amount')
  const chosen = [{ ...guessed[0], role: 'balance' as const }]
  expect(withUsualRoles(chosen, [{ ...chosen[0], labels: ['Amount'] }])[0].role).toBe('balance')
})

test('a value that is taken away takes the sums with it that it was part of', () => {
  const type = withField(withField(withNewField(withNewField(EMPTY)), 0, { name: 'net' }), 1, {
    name: 'gross',
  })
  const added = { ...type, relations: [{ kind: 'at_most' as const, less: 'net', more: 'gross' }] }
  expect(withoutField(added, 0)).toMatchObject({ relations: [], fields: [{ name: 'gross' }] })
})

test('a chosen meaning is one column’s alone, and goes where its kind cannot have it', () => {
  const column = (kind: 'money' | 'text', label: string, role?: 'balance' | 'amount' | 'description') => ({
    name: label,
    kind,
    labels: [label],
    optional: false,
    role,
  })
  const before = [column('money', 'Toll', 'balance'), column('money', 'Fuel', undefined)]
  const renamed = withUsualRoles(before, [before[0], { ...before[1], labels: ['Balance'] }])
  expect(renamed.map((c) => c.role).filter((role) => role === 'balance')).toHaveLength(1)
  const asWords = withUsualRoles(before, [{ ...before[0], kind: 'text' as const }, before[1]])
  expect(asWords[0].role).toBe('description')
})
