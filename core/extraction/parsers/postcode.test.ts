import { repairPostcode } from './postcode.ts'

test.each([
  ['7 Pilot Hill, Inverkell SKS 6RT', '7 Pilot Hill, Inverkell SK5 6RT'],
  ['115 Beacon Road, Brackwater SK9 SKU', '115 Beacon Road, Brackwater SK9 5KU'],
  ['9 Quay, Merrow SKl lMS', '9 Quay, Merrow SK1 1MS'],
  ['4 Row, Port Ellery SK42QD', '4 Row, Port Ellery SK42QD'],
  ['106 Shearwater Road, Merrow SK1 1MS', '106 Shearwater Road, Merrow SK1 1MS'],
  ['12 rue du Port, 29200 BREST', '12 rue du Port, 29200 BREST'],
  ['Lighthouse House, THE ISLES', 'Lighthouse House, THE ISLES'],
])('%s is %s', (read, meant) => expect(repairPostcode(read)).toBe(meant))

test.each([
  ['66 Old Quay, Cullen Point SK6 UWE', 'SK6 4WE'],
  ['64 Beacon Road, Cullen Point SK6 ywE', 'SK6 4WE'],
  ['1 Quay Road, Merrow SK1 1MS', 'SK1 1MS'],
])('%s ends in %s', (address, code) => expect(repairPostcode(address).endsWith(code)).toBe(true))
