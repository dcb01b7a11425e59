import { automaticKind } from './index.ts'

const kindOf = (head: Record<string, string>) => automaticKind((name) => head[name])

test('a person is told from what answers for them', () => {
  expect(kindOf({ from: 'Ottilie Varnham <o@varnham.example>', subject: 'My papers' })).toBeNull()
  expect(kindOf({ 'auto-submitted': 'no' })).toBeNull()
  expect(kindOf({ 'auto-submitted': 'auto-replied (vacation)' })).toBe('away')
  expect(kindOf({ subject: 'Automatic reply: My papers' })).toBe('away')
  expect(kindOf({ subject: 'Réponse automatique : dossier' })).toBe('away')
  expect(kindOf({ subject: 'Automatic replies are off, here are my papers' })).toBeNull()
})

test('bounces, spam and lists are known by the standards', () => {
  expect(kindOf({ 'content-type': 'multipart/report; report-type=delivery-status' })).toBe('bounce')
  expect(kindOf({ 'return-path': '<>' })).toBe('bounce')
  expect(kindOf({ from: 'Mail Delivery <MAILER-DAEMON@host.example>' })).toBe('bounce')
  expect(kindOf({ 'x-spam-flag': 'YES' })).toBe('spam')
  expect(kindOf({ 'list-id': '<news.example>' })).toBe('list')
  expect(kindOf({ precedence: 'bulk' })).toBe('list')
})

test('a copier that mails a scan is a machine, not spam', () => {
  expect(kindOf({ 'auto-submitted': 'auto-generated', from: 'copier@branch.example' })).toBe('machine')
})
