import { followChain } from './balance-chain.ts'

/** Rows as amount and balance in whole euros; weak ones have a mark. */
const chain = (...rows: [amount: number | null, balance: number | null, weak?: 'weak'][]) =>
  followChain(
    rows.map(([amount, balance, weak]) => ({ amount, balance, weak: weak !== undefined, way: 0 })),
  ).map(({ amount, balance }) => [amount, balance])

test('rows that add up stay as they are', () =>
  expect(chain([-10, 90], [-40, 50], [25, 75])).toEqual([
    [-10, 90],
    [-40, 50],
    [25, 75],
  ]))
test('a lost balance leaves two signs open, which only go together', () => {
  expect(chain([-10, 297104], [15966, null], [14557, 266581])).toEqual([
    [-10, 297104],
    [-15966, 281138],
    [-14557, 266581],
  ])
})
test('three amounts without a sign between two balances', () => {
  expect(chain([-10, 100000], [2517, null], [3391, null], [417, 94509])).toEqual([
    [-10, 100000],
    [-2517, 97483],
    [-3391, 94092],
    [417, 94509],
  ])
})
test('the row behind says which balance was misread', () => {
  expect(chain([-1310, 90217], [-4055, 86762, 'weak'], [-517, 85645])).toEqual([
    [-1310, 90217],
    [-4055, 86162],
    [-517, 85645],
  ])
})
test('an amount and its balance that lost their first figures together', () => {
  expect(chain([-1310, 690217], [-4055, 162], [-517, 685645])).toEqual([
    [-1310, 690217],
    [-4055, 686162],
    [-517, 685645],
  ])
})
test('what does not add up in clear print is left to be found', () => {
  expect(chain([-1310, 90217], [-4155, 86162], [-517, 85645])).toEqual([
    [-1310, 90217],
    [-4155, 86162],
    [-517, 85645],
  ])
})
test('a sign is turned where a balance bears it out, not where nothing does', () => {
  expect(chain([1310, 90217], [4055, 86162])).toEqual([
    [1310, 90217],
    [-4055, 86162],
  ])
  expect(chain([1310, 90217], [4055, null])).toEqual([
    [1310, 90217],
    [4055, 94272],
  ])
})
test('an overdrawn account lost its minus', () =>
  expect(chain([-1310, 217], [-4055, 3838, 'weak'], [-517, -4355])).toEqual([
    [-1310, 217],
    [-4055, -3838],
    [-517, -4355],
  ]))
test('where two ways fit, the way of its kind is likelier', () => {
  const rows = (way: number) =>
    followChain([
      { amount: -10, balance: 90000, weak: false, way: 0 },
      { amount: null, balance: null, weak: true, way: -1 },
      { amount: 2914, balance: 70000, weak: false, way },
    ])
  expect(rows(-1)[2]).toEqual({ amount: -2914, balance: 70000 })
  expect(rows(1)[2]).toEqual({ amount: 2914, balance: 70000 })
})
test('a stain among the figures of a balance, where the amount behind it could not be read', () => {
  const usual: [number, number][] = [
    [-6216, 262366],
    [-8406, 253960],
    [-4100, 249860],
  ]
  expect(
    chain(
      [-1234, 308573],
      [-343221, 5294252, 'weak'],
      [null, 2841534, 'weak'],
      [-9305, 274829],
      [-12463, 262366],
      ...usual.slice(1),
    ).slice(1, 3),
  ).toEqual([
    [-14321, 294252],
    [-10118, 284134],
  ])
})
test('a balance that lost its first figure between two amounts that cannot be read', () => {
  expect(chain([-6216, 247744], [null, 39794, 'weak'], [-8391, 231403], [null, 229501])).toEqual([
    [-6216, 247744],
    [-7950, 239794],
    [-8391, 231403],
    [-1902, 229501],
  ])
})
test('the balances that the paper opens and closes with hold the first row and the last', () => {
  const rows = [
    { amount: -10, balance: 91, weak: true, way: 0 },
    { amount: -40, balance: 50, weak: true, way: 0 },
  ]
  expect(followChain(rows, { opening: 100, closing: null })[0]).toEqual({ amount: -10, balance: 90 })
  expect(
    followChain(
      [
        { ...rows[0], balance: 90 },
        { ...rows[1], balance: 58 },
      ],
      { opening: null, closing: 50 },
    )[1],
  ).toEqual({ amount: -40, balance: 50 })
})
test('without balances nothing is said', () =>
  expect(chain([-10, null], [-40, null])).toEqual([
    [-10, null],
    [-40, null],
  ]))
test('no rows are no trouble', () => expect(followChain([])).toEqual([]))
