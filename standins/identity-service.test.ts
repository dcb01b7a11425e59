import { judgeIdentity } from './identity-service.ts'

const card = { document_number: 'MR1234567', date_of_birth: '1980-03-14', expiry_date: '2032-05-02' }

test('a card is valid, not valid for each of its reasons, or cannot be told', () => {
  const of = (change: object) => judgeIdentity({ ...card, ...change }, '2026-12-01')
  expect(of({})).toEqual({ verdict: 'valid', reasons: [] })
  expect(of({ expiry_date: '2026-11-30', document_number: 'MR1234560' })).toEqual({
    verdict: 'not valid',
    reasons: ['it ran out', 'the number is on the list of lost papers'],
  })
  expect(of({ date_of_birth: '' })).toEqual({
    verdict: 'cannot tell',
    reasons: ['no date of birth is readable'],
  })
})
