import { amountIn, figuresOf } from './figures.ts'
import type { RequestSentences } from './words.ts'

const figures = figuresOf('en')
const { day, month, list } = figures
const pages = (numbers: readonly number[]): string =>
  numbers.length === 1 ? `page ${numbers[0]}` : `pages ${list(numbers.map(String))}`

export const en: RequestSentences = {
  figures,
  reasons: {
    'requirement.none_there': () => 'We have not received it yet.',
    'requirement.none_of_applicant': ({ type }) => `The one we have is not yours: ${type}.`,
    'requirement.none_of_persons': ({ persons }) =>
      `We have none yet for ${list(persons.map((p) => p ?? 'you'))}.`,
    'requirement.persons_not_read': ({ but }, say) => say(but),
    'paper.lacks_pages': ({ paper, pages: lacking }) => `${paper}: ${pages(lacking)} did not reach us.`,
    'paper.ran_out': ({ paper, day: on }) => `${paper} ran out on ${day(on)}.`,
    'paper.begins_later': ({ paper, day: on }) => `${paper} begins only on ${day(on)}.`,
    'paper.signature_asked': ({ paper }) => `We found no signature on this: ${paper}.`,
    'paper.not_signed': ({ paper }) => `This is not signed: ${paper}.`,
    'paper.not_dated': ({ paper }) => `No date is filled in on this: ${paper}.`,
    'paper.dated_later': ({ paper, day: on }) => `${paper} bears a day that is still to come, ${day(on)}.`,
    'paper.too_old': ({ paper, day: on }) =>
      `The latest that we have is ${paper}, of ${day(on)}; that is too old.`,
    'paper.other_currency': ({ paper, amount, needed }) =>
      `${paper} says ${amountIn('en', amount)}; ${amountIn('en', needed)} are needed, in that currency.`,
    'paper.too_low': ({ paper, amount, needed }) =>
      `${paper} says ${amountIn('en', amount)}; ${amountIn('en', needed)} are needed.`,
    'months.not_read': () => 'We could not see which months it is for.',
    'months.lacking': ({ there, lacking }) =>
      `We have ${list(there.map(month))}; we lack ${list(lacking.map(month))}.`,
    'years.lacking': ({ years }) => `We lack the one for ${list(years)}.`,
    'coverage.not_read': () => 'We could not see which time it is for.',
    'coverage.too_short': ({ covered, gap }) =>
      gap
        ? `Nothing covers ${day(gap.start)} to ${day(gap.end)}.`
        : `What we have covers ${list(covered.map((c) => `${day(c.start)} to ${day(c.end)}`))} only.`,
  },
  want: {
    whose: (persons) => `of ${list(persons)}`,
    applicant: 'the applicant',
    notBefore: (on) => `dated ${on} or later`,
    validOn: (on) => `still good on ${on}`,
    months: (count) => `for each of ${count} months in a row, up to the latest`,
    lackingMonths: (months) => `for ${months}`,
    years: (years) => `for ${years}`,
    covers: (months) => `covering the last ${months} months without a gap`,
    atLeast: (amount) => `of at least ${amount}`,
    signed: 'signed',
    dated: 'with its date filled in',
    allPages: 'all pages',
  },
  oneOf: 'One of these is enough:',
  differs: (says) => `Your papers do not agree: ${says}.`,
  says: (papers, value) => `${papers}: ${value}`,
  whichIsRight: 'Which is right?',
  yes: 'yes',
  no: 'no',
  doesNotFit: (says) =>
    `${says ? `These amounts in your papers do not fit together: ${says}.` : 'Something in your papers does not fit together here.'} Please tell us why, or send what explains it.`,
  hardToRead: (which, paper) => `We cannot read ${which} of it well enough: ${paper}.`,
  lacksPages: (which, paper) => `${paper}: ${which} did not reach us.`,
  pages,
  rejected: (paper, reason) => `We cannot take this paper: ${paper}. ${reason}`,
  again: 'Please send it once more: the whole paper, sharp, in good light.',
  sign: 'Please sign it and send it again.',
  brought: {
    oneOf: (title, of) => `${title}, ${of}`,
    is: (paper) => `This is: ${paper}.`,
    does: 'That is what we asked for.',
    asked: (wanted) => `We asked for: ${wanted}.`,
    already: 'We have this one already.',
    notAsked: 'We did not ask for it; we keep it all the same.',
    notSure: 'A person looks at it.',
  },
  subject: (lender, caseNumber) => `${lender}: what we still need for ${caseNumber}`,
  opening: (applicant) =>
    `Dear ${applicant || 'applicant'},\n\nthank you for your papers. To go on we still need the following.`,
  reminderOpening: (applicant, on) =>
    `Dear ${applicant || 'applicant'},\n\non ${on} we asked you for papers. This is still open.`,
  askedBefore: (on) => `(We asked for this on ${on}.)`,
  link: 'Send papers and answers here, from a phone or a computer; nothing has to be set up:',
  due: (on) => `Please answer by ${on}.`,
  byMail: 'You may also answer this message and attach the papers.',
  closing: (lender) => `Thank you,\n${lender}`,
  thanks: (applicant, lender) =>
    `Dear ${applicant || 'applicant'},\n\nthank you: we have your answer to all that we asked for. If something more is needed, we write again.\n\n${lender}`,
  calledBack: (applicant, lender) =>
    `Dear ${applicant || 'applicant'},\n\nwhat we asked you for is not needed any more. You need not do anything.\n\n${lender}`,
}
