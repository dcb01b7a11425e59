import type { LetterWords } from './words.ts'

export const en: LetterWords = {
  pages: (n) => (n === 1 ? '1 page' : `${n} pages`),
  files: (n) => (n === 1 ? '1 file' : `${n} files`),
  thanks: (files, pages) => `Thank you. We received ${files}${pages ? ` with ${pages}` : ''}.`,
  reading: 'Your papers are still being worked on. We write again as soon as we know what they are.',
  filed: (caseNumber) =>
    `Your case has the number ${caseNumber}. Further papers reach it in answer to this message.`,
  arrived: 'What arrived:',
  there: 'Of what is needed, this is there:',
  lacking: 'This is still needed:',
  complete: 'Nothing more is needed for now.',
  unusable: 'This could not be used:',
  unsure: 'perhaps; somebody looks at it',
  unchecked: (title) => `${title}: could not be checked yet; somebody looks at it`,
  exceeded: (title, said, most) => `${title}: ${said} is more than the ${most} that are allowed`,
  refused: 'None of it could be taken:',
  unexpected: (title, expected) => `This looks like: ${title}. Expected was: ${expected}`,
  identity: {
    valid: 'The identity paper was checked: valid',
    'not valid': 'The identity paper was checked: not valid',
    'cannot tell': 'The identity paper was checked: it cannot be told',
    asked: 'The identity paper is being checked',
  },
  status: {
    missing: 'not there yet',
    incomplete: 'not complete',
    expired: 'out of date',
    unsigned: 'not signed',
    insufficient: 'does not suffice',
  },
  problem: {
    locked: 'It is locked with a password. Please send it unlocked.',
    damaged: 'It is damaged and cannot be opened. Please send it again.',
    empty: 'There is nothing in it.',
    kind: 'It is not a kind of file that can be read here. Please send PDF, JPEG, PNG or TIFF.',
    large: 'It holds more than can be taken at once. Please send it in parts.',
    malware: 'It was taken out, for it holds something harmful.',
    twice: 'It was received before.',
    other: 'It cannot be used. Please send it again, or answer this message.',
  },
  farewell: (lender) => `${lender}\nThis message was written by a machine; answers to it are read.`,
}
