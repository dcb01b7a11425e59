import { data } from 'react-router'
import type { Role } from '../database/schema.ts'

const SECOND_PEOPLE: readonly Role[] = ['reviewer', 'lead', 'administrator']
const LEADS: readonly Role[] = ['lead', 'administrator']
const ADMINISTRATORS: readonly Role[] = ['administrator']

/**
 * What needs a right: the roles that have it, and what is said to the others. All else, the work on the packages of
 * their organisation, anybody may who is signed in.
 */
export const RIGHTS = {
  sign: [SECOND_PEOPLE, 'A reviewer, a lead or an administrator signs packages off and agrees to decisions.'],
  'open what was signed': [
    SECOND_PEOPLE,
    'A second person signed it off; a reviewer or a lead opens it again.',
  ],
  'give away': [LEADS, 'Only a lead gives other people’s packages away.'],
  'go back': [LEADS, 'A lead moves packages back to an older version of their program.'],
  'set up': [LEADS, 'A lead or an administrator changes what this desk is set up with.'],
  'see the trail': [LEADS, 'A lead or an administrator looks into the trail.'],
  'say how papers are written': [ADMINISTRATORS, 'An administrator says how papers are written.'],
  hold: [LEADS, 'A lead or an administrator puts holds on packages.'],
  erase: [ADMINISTRATORS, 'An administrator asks for packages to be erased.'],
  'agree to erase': [LEADS, 'A lead or another administrator agrees to erasing packages.'],
  'give out': [LEADS, 'A lead or an administrator gives out all that is kept of an applicant.'],
  people: [ADMINISTRATORS, 'An administrator looks after the people of this desk.'],
  keys: [ADMINISTRATORS, 'An administrator makes keys for other systems and takes them away.'],
  machine: [ADMINISTRATORS, 'An administrator looks after work that failed.'],
} as const satisfies Record<string, readonly [roles: readonly Role[], refusal: string]>

export type Right = keyof typeof RIGHTS

/** Whether somebody may do something. */
export const may = ({ role }: { role: Role }, right: Right): boolean => RIGHTS[right][0].includes(role)

/** All that somebody has a right to. */
export const rightsOf = (who: { role: Role }): Right[] =>
  (Object.keys(RIGHTS) as Right[]).filter((right) => may(who, right))

/** What is said to those who may not. */
export const refusalOf = (right: Right): string => RIGHTS[right][1]

/** @throws a 403 response with what is said to those who may not */
export function demand(who: { role: Role }, right: Right): void {
  if (!may(who, right)) throw data(refusalOf(right), 403)
}
