import { type FindingMessages, plain } from '../../core/model/index.ts'
import type { Sentences } from '../sentences.ts'
import { capital, pageSpan } from './words.ts'

export const findings: Sentences<FindingMessages> = {
  'finding.requirement': ({ title, reason }, say) => `${title}: ${say(reason)}`,
  'finding.conflict': ({ title, values }) =>
    `${title} differs: ${values.map(({ value, paper }) => `${plain(value)} (${paper})`).join('; ')}`,
  'finding.check': ({ title, detail }, say) => `${title}: ${say(detail)}`,
  'finding.strangers_paper': ({ paper, page }) =>
    `${paper} (page ${page}) is of somebody whom no other paper here names.`,
  'finding.limit': ({ title, tells, otherCurrency }) =>
    `${title}${otherCurrency ? `, or not: ${plain(otherCurrency)} is in another currency` : ''}: the ${tells === 'lead' ? 'team lead' : tells} is told`,
  'finding.copy': ({ paper, page, of }) => `${paper} on page ${page} is a copy of ${of}`,
  'finding.superseded': ({ paper, page, by }) => `${paper} on page ${page} is an older version; ${by} counts`,
  'finding.unknown_pages': (pages) =>
    `${capital(pageSpan(pages))} ${pages.first === pages.last ? 'is' : 'are'} of no known type`,
  'finding.lacks_pages': ({ paper, pages }) => `${paper} lacks page ${pages.join(', ')} of its own numbering`,
  'finding.hard_to_read': ({ page, problem }) => `Page ${page} is hard to read: ${problem}`,
  'finding.unusable_file': ({ file, problem }) => `${file}: ${problem}`,
  'decision.value': () => 'one value named as the true one',
  'decision.accepted': () => 'accepted as it is',
  'decision.ask': () => 'to be asked of the applicant',
  'decision.waived': () => 'waived',
  'finding.file_notice': ({ file, notice }) => `${file} ${notice}; nothing of it is ever run`,
}
