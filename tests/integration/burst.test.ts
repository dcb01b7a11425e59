import { measureBurst } from '../../bench/arrivals.ts'

test('a burst of mails and files arrives whole, once each, while what serves it is killed', async () => {
  const result = await measureBurst(
    { mails: 10, files: 20, everySeconds: 0, scanPages: 0, readAll: true, killAfter: 8 },
    '.jigsa/burst-postgres',
  )
  expect(result).toMatchObject({ lost: 0, twice: 0, untold: 0, toldTwice: 0 })
  expect(result.kills).toBeGreaterThan(1)
}, 240_000)
