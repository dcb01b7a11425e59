import { documentTypeSchema } from '../program/index.ts'
import { pageOf } from '../testing/page-of.ts'
import { pageWordMargin, pageWordsOf } from './page-words.ts'

const type = (pageWords?: string) =>
  documentTypeSchema.parse({
    id: 'log',
    title: 'Log',
    short: 'Log',
    pages: { min: 1, max: 1 },
    titles: ['log'],
    fields: [],
    ...(pageWords === undefined ? {} : { pageWords }),
  })

test('words and pairs of a page, each once; figures and columns part pairs', () =>
  expect([...pageWordsOf(pageOf(['Net loft 12 log | net loft']))]).toEqual([
    'net',
    'loft',
    'net loft',
    'log',
    'loft log',
  ]))
test('the margin is the bias and the weights of what is said, by the root of how much is said', () => {
  const log = type('* -500\nnet loft 2000\nferry 1000')
  expect(pageWordMargin(new Set(['net', 'loft', 'net loft', 'log']), log)).toBeCloseTo(-0.5 + 2 / 2)
  expect(pageWordMargin(new Set(), log)).toBeCloseTo(-0.5)
})
test('a type that no words were fitted of has no margin', () =>
  expect(pageWordMargin(new Set(['log']), type())).toBeNull())
