import { localeOfLender } from '../../locale/index.ts'
import { euroLender } from '../../testing/lender.ts'
import { pageOf } from '../../testing/page-of.ts'
import { amountsIn } from './columns.ts'

const amounts = (currency: string, text: string) =>
  amountsIn(pageOf([text]).words, localeOfLender({ ...euroLender, currency })).map(
    ({ value }) => value.amount,
  )

test('amounts of rows are written to the smallest unit of their currency, whichever that is', () => {
  expect(amounts('EUR', '12 boxes 1,180.00')).toEqual(['1180.00'])
  expect(amounts('KWD', '12 boxes 118.250')).toHaveLength(1)
  expect(amounts('KWD', '12 boxes 1,180.00')).toHaveLength(0)
})
