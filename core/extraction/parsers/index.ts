import type { FieldKind } from '../../program/index.ts'
import { readDates } from './date.ts'
import { readIbans } from './iban.ts'
import { readEmails, readIds, readNumbers, readPhones } from './id.ts'
import { readMoney } from './money.ts'
import type { KindReader } from './reading.ts'
import { readAddresses, readNames, readOrgs, readTexts } from './words.ts'

/**
 * The reader of each kind that stands in a run of words. Choices, yes/no and tables are read by their marks
 * and columns.
 */
export const kindReaders = {
  name: readNames,
  org: readOrgs,
  address: readAddresses,
  date: readDates,
  money: readMoney,
  number: readNumbers,
  percent: readNumbers,
  id: readIds,
  iban: readIbans,
  email: readEmails,
  phone: readPhones,
  text: readTexts,
} satisfies Record<Exclude<FieldKind, 'choice' | 'yesno' | 'table'>, KindReader>
