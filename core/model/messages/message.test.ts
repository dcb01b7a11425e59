import { allOf, figuresIn, message, type Message } from './message.ts'

const eur = (amount: string) => ({ amount, currency: 'EUR' })

test('a message is its code with its parameters, and survives being stored', () => {
  const told = message('paper.ran_out', { paper: 'Identity card', day: '2026-03-01' })
  expect(told).toEqual({ code: 'paper.ran_out', paper: 'Identity card', day: '2026-03-01' })
  expect(JSON.parse(JSON.stringify(message('value.weak_print')))).toEqual({ code: 'value.weak_print' })
})
test('several messages become one; one alone stays as it is', () => {
  const [a, b] = [message('value.weak_print'), message('value.not_found')]
  expect(allOf([a])).toBe(a)
  expect(allOf([a, b])).toEqual({ code: 'all', of: [a, b] })
})

const rests: [what: string, told: Message, figures: string[]][] = [
  [
    'amounts, without their signs',
    message('balance.ends_otherwise', {
      paper: 'Statement (2)',
      leads: eur('-1048.57'),
      closes: eur('48.57'),
    }),
    ['1,048.57', '48.57'],
  ],
  ['days', message('signing.later', { paper: 'Consent (2)', day: '2026-04-11' }), ['2026-04-11']],
  [
    'numbers where there is neither',
    message('column.total', { paper: 'Declaration', numbers: [60, 35.5], sum: 95.5, is: 100 }),
    ['60', '35.5', '95.5', '100'],
  ],
  [
    'what stands in messages inside it',
    message('check.waits_for_answer', {
      otherwise: allOf([
        message('amount.covers', { amount: eur('48750.00'), than: eur('9.00') }),
        message('amount.covers', { amount: eur('48750.00'), than: eur('7.00') }),
      ]),
    }),
    ['48,750.00', '9.00', '7.00'],
  ],
  ['nothing, where it names none', message('quote.agrees'), []],
]
test.each(rests)('a message rests on %s', (_, told, figures) => expect(figuresIn(told)).toEqual(figures))
