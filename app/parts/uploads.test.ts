import { forget, sendAgain, sendFiles, uploadsNow } from './uploads.ts'

/** A line to the server that a test answers by hand. */
class Line {
  static open: Line[] = []
  upload: { onprogress?: (event: { loaded: number }) => void } = {}
  onload?: () => void
  onerror?: () => void
  status = 0
  responseText = ''
  to = ''
  sent: unknown = null
  open(_: string, to: string): void {
    this.to = to
  }
  setRequestHeader(): void {
    return
  }
  send(file: unknown): void {
    this.sent = file
    Line.open.push(this)
  }
  answer(status: number, said: unknown): void {
    ;[this.status, this.responseText] = [status, typeof said === 'string' ? said : JSON.stringify(said)]
    Line.open = Line.open.filter((l) => l !== this)
    this.onload!()
  }
  breaks(): void {
    Line.open = Line.open.filter((l) => l !== this)
    this.onerror!()
  }
}

Object.assign(globalThis, { XMLHttpRequest: Line })
afterEach(() => {
  for (const { id } of uploadsNow()) forget(id)
  Line.open = []
})

const file = (name: string, size = 10) => ({ name, size }) as File
const states = () => uploadsNow().map((u) => `${u.name} ${u.state}`)

test('two files are sent at once, the next when one is there', () => {
  sendFiles('p1', [file('a.pdf'), file('b.pdf'), file('c.pdf')])
  expect(states()).toEqual(['a.pdf sending', 'b.pdf sending', 'c.pdf waiting'])
  Line.open[0].answer(200, {})
  expect(states()).toEqual(['a.pdf sent', 'b.pdf sending', 'c.pdf sending'])
})
test('each goes to its package, under its name', () => {
  sendFiles('p1', [file('Kontoauszug März.pdf')])
  expect(Line.open[0].to).toBe('/packages/p1/bring?name=Kontoauszug%20M%C3%A4rz.pdf')
})
test('how much of it is there is told on the way', () => {
  sendFiles('p1', [file('a.pdf', 100)])
  Line.open[0].upload.onprogress!({ loaded: 40 })
  expect(uploadsNow()[0]).toMatchObject({ sent: 40, size: 100 })
})
test('what the server remarks is kept: an unusable file, the same file elsewhere', () => {
  sendFiles('p1', [file('a.pdf'), file('b.pdf')])
  const [first, second] = Line.open
  first.answer(200, { problem: 'This PDF is damaged and cannot be opened.' })
  second.answer(200, { twin: 'MSM-26-004817' })
  expect(uploadsNow().map((u) => u.note)).toEqual([
    'This PDF is damaged and cannot be opened.',
    'The same file is also in package MSM-26-004817.',
  ])
})
test('a broken line or a refusal is told, and costs the other files nothing', () => {
  sendFiles('p1', [file('a.pdf'), file('b.pdf'), file('c.pdf')])
  const [first, second] = Line.open
  first.breaks()
  second.answer(413, 'not even JSON')
  expect(uploadsNow().map((u) => u.state)).toEqual(['failed', 'failed', 'sending'])
  expect(uploadsNow().map((u) => u.note)).toEqual([
    'The line broke. Nothing was kept; send it again.',
    'The server did not take it.',
    null,
  ])
})
test('what failed is sent again, with the same bytes', () => {
  const given = file('a.pdf')
  sendFiles('p1', [given])
  Line.open[0].breaks()
  sendAgain(uploadsNow()[0].id)
  expect(Line.open[0].sent).toBe(given)
  Line.open[0].answer(200, {})
  expect(states()).toEqual(['a.pdf sent'])
})
test('what is done is taken off the list', () => {
  sendFiles('p1', [file('a.pdf')])
  Line.open[0].answer(200, {})
  forget(uploadsNow()[0].id)
  expect(uploadsNow()).toEqual([])
})
