import { changed } from './fuzz.ts'

const bytes = Buffer.from('<< /Length 120 >> stream of a page endstream')
const other = Buffer.from('0123456789')

test('a bit is flipped, a piece is taken out, a piece comes again', () => {
  expect(changed(bytes, [{ kind: 'flip', at: 0, bit: 0 }], other)[0]).toBe('<'.charCodeAt(0) ^ 1)
  expect(changed(bytes, [{ kind: 'cut', at: 0, length: 3 }], other).toString()).toBe(
    '/Length 120 >> stream of a page endstream',
  )
  expect(
    changed(bytes, [{ kind: 'again', at: 0, length: 2, times: 3 }], other)
      .toString()
      .startsWith('<<<<<<<< /Length'),
  ).toBe(true)
})

test('the next number becomes another, and a piece of another file is spliced in', () => {
  expect(changed(bytes, [{ kind: 'number', at: 0, to: '-1' }], other).toString()).toContain('/Length -1 >>')
  expect(changed(bytes, [{ kind: 'splice', at: 0, length: 4 }], other).toString()).toBe(
    `0123${bytes.toString()}`,
  )
})

test('changes follow one another, and an empty file stays one', () => {
  const made = [
    { kind: 'cut', at: 0, length: 5000 },
    { kind: 'flip', at: 1, bit: 7 },
    { kind: 'number', at: 0.5, to: '0' },
  ] as const
  expect(changed(bytes, made, other)).toHaveLength(0)
})
