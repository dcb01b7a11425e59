import type { Word } from '../model/page.ts'
import type { Letter } from './combine-readers.ts'
import { missingWords } from './missing-words.ts'

const STEP = 0.02
const letters = (text: string, from = 0.1): Letter[] =>
  [...text].map((c, i) => ({ text: c, confidence: 0.95, at: from + (i + 0.5) * STEP }))
const word = (text: string, from: number, to: number): Word => ({
  text,
  confidence: 0.9,
  box: [from, 0.5, to, 0.52],
})

test('a word that lacks its beginning reaches over it', () => {
  const { words, runs } = missingWords(
    [word('house@quay.example', 0.2, 0.56)],
    letters('stenhouse@quay.example'),
  )
  expect(words[0].box[0]).toBeCloseTo(0.1)
  expect(runs).toEqual([])
})

test('a word that lacks its end reaches over that', () =>
  expect(missingWords([word('Saltho', 0.1, 0.22)], letters('Saltholm')).words[0].box[2]).toBeCloseTo(0.26))

test('what a space parts from all words is one of its own', () => {
  const { words, runs } = missingWords([word('Name', 0.1, 0.18)], letters('Name Greta'))
  expect(words[0].box).toEqual([0.1, 0.5, 0.18, 0.52])
  expect(runs.map((r) => r.map((l) => l.text).join(''))).toEqual(['Greta'])
})

test('dots that lead to a value are nothing, nor is one letter', () => {
  expect(missingWords([word('Name', 0.1, 0.18)], letters('Name .... x')).runs).toEqual([])
})
