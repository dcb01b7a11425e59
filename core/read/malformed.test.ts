import { malformed } from './malformed.ts'

test.each([
  ['email', '-garvie@skerrowmail.example', true],
  ['email', 'tamsin.garvie@skerrowmail.example', false],
  ['email', 'tamsin.garvie@skerrowmailexample', true],
  ['address', '66 Shearwater Road, Port Ellery SK4 20D', true],
  ['address', '66 Shearwater Road, Port Ellery SK4 2QD', false],
  ['address', '12 rue du Quai, 29200 Brest', false],
  ['address', '50 Fulmar r Avenue, Inverkell', true],
  ['address', '3 calle Mar y Sol, 36201 Vigo', false],
  ['address', '88, Cullen Point SK6 4WE', true],
  ['address', '98 Old Quay', true],
  ['name', 'fñigo Garvie', true],
  ['name', 'Casper Miiller', true],
  ['name', 'Ludwig van der Meer', false],
  ['name', 'Jean d’Arc', false],
  ['name', 'Ottilie Varnham', false],
  ['name', 'Elspeth', true],
  ['name', 'Nerys Lindqvist M', true],
  ['name', 'W. Ravensby', false],
  ['name', 'Ravensby, Wilma', false],
  ['org', 'fathom 2 co', false],
] as const)('%s “%s” is malformed: %s', (kind, value, is) => expect(malformed(value, kind)).toBe(is))
