import { weaknessOf } from './passwords.ts'

const ada = { name: 'Ada Marchetti', email: 'ada@merrowsound.example' }

test.each([
  ['too short', 'kiln-9zz', 'letters or more'],
  ['a common one, written otherwise', 'P@ssw0rd2026', 'tried first'],
  ['a row of keys', 'qwertyuiop', 'tried first'],
  ['their own name and a year', 'adamarchetti1987', 'tried first'],
  ['one letter, often', 'aaaaaaaaaaaaaaaa', 'tried first'],
])('%s is refused: %s', (_, password, why) => expect(weaknessOf(password, ada)).toMatch(why))

test.each(['osprey kettle vault', 'h7Rq-2mvx-9kpd', 'le phare éteint sous la neige'])(
  'words that nothing ties together are taken: %s',
  (password) => expect(weaknessOf(password, ada)).toBeNull(),
)
