import { answerReferences, answerSubject, messageIds } from './index.ts'

test('an answer says Re: once', () => {
  expect(answerSubject('My papers')).toBe('Re: My papers')
  expect(answerSubject('RE: AW: Re[2]: My papers')).toBe('Re: My papers')
  expect(answerSubject('Renewal: my papers')).toBe('Re: Renewal: my papers')
})

test('a thread keeps its beginning and its latest messages', () => {
  expect(answerReferences({ messageId: '<b@x>', references: ['<a@x>'] })).toEqual(['<a@x>', '<b@x>'])
  const long = Array.from({ length: 40 }, (_, i) => `<${i}@x>`)
  const kept = answerReferences({ messageId: '<last@x>', references: long })
  expect([kept.length, kept[0], kept.at(-1)]).toEqual([20, '<0@x>', '<last@x>'])
})

test('ids are read out of whatever stands around them', () => {
  expect(messageIds('<a@x>\r\n <b@x> nonsense <a@x>')).toEqual(['<a@x>', '<b@x>'])
})
