import { pack, unpack } from './packed.ts'

const verdict = {
  form: 2,
  documents: Array.from({ length: 200 }, (_, i) => ({
    id: `d${i}`,
    label: 'Relevé de compte – février',
    owner: null,
  })),
}

test('what is packed comes back as it was, in far fewer bytes', () => {
  const bytes = pack(verdict)
  expect(unpack(bytes)).toEqual(verdict)
  expect(bytes.length).toBeLessThan(JSON.stringify(verdict).length / 5)
})

test('rows from before were never packed', () => {
  expect(unpack(Buffer.from(JSON.stringify(verdict), 'utf8'))).toEqual(verdict)
})
