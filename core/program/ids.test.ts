import { idFrom } from './ids.ts'

test.each([
  ['Net pay', 'net_pay'],
  ['Prénom de l’employé', 'prenom_de_l_employe'],
  ['2nd signature (both)', 'nd_signature_both'],
  ['Übertrag', 'ubertrag'],
  ['42', ''],
])('the id of “%s” is “%s”', (name, id) => expect(idFrom(name)).toBe(id))
test('an id is no longer than asked for', () => expect(idFrom('a'.repeat(80), 40)).toHaveLength(40))
