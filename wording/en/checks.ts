import type { CheckMessages } from '../../core/model/index.ts'
import type { Sentences } from '../sentences.ts'
import { figures, list } from './words.ts'

const less = ({ total, minus, is }: CheckMessages['difference.agrees']): string =>
  `${figures(total)} less ${figures(minus)} is ${figures(is)}`

export const checks: Sentences<CheckMessages> = {
  'check.waits_for_answer': ({ otherwise }, say) => `Waits for an answer about a value: ${say(otherwise)}`,
  'check.several_currencies': ({ currencies }) =>
    `the amounts are in ${list(currencies)}: they cannot be reckoned together`,
  'check.no_amount': () => 'one of the amounts is not there',
  'check.no_roles': () => 'the columns of its table are not said to be amounts',
  'check.no_pay_day_covered': () => 'no statement covers a pay day',
  'check.no_rows': () => 'no statement with its rows read',
  'check.no_neighbours': () => 'no two statements that follow each other',
  'check.nothing_to_add': () => 'no amounts to add',
  'check.no_numbers': () => 'the numbers were not read',
  'check.no_signing_date': () => 'no signing date was read',
  'difference.agrees': less,
  'difference.differs': (sum) =>
    `${less(sum)}, but the paper says ${figures(sum.says)}: ${figures(sum.apart)} apart`,
  'mean.compared': ({ stated, mean, apart, allowed }) =>
    [
      `${figures(stated)} stated against a mean of ${figures(mean)}`,
      `: ${apart.toFixed(1)} % apart, ${allowed} % allowed`,
    ].join(''),
  'account.credits_lacking': ({ payments }) =>
    [
      'No credit on the statements for',
      payments.map(({ amount, paper }) => `${figures(amount)} of ${paper}`).join(' and '),
    ].join(' '),
  'account.credits_there': ({ count }) => `${count} of ${count} payments found on the statements`,
  'balance.breaks': ({ paper, row, should, says }) =>
    [
      `${paper}: after row ${row} the balance should be ${figures(should)}`,
      `, the paper says ${figures(says)}`,
    ].join(''),
  'balance.ends_otherwise': ({ paper, leads, closes }) =>
    `${paper}: the rows lead to ${figures(leads)}, the paper closes at ${figures(closes)}`,
  'balance.adds_up': ({ count }) => `${count} statements add up`,
  'statements.break': ({ before, closes, next, opens }) =>
    `${before} closes at ${figures(closes)}, ${next} opens at ${figures(opens)}`,
  'statements.join': ({ count }) => `${count} statements join up`,
  'quote.lines_differ': ({ paper, sum, net }) =>
    `${paper}: the lines sum to ${figures(sum)}, its net amount is ${figures(net)}`,
  'quote.total_differs': ({ paper, makes, says }) =>
    `${paper}: net and tax make ${figures(makes)}, the total says ${figures(says)}`,
  'quote.agrees': () => 'lines, net, tax and total agree',
  'quote.agrees_but_lines': () => 'net, tax and total agree; the lines are still to be settled',
  'column.total': ({ paper, numbers, sum, is }) =>
    `${paper}: ${numbers.join(' + ')} is ${sum}${sum === is ? '' : `, not ${is}`}`,
  'amount.covers': ({ amount, than }) => `${figures(amount)} covers ${figures(than)}`,
  'amount.does_not_cover': ({ amount, than }) => `${figures(amount)} does not cover ${figures(than)}`,
  'signing.later': ({ paper, day }) => `${paper} is dated ${day}, after the day of checking`,
  'signing.too_early': ({ paper, day, daysBefore }) =>
    `${paper} is dated ${day}, more than ${daysBefore} days before the application`,
  'signing.in_order': () => 'all signing dates are in order',
  'term.paper': ({ paper }) => paper,
  'term.words': ({ words }) => words,
  'term.mean': () => 'their mean',
  'term.rows': () => 'its rows',
  'term.divided': ({ paper, by }) => `${paper}, to be divided by ${by}`,
}
