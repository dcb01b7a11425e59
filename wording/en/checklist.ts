import { type Age, type ChecklistMessages, plain } from '../../core/model/index.ts'
import { dayName, monthName } from '../../core/text/index.ts'
import type { Sentences } from '../sentences.ts'
import { capital, fieldWords, figures, list } from './words.ts'

const inWords = ({ days, months }: Age): string => (days !== undefined ? `${days} days` : `${months} months`)
const ownPages = (pages: readonly number[]): string =>
  pages.length === 1 ? `its page ${pages[0]}` : `its pages ${list(pages.map(String))}`
const typeTitle = (type: string): string => type.toLowerCase()
const stretch = ({ start, end }: { start: string; end: string }): string =>
  `${dayName(start)} to ${dayName(end)}`
const areMissing = (what: readonly string[]): string =>
  `${list(what)} ${what.length === 1 ? 'is' : 'are'} missing`

export const checklist: Sentences<ChecklistMessages> = {
  'requirement.waived': ({ reason }) => `Waived: ${reason}`,
  'requirement.not_asked_for': () => 'Not asked for in this case',
  'requirement.not_known_yet': ({ field }) =>
    `Not known yet whether it is asked for: the ${fieldWords(field)} was not read`,
  'requirement.nobody_named': () => 'Nobody is named whose it would be',
  'requirement.none_there': ({ type }) => `No ${typeTitle(type)} is there`,
  'requirement.none_of_applicant': ({ type }) => `No ${typeTitle(type)} of the applicant is there`,
  'requirement.none_of_persons': ({ type, persons }) =>
    `No ${typeTitle(type)} of ${list(persons.map((p) => p ?? 'the applicant'))} is there`,
  'requirement.each_person': ({ count }) => `${count} persons, each with a good one`,
  'requirement.persons_not_read': ({ but }, say) => `${say(but)}; who must bring one is not read yet`,
  'paper.lacks_pages': ({ paper, pages }) => `${paper} lacks ${ownPages(pages)}`,
  'paper.ran_out': ({ paper, day }) => `${paper} ran out on ${dayName(day)}`,
  'paper.begins_later': ({ paper, day }) => `${paper} begins only on ${dayName(day)}`,
  'paper.signature_asked': ({ paper }) => `No signature was found on ${paper}; it is still asked about`,
  'paper.not_signed': ({ paper }) => `${paper} is not signed`,
  'paper.not_dated': ({ paper }) => `${paper} is not dated`,
  'paper.dated_later': ({ paper, day }) => `${paper} is dated ${dayName(day)}, after the day of checking`,
  'paper.too_old': ({ paper, day, age, allowed }) =>
    `${paper} is of ${dayName(day)}, ${age} days old; at most ${inWords(allowed)} allowed`,
  'paper.other_currency': ({ paper, amount, needed }) =>
    `${paper} says ${plain(amount)}, in another currency than the ${plain(needed)} that are needed`,
  'paper.too_low': ({ paper, amount, needed }) =>
    `${paper}: ${figures(amount)} is less than the ${figures(needed)} needed`,
  'paper.good': ({ paper, until, open, signatureOpen }) => {
    const asked = [...open.map(fieldWords), ...(signatureOpen ? ['signature'] : [])]
    return [
      paper,
      until ? `, good until ${dayName(until)}` : '',
      asked.length ? `; its ${list(asked)} ${asked.length === 1 ? 'is' : 'are'} still asked about` : '',
    ].join('')
  },
  'months.not_read': ({ type }) => `The months of the ${typeTitle(type)}s were not read`,
  'months.lacking': ({ type, there, lacking }) =>
    `${capital(typeTitle(type))} for ${list(there.map(monthName))}; ${areMissing(lacking.map(monthName))}`,
  'months.there': ({ type, months }) => `${capital(typeTitle(type))}s for ${list(months.map(monthName))}`,
  'years.lacking': ({ type, years }) => `${capital(typeTitle(type))} for ${list(years)} is missing`,
  'years.there': ({ type, years }) => `${capital(typeTitle(type))} for ${list(years)}`,
  'coverage.not_read': ({ type }) => `The periods of the ${typeTitle(type)}s were not read`,
  'coverage.too_short': ({ type, covered, months, gap }) =>
    [
      `${capital(typeTitle(type))}s cover ${covered.map(stretch).join(' and ')}`,
      `, ${months} months are needed`,
      gap ? `; nothing from ${stretch(gap)}` : '',
    ].join(''),
  'coverage.whole': (whole) => `Covered from ${stretch(whole)}`,
}
