import { usualRoles, type CalledColumn } from './column-roles.ts'

const column = (kind: CalledColumn['kind'], ...labels: string[]): CalledColumn => ({ kind, labels })

test.each<[string, CalledColumn[], (string | null)[]]>([
  [
    'bookings',
    [
      column('date', 'Posted'),
      column('text', 'Details'),
      column('money', 'Amount'),
      column('money', 'Running balance'),
    ],
    ['date', 'description', 'amount', 'balance'],
  ],
  [
    'goods',
    [
      column('text', 'Item'),
      column('number', 'Qty'),
      column('money', 'Price each'),
      column('money', 'Total'),
    ],
    ['description', 'quantity', 'unit_price', 'amount'],
  ],
  [
    'dated rows of two amounts that are neither',
    [column('date', 'Day'), column('money', 'Toll'), column('money', 'Fuel')],
    ['date', null, null],
  ],
  [
    'coverages',
    [column('text', 'Coverage'), column('text', 'Limit'), column('money', 'Premium')],
    ['description', null, 'amount'],
  ],
  ['people', [column('name', 'Name'), column('percent', 'Share')], [null, null]],
])('%s', (_, columns, roles) => expect(usualRoles(columns)).toEqual(roles))
