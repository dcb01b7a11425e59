/** What the page says that an applicant answers a request on, in one language. */
export interface PageWords {
  /** Of the language itself. */
  name: string
  title: (lender: string) => string
  intro: string
  due: (day: string) => string
  progress: (done: number, all: number) => string
  addPapers: string
  photograph: string
  heap: string
  heapHint: string
  noHave: string
  why: string
  send: string
  cancel: string
  another: string
  yourAnswer: string
  form: string
  said: (text: string) => string
  saidCannot: (text: string) => string
  state: Record<'open' | 'reading' | 'not yet' | 'said' | 'done', string>
  notYet: string
  sending: (percent: number) => string
  broken: string
  refused: string
  again: string
  sent: string
  reading: string
  doneTitle: string
  doneText: string
  closedTitle: string
  closedText: string
  goneTitle: string
  goneText: string
  tooManyText: string
  picture: Record<'blurred' | 'dark' | 'cut off' | 'empty', string>
  sendAnyway: string
  takeAnother: string
  failed: string
  language: string
  privacy: string
}
