import { codeOf, sameCode } from '../keys.ts'

/** RFC 4648 base 32, in which no sign is taken for another. */
const SIGNS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'
const LENGTH = 8

/**
 * The authentication code on the cover sheets of a case: 40 bits, which nobody makes for a case whose sheet they do not
 * hold. Case numbers run in order, and anybody can print one.
 */
export function sheetCode(organisationId: string, caseNumber: string): string {
  const bytes = codeOf('cover sheet', organisationId, caseNumber)
  return Array.from({ length: LENGTH }, (_, i) => SIGNS[bytes[i] % SIGNS.length]).join('')
}

/** Whether a sheet with a number and a code was printed by the organisation's desk. */
export const isOwnSheet = (organisationId: string, caseNumber: string, code: string | null): boolean =>
  code !== null && sameCode(Buffer.from(code), Buffer.from(sheetCode(organisationId, caseNumber)))
