import { type DeckMessages, plain } from '../../core/model/index.ts'
import type { Sentences } from '../sentences.ts'
import { article, capital, lower, pageSpan, shortList } from './words.ts'

const beIt = ({ first, last }: { first: number; last: number }): string => (first === last ? 'is' : 'are')

export const deck: Sentences<DeckMessages> = {
  'ask.starts': ({ type, page }) => `Does ${article(type)} start on page ${page}?`,
  'ask.starts_inside': ({ page }) => `Does another document start on page ${page}?`,
  'ask.what_is': (pages) => `What ${beIt(pages)} ${pageSpan(pages)}?`,
  'ask.is_of_type': ({ type, ...pages }) => `${capital(beIt(pages))} ${pageSpan(pages)} ${article(type)}?`,
  'ask.what_is_value': ({ field, paper }) => `What is the ${lower(field)} on ${paper}?`,
  'ask.are_rows': ({ field, paper }) => `Are the ${lower(field)} of ${paper} read right?`,
  'ask.is_value': ({ field, paper, value }) => `Is the ${lower(field)} of ${paper} ${plain(value)}?`,
  'ask.signed': ({ paper }) => `Is ${paper} signed?`,
  'ask.fact': ({ question }) => question,
  'ask.belongs': ({ caseNumber, applicant }) =>
    `Does this belong to ${caseNumber}${applicant ? ` of ${applicant}` : ''}?`,
  'ask.stray': ({ caseNumber, ...pages }) =>
    `${capital(beIt(pages))} ${pageSpan(pages)} of case ${caseNumber}?`,
  'ask.check': ({ title }) => `${title}: why not here?`,
  'why.may_go_on': ({ page, paper }) => `Page ${page} may also go on with ${paper}.`,
  'why.taken_to_go_on': ({ paper }) => `It is taken to go on with ${paper}.`,
  'why.rule': ({ rule }) => `The rule “${rule}” says so; the page itself says otherwise.`,
  'why.no_type_fits': () => 'No known type fits it well.',
  'why.types_alike': () => 'Its wording fits more than one kind of paper, or its ends are not certain.',
  'why.value': ({ reason }, say) => `Asked because: ${say(reason)}.`,
  'why.no_place_to_sign': () => 'No place for a signature was found on it.',
  'why.ink_doubtful': () => 'The ink where it would be signed is doubtful.',
  'why.sender_known': ({ caseNumber }) =>
    `Whoever sent this is known from ${caseNumber}, and from other cases; nothing in it says which it is for.`,
  'why.stray_unproved': ({ caseNumber }) =>
    `They lie behind a cover sheet of ${caseNumber}. Nothing proves that this desk printed it.`,
  'why.stray_unknown': ({ caseNumber }) =>
    `They lie behind a cover sheet of ${caseNumber}. There is no such case: filed there, it is opened.`,
  'why.refused': ({ reason, refusal }) =>
    `A second person refused “${reason}”${refusal ? `: ${refusal}` : ''}.`,
  'why.settled_before': ({ reason, against }) =>
    `This was settled (“${reason}”), but now a paper says ${against.slice(0, 2).join(' and ')}.`,
  'why.differs': ({ papers, count, how }, say) =>
    `${shortList(papers)} ${count === 1 ? 'does' : 'do'} not agree with the rest: ${say(how)}.`,
  'why.applicant_says': ({ text }) => `The applicant says: “${text}”`,
  'why.check': ({ detail }, say) => `${say(detail)}.`,
  'place.page': ({ page }) => `Page ${page}`,
  'place.pages': (pages) => capital(pageSpan(pages)),
  'place.paper': ({ paper, page }) => `${paper}, page ${page}`,
  'place.term': ({ term, page }, say) => `${say(term)}, page ${page}`,
  'choice.file_there': ({ caseNumber }) => `File them to ${caseNumber}`,
  'choice.stays_here': () => 'They stay here',
  'choice.starts_here': () => 'Yes, it starts here',
  'choice.goes_on_with': ({ paper }) => `No, it goes on with ${paper}`,
  'choice.goes_on': ({ type }) => `No, it goes on with ${article(type)}`,
  'choice.another_starts': () => 'Yes, another one starts here',
  'choice.no_known_type': () => 'None of the known types',
  'choice.type': ({ type }) => type,
  'choice.another_type': () => 'Another type',
  'choice.value': ({ value }) => plain(value),
  'choice.rows': ({ count }) => `${count} rows`,
  'choice.type_value': () => 'Type it, or click it on the page',
  'choice.not_said': () => 'The paper does not say',
  'choice.unreadable': () => 'Unreadable',
  'choice.signed': () => 'Yes, it is signed',
  'choice.not_signed': () => 'No, it is not',
  'choice.misread': ({ paper }) => `It is misread on ${paper}`,
  'choice.accept_difference': () => 'Accept the difference',
  'choice.accept': () => 'Accept it as it is',
  'choice.ask_applicant': () => 'Ask the applicant',
  'note.chance': ({ chance }) => `${Math.round(chance * 100)} sure`,
  'note.search_type': () => 'type some letters of its name',
  'note.on_page_too': () => 'also on the page',
  'note.leaves_empty': () => 'leaves it empty',
  'note.takes_no_part': () => 'takes no part in checks',
  'note.type_or_click': () => 'type it, or click it on the page',
  'note.second_agrees': () => 'a second person must agree',
  'note.stays_open': () => 'stays open, noted for the request',
  'note.said_by': ({ papers }) =>
    shortList(papers.map(({ paper, field }) => (field === null ? paper : `${paper}, ${lower(field)}`))),
}
