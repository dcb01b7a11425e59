import { withCrossedT, withLostLetter, withMailSign } from './misread-characters.ts'
import type { Word } from '../model/page.ts'

const read = (text: string) => withLostLetter({ text, confidence: 0.9, box: [0, 0, 0.1, 0.02] })

test.each([
  ['@degaard', 'Ødegaard'],
  ['@DEGAARD,', 'ØDEGAARD,'],
])('%s is %s, and to be asked about', (text, meant) =>
  expect(read(text)).toMatchObject({ text: meant, confidence: 0.6 }),
)
test.each(['@', '@Yes', '@islepost.example', 'a@b.example', '@12'])('%s stays', (text) =>
  expect(read(text)).toMatchObject({ text, confidence: 0.9 }),
)

test.each([
  ['Nor+hligkt', 'Northligkt'],
  ['Thrif+', 'Thrift'],
])('%s is %s', (text, meant) =>
  expect(withCrossedT({ text, confidence: 0.9, box: [0, 0, 0.1, 0.02] })).toMatchObject({
    text: meant,
    confidence: 0.6,
  }),
)
test.each(['+44', '24.10+', 'A+', 'a+b@islepost.example'.slice(0, 2)])('the cross of %s stays', (text) =>
  expect(withCrossedT({ text, confidence: 0.9, box: [0, 0, 0.1, 0.02] }).text).toBe(text),
)

describe('an address of mail without its sign', () => {
  const mended = (...texts: string[]) =>
    withMailSign(texts.map((text): Word => ({ text, confidence: 0.9, box: [0, 0, 0.1, 0.02] }))).at(-1)!
  test.each([
    'bram.oakshottckelpnet.example',
    'bram.oakshottekelpnet.example',
    'bram.oakshott©kelpnet.example',
  ])('%s: a name on the page ends where it stood', (text) =>
    expect(mended('Bram', 'Oakshott', text)).toMatchObject({
      text: 'bram.oakshott@kelpnet.example',
      confidence: 0.6,
    }),
  )
  test('no name on the page, no guess', () =>
    expect(mended('Petrel', 'Slipways', 'bram.oakshottckelpnet.example').text).toBe(
      'bram.oakshottckelpnet.example',
    ))
  test('a name at the front of a web address is none', () =>
    expect(mended('Kelpnet', 'www.kelpnet.example').text).toBe('www.kelpnet.example'))
  test('a text layer is spelt as it is', () =>
    expect(
      withMailSign([
        { text: 'Bram', confidence: 1, box: [0, 0, 0.1, 0.02] },
        { text: 'bramckelpnet.example', confidence: 1, box: [0, 0, 0.1, 0.02] },
      ])[1].text,
    ).toBe('bramckelpnet.example'))
})
