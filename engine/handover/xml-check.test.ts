import { xmlFaults } from './xml-check.ts'

const xsd = `<xs:schema xmlns:xs="http://www.w3.org/2001/XMLSchema">
  <xs:element name="application"><xs:complexType><xs:sequence>
    <xs:element name="name" type="xs:string"/><xs:element name="amount" type="xs:decimal"/>
  </xs:sequence></xs:complexType></xs:element></xs:schema>`
const made = (amount: string) => `<application><name>Ottilie</name><amount>${amount}</amount></application>`

test('what holds to the schema has no faults', async () =>
  expect(await xmlFaults(made('12.50'), xsd)).toEqual([]))

test('what does not is told with the element that is wrong', async () => {
  expect((await xmlFaults(made('twelve'), xsd))[0]).toContain("Element 'amount'")
  expect((await xmlFaults('<application/>', xsd))[0]).toContain('Missing child element')
})

test('a schema that is none is a fault, too', async () =>
  expect((await xmlFaults(made('1'), '<nothing/>')).length).toBeGreaterThan(0))
