import { isDistinctiveWord, likelyWord, tokens } from '../../text/index.ts'
import { type Field, tableColumns } from '../../program/index.ts'
import { closingOf } from '../parsers/words.ts'
import { noteGuess, PRINTED, type Table } from './table.ts'

/** A word that stands so often in the rows was not misread each time in the same way. */
const OFTEN = 2
const SURELY = 3

/**
 * Words of the rows that stand there once and are a letter off one that stands there several times ("Bakexy
 * Row" among "Bakery Row"), by what was likely meant.
 * @param times how often the other must stand there
 */
export function likelySpelling(table: Table, field: Field, times = OFTEN): Map<string, string> {
  const count = new Map<string, number>()
  for (const { cells: row } of table.rows)
    for (const name of textsOf(field))
      for (const word of tokens(typeof row[name] === 'string' ? row[name] : ''))
        if (isDistinctiveWord(word)) count.set(word, (count.get(word) ?? 0) + 1)
  const often = [...count].flatMap(([word, n]) => (n >= times ? [word] : []))
  return new Map(
    [...count].flatMap(([word, n]): [string, string][] => {
      const meant = n === 1 ? likelyWord(word, often) : null
      return meant ? [[word, meant]] : []
    }),
  )
}

/**
 * On a picture, spells a word of the rows as it stands there three times and more, and a firm's "Lid" as
 * "Ltd", and has it asked about: it may be another word.
 */
export function repairWords(table: Table, field: Field): void {
  if (table.wordConfidence >= PRINTED) return
  const meant = likelySpelling(table, field, SURELY)
  // What is booked goes to firms and comes from them; among goods a lid is a lid.
  const booked = tableColumns(field).date !== undefined
  /** How the rows write a word, capitals and accents as they are. */
  const written = new Map<string, string>()
  for (const { cells: row } of table.rows)
    for (const name of textsOf(field))
      for (const word of wordsOf(row[name])) written.set(tokens(word).join(' '), word)
  for (const { cells: row } of table.rows)
    for (const name of textsOf(field)) {
      const text = row[name]
      if (typeof text !== 'string') continue
      const words = wordsOf(text)
      const spelt = (word: string, i: number): string => {
        const other = meant.get(tokens(word).join(' '))
        if (other !== undefined) return written.get(other)!
        return (booked && i > 1 && i === words.length - 1 && closingOf(word)) || word
      }
      row[name] = words.map(spelt).join(' ')
      if (row[name] !== text) noteGuess(table)
    }
}

const textsOf = (field: Field): string[] => field.columns.flatMap((c) => (c.kind === 'text' ? [c.name] : []))
const wordsOf = (cell: unknown): string[] => (typeof cell === 'string' ? cell.split(' ') : [])
