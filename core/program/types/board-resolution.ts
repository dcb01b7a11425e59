import type { TypeData } from './type-data.ts'
import { BUSINESS, SIGNATURE } from './wordings.ts'

export const boardResolution: TypeData = {
  id: 'board_resolution',
  title: 'Board resolution',
  short: 'Resolution',
  pages: { min: 1, max: 3 },
  titles: ['board resolution', 'resolution of the board', 'minutes of a meeting', 'minutes of the meeting', 'minutes of the board', 'minutes of a meeting of the directors', 'minutes of a meeting of the board', 'resolution of the directors', 'extract from the minutes', 'resolution on signatories', 'resolution', "directors' resolution", 'board minutes', 'resolution of the board of directors', 'resolution naming signatories', 'minutes', 'mandate to act', 'minutes of a board meeting', 'directors’ resolution', 'certified extract of minutes', 'resolution of directors'],
  signs: [
    { words: 'it was resolved', weight: 3 }, { words: 'resolved', weight: 2.2 }, { words: 'board of directors', weight: 1.8 }, { words: 'directors present', weight: 1.8 }, { words: 'present', weight: 0.8 }, { words: 'chairman', weight: 1.2 }, { words: 'chair', weight: 0.8 }, { words: 'quorum', weight: 1.8 }, { words: 'signatories', weight: 2 }, { words: 'authorised signatories', weight: 2 }, { words: 'authorised to sign', weight: 1.8 }, { words: 'meeting', weight: 1.2 }, { words: 'minutes', weight: 1.5 }, { words: 'in attendance', weight: 1.2 }, { words: 'apologies', weight: 1 }, { words: 'directors', weight: 1 }, { words: 'unanimously', weight: 1.2 }, { words: 'secretary', weight: 0.8 }, { words: 'agenda', weight: 1 },
  ],
  signature: { labels: [...SIGNATURE, 'chairman', 'chair', 'chair of the meeting', 'signature of chairman', 'secretary', 'director', 'chairperson', 'chairman of the meeting', 'signed as a true record', 'signature of chair', 'company secretary', 'certified true'] },
  fields: [
    { name: 'business_name', title: 'Business', kind: 'org', sources: ['letterhead'], labels: [...BUSINESS, 'directors of', 'board of', 'meeting of', 'minutes of', 'board of directors of', 'resolution of'] },
    { name: 'meeting_date', title: 'Meeting', kind: 'date', sources: ['sentence'], labels: ['date of meeting', 'meeting date', 'held on', 'date', 'meeting of', 'meeting held on', 'date of resolution', 'day of meeting', 'passed on', 'resolved on', 'dated', 'on', 'date and place', 'met on', 'held at', 'date of the meeting'] },
    { name: 'signatories', title: 'Signatories', kind: 'table', threshold: 0.6, columns: [
      { name: 'name', kind: 'name', labels: ['signatory', 'authorised signatory', 'authorised signatories', 'signatories', 'name of signatory', 'name', 'names', 'persons authorised to sign', 'authorised to sign', 'authorised persons', 'may sign', 'empowered to sign', 'entitled to sign', 'persons authorised', 'authorised to act', 'sign on behalf', 'full name', 'named as signatories', 'appointed signatories', 'authorised to operate the account', 'operated by', 'as signatories', 'to sign for the company'] },
    ] },
  ],
}
