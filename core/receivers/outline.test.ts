import { starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import type { Document } from '../findings/index.ts'
import { paperOf } from '../testing/paper-of.ts'
import { outlineOf, usualReceiver } from './index.ts'

const slip = (id: string, employer: string, pages: number[]) =>
  paperOf(id, 'payslip', { employer_name: employer }, { label: id, pages }) as Document
const card = paperOf('card', 'identity_card', {}, { label: 'ID card', pages: [9] }) as Document
const titles = (documents: Document[]) => outlineOf(documents, usualReceiver, starterTypes)

test('a kind of which there is one paper is that paper; of several, they stand below it', () =>
  expect(titles([card, slip('a', 'Petrel', [1, 2]), slip('b', 'Petrel', [3])])).toEqual([
    { title: 'ID card', page: 1, below: [] },
    {
      title: 'Payslip',
      page: 2,
      below: [
        { title: 'a', page: 2, below: [] },
        { title: 'b', page: 4, below: [] },
      ],
    },
  ]))

test('papers of one kind from several issuers stand below their issuers', () => {
  const [payslips] = titles([slip('a', 'Petrel', [1]), slip('b', 'Lodestar', [2]), slip('c', 'Petrel', [3])])
  expect(payslips.below.map((b) => [b.title, b.below.map((l) => l.title)])).toEqual([
    ['Petrel', ['a', 'c']],
    ['Lodestar', ['b']],
  ])
})
