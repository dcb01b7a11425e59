import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'
import { text } from 'node:stream/consumers'
import type { Register } from '../../core/program/index.ts'
import { askOutside, RegisterAway } from './register-outside.ts'

const boats: Register = {
  formatVersion: 1,
  id: 'boats',
  title: 'Boats',
  number: 'hull',
  name: 'name',
  columns: [],
}
const entry = { row: { hull: 'SKR-1', name: 'Kittiwake' }, by: 'number', score: 1 }

let server: Server
let asked: { method?: string; url?: string; body: string }[] = []
let answer: (response: ServerResponse) => void = () => undefined
beforeEach(async () => {
  asked = []
  server = createServer((request: IncomingMessage, response) => {
    void text(request).then((body) => {
      asked.push({ method: request.method, url: request.url, body })
      answer(response)
    })
  })
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
})
afterEach(() => {
  server.closeAllConnections()
  server.close()
})
const address = () => `http://127.0.0.1:${(server.address() as AddressInfo).port}/boats`
const ask = () => askOutside(address(), boats, { key: 'SKR-1', name: 'Wilma Ravensby' })

test('names of applicants are sent in the body, never in the address', async () => {
  answer = (r) => r.end(JSON.stringify({ entries: [entry] }))
  expect(await ask()).toMatchObject({ by: 'number', row: entry.row })
  expect(asked).toEqual([
    { method: 'POST', url: '/boats', body: '{"number":"SKR-1","name":"Wilma Ravensby"}' },
  ])
})

test('a bad answer is no answer, and the next question is asked all the same', async () => {
  answer = (r) => r.end('{"entries": 3}')
  await expect(ask()).rejects.toThrow(RegisterAway)
  answer = (r) => r.writeHead(500).end()
  await expect(ask()).rejects.toThrow(RegisterAway)
  answer = (r) => r.end(JSON.stringify({ entries: [] }))
  expect(await ask()).toBeNull()
})

test('an answer without end is left', async () => {
  answer = (r) => r.write(Buffer.alloc(300 * 1024, ' '))
  await expect(ask()).rejects.toThrow('too long')
})

test('it may not send us elsewhere; one that is away is left alone for a while', async () => {
  answer = (r) => r.writeHead(302, { Location: 'http://127.0.0.1:1/other' }).end()
  await expect(ask()).rejects.toThrow(RegisterAway)
  answer = (r) => r.end(JSON.stringify({ entries: [entry] }))
  await expect(ask()).rejects.toThrow('just now')
  expect(asked).toHaveLength(1)
})
