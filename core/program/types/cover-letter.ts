import type { TypeData } from './type-data.ts'

export const coverLetter: TypeData = {
  id: 'cover_letter',
  title: 'Cover letter',
  short: 'Letter',
  pages: { min: 1, max: 1 },
  titles: ['covering letter', 'cover letter', 'my application', 'papers for my application', 'enclosed papers'],
  signs: [
    { words: 'dear', weight: 1.5 }, { words: 'dear sir', weight: 1.5 }, { words: 'dear madam', weight: 1 }, { words: 'yours sincerely', weight: 2 }, { words: 'yours faithfully', weight: 2 }, { words: 'kind regards', weight: 2 }, { words: 'best regards', weight: 1.8 }, { words: 'enclosed', weight: 1.5 }, { words: 'please find', weight: 2 }, { words: 'subject', weight: 1 }, { words: 'sent', weight: 0.6 },
    { words: 'attached', weight: 1 }, { words: 'i enclose', weight: 1.5 }, { words: 'enclosures', weight: 1.2 }, { words: 'with this letter', weight: 1.5 }, { words: 'thank you', weight: 0.8 }, { words: 'from', weight: 0.3 }, { words: 'hello', weight: 0.8 }, { words: 'regards', weight: 1 }, { words: 'attachments', weight: 1 },
  ],
  letter: true,
  person: null,
  fields: [
    { name: 'sender_name', title: 'Sender', kind: 'name', sources: ['sentence'], labels: ['from', 'sender', 'yours sincerely', 'yours faithfully', 'kind regards', 'best regards', 'regards', 'with kind regards', 'sincerely', 'with best wishes', 'many thanks', 'yours truly', 'thank you'] },
    { name: 'letter_date', title: 'Date', kind: 'date', sources: ['sentence'], labels: ['date', 'sent', 'dated', 'sent on', 'written on'] },
  ],
}
